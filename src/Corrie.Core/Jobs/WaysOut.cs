using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>How a plate can be made to hold.</summary>
public enum WayKind
{
    /// <summary>As it is planned.</summary>
    AsItIs,

    /// <summary>The plate where the planner puts it.</summary>
    Shift,

    /// <summary>Holes drilled into the plate over a stud.</summary>
    Drill,

    /// <summary>Bolts in the stud, and rated toggles on the other side.</summary>
    Mixed,

    /// <summary>A board over two or three studs.</summary>
    Board,

    /// <summary>Wood between the studs.</summary>
    Blocking,

    /// <summary>Another mount.</summary>
    OtherMount,

    /// <summary>Another place for the display.</summary>
    OtherPlace,
}

/// <summary>What a way costs besides itself. Own figures, common practice; a company's own times differ.</summary>
/// <param name="Minutes">Crew minutes more than the plate alone.</param>
/// <param name="Parts">What has to be on the van besides.</param>
/// <param name="Holes">Holes in the wall, those of the plate among them.</param>
/// <param name="Shows">What is to be seen of it afterwards; empty for nothing.</param>
public sealed record WayCost(int Minutes, IReadOnlyList<Phrase> Parts, int Holes, Phrase Shows);

/// <summary>A way to make a plate hold, planned as a whole.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Label">What to do, short enough for a button.</param>
/// <param name="Changes">The entries that do it; none for what is planned already.</param>
/// <param name="Plan">The plan with it.</param>
/// <param name="Cost">What it costs.</param>
/// <param name="Holds">Whether plate and display then meet what should hold them: geometry alone.</param>
/// <param name="Open">What else stops then, which did not before: what it holds, as a rule.</param>
/// <param name="Brings">All that is different.</param>
public sealed record WayOut(
    WayKind Kind, Phrase Label, IReadOnlyList<Change> Changes, JobPlan Plan, WayCost Cost, bool Holds, IReadOnlyList<FindingKind> Open, RemedyOutcome Brings);

/// <summary>Works out, side by side, what can be done where a plate and the studs do not meet.</summary>
public static class WaysOut
{
    private const long StepsOfAll = WorkBudget.OfAPlan / 2;

    private static readonly FindingKind[] Geometry = [HangingFindings.OneStudOnly, HangingFindings.CentreOutOfSlide, HangingFindings.CannotHook, HangingFindings.Outside, HangingFindings.BracketSpread];

    // A drilled hole keeps its own size of steel round it, and the plate's end two (own rule).
    private static readonly Length FromPlateEnd = Length.Tape(0, 3, 4);

    /// <summary>Whether a plate, as it is planned, misses what should hold it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>Whether it does.</returns>
    public static bool Wanted(JobPlan plan, string mount) => plan.Findings.Any(f => Misses(f, mount));

    /// <summary>All ways, in the order in which the trade tries them; as it is planned first.</summary>
    /// <param name="document">The job's document.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <param name="others">Mounts of the catalogue.</param>
    /// <param name="all">Whether ways that do not lead out are given too.</param>
    /// <returns>The ways; none as long as the plate has no place.</returns>
    public static IReadOnlyList<WayOut> Of(JsonObject document, JobPlan plan, string mount, IReadOnlyList<(string Name, JsonObject Product)> others, bool all = false)
    {
        if (plan.Sheet.Item(mount) is not { } item || plan.Layout(mount) is null || item.Hardware() is not { } hardware || plan.Sheet.WallOf(item) is not { } wall)
        {
            return [];
        }

        var budget = new WorkBudget(StepsOfAll);
        var ways = new List<WayOut> { Planned(document, plan, item, new(WayKind.AsItIs, Phrase.Of("As it is planned"), [], [], 0), budget)! };
        foreach (var idea in Ideas(plan, item, hardware, wall, others))
        {
            try
            {
                if (Planned(document, plan, item, idea, budget) is { } way && (way.Holds || all))
                {
                    ways.Add(way);
                }
            }
            catch (OverBudgetException)
            {
                break;
            }
        }

        return ways;
    }

    private static bool Misses(Finding finding, string mount) => finding.Stops && finding.Where.Part.StartsWith(mount + "/", StringComparison.Ordinal) && Geometry.Contains(finding.Kind);

