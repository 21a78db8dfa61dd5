using System.Diagnostics;

namespace Corrie.Web.Tests;

/// <summary>What stands on a paper, as another program reads it.</summary>
internal static class PaperText
{
    /// <summary>The words of a PDF.</summary>
    /// <param name="pdf">The file.</param>
    /// <param name="order">In which order: as it looks, or as it was drawn.</param>
    /// <returns>The words.</returns>
    public static async Task<string> Of(byte[] pdf, string order = "-layout")
    {
        var folder = Directory.CreateTempSubdirectory("corrie-pdf-");
        await File.WriteAllBytesAsync(Path.Combine(folder.FullName, "t.pdf"), pdf);
        Run("pdftotext", $"{order} t.pdf t.txt", folder.FullName);
        var words = await File.ReadAllTextAsync(Path.Combine(folder.FullName, "t.txt"));
        folder.Delete(recursive: true);
        return words;
    }

    /// <summary>Runs a program to its end.</summary>
    /// <param name="program">Which one.</param>
    /// <param name="arguments">Its arguments.</param>
    /// <param name="folder">Where it runs.</param>
    public static void Run(string program, string arguments, string folder)
    {
        using var run = Process.Start(new ProcessStartInfo(program, arguments) { WorkingDirectory = folder })!;
        run.WaitForExit();
        Assert.Equal(0, run.ExitCode);
    }
}
