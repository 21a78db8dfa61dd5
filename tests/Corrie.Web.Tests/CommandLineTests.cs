using System.Diagnostics;
using Corrie.Web.Demo;

namespace Corrie.Web.Tests;

/// <summary>The command line by itself, without the web part.</summary>
public class CommandLineTests
{
    [Theory]
    [InlineData("map-room", 1, "S  survey.framing-unconfirmed", "Source: common practice")]
    [InlineData("bunkhouse-corridor", 0, "C  place.gap-too-small", "Place      clear")]
    [InlineData("wardens-office", 0, "The file is sound: Warden's office", "Fix        clear")]
    public async Task A_job_is_checked_with_its_findings_and_its_steps(string job, int status, params string[] says)
    {
        var (code, said, _) = await Run("check", Write(TarnHall.Read(job)));
        Assert.Equal(status, code);
        Assert.All(says, words => Assert.Contains(words, said));
    }

    [Theory]
    [InlineData("{\"format\":\"corrie-job/2\",\"job\":{\"units\":\"in\"},\"walls\":{\"w1\":{\"width\":\"5//8 in\"}}}", "/walls/w1/width", "no number below the slash")]
    [InlineData("nothing", "not valid JSON", "Expected")]
    public async Task A_file_that_is_not_sound_ends_with_2_and_says_where_and_what(string text, params string[] says)
    {
        foreach (var command in new[] { "plan", "check" })
        {
            var (code, said, wrong) = await Run(command, Write(text));
            Assert.Equal((2, string.Empty), (code, said));
            Assert.All(says, words => Assert.Contains(words, wrong));
        }
    }

    [Fact]
    public async Task A_file_that_is_not_there_is_named()
    {
        var (code, _, wrong) = await Run("plan", Path.Combine(Path.GetTempPath(), "no-such-job.json"));
        Assert.Equal(2, code);
        Assert.Contains("no-such-job.json", wrong);
    }

    [Fact]
    public async Task Figures_are_in_the_units_that_are_asked_for()
    {
        var file = Write(TarnHall.Read("map-room"));
        // By hand: bottom 36 in, pattern's centre 14 1/4 in over it, half of 300 mm, fifth hole 4 3/4 in under the hook: 55 in + 150 mm = 1547 mm.
        Assert.Contains("60 7/8 in above the floor", (await Run("plan", file)).Said);
        Assert.Contains("1547 mm above the floor", (await Run("plan", file, "--units", "mm")).Said);
        Assert.NotEqual(0, (await Run("plan", file, "--units", "cubits")).Code);
    }

    [Fact]
    public async Task A_file_of_before_is_upgraded_and_two_plans_are_compared_in_words()
    {
        // By hand: one wall, one display and one mount become w1, d1 and m1; what was about the house goes there.
        const string Old = """
            { "format": "corrie-job/1", "job": { "title": "t", "units": "in" }, "setOut": { "up": "floor" },
              "wall": { "width": "156 in", "height": "96 in", "questions": { "built": 1990, "gas": false } },
              "placement": { "height": "30 in", "viewers": { "v": { "eye": "44 in", "distance": "80 in" } } },
              "display": { "item": "d-1", "name": "a display", "diagonal": "55 in", "width": "48 1/2 in", "height": "28 in", "depth": "2 in", "mass": "40 lb", "vesaWidth": "300 mm", "vesaHeight": "200 mm", "vesaCentreUp": "14 in" } }
            """;
        Assert.Contains("earlier form corrie-job/1", (await Run("check", Write(Old))).Wrong);
        var (code, said, _) = await Run("upgrade", Write(Old));
        Assert.Equal(0, code);
        var job = System.Text.Json.Nodes.JsonNode.Parse(said)!;
        string At(string path) => Corrie.Core.Format.Pointer.Get(job, path)?.ToString() ?? "nothing";
        Assert.Equal(
            ("corrie-job/2", "1990", "false", "floor", "44 in", "30 in", "d-1", "w1"),
            (At("/format"), At("/site/built"), At("/walls/w1/questions/gas"), At("/walls/w1/setOut/up"), At("/seats/v/eye"), At("/items/d1/place/height"), At("/items/d1/product/catalogue"), At("/items/d1/wall")));
        Assert.Equal(said, (await Run("upgrade", Write(said))).Said);

        var moved = said.Replace("\"height\": \"30 in\"", "\"height\": \"31 in\"", StringComparison.Ordinal);
        Assert.Equal((0, "The plans are the same."), ((await Run("diff", Write(said), Write(said))) is var same ? (same.Code, same.Said.Trim()) : default));
        var differ = await Run("diff", Write(said), Write(moved));
        Assert.Equal(1, differ.Code);
        Assert.Contains("30 in above the floor is now 31 in above the floor", differ.Said);
        Assert.Equal(2, (await Run("diff", Write(said), Write("nothing"))).Code);
        Assert.Equal(2, (await Run("upgrade", Write("[]"))).Code);
    }

    private static string Write(string text)
    {
        var file = Path.GetTempFileName();
        File.WriteAllText(file, text);
        return file;
    }

    private static async Task<(int Code, string Said, string Wrong)> Run(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "corrie.dll"), .. arguments]) { RedirectStandardOutput = true, RedirectStandardError = true };
        using var process = Process.Start(start)!;
        var (said, wrong) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        await process.WaitForExitAsync();
        return (process.ExitCode, await said, await wrong);
    }
}
