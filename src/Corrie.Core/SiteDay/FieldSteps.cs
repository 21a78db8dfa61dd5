using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.SiteDay;

/// <summary>What a step asks for when it is done.</summary>
public enum FieldAsk
{
    /// <summary>That it is done.</summary>
    Tick,

    /// <summary>Something that is entered with the survey.</summary>
    Survey,

    /// <summary>What a test hole went through.</summary>
    TestHole,

    /// <summary>The gap behind the plate at each hole.</summary>
    Gaps,

    /// <summary>Where the hole really is, and what became of it.</summary>
    Hole,

    /// <summary>What the level shows.</summary>
    Level,

    /// <summary>What each check dimension reads.</summary>
    Checks,

    /// <summary>The pull at the plate.</summary>
    Proof,

    /// <summary>How the display hangs.</summary>
    Hung,
}

/// <summary>A reading of a step, to be set off or to be checked.</summary>
/// <param name="Says">From what, and which way.</param>
/// <param name="Reads">What the tape shows there.</param>
public sealed record FieldReading(Phrase Says, Length Reads);

/// <summary>A step on site: one thing to do, in one sentence.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Does">What to do.</param>
/// <param name="Readings">The readings that it takes, from what is on the wall by then.</param>
/// <param name="Who">Who does it.</param>
/// <param name="Hold">What has to be shown before the next step; null where nothing has.</param>
/// <param name="Ask">What it asks for.</param>
/// <param name="Done">Whether it is done.</param>
/// <param name="Bolt">The number of the bolt that it is about; 0 for none.</param>
public sealed record FieldStep(string Id, Phrase Does, IReadOnlyList<FieldReading> Readings, string Who, Phrase? Hold, FieldAsk Ask, bool Done, int Bolt = 0)
{
    /// <summary>Further remarks, each by itself.</summary>
    public IReadOnlyList<Phrase> Notes { get; init; } = [];
}

