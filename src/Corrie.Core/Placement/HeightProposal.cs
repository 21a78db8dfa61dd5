using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Placement;

/// <summary>A height that a school would choose for a thing on its wall, with all that it follows from; taken with one press.</summary>
/// <param name="School">The school.</param>
/// <param name="Bottom">The thing's bottom edge over the floor.</param>
/// <param name="Centre">Its middle.</param>
/// <param name="Says">Why there, in figures.</param>
/// <param name="Sets">What puts it there.</param>
/// <remarks>Heights are common practice: centre 40 to 42 in for people who sit, 60 to 70 in for people who stand, near 62 in for somebody who walks by; 4 to 6 in over a mantel.</remarks>
public sealed record HeightProposal(School School, Length Bottom, Length Centre, Phrase Says, IReadOnlyList<Change> Sets)
{
    private const string OnWall = "wall";
    private const int MostLines = 6;
    private static readonly Length Seated = Length.Tape(41);
    private static readonly Length Standing = Length.Tape(65);
    private static readonly Length Passing = Length.Tape(62);
    private static readonly Length OverMantel = Length.Tape(4);

    /// <summary>The heights that the schools would choose; only those that fit between what stands below and what is above.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">A display or another thing that is placed; none where it has no size yet.</param>
    /// <returns>The proposals, the lowest first.</returns>
    public static IReadOnlyList<HeightProposal> Of(JobPlan plan, Item item)
    {
        if (item.Product is not ISized sized || plan.Sheet.WallOf(item) is not { } sheet || plan.Survey(sheet.Id) is not { Wall: var wall })
        {
            return [];
        }

        var choice = item.Get(PlacementChoice.Part);
        var under = wall.Features.Where(StandsBelow).ToList();
        var over = choice is null ? Likeliest(under) : null;
        var centre = plan.Placement(item.Id)?.Outer.CentreX ?? over?.Centre ?? wall.Centre;
        var (left, right) = (centre - sized.Width.Half, centre + sized.Width.Half);
        var gap = choice?.GapBelow ?? plan.Sheet.Policy.GapBelow;
        if (left < Length.Zero || right > wall.Width)
        {
            return [];
        }

        // What stands out needs a gap; what hands get at, and light, only must not be covered.
        List<(Rect Area, Length Below, Length Above)> obstacles =
        [
            .. wall.Features.Where(f => f.Overlaps(left, right)).Select(f => (f.Outline, f.Role)).Where(f => f.Role is BodyRole.Solid or BodyRole.Opening or BodyRole.Control)
                .Select(f => (f.Outline, f.Role == BodyRole.Solid ? gap : Length.Zero, f.Role == BodyRole.Solid ? choice?.GapAbove ?? Length.Zero : Length.Zero)),
            .. plan.Sheet.ThingsOn(sheet).Where(t => t.Kind.Layer == item.Kind.Layer && plan.Sheet.RootOf(t) != plan.Sheet.RootOf(item)).Select(t => plan.Placement(t.Id)?.Outer).OfType<Rect>()
                .Where(o => o.Overlaps(left, right)).Select(o => (o, gap, choice?.GapAbove ?? Length.Zero)),
        ];
        bool Fits(HeightProposal p) => p.Bottom >= Length.Zero && p.Bottom + sized.Height + (choice?.GapAbove ?? Length.Zero) <= wall.Height
            && obstacles.TrueForAll(o => o.Area.Top + o.Below <= p.Bottom || o.Area.Bottom - o.Above >= p.Bottom + sized.Height);
        var seats = (plan.Sheet.Get(PlacementChoice.Seats) ?? []).Where(s => s.Seated && (s.Wall.Length == 0 || s.Wall == sheet.Id)).ToList();

        var place = item.Here.To(PlacementChoice.Part.Name);
        // Rounded up to what a tape shows, so that no gap gets smaller.
        var mark = item.Here.Units == UnitSystem.Inches ? Length.Tape(0, 1, 16) : Length.FromMillimetres(1);
        HeightProposal At(School school, Length wanted, Phrase says) => Rounded(school, wanted.RoundedTo(mark) is var near && near < wanted ? near + mark : near, says);
        HeightProposal Rounded(School school, Length bottom, Phrase says) => new(school, bottom, bottom + sized.Height.Half, says,
        [
            place.Set("school", school.Word()),
            place.Set("given", Edge.Bottom.Word()),
            place.Set("height", bottom),
            .. (choice is null ? [place.Set("over", over?.Id ?? OnWall)] : Array.Empty<Change>()),
        ]);

        var proposals = new List<HeightProposal>();
        foreach (var below in under.Where(f => f.Overlaps(left, right)))
        {
            proposals.Add(At(School.AsLowAsItGoes, below.Top + gap, Phrase.Of($"{gap} over the {below.Name}")));
            if (below.Kind == FeatureKind.Mantel)
            {
                proposals.Add(At(School.OverAMantel, below.Top + OverMantel, Phrase.Of($"{OverMantel} over the {below.Name}; usual are {OverMantel} to {Length.Tape(6)}")));
            }
        }

        var eye = seats.Count > 0 ? Length.FromInches(seats.Average(s => s.Eye.Inches)).RoundedTo(Length.Tape(0, 1, 8)) : Seated;
        proposals.Add(At(School.EyeLine, eye - sized.Height.Half, seats.Count > 0 ? Phrase.Of($"centre at the eyes of those who sit, {eye}") : Phrase.Of($"centre at {eye}, for people who sit")));
        proposals.Add(At(School.Standing, Standing - sized.Height.Half, $"centre at {Standing}, for people who stand"));
        proposals.Add(At(School.HungAsArt, Passing - sized.Height.Half, $"centre at {Passing}, for somebody who walks by"));
        return
        [
            .. proposals.Where(Fits)
                .OrderBy(p => p.Bottom).DistinctBy(p => (p.School, p.Bottom)).DistinctBy(p => p.School),
            .. LinedUp(plan, item, sheet, wall, sized, centre).Select(l => Rounded(School.LineUp, l.Bottom, l.Says)).Where(Fits).DistinctBy(p => p.Bottom).Take(MostLines),
        ];
    }

