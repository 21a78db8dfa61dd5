using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Fixing;
using Corrie.Core.Jobs;
using SkiaSharp;

namespace Corrie.Web.Tests;

/// <summary>The printed template, drawn by a renderer that Corrie has no part in, and measured.</summary>
public sealed class TemplateTests(Site site) : IClassFixture<Site>
{
    private const int DotsPerInch = 600;
    private const double Mm = 25.4 / DotsPerInch;

    [Theory]
    [InlineData(Site.MapRoom, "whole")]
    [InlineData(Site.Office, "letter")]
    [InlineData(Site.Corridor, "a4")]
    public async Task Holes_and_rulers_are_true_to_a_tenth_of_a_millimetre(long job, string paper)
    {
        var client = await site.As("tom");
        var answer = await client.GetAsync($"/jobs/{job}/template?handler=Pdf&paper={paper}");
        Assert.Equal("application/pdf", answer.Content.Headers.ContentType!.MediaType);
        var pages = Render(await answer.Content.ReadAsByteArrayAsync());
        var document = JobFile.Parse(await client.GetStringAsync($"/api/v1/jobs/{job}/file")).Document!;
        var bolts = Planner.Plan(JobForm.Read(document).Sheet).Fixing("m1")!.Bolts;
        var expected = bolts.SelectMany((a, i) => bolts.Skip(i + 1).Select(b => (Across: (b.X - a.X).Millimetres, Down: (a.Y - b.Y).Millimetres))).ToList();
        var measured = 0;
        foreach (var page in pages)
        {
            using var picture = page;
            var dots = Dots(picture);
            // What lies in the overlap of two tiles is on both.
            foreach (var (a, i) in dots.Select((d, i) => (d, i)))
            {
                foreach (var b in dots.Skip(i + 1))
                {
                    var (across, down) = ((b.X - a.X) * Mm, (b.Y - a.Y) * Mm);
                    Assert.Contains(expected, e => (Math.Abs(e.Across - across) <= 0.1 && Math.Abs(e.Down - down) <= 0.1) || (Math.Abs(e.Across + across) <= 0.1 && Math.Abs(e.Down + down) <= 0.1));
                    measured++;
                }
            }

            var runs = Runs(picture);
            // From the middle of the first tick to the middle of the last: each is 0.2 mm thick.
            Assert.Contains(runs, r => Math.Abs((r * Mm) - 0.2 - 100) <= 0.1);
            Assert.Contains(runs, r => Math.Abs((r * Mm) - 0.2 - 101.6) <= 0.1);
        }

        Assert.True(measured >= (paper == "whole" ? bolts.Count * (bolts.Count - 1) / 2 : 1), $"{measured} distances on {pages.Count} pages");
    }

    [Fact]
    public async Task It_is_also_svg_in_millimetres_and_says_where_there_is_nothing()
    {
        var client = await site.As("tom");
        var svg = await client.GetStringAsync($"/jobs/{Site.Office}/template?handler=Svg");
        Assert.Matches("width=\"[0-9.]+mm\" height=\"[0-9.]+mm\"", svg);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/jobs/{Site.Terrace}/template?handler=Pdf")).StatusCode);
        Assert.Contains("There are no holes yet", await client.GetStringAsync($"/jobs/{Site.Terrace}/template"));
    }

    [Fact]
    public async Task The_sheet_is_a_page_with_the_calculation_behind_it()
    {
        var client = await site.As("warden");
        var pdf = await client.GetByteArrayAsync($"/jobs/{Site.MapRoom}/sheet?handler=Pdf");
        var words = await PaperText.Of(pdf);
        var first = words[..words.IndexOf('\f', StringComparison.Ordinal)];
        Assert.Contains("Not to be drilled. Stud not confirmed", first);
        Assert.Contains("Set out by", first);
        Assert.Contains("W = 1800 G^1.5 D^0.75", words);
        Assert.Contains("mode IIIs is least", words);
    }

    [Fact]
    public async Task The_hand_over_has_what_was_fitted_what_is_hidden_what_is_open_and_room_to_sign()
    {
        var client = await site.As("warden");
        var words = await PaperText.Of(await client.GetByteArrayAsync($"/jobs/{Site.MapRoom}/hand-over"));
        foreach (var said in new[] { "Hand-over: Map room", "What was fitted", "Living display, 65 in", "serial not recorded", "What is in this wall", "power cable in the bay", "What plugs into what", "7, map room outlets", "no isolation on record", "Stud not confirmed", "For the client" })
        {
            Assert.Contains(said, words);
        }
    }

    [Fact]
    public async Task Labels_name_both_ends_of_every_cable()
    {
        var client = await site.As("tom");
        var words = await PaperText.Of(await client.GetByteArrayAsync($"/jobs/{Site.MapRoom}/labels?handler=Paper"));
        foreach (var cable in new[] { "P1", "P2", "P3", "P4", "S1", "S2", "S3" })
        {
            Assert.Equal(3, words.Split(cable).Length);
        }

        Assert.Contains("player, picture", words);
        Assert.Contains("There are no cables yet", await PaperText.Of(await client.GetByteArrayAsync($"/jobs/{Site.Terrace}/labels?handler=Paper")));
    }

