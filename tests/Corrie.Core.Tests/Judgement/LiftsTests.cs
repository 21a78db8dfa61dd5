using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.SiteDay;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>
/// What a foreman says of lifts (NIOSH 94-110 and HSE INDG143, from memory; own rule for the footing). By hand for the plain wall's display, 28 in high and 2 in deep, its centre at 44:
/// hands at 44 on the table too, 9 in before the ankles counts as 10, no travel: 51 × (1 - 0.0075 × 14) = 45.6 lb for one, 60.9 for two, 68.5 for three, 91.3 for four.
/// </summary>
public class LiftsTests : IFindingCases
{
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("site.footing", [Weighs("44 lb"), Comes("Tom"), Stands("wet-ground")], [Weighs("44 lb"), Comes("Tom, Ines"), Stands("wet-ground")]),
    ];

    [Theory]
    [InlineData("45 lb", "Tom", null)]
    [InlineData("46 lb", "Tom", "Send 2 people")]
    [InlineData("60 lb", "Tom, Ines", null)]
    [InlineData("62 lb", "Tom, Ines", "Send 3 people")]
    [InlineData("91 lb", "Tom, Ines, Max, Ann", null)]
    [InlineData("92 lb", "Tom, Ines, Max, Ann", "Bring a lifting machine")]
    [InlineData("140 lb", "Tom", "Bring a lifting machine")]
    public void As_many_come_as_the_weight_takes_and_a_machine_where_four_do_not_lift_it(string weighs, string who, string? says)
    {
        var plan = Sheets.Plan(Weighs(weighs), ("/items/m1/product/rated", "300 lb"), Comes(who));
        var said = plan.Findings.Where(f => f.Code == "site.lift").Select(f => f.Message.Say(LengthStyle.Inches)).ToList();
        if (says is null)
        {
            Assert.Empty(said);
            return;
        }

        Assert.StartsWith(says, Assert.Single(said), StringComparison.Ordinal);
        Assert.DoesNotContain("site.lift", Sheets.Plan(Weighs(weighs), ("/items/m1/product/rated", "300 lb"), Comes(who, machine: true)).Codes());
    }

    [Fact]
    public void Over_head_height_it_takes_a_platform_too()
    {
        // Two lift 66 lb to 70 in: 51 × 0.7 × (0.82 + 1.8 / 26) is 31.7 for one; four are 63.5: too few; a 40 lb one is for two.
        (string, JsonNode?)[] high = [Weighs("40 lb"), ("/items/d1/place/height", "60 in"), ("/items/m1/product/clearAbove", null)];
        Assert.StartsWith("Bring a platform", Sheets.Plan([.. high, Comes("Tom, Ines, Max")]).Finding("site.lift").Message.Say(LengthStyle.Inches), StringComparison.Ordinal);
        Assert.DoesNotContain("site.lift", Sheets.Plan([.. high, Comes("Tom, Ines", platform: true)]).Codes());
        Assert.StartsWith("Bring a lifting machine", Sheets.Plan([.. high, Weighs("66 lb"), Comes("Tom, Ines, Max, Ann")]).Findings.First(f => f.Code == "site.lift" && f.Where.Part.EndsWith("d1", StringComparison.Ordinal)).Message.Say(LengthStyle.Inches), StringComparison.Ordinal);
    }

    [Fact]
    public void A_heavier_display_does_not_hide_the_one_beside_it()
    {
        var second = Sheets.Document()["items"]!["d1"]!.DeepClone();
        ((JsonObject)second).Remove("on");
        second["wall"] = "w1";
        second["product"]!["mass"] = "75 lb";
        second["place"]!["across"] = "130 in";
        var plan = Sheets.Plan(Weighs("95 lb"), ("/items/m1/product/rated", "300 lb"), ("/items/d2", second), Comes("Tom"));
        Assert.Equal(["w1/lift/d1", "w1/lift/d2"], plan.Findings.Where(f => f.Code == "site.lift").Select(f => f.Where.Part).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("corner", 0, 2)]
    [InlineData("corner, slope", 0, 3)]
    [InlineData("covers, soft-ground, furniture-in-front", 0, 4)]
    [InlineData("ladder, slope, covers, corner", 0, null)]
    [InlineData("", 1, 2)]
    [InlineData("wet-ground", 2, 4)]
    public void Each_thing_that_makes_it_harder_takes_one_more(string on, int turns, int? people)
    {
        var way = new JsonObject { ["on"] = new JsonArray([.. on.Split(", ", StringSplitOptions.RemoveEmptyEntries).Select(f => (JsonNode)f)]), ["turns"] = turns };
        (string, JsonNode?) Crew(int n) => Comes(string.Join(", ", new[] { "Tom", "Ines", "Max", "Ann" }.Take(n)));
        Assert.Contains("site.footing", Sheets.Plan(("/walls/w1/lifting", way.DeepClone()), Crew((people ?? 5) - 1)).Codes());
        if (people is { } enough)
        {
            Assert.DoesNotContain("site.footing", Sheets.Plan(("/walls/w1/lifting", way.DeepClone()), Crew(enough)).Codes());
        }

        // From a platform one stands firmly; the stairs stay.
        Assert.Equal(turns > 0, Sheets.Plan(("/walls/w1/lifting", way.DeepClone()), Comes("Tom", platform: true)).Codes().Contains("site.footing"));
    }

    [Theory] // NIOSH 94-110, table 7, from memory: good 1.00 and 1.00, fair 0.95 and 1.00, poor 0.90 and 0.90 below 30 in and from there
    [InlineData(Grip.Handles, 1.00, 1.00)]
    [InlineData(Grip.Edges, 0.95, 1.00)]
    [InlineData(Grip.Slippery, 0.90, 0.90)]
    public void A_grip_counts(Grip grip, double below, double above)
    {
        Assert.Equal(below, Lifting.Coupling(grip, Length.Tape(29, 15, 16)));
        Assert.Equal(above, Lifting.Coupling(grip, Length.Tape(30)));
        // 45.6 and 41.1 lb.
        Assert.Equal(grip == Grip.Slippery, Sheets.Plan(Weighs("44 lb"), Comes("Tom"), ("/items/d1/handling", new JsonObject { ["grip"] = grip.ToString().ToLowerInvariant() })).Codes().Contains("site.lift"));
    }

    [Fact]
    public void The_plate_the_bar_and_the_board_are_lifts_too()
    {
        // A plate over the shoulders: two, whatever it weighs. The plate's middle is 17 15/16 in over the display's bottom edge.
        (string, JsonNode?)[] high = [Weighs("30 lb"), ("/items/d1/place/height", "43 1/2 in"), Comes("Tom")];
        Assert.Equal(["w1/lift/m1"], Sheets.Plan(high).Findings.Where(f => f.Code == "site.lift").Select(f => f.Where.Part));
        Assert.DoesNotContain("site.lift", Sheets.Plan(Weighs("30 lb"), ("/items/d1/place/height", "41 in"), Comes("Tom")).Codes());
        // A board 48 in high: hands at 54 in on the table, 9 in out; 51 × (1 - 0.0075 × 24) = 41.8 lb for one.
        (string, JsonNode?) Board(string mass) => ("/items/b1", Sheets.Json($$"""{ "kind": "board", "wall": "w1", "product": { "name": "a board", "width": "20 in", "height": "48 in", "depth": "2 in", "mass": "{{mass}}" }, "place": { "given": "centre", "height": "54 in", "across": "140 in" } }"""));
        Assert.Contains("w1/lift/b1", Sheets.Plan(Board("43 lb"), Comes("Tom")).Findings.Where(f => f.Code == "site.lift").Select(f => f.Where.Part));
        Assert.DoesNotContain("w1/lift/b1", Sheets.Plan(Board("41 lb"), Comes("Tom")).Findings.Where(f => f.Code == "site.lift").Select(f => f.Where.Part));
    }

    private static (string, JsonNode?) Weighs(string mass) => ("/items/d1/product/mass", mass);

    private static (string, JsonNode?) Stands(string on) => ("/walls/w1/lifting", new JsonObject { ["on"] = new JsonArray(on) });

    private static (string, JsonNode?) Comes(string people, bool platform = false, bool machine = false) => ("/visits/v1", new JsonObject
    {
        ["on"] = "2026-12-09",
        ["for"] = "install",
        ["people"] = new JsonArray([.. people.Split(", ").Select(p => (JsonNode)p)]),
        ["platform"] = platform,
        ["machine"] = machine,
    });
}