    // Beside the nearest other things first, and then the heads of doors and windows. Nothing is rounded: what is lined up is lined up exactly.
    private static IEnumerable<(Length Bottom, Phrase Says)> LinedUp(JobPlan plan, Item item, WallSheet sheet, Wall wall, ISized sized, Length centre)
    {
        var others = plan.Sheet.ThingsOn(sheet).Where(t => t != item && t.Kind == item.Kind).Select(t => (Name: plan.Sheet.NameOf(t), plan.Placement(t.Id)?.Outer))
            .Where(t => t.Outer is not null).OrderBy(t => (t.Outer!.Value.CentreX - centre).Abs).ToList();
        foreach (var (name, outer) in others)
        {
            var other = outer!.Value;
            yield return (other.CentreY - sized.Height.Half, Phrase.Of($"its middle with that of the {name}, {other.CentreY}"));
            yield return (other.Top - sized.Height, Phrase.Of($"its top with that of the {name}, {other.Top}"));
            yield return (other.Bottom, Phrase.Of($"its bottom with that of the {name}, {other.Bottom}"));
        }

        foreach (var opening in wall.Features.Where(f => f.Kind is FeatureKind.Door or FeatureKind.Window).OrderBy(f => (f.Centre - centre).Abs))
        {
            yield return (opening.Top - sized.Height, Phrase.Of($"its top with that of the {opening.Name}, {opening.Top}"));
        }
    }

    private static bool StandsBelow(Feature f) => f.Traits.Role == BodyRole.Solid && f.Kind != FeatureKind.Beam;

    // What a display is hung over where nobody has said anything: a mantel or a fireplace before a piece of furniture.
    private static Feature? Likeliest(List<Feature> under) =>
        under.Find(f => f.Kind == FeatureKind.Mantel) ?? under.Find(f => f.Kind == FeatureKind.Fireplace) ?? under.Where(f => f.Kind == FeatureKind.Furniture).MaxBy(f => f.Width);
}