/// <summary>The steps of fixing a plate and hanging what it carries, in working order. Made from the plan; nobody writes them.</summary>
public static class FieldSteps
{
    /// <summary>The steps of a mount.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The steps; none as long as it has no bolts.</returns>
    public static IReadOnlyList<FieldStep> Of(IHungResults plan, string mount)
    {
        if (plan.Sheet.Item(mount) is not { Product: Mount hardware } item || plan.Fixing(mount) is not { Bolts.Count: > 0 } fixing || plan.Layout(mount) is not { } layout || plan.Site(mount) is not { } site ||
            plan.Sheet.WallOf(item) is not { } wall || plan.Survey(wall.Id) is not { } survey || plan.Tapes(wall.Id) is not { } tapes || plan.Sheet.DisplayOn(item) is not { Product: Display } hung || plan.Placement(hung.Id) is not { } placed)
        {
            return [];
        }

        var built = item.Get(Built.Part);
        var choice = item.Get(SettingOut.Part) ?? SettingOut.Usual;
        var bolts = choice.InOrder(fixing.Bolts, layout);
        var fastener = plan.BoltOf(item)!;
        var steps = new List<FieldStep>();
        bool Ticked(string id) => built?.Done.Any(d => d.Id == id) == true;
        FieldReading Across(Length x) => new($"{(tapes.Across.Read(x).Back ? "left" : "right")} of the {tapes.Across.Name}", tapes.Across.Read(x).Distance);
        FieldReading Up(Length y) => new($"{(tapes.Up.Read(y).Back ? "below" : "up from")} the {tapes.Up.Name}", tapes.Up.Read(y).Distance);
        void Tick(string id, Phrase does, IReadOnlyList<FieldReading> readings, Phrase? hold = null, params IReadOnlyList<Phrase> notes) => steps.Add(new(id, does, readings, "one", hold, FieldAsk.Tick, Ticked(id)) { Notes = notes });

        steps.Add(new(
            "scan", "Look for cables, pipes and gas where holes go, and for cables that cross the studs.", [], "one", "Before any hole: the search is recorded, and what is kept free is drawn.", FieldAsk.Survey, survey.Wall.Scan is { Crossings: true } || (survey.Wall.Scan is not null && fixing.Ground is not Ground.Stud)));
        var face = plan.Face(mount);
        var stone = survey.Wall.Depth() > Length.Zero;
        if (plan.Sheet.House().Built is { } year && year < FramingCheck.LeadPaint)
        {
            Tick("finish", $"Have old paint, plaster and boards tested, or handle them as local rules say: the house is of {year}.", [], "Before the first hole: it is known what is drilled, or it is handled as if it were there.");
        }

        if (stone)
        {
            Tick(
                MasonryStage.DustStep, "Vacuum with a fine filter at the hole, or wet drilling; breathing, eye and ear protection on; nobody else in the room without.", [], "Before any hole in stone: nobody breathes the dust.",
                $"Rotary hammer, hired for {DrillStep.HireHours(fixing):0.#} hours; a worn bit in a drill cracks stone.");
            steps.Add(new(
                "test-hole", "Drill one of the holes as a test hole with the small bit: note each depth at which it changes, the dust, and what it meets.", [Across(bolts[0].X), Up(bolts[0].Y)], "one", "Before the other holes: what is behind the face is known, and is what was planned.", FieldAsk.TestHole,
                survey.Wall.TestHoles.Any(h => !h.Struck) && survey.Wall.Said is null));
            if (face is not null && (face.Holes.Any(h => h.Gap is not null) || plan.Sheet.Wall(wall.Id)!.Facework().SaidUneven == true || survey.Wall.Layers[0].IsRough()))
            {
                steps.Add(new("gaps", "Hold the plate, or a board of its size, level against the wall where it goes and measure the gap behind it at each hole.", [], "two", "Before the first bolt: each hole's packing and bolt length are known.", FieldAsk.Gaps, face.Holes.All(h => h.Gap is not null)));
            }
        }

        foreach (var stud in fixing.Bolts.Where(_ => fixing.Ground is Ground.Stud or Ground.Flange).Select(b => b.Stud).DistinctBy(s => s.Id).OrderBy(s => s.Centre))
        {
            steps.Add(new(
                $"stud-{stud.Id}", $"Push a thin bit in left and right of the stud's centre until it falls through on both sides.", [Across(stud.Centre)], "one", "Before the first bolt: the stud is confirmed on both sides.", FieldAsk.Survey, stud.State == StudState.Confirmed));
        }

        Tick("centre", "Plumb the plate's centre line.", [Across(layout.Position.Plate)]);
        Tick("hook", "Snap the hook line with the level.", [Up(layout.HookLine)], null, Phrase.Of($"The display hangs on it: its bottom edge comes to {placed.Outer.Bottom} up."));
        if (choice.Template && layout.Template is not null)
        {
            Tick("template", "Tape the template to the wall, its middle on the hook line and its centre on the centre line, and level it.", []);
        }

        var first = bolts[0];
        var all = choice.Template || choice.AllHoles;
        if (all)
        {
            foreach (var bolt in bolts)
            {
                Tick($"mark-{bolt.Number}", $"Mark hole {bolt.Number}.", bolt == first ? [Across(bolt.X), Up(bolt.Y)] : [Across(bolt.X), Under(layout, bolt)]);
            }

            steps.Add(new("checks", "Measure between the marks before the first hole.", [.. site.Checks.Select(c => new FieldReading(Says(site, c), c.Expected))], "two", "Before the first hole: the check dimensions fit.", FieldAsk.Checks, site.Verdict is { Sound: true } && site.Taken.Count == site.Checks.Count)
            { Notes = ["Where one does not fit, measure again from the datum the mark that is named, and not only the dimension."] });
        }

        if (layout.Toggles.Count > 0 || fastener.Sort == FastenerKind.Toggle)
        {
            Tick("toggles", "Push the toggles through the board before the plate is on, turn their bars, pull them tight until nothing wobbles, and only then snap the tails.", [.. layout.Toggles.Select(t => Across(t.X))]);
        }

        if (face is not null && face.Holes.Any(h => h.Stack is { Count: > 0 }))
        {
            Tick("packing", "Bag the packing of each hole, soft piece next to the stone, the hole's number on the bag.", [], null, [.. face.Holes.Where(h => h.Stack is { Count: > 0 }).Select(h => MasonryStage.StackSays(plan, h))]);
        }

        for (var i = 0; i < bolts.Count; i++)
        {
            var bolt = bolts[i];
            // What is on the wall by then: the first bolt, from which a level and a tape go on.
            IReadOnlyList<FieldReading> from = i == 0 || all ? [Across(bolt.X), Up(bolt.Y)] : [From(first, bolt), Above(first, bolt)];
            steps.Add(new(
                $"bolt-{bolt.Number}", Drill(fastener, fixing, bolt), from, "one", i == 0 ? null : i == 1 ? "Before this one: the plate is level on the first." : null, FieldAsk.Hole,
                layout.Position.Bolts.Any(b => b.Made && b.Row.Id == bolt.Row && b.X == bolt.X), bolt.Number)
            { Notes = Notes(fastener, fixing, i) });
            if (i == 0)
            {
                steps.Add(new("level", "Hang the plate on the first bolt, level it, and mark the other holes through it.", [], "one", "Before the second bolt: what the level shows is entered.", FieldAsk.Level, built?.RightHigher is not null));
            }
        }

        steps.Add(new(
            "proof", $"Pull down at the plate with {site.Proof:least} for one minute, with a hand scale or a known weight.", [], "one", "Before hanging: nothing moves.", FieldAsk.Proof,
            built?.Proof is { Held: true } proof && proof.Pull.Kilograms >= site.Proof.Kilograms * 0.995)
        { Notes = ["Never with a body, and never from an arm that is out. It proves shear and seating, and not tension: that rests on the calculation and on holes that were looked at."] });
        steps.Add(new(
            "hang", "Hang the display. Let go when the second person has seen both arms hooked.", [new("its centre, up from the floor", placed.Outer.CentreY), new("its centre, from the left corner", placed.Outer.CentreX)], Lifting.For(plan, hung)!.Value.Lift.Who(),
            "Before letting go: both hooks are seen engaged, or both lower corners read the same.", FieldAsk.Hung, built?.Hung is not null));
        return steps;
    }

