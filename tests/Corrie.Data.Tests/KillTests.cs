using System.Diagnostics;

namespace Corrie.Data.Tests;

/// <summary>A sample of <c>bench/run kills</c>.</summary>
public class KillTests
{
    [Fact]
    public async Task A_program_that_is_killed_loses_nothing_that_it_has_acknowledged()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "Corrie.slnx")))
        {
            folder = folder.Parent;
        }

        // The one that was built beside this one, in the same way.
        var way = new DirectoryInfo(AppContext.BaseDirectory.TrimEnd(Path.DirectorySeparatorChar));
        var bench = Path.Combine(folder.FullName, "bench", "Corrie.Bench", "bin", way.Parent!.Name, way.Name, "Corrie.Bench.dll");
        using var run = Process.Start(new ProcessStartInfo("dotnet", [bench, "kills", "15"]) { RedirectStandardOutput = true })!;
        var said = await run.StandardOutput.ReadToEndAsync();
        await run.WaitForExitAsync();
        Assert.True(run.ExitCode == 0, said);
        Assert.Matches("15 kills while writing: [1-9][0-9]+ entries", said);
        Assert.Contains("Nothing lost, nothing twice", said);
    }
}
