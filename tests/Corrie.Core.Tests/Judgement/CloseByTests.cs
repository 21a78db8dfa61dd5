using System.Text.Json.Nodes;
using Corrie.Core.Findings;

namespace Corrie.Core.Tests.Judgement;

/// <summary>What is close by, in the words of whoever hangs it (own rules for 6 in over a vent and 2 in beside a door; the lifting height is the mount's own). The display reaches from 53 3/4 to 102 1/4 across, 30 to 58 up.</summary>
public class CloseByTests
{
    [Theory]
    [InlineData("vent", "70 in", "18 in", "10 in", "10 in", true)] // 2 in under it
    [InlineData("vent", "70 in", "14 in", "10 in", "10 in", false)]
    [InlineData("vent", "110 in", "18 in", "10 in", "10 in", false)]
    [InlineData("door", "103 in", "0 in", "32 in", "80 in", true)] // 3/4 in beside it
    [InlineData("door", "104 1/4 in", "0 in", "32 in", "80 in", false)]
    public void A_vent_under_it_and_a_door_beside_it_are_said(string kind, string left, string bottom, string width, string height, bool said) =>
        Assert.Equal(said, Sheets.Plan(On(kind, left, bottom, width, height)).Codes().Contains("place.gap-too-small"));

    [Theory] // 1 in is needed over it
    [InlineData("58 1/2 in", true)]
    [InlineData("59 in", false)]
    public void A_display_close_under_another_has_no_room_to_be_lifted_on(string bottom, bool said)
    {
        var second = (JsonObject)Sheets.Document()["items"]!["d1"]!.DeepClone();
        second.Remove("on");
        second["wall"] = "w1";
        second["place"]!["height"] = bottom;
        Assert.Equal(said, Sheets.Plan(("/items/d2", second)).Findings.Any(f => f.Code == "hang.no-room-above" && f.Severity == Severity.Stop));
    }

    private static (string, JsonNode?) On(string kind, string left, string bottom, string width, string height) => ("/walls/w1/features/x", new JsonObject { ["kind"] = kind, ["left"] = left, ["bottom"] = bottom, ["width"] = width, ["height"] = height });
}