    private static IEnumerable<Idea> Ideas(JobPlan plan, Item item, Mount hardware, WallSheet wall, IReadOnlyList<(string Name, JsonObject Product)> others)
    {
        var (choice, layout) = (item.Get(HangingChoice.Part)!, plan.Layout(item.Id)!);
        var support = choice.Here.Up.Pointer + "/" + Support.Part.Name;
        var (none, free) = (new Change(support, null), choice.Here.Clear("plateCentre"));
        if (choice.PlateCentre is not null)
        {
            yield return new(WayKind.Shift, "Leave the plate to the planner", [free], [], 0);
        }

        // What the catalogue's table says of two brackets, and the display's back does not.
        foreach (var remedy in plan.Findings.Where(f => f.Kind == HangingFindings.BracketSpread && Misses(f, item.Id)).SelectMany(f => f.Remedies))
        {
            yield return new(WayKind.Shift, remedy.Label, remedy.Changes, [], 0);
        }

        if (Question(plan, item, hardware, wall) is not { } question)
        {
            yield break;
        }

        if (Drilled(question) is { } drilled)
        {
            Phrase holes = $"Drill the plate {drilled.Holes.Count switch { 1 => "once", 2 => "twice", var n => $"{n} times" }} a row, at ";
            for (var i = 0; i < drilled.Holes.Count; i++)
            {
                holes.AppendFormatted($"{(i == 0 ? string.Empty : ", ")}{drilled.Holes[i].Abs} to the {drilled.Holes[i].Side()} of its middle");
            }

            yield return new(
                WayKind.Drill, holes,
                [new(support, new JsonObject { ["drilled"] = new JsonArray([.. drilled.Holes.Select(h => JsonValue.Create(LengthText.Exact(h, choice.Here.Units)))]) }), choice.Here.Set("plateCentre", drilled.Plate)],
                [Phrase.Of($"a metal bit over {question.Bolt}")], 10 * drilled.Holes.Count * question.Rows.Count);
        }

        // A swinging mount pulls a toggle out of board sooner or later.
        if (!hardware.Moves)
        {
            yield return new(WayKind.Mixed, "Bolts in the stud, rated toggles on the other side", [new(support, new JsonObject { ["toggles"] = true }), free], ["rated toggles, and their bit"], 15);
        }

        Phrase length = $"bolts no longer than {question.Mount.PlateThickness + Support.UsualThickness} under the head";
        yield return new(WayKind.Board, $"A board {Support.UsualThickness} thick over the studs", [new(support, new JsonObject { ["backing"] = BackingKind.Board.Word() }), free], ["a board, primed", "two structural screws a stud", length], 45);
        yield return new(WayKind.Blocking, "Blocking between the studs, the wall opened", [new(support, new JsonObject { ["backing"] = BackingKind.Blocking.Word() }), free], ["wood for blocking", "screws", "board, tape and paint to close the wall", length], 150);

        var product = choice.Here.Up.Pointer + "/product";
        foreach (var (name, other) in others.Where(o => o.Name != item.Name))
        {
            yield return new(WayKind.OtherMount, name, [new(product, other.DeepClone()), none, free], [Phrase.Of(name)], 0);
        }

        if (PlateSearch.NearestThatHolds(question) is { } nearest && plan.Sheet.DisplayOn(item) is { } hung && hung.Get(PlacementChoice.Part) is { } placement && plan.Placement(hung.Id) is { } placed)
        {
            var by = nearest.Plate + nearest.Slide - question.Arms;
            if (by != Length.Zero)
            {
                yield return new(WayKind.OtherPlace, $"Move the display {by.Abs} to the {by.Side()}", [.. placement.CentreAt(placed.Outer.CentreX + by), none, free], [], 5);
            }
        }
    }

    private static PlateQuestion? Question(JobPlan plan, Item item, Mount hardware, WallSheet wall) =>
        plan.Survey(wall.Id) is not { } survey || plan.Sheet.DisplayOn(item) is not { Product: Display display } hung || plan.Placement(hung.Id) is not { } placed || (plan.BoltOf(item)?.Diameter ?? plan.Sheet.Policy.UsualBolt) is var bolt && !survey.Wall.Kind.Framed()
            ? null
            : new(hardware, survey.For(bolt).Studs, placed.Outer.CentreX + display.VesaCentreRight, bolt, survey.Wall.Kind, survey.Wall.Width, hardware.Moves ? null : display.VesaWidth);

