using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;

namespace Corrie.Core.WholePlan;

/// <summary>What a crew has to have, know and be for a wall: tools, people, and what nobody has confirmed.</summary>
/// <param name="Tools">Tools, in the order in which they are needed.</param>
/// <param name="People">Who lifts what, with the figures.</param>
/// <param name="Unconfirmed">What holes rest on and nobody has seen or measured.</param>
/// <param name="Screws">The screws into the back of each display.</param>
public sealed record SetOutKit(IReadOnlyList<Phrase> Tools, IReadOnlyList<Phrase> People, IReadOnlyList<Phrase> Unconfirmed, IReadOnlyList<Phrase> Screws)
{
    // Heads of hexagon lag screws across their flats (ASME B18.2.1, from memory).
    private static readonly (Length Shank, Length Flats)[] Heads =
    [
        (Length.Tape(0, 1, 4), Length.Tape(0, 7, 16)), (Length.Tape(0, 5, 16), Length.Tape(0, 1, 2)), (Length.Tape(0, 3, 8), Length.Tape(0, 9, 16)), (Length.Tape(0, 1, 2), Length.Tape(0, 3, 4)),
    ];

    // Higher than this most people need a step (own rule).
    private static readonly Length WithoutStep = Length.Tape(78);

    /// <summary>What a wall asks for.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The kit; lists are empty where nothing is planned.</returns>
    public static SetOutKit Of(JobPlan plan, string wall)
    {
        if (plan.Sheet.Wall(wall) is not { } sheet || plan.Survey(wall) is not { } survey)
        {
            return new([], [], [], []);
        }

        var things = plan.Sheet.ThingsOn(sheet).ToList();
        var bolted = things.Where(i => plan.Fixing(i.Id) is { Bolts.Count: > 0 }).Select(i => (Item: i, Bolt: plan.BoltOf(i)!, Result: plan.Fixing(i.Id)!)).ToList();
        return new([.. ToolsOf(plan, wall, things, bolted)], [.. PeopleOf(plan, things)], [.. UnconfirmedOf(plan, wall, survey.Wall, bolted)], [.. ScrewsOf(plan, things)]);
    }

    private static IEnumerable<Phrase> ToolsOf(JobPlan plan, string wall, List<Item> things, List<(Item Item, Fastener Bolt, FixingResult Result)> bolted)
    {
        if (bolted.Count == 0)
        {
            yield break;
        }

        yield return "tape, pencil, level";
        yield return "scanner for metal and live wires";
        if (plan.Survey(wall)!.Wall.Kind.Framed() && bolted.Any(b => b.Result.Bolts.Any(h => h.Stud.State != StudState.Confirmed)))
        {
            yield return "a thin bit to push in at the studs that are not confirmed";
        }

        if (plan.Marks.Any(m => m.Wall == wall && m.Y > WithoutStep))
        {
            yield return $"a step: the highest mark is {plan.Marks.Where(m => m.Wall == wall && m.Y is not null).Max(m => m.Y!.Value)} up";
        }

        // A bit once, as deep as its deepest hole.
        foreach (var same in bolted.Where(b => b.Result.Input.Wall.Depth() > Length.Zero).SelectMany(b => b.Result.Bolts.SelectMany(h => DrillStep.Of(b.Result, h.DrillDepth))).GroupBy(s => (s.For, s.Diameter)))
        {
            yield return Phrase.Of($"{(same.Key.For == BitFor.Masonry ? "rotary hammer" : "drill")}, {same.MaxBy(s => s.To)!.Says()}{(same.Select(s => s.To).Distinct().Count() > 1 ? " at the most" : string.Empty)}");
        }

        if (bolted.Sum(b => DrillStep.HireHours(b.Result)) is > 0 and var hours)
        {
            yield return $"hire of the rotary hammer: {hours:0.#} hours; vacuum with a fine filter, breathing protection, eye and ear protection";
        }

        foreach (var (bit, depth, toggle) in bolted.Where(b => b.Result.Input.Wall.Depth() == Length.Zero).Select(b => (Bit: b.Bolt.Sort == FastenerKind.Toggle ? b.Bolt.Hole : b.Result.Pilot ?? Length.Zero, b.Result.DrillDepth, Toggle: b.Bolt.Sort == FastenerKind.Toggle)).Distinct())
        {
            yield return bit == Length.Zero ? "drill; none of the crew's bits fits the pilot hole" : toggle ? Phrase.Of($"drill, {bit} bit through board and flange") : Phrase.Of($"drill, {bit:fine} pilot bit with a flag at {depth}");
        }

        foreach (var bolt in bolted.Select(b => b.Bolt).Where(b => b.Sort == FastenerKind.LagScrew).Distinct())
        {
            var flats = Heads.FirstOrDefault(h => h.Shank == bolt.Diameter).Flats;
            yield return flats == default ? Phrase.Of($"ratchet and socket for the {bolt.Name}") : Phrase.Of($"ratchet, {flats} socket for the {bolt.Name}");
        }

        if (things.Any(i => i.Product is Mount { TemplateHeight: var high } && high > Length.Zero))
        {
            yield return "the mount's paper template";
        }
    }