    [Fact]
    public async Task The_page_of_an_enclosure_says_where_each_device_goes_and_what_does_not_leave()
    {
        var client = await site.As("ines");
        var file = JsonNode.Parse(await client.GetStringAsync($"/api/v1/jobs/{Site.MapRoom}/file"))!;
        file["job"]!["number"] = "0290";
        file["items"]!["e1"] = JsonNode.Parse("""{ "kind": "box", "wall": "w1", "name": "enclosure", "product": { "name": "Enclosure", "sort": "enclosure", "use": "signal", "width": "15 in", "height": "15 in", "depth": "3 1/2 in", "openingWidth": "14 in", "openingHeight": "14 in", "mass": "4 lb", "exitWidth": "3/4 in", "exitHeight": "3/4 in" }, "place": { "given": "centre", "height": "16 in", "across": "101 in" } }""");
        file["items"]!["p1"]!["stands"] = JsonNode.Parse("""{ "in": "e1" }""");
        ((JsonObject)file["connections"]!["k2"]!).Remove("via");
        var made = await client.PostAsJsonAsync("/api/v1/jobs", file);
        var page = await client.GetStringAsync($"/jobs/{JsonNode.Parse(await made.Content.ReadAsStringAsync())!["id"]}/enclosure");
        Assert.Contains("<b>player</b>: its lower left corner", page);
        Assert.Contains("does not pass", page);
        Assert.Contains("No enclosure has a place on this job yet", await client.GetStringAsync($"/jobs/{Site.Terrace}/enclosure"));
    }

    private static List<SKBitmap> Render(byte[] pdf)
    {
        var folder = Directory.CreateTempSubdirectory("corrie-pdf-");
        try
        {
            File.WriteAllBytes(Path.Combine(folder.FullName, "t.pdf"), pdf);
            PaperText.Run("pdftoppm", $"-r {DotsPerInch} -gray -png t.pdf t", folder.FullName);
            return [.. folder.GetFiles("t*.png").OrderBy(f => f.Name, StringComparer.Ordinal).Select(f => SKBitmap.Decode(f.FullName))];
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    // Black spots of 1 mm that touch nothing else: the middles of the holes.
    private static List<(double X, double Y)> Dots(SKBitmap picture)
    {
        var (wide, high, dark) = Dark(picture);
        var seen = new bool[dark.Length];
        var dots = new List<(double, double)>();
        var stack = new Stack<int>();
        for (var start = 0; start < dark.Length; start++)
        {
            if (!dark[start] || seen[start])
            {
                continue;
            }

            var (count, sumX, sumY, left, right, top, bottom) = (0, 0L, 0L, int.MaxValue, 0, int.MaxValue, 0);
            stack.Push(start);
            seen[start] = true;
            while (stack.TryPop(out var at))
            {
                var (x, y) = (at % wide, at / wide);
                count++;
                (sumX, sumY) = (sumX + x, sumY + y);
                (left, right, top, bottom) = (Math.Min(left, x), Math.Max(right, x), Math.Min(top, y), Math.Max(bottom, y));
                foreach (var (nx, ny) in new[] { (x + 1, y), (x - 1, y), (x, y + 1), (x, y - 1) })
                {
                    if (nx >= 0 && ny >= 0 && nx < wide && ny < high && dark[(ny * wide) + nx] && !seen[(ny * wide) + nx])
                    {
                        seen[(ny * wide) + nx] = true;
                        stack.Push((ny * wide) + nx);
                    }
                }
            }

            var (w, h) = (right - left + 1, bottom - top + 1);
            if (w is >= 21 and <= 27 && h is >= 21 and <= 27 && Math.Abs((count / (double)(w * h)) - 0.785) < 0.06)
            {
                dots.Add((sumX / (double)count, sumY / (double)count));
            }
        }

        return dots;
    }

    // The longest dark stretch of each line near the foot of the page.
    private static List<int> Runs(SKBitmap picture)
    {
        var (wide, high, dark) = Dark(picture);
        var runs = new List<int>();
        for (var y = high - (int)(24 / Mm); y < high; y++)
        {
            var run = 0;
            for (var x = 0; x <= wide; x++)
            {
                if (x < wide && dark[(y * wide) + x])
                {
                    run++;
                    continue;
                }

                if (run * Mm > 90)
                {
                    runs.Add(run);
                }

                run = 0;
            }
        }

        return runs;
    }

    private static (int Wide, int High, bool[] Dark) Dark(SKBitmap picture)
    {
        var pixels = picture.Pixels;
        return (picture.Width, picture.Height, [.. pixels.Select(p => p.Red < 128)]);
    }
}