    private static Phrase Says(SiteResult site, CheckDimension check)
    {
        var (a, b) = (site.Marks[check.From].Id, site.Marks[check.To].Id);
        return check.Kind switch
        {
            CheckKind.Level => Phrase.Of($"{a} to {b} by the level: {b} higher by"),
            CheckKind.Plumb => Phrase.Of($"{a} to {b} by the plumb line: {b} to the right by"),
            _ => Phrase.Of($"{a} to {b} by the tape"),
        };
    }

    private static FieldReading Under(PlateLayout layout, Bolt bolt) => new(bolt.Y <= layout.HookLine ? "under the hook line" : "over the hook line", (layout.HookLine - bolt.Y).Abs);

    private static FieldReading From(Bolt first, Bolt bolt) => new($"{(bolt.X - first.X).Side()} of bolt {first.Number}", (bolt.X - first.X).Abs);

    private static FieldReading Above(Bolt first, Bolt bolt) => new(bolt.Y == first.Y ? Phrase.Of($"level with bolt {first.Number}") : Phrase.Of($"{(bolt.Y > first.Y ? "over" : "under")} bolt {first.Number}"), (bolt.Y - first.Y).Abs);

    private static Phrase Drill(Fastener fastener, FixingResult fixing, Bolt bolt)
    {
        Phrase does = $"Bolt {bolt.Number}: drill ";
        if (DrillStep.Of(fixing, bolt.DrillDepth) is { Count: > 0 } steps && steps.Any(s => s.For == BitFor.Masonry))
        {
            for (var i = 0; i < steps.Count; i++)
            {
                does.AppendFormatted($"{(i == 0 ? string.Empty : i == steps.Count - 1 ? ", then " : ", ")}{steps[i].Says()}");
            }

            does.AppendFormatted($". Then {(fastener.Sort.IsMasonry() ? "set" : "drive")} the {fastener.Name}, {bolt.Length} long{(bolt.Packing > Length.Zero ? Phrase.Of($", with {bolt.Packing:fine} of packing") : string.Empty)}.");
            return does;
        }

        if (fixing.Pilot is { } bit)
        {
            does.AppendFormatted($"{bit:fine}{(fastener.Sort == FastenerKind.Toggle ? " through board and flange" : Phrase.Of($", {fixing.DrillDepth} deep from the face"))}, then drive the {fastener.Name}.");
        }
        else
        {
            does.AppendFormatted($"{fixing.DrillDepth} deep from the face, then drive the {fastener.Name}.");
        }

        return does;
    }