    private static IEnumerable<Phrase> PeopleOf(JobPlan plan, List<Item> things)
    {
        foreach (var item in things)
        {
            // A small bar or plate that one lifts without a thought is no line.
            if (Lifting.For(plan, item) is not var (lift, mass, _) || (item.Kind != Display.Kind && lift is { OnFoot: 1, Platform: false }))
            {
                continue;
            }

            var name = item.Kind == Mount.Kind ? $"plate of the {item.Name}" : item.Name;
            Phrase says = lift.OnFoot is { } count
                ? Phrase.Of($"{count} to lift the {name}, {mass}: one may lift {lift.One} there")
                : Phrase.Of($"A lifting machine for the {name}, {mass}: one may lift {lift.One} there, and {Lifting.Most} no more than {lift.Together(Lifting.Most)}");
            if (lift.Count is > 1 and { } together)
            {
                says.AppendFormatted($", {together} together {lift.Together(together)}");
            }

            if (lift.Always)
            {
                says.AppendFormatted($"; {(item.Kind == Mount.Kind ? "at this height or weight" : "at this size or weight")} there are always two");
            }

            if (lift.Footing.Items.Count + lift.Turns > 0)
            {
                says.AppendFormatted($"; one more each, since it is lifted {string.Join(", ", lift.Footing.Items.Select(f => f.Says()).Concat(lift.Turns > 0 ? [$"up stairs with {lift.Turns} {(lift.Turns == 1 ? "turn" : "turns")}"] : []))}{(lift.Footing.Items.Count > 0 ? ", or a platform" : string.Empty)}");
            }

            if (lift.Platform)
            {
                says.AppendFormatted($"; from a platform, so that no hand is over {Lifting.Highest}");
            }

            says.AppendLiteral(".");
            yield return says;
        }
    }

    private static IEnumerable<Phrase> UnconfirmedOf(JobPlan plan, string wall, Wall surveyed, List<(Item Item, Fastener Bolt, FixingResult Result)> bolted)
    {
        if (bolted.Count == 0)
        {
            yield break;
        }

        foreach (var stud in bolted.SelectMany(b => b.Result.Bolts).Select(b => b.Stud).Where(s => s.State != StudState.Confirmed).DistinctBy(s => s.Id))
        {
            yield return $"the stud at {stud.Centre}, {stud.State.Word()} only";
        }

        foreach (var layer in surveyed.Layers.Where(l => !l.Confirmed))
        {
            yield return $"the {layer.Name}, {layer.Thickness} thick";
        }

        foreach (var one in WholePlanStage.RegisterOf(plan, wall).DistinctBy(a => (a.Says.Say(LengthStyle.Inches), a.Rests)))
        {
            yield return one.Says;
        }
    }

    private static IEnumerable<Phrase> ScrewsOf(JobPlan plan, List<Item> things)
    {
        foreach (var item in things)
        {
            if (item.Product is Display display && plan.Sheet.On(item) is { Product: Mount })
            {
                // Screws are chosen for the first display of a mount; another one's are not the same.
                if (plan.Sheet.On(item) is { } mount && plan.Sheet.DisplayOn(mount) == item && plan.Screws(mount.Id) is { Pairs.Count: > 0 } screws)
                {
                    foreach (var holes in screws.Holes)
                    {
                        yield return $"{item.Name}, {holes.Says}";
                    }

                    continue;
                }

                yield return display.Thread is { } thread
                    ? Phrase.Of($"{item.Name}: 4 screws {thread} in the pattern of {display.VesaWidth.Millimetres:0} by {display.VesaHeight.Millimetres:0} mm{(display.ThreadDepth is null ? ", depth of the thread not entered: turn one in by hand first" : string.Empty)}")
                    : Phrase.Of($"{item.Name}: 4 screws in the pattern of {display.VesaWidth.Millimetres:0} by {display.VesaHeight.Millimetres:0} mm; thread not entered, try one by hand first");
                if (display.ThreadDepth is { } deep)
                {
                    yield return $"Its thread is {deep} deep: the screw is no longer than that, the arm and the washer together";
                }
            }
        }
    }
}
