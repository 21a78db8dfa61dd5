namespace Corrie.Core.Tests;

/// <summary>Finds files of the repository from wherever the tests run.</summary>
internal static class Repository
{
    public static string Root { get; } = Find();

    public static string File(string path) => Path.Combine(Root, path);

    private static string Find()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!System.IO.File.Exists(Path.Combine(folder!.FullName, "Corrie.slnx")))
        {
            folder = folder.Parent;
        }

        return folder.FullName;
    }
}