    // The fewest new holes, and then the least slide: a hole dead over each stud under the plate that its own holes miss.
    private static (Length Plate, IReadOnlyList<Length> Holes)? Drilled(PlateQuestion question)
    {
        var (from, to) = question.Window;
        var tried = new[] { question.Arms, PlateSearch.Best(question).Plate, from, to }.Where(p => p >= from && p <= to).Distinct();
        (Length Plate, IReadOnlyList<Length> Holes)? best = null;
        foreach (var plate in tried)
        {
            var under = question.Studs.Where(s => s.Tolerance(question.Bolt) >= Length.Zero && (s.Centre - plate).Abs <= question.Mount.PlateWidth.Half - FromPlateEnd).ToList();
            var missed = under.Where(s => !question.Rows.All(r => r.Slots.Any(h => Length.Outside(s.Centre - plate, h.From, h.To) <= s.Tolerance(question.Bolt)))).Select(s => s.Centre - plate).ToList();
            // A new hole that runs into an old one is none.
            var clear = missed.All(h => question.Rows.SelectMany(r => r.Slots).All(s => Length.Outside(h, s.From, s.To) is var away && (away == Length.Zero || away >= question.Bolt * 2)));
            if (missed.Count is > 0 and <= 2 && clear && PlateSearch.At(plate, question with { Drilled = missed }).StudsHeld(question.Bolt) >= question.Mount.Studs &&
                (best is null || (missed.Count, (plate - question.Arms).Abs).CompareTo((best.Value.Holes.Count, (best.Value.Plate - question.Arms).Abs)) < 0))
            {
                best = (plate, missed);
            }
        }

        return best;
    }

    private static WayOut? Planned(JsonObject document, JobPlan plan, Item item, Idea idea, WorkBudget budget)
    {
        var then = plan;
        if (idea.Changes.Count > 0)
        {
            var after = (JsonObject)document.DeepClone();
            foreach (var change in idea.Changes)
            {
                Pointer.Set(after, change.Path, change.Value?.DeepClone());
            }

            var (sheet, problems) = JobForm.Read(after);
            if (problems.Count > JobForm.Read(document).Problems.Count)
            {
                return null;
            }

            then = Planner.Plan(sheet, plan, budget);
        }

        if (then.Layout(item.Id) is not { } layout)
        {
            return null;
        }

        var before = plan.Findings.Where(f => f.Stops).Select(f => (f.Code, f.Where.Part)).ToHashSet();
        var open = then.Findings.Where(f => f.Stops && f.Where.Part.StartsWith(item.Id + "/", StringComparison.Ordinal) && !before.Contains((f.Code, f.Where.Part))).Select(f => f.Kind).Distinct().ToList();
        var holes = layout.Toggles.Count + (layout.Backing?.Screws.Count ?? 0) + (layout.Backing is { Kind: BackingKind.Board } ? 0 : layout.Position.Used(plan.BoltOf(item)?.Diameter ?? plan.Sheet.Policy.UsualBolt, ((Mount)then.Sheet.Item(item.Id)!.Product!).Studs).Count);
        return new(
            idea.Kind, idea.Label, idea.Changes, then, new(idea.Minutes, idea.Parts, holes, Shows(then, item, layout)),
            !then.Findings.Any(f => Misses(f, item.Id)) && (idea.Kind != WayKind.Mixed || layout.Toggles.Count > 0), open, RemedyProof.Outcome(plan, then));
    }

    private static Phrase Shows(JobPlan then, Item item, PlateLayout layout)
    {
        if (layout.Backing is not { } backing)
        {
            return Phrase.Of(string.Empty);
        }

        if (backing.Kind == BackingKind.Blocking)
        {
            return Phrase.Of($"the wall's board cut out {backing.Outline.Width} by {backing.Outline.Height}, closed and painted");
        }

        if (then.Sheet.DisplayOn(item) is not { } display || then.Placement(display.Id) is not { } placed)
        {
            return Phrase.Of(string.Empty);
        }

        var beside = Length.Max(Length.Max(placed.Outer.Left - backing.Outline.Left, backing.Outline.Right - placed.Outer.Right), Length.Max(placed.Outer.Bottom - backing.Outline.Bottom, backing.Outline.Top - placed.Outer.Top));
        return beside > Length.Zero ? Phrase.Of($"the board, {beside} beyond the display's edge") : Phrase.Of($"{backing.Thickness} more between wall and display");
    }

    private sealed record Idea(WayKind Kind, Phrase Label, IReadOnlyList<Change> Changes, IReadOnlyList<Phrase> Parts, int Minutes);
}
