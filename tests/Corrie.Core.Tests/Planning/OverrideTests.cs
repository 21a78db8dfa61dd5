using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests.Planning;

public class OverrideTests
{
    private static readonly (string, JsonNode?)[] Short = [("/items/m1/bolt/length", "2 1/4 in")];

    [Fact]
    public void Is_for_the_stop_and_the_figures_that_somebody_saw()
    {
        var stop = Sheets.Plan(Short).Finding("fix.too-short");
        var over = Over(stop);
        var passed = Sheets.Plan([.. Short, over]).Finding("fix.too-short");
        Assert.False(passed.Stops);
        Assert.Equal(("Ines Roe", "lead", "short wood behind"), (passed.Overridden!.By, passed.Overridden.Role, passed.Overridden.Reason));
        // Another length says other figures: it stops again, and says that there was an override.
        var shorter = Sheets.Plan(("/items/m1/bolt/length", "2 3/16 in"), over).Finding("fix.too-short");
        Assert.True(shorter.Stops);
        Assert.Equal("Ines Roe", shorter.Lapsed!.By);
    }

    [Theory]
    [InlineData("by", " ")]
    [InlineData("reason", "  ")]
    [InlineData("code", "fix.too-long")]
    [InlineData("about", "m1/bolts/1")]
    public void Needs_a_name_a_reason_and_the_right_stop(string member, string value)
    {
        var over = Over(Sheets.Plan(Short).Finding("fix.too-short"));
        over.Value[member] = value;
        Assert.True(Sheets.Plan([.. Short, over]).Finding("fix.too-short").Stops);
    }

    /// <summary>Every kind of final stop, with an override that is right in everything else.</summary>
    [Theory]
    [InlineData("/walls/w1/scan", null, "survey.services-not-looked-for")]
    [InlineData("/items/d1/product/mass", "120 lb", "hang.overloaded")]
    [InlineData("/items/m1/bolt/length", "1 in", "fix.no-hold")]
    [InlineData("/walls/w1/questions/gas", true, "survey.gas-near")]
    public void A_final_stop_knows_none(string path, object? value, string code)
    {
        (string, JsonNode?)[] has = [(path, value is null ? null : JsonValue.Create(value))];
        var stop = Sheets.Plan(has).Finding(code);
        Assert.Equal(Severity.FinalStop, stop.Severity);
        var still = Sheets.Plan([.. has, Over(stop)]).Finding(code);
        Assert.True(still.Stops);
        Assert.Null(still.Overridden);
    }

    private static (string Path, JsonNode Value) Over(Finding finding) => ("/overrides/o1", new JsonObject
    {
        ["code"] = finding.Code,
        ["about"] = finding.Where.Part,
        ["says"] = Override.Saying(finding),
        ["by"] = "Ines Roe",
        ["role"] = "lead",
        ["reason"] = "short wood behind",
    });
}
