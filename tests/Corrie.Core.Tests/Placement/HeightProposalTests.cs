using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using CsCheck;

namespace Corrie.Core.Tests.Placement;

/// <summary>The display of these walls is 28 in high and 48 1/2 in wide; the company's gap is 2 in.</summary>
public class HeightProposalTests
{
    private static readonly string[] Kinds = ["furniture", "mantel", "shelf", "soundbar"];

    private static (string, JsonNode?) Thing(string kind, int bottom, int height) => ("/walls/w1/features/f1", new JsonObject
    {
        ["kind"] = kind,
        ["left"] = "50 in",
        ["width"] = "50 in",
        ["bottom"] = $"{bottom} in",
        ["height"] = $"{height} in",
    });

    private static IReadOnlyList<HeightProposal> Of(params (string, JsonNode?)[] changes)
    {
        var plan = Sheets.Plan([("/items/d1/place", null), .. changes]);
        return HeightProposal.Of(plan, plan.Sheet.Item("d1")!);
    }

    /// <summary>Common practice: 4 in over a mantel; centre at the eyes of who sits (here 44 in), at 65 in for who stands, at 62 in for who walks by.</summary>
    [Fact]
    public void Each_school_has_its_height_and_what_does_not_fit_is_not_proposed()
    {
        Assert.Equal(
            [(School.EyeLine, "30 in"), (School.HungAsArt, "48 in"), (School.Standing, "51 in")],
            Of().Select(p => (p.School, LengthText.Exact(p.Bottom, UnitSystem.Inches))));
        Assert.Equal(
            [(School.AsLowAsItGoes, "54 in"), (School.OverAMantel, "56 in")],
            Of(Thing("mantel", 50, 2)).Select(p => (p.School, LengthText.Exact(p.Bottom, UnitSystem.Inches))));
        // 30 in of furniture leave the eye line out by 2 in.
        Assert.Equal(
            [(School.AsLowAsItGoes, "32 in"), (School.HungAsArt, "48 in"), (School.Standing, "51 in")],
            Of(Thing("furniture", 0, 30)).Select(p => (p.School, LengthText.Exact(p.Bottom, UnitSystem.Inches))));
        // A window from 36 to 70 in leaves nothing above it but what stands over 70 in, and that does not fit under 96.
        Assert.Empty(Of(Thing("window", 36, 34)));
        // A thermostat at 60 to 66 in leaves what is under it: the eye line's top is at 58 in.
        Assert.Equal([School.EyeLine], Of(Thing("thermostat", 60, 6)).Select(p => p.School));
        // 28 in from 51 in leave 17 in over it; the centre at 62 in has its top at 76.
        Assert.Equal([School.EyeLine, School.HungAsArt], Of(("/items/d1/place", new JsonObject { ["height"] = "20 in", ["gapAbove"] = "19 in" })).Select(p => p.School));
        Assert.Empty(Of(("/walls/w1/width", "48 in")));
        Assert.Empty(Of(Thing("mantel", 67, 2), ("/items/d1/product", null)));
    }

    /// <summary>Whatever stands there: one press puts the display there, centred on it, and nothing of its place is found wrong but that nobody has agreed.</summary>
    [Fact]
    public void A_proposal_that_is_taken_holds() =>
        Gen.Select(Gen.Int[0, 3].Select(i => Kinds[i]), Gen.Int[0, 60], Gen.Int[1, 30], Gen.Bool.Select(inches => inches ? "in" : "mm")).Sample((kind, bottom, height, units) =>
        {
            var document = Sheets.Document(("/items/d1/place", null), ("/seats", null), ("/job/units", units), Thing(kind, bottom, height));
            var plan = Sheets.Plan(document);
            foreach (var proposal in HeightProposal.Of(plan, plan.Sheet.Item("d1")!))
            {
                var taken = Sheets.Plan(SheetChanges.After(document, proposal.Sets));
                Assert.Equal(proposal.Bottom, taken.Placement("d1")!.Outer.Bottom);
                Assert.Equal(proposal.School, taken.Sheet.Item("d1")!.Get(PlacementChoice.Part)!.School);
                Assert.Equal(["place.not-approved"], taken.Findings.Where(f => f.Code.StartsWith("place.", StringComparison.Ordinal) && f.Severity < Core.Findings.Severity.Note).Select(f => f.Code));
                Assert.DoesNotContain("plan.collision", taken.Codes());
            }
        }, iter: 60);
}