    private static IReadOnlyList<Phrase> Notes(Fastener fastener, FixingResult fixing, int index) => index > 0 ? [] : fastener.Sort.IsMasonry()
        ? ["Square to the wall, against the bit's wish to slide downhill. Hang the plate on the first, level it, and mark the others through it."]
        : fastener.Sort == FastenerKind.Toggle ? ["Over-tightening crushes the board: pull tight, no further."]
        : [Phrase.Of($"Set the flag on the bit to {fixing.DrillDepth}. Square to the wall; clear the bit when it binds."), "Start by hand, power to nine tenths, the rest by hand. Metal, or a sudden give under the bit: stop."];
}

/// <summary>How a crew sets a plate out. Schools differ; each has its checks.</summary>
/// <param name="Template">Whether the holes are marked through a template.</param>
/// <param name="AllHoles">Whether all holes are marked and drilled before the plate is on; otherwise one bolt is set first, and the rest marked through the levelled plate.</param>
/// <param name="Order">Which hole comes first.</param>
public sealed record SettingOut(bool Template, bool AllHoles, HoleOrder Order)
{
    /// <summary>What holds where nobody has chosen: one bolt first, from the top, since the first hole always wanders (common practice).</summary>
    public static SettingOut Usual { get; } = new(false, false, HoleOrder.TopDown);

    /// <summary>How a plate is set out.</summary>
    public static Part<SettingOut> Part { get; } = new(Holder.Item, "setting", new Format.GroupShape<SettingOut>("how the plate is set out", m => new SettingOut(
        m.Yes("template", "whether holes are marked through the template"),
        m.Yes("allHoles", "whether all holes are drilled before the plate is on; else one bolt first"),
        m.Choice("order", "which hole comes first", HoleOrder.TopDown))), kind => kind == Mount.Kind);

    /// <summary>The bolts in the order in which they are made.</summary>
    /// <param name="bolts">The bolts.</param>
    /// <param name="layout">Where the plate goes.</param>
    /// <returns>The bolts; those that are in the wall come first.</returns>
    public IReadOnlyList<Bolt> InOrder(IReadOnlyList<Bolt> bolts, PlateLayout layout)
    {
        bool Made(Bolt bolt) => layout.Position.Bolts.Any(b => b.Made && b.Row.Id == bolt.Row && b.X == bolt.X);
        var ordered = bolts.OrderBy(b => !Made(b));
        return Order switch
        {
            HoleOrder.BottomUp => [.. ordered.ThenBy(b => b.Y).ThenBy(b => b.X)],
            HoleOrder.Centre => [.. ordered.ThenBy(b => (b.X - layout.Position.Plate).Abs).ThenByDescending(b => b.Y).ThenBy(b => b.X)],
            _ => [.. ordered.ThenByDescending(b => b.Y).ThenBy(b => b.X)],
        };
    }
}

/// <summary>Which hole of a plate comes first.</summary>
public enum HoleOrder
{
    /// <summary>The top row, from the left.</summary>
    TopDown,

    /// <summary>The bottom row.</summary>
    BottomUp,

    /// <summary>What is nearest to the plate's centre.</summary>
    Centre,
}
