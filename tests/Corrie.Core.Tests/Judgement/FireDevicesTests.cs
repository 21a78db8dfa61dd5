using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>What saves people in a fire is never covered and never hung under within its clearance, and a gas cock stays at hand (NFPA 13, from memory, for the 18 in; the rest own rules).</summary>
public class FireDevicesTests : IFindingCases
{
    // The display reaches from 53 3/4 to 102 1/4 across and from 30 to 58 up.
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("place.fire-device", [On("sprinkler", "70 in", "75 7/8 in")], [On("sprinkler", "70 in", "76 in")]),
    ];

    [Theory]
    [InlineData("detector", "70 in", "50 in", true)]
    [InlineData("detector", "70 in", "69 7/8 in", true)]
    [InlineData("detector", "70 in", "70 in", false)]
    [InlineData("exit-sign", "108 1/8 in", "50 in", true)] // 5 7/8 in beside it
    [InlineData("exit-sign", "108 1/4 in", "50 in", false)]
    [InlineData("emergency-light", "70 in", "63 15/16 in", true)]
    [InlineData("emergency-light", "70 in", "64 in", false)]
    [InlineData("sprinkler", "70 in", "20 in", false)] // what hangs over it is out of its water
    public void It_is_left_free(string kind, string left, string bottom, bool stops)
    {
        var plan = Sheets.Plan(On(kind, left, bottom));
        Assert.Equal(stops, plan.Findings.Any(f => f.Code == "place.fire-device" && f.Severity == Severity.FinalStop));
    }

    [Theory]
    [InlineData("gas", "3 in", true)] // a cock
    [InlineData("gas", "14 in", false)] // a pipe in the wall: no bolt goes there, and the display may hang before it
    [InlineData("control", "3 in", true)]
    public void A_gas_cock_is_never_covered_whatever_it_was_entered_as(string kind, string height, bool covers) => Assert.Equal(covers, Sheets.Plan(("/walls/w1/features/x", new JsonObject
    {
        ["kind"] = kind, ["left"] = "96 in", ["bottom"] = "32 in", ["width"] = "3 in", ["height"] = height,
    })).Findings.Any(f => f.Code == "place.covers" && f.Severity == Severity.Stop));

    private static (string, JsonNode?) On(string kind, string left, string bottom) => ("/walls/w1/features/x", new JsonObject { ["kind"] = kind, ["left"] = left, ["bottom"] = bottom, ["width"] = "4 in", ["height"] = "3 in" });
}
