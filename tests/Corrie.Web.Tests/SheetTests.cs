using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Web.Demo;

namespace Corrie.Web.Tests;

/// <summary>The set-out sheet: what the crew takes along is what the plan says, in the units that they read.</summary>
public sealed class SheetTests(Site site) : IClassFixture<Site>
{
    private static readonly Dictionary<string, (long Job, string File)> Jobs = new()
    {
        ["map-room"] = (Site.MapRoom, "map-room"),
        ["corridor"] = (Site.Corridor, "bunkhouse-corridor"),
        ["office"] = (Site.Office, "wardens-office"),
    };

    [Theory]
    [InlineData("map-room", "in16", "60 7/8", "93 1/4")]
    [InlineData("map-room", "in32", "60 29/32", "93 1/4")]
    [InlineData("map-room", "ft", "5' 0 7/8\"", "7' 9 1/4\"")]
    [InlineData("map-room", "mm", "1547", "2369")]
    [InlineData("corridor", "mm", "1705", "1160")]
    [InlineData("corridor", "in16", "67 1/8", "45 11/16")]
    [InlineData("office", "in8", "53 1/4", "55 1/8")]
    public async Task Every_mark_is_on_it_in_the_reader_s_units(string job, string units, string hookLine, string firstBolts)
    {
        var client = await site.As("tom");
        await client.Post("/jobs", "/units", ("units", units), ("back", "/jobs"));
        var page = (await client.GetStringAsync($"/jobs/{Jobs[job].Job}/sheet")).Plain();
        var (sheet, _) = JobForm.Read((JsonObject)JsonNode.Parse(TarnHall.Read(Jobs[job].File))!);
        foreach (var (mark, n) in Planner.Plan(sheet).Marks.Select((m, i) => (m, i + 1)))
        {
            // Where there are several of a kind, a mark says whose it is.
            var several = sheet.Item(mark.Item) is { } item && sheet.Items.Count(i => i.Kind == item.Kind) > 1;
            Assert.Matches($" {n} {Regex.Escape(mark.Name)} [^;]{{0,60}}{(several ? Regex.Escape(sheet.Item(mark.Item)!.Name) : string.Empty)}", page);
        }

        Assert.Contains($"Hook line {hookLine} ", page);
        Assert.Contains($"Bolts 1, 3 {firstBolts} ", page);
        Assert.Contains("Local codes, makers' instructions and licensed practice come first", page);
    }

    [Fact]
    public async Task A_wall_with_a_stop_says_on_top_that_it_is_not_to_be_drilled()
    {
        var page = (await (await site.As("tom")).GetStringAsync($"/jobs/{Site.MapRoom}/sheet")).Plain();
        Assert.True(page.IndexOf("Not to be drilled: 1 stop", StringComparison.Ordinal) is > 0 and var at && at < page.IndexOf("Marks, in this order", StringComparison.Ordinal));
        Assert.DoesNotContain("Not to be drilled", await (await site.As("tom")).GetStringAsync($"/jobs/{Site.Office}/sheet"));
    }

    [Fact]
    public async Task A_job_that_is_hardly_begun_has_a_sheet_all_the_same()
    {
        var ines = await site.As("ines");
        foreach (var size in new[] { string.Empty, "120 in" })
        {
            var started = await ines.Post("/jobs/new", "/jobs/new", ("Title", "Bare"), ("Width", size), ("Height", size), ("JobUnits", "in"), ("SiteId", "1"));
            var job = started.Headers.Location!.OriginalString.Split('/')[2];
            Assert.Equal(HttpStatusCode.OK, (await ines.GetAsync($"/jobs/{job}/sheet")).StatusCode);
            foreach (var step in new[] { "survey", "place", "hang", "fix" })
            {
                foreach (var view in new[] { "front", "behind", "side", "above" })
                {
                    Assert.Equal(HttpStatusCode.OK, (await ines.GetAsync($"/jobs/{job}/{step}?view={view}")).StatusCode);
                }
            }
        }
    }

    [Fact]
    public async Task Whoever_reads_in_other_units_types_in_them_too()
    {
        var client = await site.As("tom");
        await client.Post("/jobs", "/units", ("units", "mm"), ("back", "/jobs"));
        const string Page = "/jobs/4/place?view=front";
        await client.Post(Page, Page + "&handler=Submit", ("/items/d1/place/height", "1200"));
        Assert.Equal("1200 mm", JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/4/file"))!["items"]!["d1"]!["place"]!["height"]!.ToString());
        await client.Post(Page, Page + "&handler=Submit", ("/items/d1/place/height", "46 in"));
        Assert.Equal(Length.Tape(46), LengthReader.Read(JsonNode.Parse(await client.GetStringAsync("/api/v1/jobs/4/file"))!["items"]!["d1"]!["place"]!["height"]!.ToString(), UnitSystem.Inches).Value);
    }

    [Fact]
    public async Task A_copy_and_a_file_carry_the_whole_wall_but_not_what_was_agreed_for_the_first()
    {
        var ines = await site.As("ines");
        var like = await ines.Post("/jobs/new", "/jobs/new?handler=Like", ("like", Site.Office.ToString()));
        var copy = JsonNode.Parse(await ines.GetStringAsync($"/api/v1/jobs/{like.Headers.Location!.OriginalString.Split('/')[2]}/file"))!;
        var first = JsonNode.Parse(TarnHall.Read("wardens-office"))!;
        foreach (var part in new[] { "/items/d1/product", "/items/m1/product", "/items/m1/fix", "/walls/w1/width", "/walls/w1/layers", "/walls/w1/features" })
        {
            Assert.True(JsonNode.DeepEquals(Pointer.Get(first, part), Pointer.Get(copy, part)), part);
        }

        Assert.Null(Pointer.Get(copy, "/items/d1/place/approval"));
        Assert.Null(Pointer.Get(copy, "/walls/w1/scan"));
    }
}
