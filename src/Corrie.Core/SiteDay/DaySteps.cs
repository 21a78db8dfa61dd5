using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.SiteDay;

/// <summary>A stretch of the day; what a hold point guards are later stretches.</summary>
public enum DayPhase
{
    /// <summary>What was delivered is opened and tried.</summary>
    Receipt,

    /// <summary>Room, floor, table and dust.</summary>
    Prepare,

    /// <summary>Circuits are dead.</summary>
    Isolate,

    /// <summary>Arms on the display.</summary>
    Arms,

    /// <summary>Marks, bolts, plate.</summary>
    Plate,

    /// <summary>Openings and boxes.</summary>
    Boxes,

    /// <summary>Ways are drilled, cables pulled, tested, labelled.</summary>
    Cables,

    /// <summary>The wall is closed.</summary>
    Close,

    /// <summary>The display goes up.</summary>
    Hang,

    /// <summary>Level, torque, picture, sound.</summary>
    Adjust,

    /// <summary>Clean, patch, hardware bagged.</summary>
    Clear,

    /// <summary>The client is shown everything, and signs.</summary>
    HandOver,
}

/// <summary>Who does a step.</summary>
public enum DayRole
{
    /// <summary>Whoever is there.</summary>
    Anybody,

    /// <summary>A licensed electrician.</summary>
    Electrician,

    /// <summary>The lead.</summary>
    Lead,
}

/// <summary>A step of the day, made from the plan; nobody writes it.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Phase">The stretch that it belongs to.</param>
/// <param name="Does">What to do, in one sentence.</param>
/// <param name="Who">Who does it.</param>
/// <param name="People">How many.</param>
/// <param name="Minutes">How long it takes (own rule; a crew's own differ).</param>
/// <param name="Done">Whether it is done.</param>
/// <param name="By">Who did it; empty where that is not known.</param>
public sealed record DayStep(string Id, DayPhase Phase, Phrase Does, DayRole Who, int People, double Minutes, bool Done, string By)
{
    /// <summary>What has to be shown before what it guards; null for no hold point.</summary>
    public Phrase? Hold { get; init; }

    /// <summary>What waits for it, where it is a hold point.</summary>
    public IReadOnlyList<DayPhase> Guards { get; init; } = [];

    /// <summary>Its wall; empty for all.</summary>
    public string Wall { get; init; } = string.Empty;

    /// <summary>Its readings.</summary>
    public IReadOnlyList<FieldReading> Readings { get; init; } = [];

    /// <summary>Tools for it.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];

    /// <summary>Further remarks.</summary>
    public IReadOnlyList<Phrase> Notes { get; init; } = [];

    /// <summary>For a step of a mount: key of the mount and of the step on its field sheet.</summary>
    public (string Mount, string Step)? Field { get; init; }

    /// <summary>Where its evidence is entered, as the word of a step of the work and the form there; null where a tick is all.</summary>
    public (WorkStep Step, string Form)? Evidence { get; init; }

    /// <summary>Whether a photo is its evidence, and no tick is enough.</summary>
    public bool ByPhoto { get; init; }

    /// <summary>Key of the thing that it is about; empty for none. Its manual is to hand there.</summary>
    public string Item { get; init; } = string.Empty;

    /// <summary>Key of the mount whose hook is measured on the display here; empty for none.</summary>
    public string Measures { get; init; } = string.Empty;

    /// <summary>Whether the client signs here.</summary>
    public bool Signs { get; init; }

    /// <summary>What ticking it writes beside the tick itself.</summary>
    public IReadOnlyList<Change> Writes { get; init; } = [];
}

/// <summary>The whole day, for every wall, thing and feed that the plan knows, in the order in which it is worked.</summary>
public static class DaySteps
{
    /// <summary>Key of the step that photographs what is in a wall.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The key.</returns>
    public static string Photo(string wall) => $"photo-{wall}";

    /// <summary>Key of the step that has a wall inspected.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The key.</returns>
    public static string Inspect(string wall) => $"inspect-{wall}";

    /// <summary>Key of the step that closes a wall.</summary>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The key.</returns>
    public static string Close(string wall) => $"close-{wall}";

    /// <summary>The steps of a job.</summary>
    /// <param name="plan">The plan.</param>
    /// <returns>The steps; none as long as nothing is planned that anybody could do.</returns>
    public static IReadOnlyList<DayStep> Of(JobPlan plan) => new Maker(plan).Steps();

    /// <summary>What a step waits for: the first hold point before it whose evidence is not there.</summary>
    /// <param name="steps">All steps.</param>
    /// <param name="step">The step.</param>
    /// <returns>The hold point; null where it may be done.</returns>
    public static DayStep? WaitsFor(IReadOnlyList<DayStep> steps, DayStep step) =>
        steps.TakeWhile(s => s.Id != step.Id).FirstOrDefault(s => !s.Done && s.Hold is not null && s.Guards.Contains(step.Phase) && (s.Wall.Length == 0 || step.Wall.Length == 0 || s.Wall == step.Wall));

    /// <summary>What records that a step is done.</summary>
    /// <param name="step">The step.</param>
    /// <param name="by">Who did it.</param>
    /// <param name="note">What else there is to say; empty for nothing.</param>
    /// <param name="asPlanned">Whether it went as planned.</param>
    /// <returns>The changes.</returns>
    public static IReadOnlyList<Change> Tick(DayStep step, string by, string note, bool asPlanned)
    {
        var tick = new JsonObject { ["by"] = by };
        if (note.Trim().Length > 0)
        {
            tick["note"] = note.Trim();
        }

        if (!asPlanned)
        {
            tick["asPlanned"] = false;
        }

        return [.. asPlanned ? step.Writes : [], new Change($"/{DayTick.Part.Name}/{step.Id}", tick)];
    }

    private sealed class Maker(JobPlan plan)
    {
        private readonly JobSheet sheet = plan.Sheet;
        private readonly IReadOnlyList<DayTick> done = plan.Sheet.Get(DayTick.Part) ?? [];
        private readonly IReadOnlyList<DayPhoto> photos = plan.Sheet.Get(DayPhoto.Part) ?? [];
        private readonly List<DayStep> steps = [];

        public IReadOnlyList<DayStep> Steps()
        {
            var mounts = sheet.Items.Select(i => (Item: i, Steps: FieldSteps.Of(plan, i.Id))).Where(m => m.Steps.Count > 0).ToList();
            var boxes = sheet.Walls.SelectMany(w => sheet.ThingsOn(w).Where(i => i.Product is WallBox && plan.Placement(i.Id) is not null).Select(i => (Wall: w, Item: i))).ToList();
            if (mounts.Count + boxes.Count == 0)
            {
                return [];
            }

            Receipts();
            Prepare();
            Isolate();
            var displayFirst = sheet.Get(DayPlan.Part)!.Order == DayOrder.DisplayFirst;
            if (displayFirst)
            {
                ArmsOn(measured: true);
            }

            foreach (var (mount, field) in mounts)
            {
                Field(mount, field.Where(s => s.Ask is not (FieldAsk.Proof or FieldAsk.Hung)), DayPhase.Plate);
            }

            foreach (var (wall, box) in boxes)
            {
                Box(wall, box);
            }

            foreach (var wall in sheet.Walls)
            {
                Ways(wall);
            }

            Cables();
            foreach (var wall in sheet.Walls)
            {
                Closing(wall);
            }

            if (!displayFirst)
            {
                ArmsOn(measured: false);
            }

            foreach (var (mount, field) in mounts)
            {
                Field(mount, field.Where(s => s.Ask is FieldAsk.Proof or FieldAsk.Hung), DayPhase.Hang);
                Dress(mount);
            }

            After(mounts.Count > 0);
            return steps;

            void ArmsOn(bool measured)
            {
                foreach (var (mount, _) in mounts)
                {
                    Arms(mount, measured);
                }
            }
        }

        private DayPhoto? Photographed(string id) => photos.FirstOrDefault(p => p.Step == id);

        private DayTick? Ticked(string id) => done.FirstOrDefault(d => d.Id == id);

        private DayStep Step(string id, DayPhase phase, Phrase does, double minutes, int people = 1, DayRole who = DayRole.Anybody, bool? done = null) =>
            new(id, phase, does, who, people, minutes, done ?? Ticked(id) is not null, Ticked(id)?.By ?? string.Empty);

        private void Receipts()
        {
            foreach (var thing in sheet.Items.Where(i => i.Product is not null && i.Get(Receipt.Part) is not null && sheet.WallOf(i) is not null))
            {
                var receipt = thing.Get(Receipt.Part)!;
                var display = thing.Kind == Display.Kind;
                var wanted = display || thing.Product is IWired;
                steps.Add(Step(
                    $"receipt-{thing.Id}", DayPhase.Receipt, display ? Phrase.Of($"Unpack the {Low(thing.Name)}, count its parts, and power it on once while it can still be returned.") : Phrase.Of($"Unpack the {Low(thing.Name)} and count its parts against the list."), display ? 12 : 5,
                    done: receipt.Opened && receipt.Missing.Length == 0 && (!display || receipt.Works == true)) with
                {
                    Wall = sheet.WallOf(thing)!.Id,
                    Item = thing.Id,
                    Writes = [receipt.Here.Set("opened", true), .. display ? [receipt.Here.Set("works", true)] : Array.Empty<Change>()],
                    Evidence = (WorkStep.Site, $"form-site-{thing.Id}"),
                    Notes = wanted ? ["Write its serial number down; keep feet and packaging."] : [],
                });
            }
        }

        private void Prepare()
        {
            foreach (var mount in sheet.Items.Where(i => i.Get(EarlierInstall.Part) is not null))
            {
                var earlier = mount.Get(EarlierInstall.Part)!;
                steps.Add(Step($"earlier-{mount.Id}", DayPhase.Prepare, $"Look behind the {Low(mount.Name)} that somebody else put up: how it is held, and whether anything moves.", 10, done: earlier is { Held: EarlierHold.InMembers, Moves: false } && Licences.Given(earlier.By)) with
                {
                    Hold = "Before anybody touches what hangs there: it is seen to hold.",
                    Item = mount.Id,
                    Guards = [DayPhase.Plate, DayPhase.Hang],
                    Wall = sheet.WallOf(mount)?.Id ?? string.Empty,
                });
            }

            steps.Add(Step("room", DayPhase.Prepare, "Move furniture, cover the floor and a stable table with a padded blanket, and clear the path.", 15) with { Tools = ["dust sheets", "padded blanket", "table"] });
            steps.Add(Step("dust", DayPhase.Prepare, "Set up dust control, and protect eyes, ears and lungs.", 5) with { Tools = ["vacuum", "masks", "glasses"] });
            foreach (var wall in sheet.Walls.Where(w => plan.Survey(w.Id) is { Wall.Scan: null }))
            {
                steps.Add(Step($"scan-{wall.Id}", DayPhase.Prepare, $"Look for cables, pipes and gas{Of(wall)} with a scanner, wherever anything is cut or drilled.", 10, done: plan.Survey(wall.Id)!.Wall.Scan is not null) with
                {
                    Hold = "Before any cut or hole: the search is recorded, and what is kept free is drawn.",
                    Guards = [DayPhase.Plate, DayPhase.Boxes, DayPhase.Cables],
                    Wall = wall.Id,
                    Tools = ["scanner"],
                    Evidence = (WorkStep.Survey, string.Empty),
                });
            }
        }

        private void Isolate()
        {
            var code = sheet.Get(Electrics.Part)!;
            if (ElectricianAsks.Of(plan).Asks.Count == 0)
            {
                return;
            }

            foreach (var circuit in code.Circuits.Items.Count > 0 ? code.Circuits.Items.Select(c => (c.Id, c.Called)) : [(string.Empty, string.Empty)])
            {
                steps.Add(Step($"isolate-{(circuit.Id.Length > 0 ? circuit.Id : "all")}", DayPhase.Isolate, circuit.Id.Length > 0 ? Phrase.Of($"Circuit {circuit.Called}: off, locked, and proved dead with a tester.") : "Find out which circuit it is; off, locked, and proved dead with a tester.", 15, who: DayRole.Electrician,
                    done: code.Isolations.Items.Any(i => i.Circuit == circuit.Id && i.Complete)) with
                {
                    Hold = "Before a box is opened or mains are touched: a licensed person's name, tester and time are on record. Nobody overrides this.",
                    Guards = [DayPhase.Boxes, DayPhase.Cables],
                    Tools = ["lock and tag", "voltage tester"],
                    Evidence = (WorkStep.Feed, "form-feed-job"),
                });
            }
        }

        private void Arms(Item mount, bool measured)
        {
            if (sheet.DisplayOn(mount) is { Product: Display } display)
            {
                steps.Add(Step($"arms-{mount.Id}", DayPhase.Arms, $"Lay the {Low(display.Name)} face down on padding and bolt the arms of the {Low(mount.Name)} on, by hand at first, pushed against the load.", 15, 2) with
                {
                    Wall = sheet.WallOf(mount)?.Id ?? string.Empty,
                    Notes = ["Hands only where the back is thick.", "Tape the screws of the feet to the feet."],
                    Item = mount.Id,
                });
                var choice = mount.Get(HangingChoice.Part)!;
                if (measured)
                {
                    steps.Add(Step($"chain-{mount.Id}", DayPhase.Arms, $"Measure on the table from the hook of the {Low(display.Name)} to its bottom and to its top edge.", 4, done: choice is { MeasuredBottomToHook: not null, MeasuredTopToHook: not null }) with
                    {
                        Wall = sheet.WallOf(mount)?.Id ?? string.Empty,
                        Hold = "Before the first hole: the hook is measured on this display, and both readings make its height.",
                        Guards = [DayPhase.Plate],
                        Measures = mount.Id,
                        Item = mount.Id,
                        Notes = ["Was this model measured before, with this mount? Then the wall may come first, by the catalogue's figures: choose it on the page of the site day."],
                    });
                }
            }
        }

        private void Field(Item mount, IEnumerable<FieldStep> field, DayPhase phase)
        {
            foreach (var step in field)
            {
                steps.Add(new($"{mount.Id}-{step.Id}", phase, step.Does, DayRole.Anybody, step.Who switch { "two" => 2, "three" => 3, "four" => 4, _ => 1 }, Minutes(step.Ask), step.Done, string.Empty)
                {
                    Hold = step.Hold,
                    Wall = sheet.WallOf(mount)?.Id ?? string.Empty,
                    Readings = step.Readings,
                    Notes = step.Notes,
                    Field = (mount.Id, step.Id),
                    Item = mount.Id,
                });
            }
        }

        private static double Minutes(FieldAsk ask) => ask switch
        {
            FieldAsk.Hole => 6,
            FieldAsk.TestHole => 10,
            FieldAsk.Checks or FieldAsk.Gaps => 8,
            FieldAsk.Proof => 4,
            FieldAsk.Hung => 10,
            FieldAsk.Survey => 5,
            _ => 3,
        };

        private void Box(WallSheet wall, Item item)
        {
            if (plan.Placement(item.Id) is not { } placed || plan.Tapes(wall.Id) is not { } tapes || item.Product is not WallBox box)
            {
                return;
            }

            var outer = placed.Outer;
            var (across, up) = (tapes.Across.Read(outer.CentreX), tapes.Up.Read(outer.CentreY));
            steps.Add(Step($"cut-{item.Id}", DayPhase.Boxes, $"Cut the opening for the {item.Name}: {box.OpeningWidth} by {box.OpeningHeight}, shallow, with a vacuum under the saw.", 15) with
            {
                Wall = wall.Id,
                Readings = [new($"its middle, {(across.Back ? "left" : "right")} of the {tapes.Across.Name}", across.Distance), new($"its middle, {(up.Back ? "below" : "up from")} the {tapes.Up.Name}", up.Distance)],
                Tools = ["level", "board saw", "vacuum"],
                Item = item.Id,
                Notes = ["Pencil or tape, no marker: ink comes through paint. Keep the piece for patching.", .. Blocking(item)],
            });
            if (box.HasPower)
            {
                steps.Add(Step($"wire-{item.Id}", DayPhase.Boxes, $"Set the {item.Name}, wire it, and test it.", 25, who: DayRole.Electrician) with { Wall = wall.Id, Item = item.Id, Notes = [$"It goes {box.Depth} deep."] });
            }
            else
            {
                steps.Add(Step($"set-{item.Id}", DayPhase.Boxes, $"Set the {item.Name}, its wings on sound board.", 5) with { Wall = wall.Id, Item = item.Id });
            }

            if (plan.Enclosed(item.Id) is { Packed: { All.Count: > 0 } packed })
            {
                steps.Add(Step($"pack-{item.Id}", DayPhase.Cables, $"Put into the {item.Name}, the back layer first: {string.Join(", ", packed.All.Select(d => d.Device.Name))}.", 5 * packed.All.Count) with
                {
                    Wall = wall.Id,
                    Item = item.Id,
                    Notes = [.. packed.All.Select(d => Phrase.Of($"{d.Device.Name}: {d.At.Left} from the left side, {d.At.Bottom} up{(d.Front ? ", on stand-offs" : string.Empty)}."))],
                });
            }
        }

        private IEnumerable<Phrase> Blocking(Item box)
        {
            foreach (var (side, wide) in plan.Enclosed(box.Id) is { Of.SideBlocks: var (left, right) } ? new[] { ("left", left), ("right", right) } : [])
            {
                if (wide > Length.Zero)
                {
                    yield return $"Blocking {wide} wide at its {side} side, before it goes in.";
                }
            }
        }

        private void Ways(WallSheet wall)
        {
            foreach (var route in plan.Routes(wall.Id)?.All ?? [])
            {
                if (route.Chosen is not { } way)
                {
                    continue;
                }

                var name = $"{route.Route.Called}{Of(wall)}";
                var holes = way.Holes.Count();
                var who = route.Route.Power ? DayRole.Electrician : DayRole.Anybody;
                if (way.OnSurface)
                {
                    steps.Add(Step($"raceway-{wall.Id}-{route.Route.Id}", DayPhase.Cables, $"Put the raceway for {name} up, {way.Run} of it, along the edges.", way.Minutes, who: who) with { Wall = wall.Id, Notes = plan.Routes(wall.Id)!.BesideSays(route) });
                    continue;
                }

                if (holes > 0)
                {
                    steps.Add(Step($"drill-{wall.Id}-{route.Route.Id}", DayPhase.Cables, $"Drill {holes} {(holes == 1 ? "hole" : "holes")} of {route.Hole:fine} for {name}.", way.Minutes * 0.7, who: who) with
                    {
                        Wall = wall.Id,
                        Readings = [.. way.Holes.Take(6).Select(h => new FieldReading($"{(h.Kind == WayMoveKind.Stud ? "stud" : h.Kind == WayMoveKind.Noggin ? "noggin" : h.Kind == WayMoveKind.TopPlate ? "top plate" : "bottom plate")}, from the left corner", h.From.X + (h.Kind == WayMoveKind.Stud ? (h.To.X - h.From.X).Half : Length.Zero)))],
                        Notes = route.Seals > 0 ? [Phrase.Of($"{route.Seals} of them through what may be a fire block: sealant ready.")] : [],
                    });
                }

                var pull = PullPlan.Of(route);
                string End(string key) => sheet.Item(key)?.Name ?? plan.Survey(wall.Id)?.Wall.Features.FirstOrDefault(f => f.Id == key)?.Name ?? key;
                var upper = pull is not null && pull.Enters == route.From ? (route.Route.From, route.Route.To) : (route.Route.To, route.Route.From);
                steps.Add(Step($"pull-{wall.Id}-{route.Route.Id}", DayPhase.Cables, $"Pull {Math.Max(1, route.Bundle.Cables.Count)} {(route.Bundle.Cables.Count > 1 ? "cables" : "cable")} for {name}, and close the holes round them.", Math.Max(8, way.Minutes * 0.3), pull is { Effort: not PullEffort.Easy } ? 2 : 1, who) with
                {
                    Wall = wall.Id,
                    Notes = pull is null ? [] : [.. pull.Says(End(upper.Item1), End(upper.Item2))],
                    Tools = ["string and weight", "rods", "listed sealant"],
                });
            }
        }

        private void Cables()
        {
            foreach (var wall in sheet.Walls)
            {
                foreach (var cable in plan.Cables(wall.Id)?.All ?? [])
                {
                    var connection = cable.Connection;
                    var network = connection.Cable?.Carries == Signal.Network;
                    steps.Add(Step($"cable-{connection.Id}", DayPhase.Cables, $"Connect {connection.Says}{(cable.Asked is { } length ? Phrase.Of($", {cable.Buys ?? length}") : string.Empty)}, with a label at both ends{(network ? ", and test it" : string.Empty)}.", network ? 12 : 4, done: network && connection.Tests.Items.Count > 0 ? plan.Findings.All(f => f.Kind != FeedFindings.WireMap || !f.Where.Part.Contains(connection.Id, StringComparison.Ordinal)) : null) with { Wall = wall.Id, Notes = cable.Tied() is { } tied ? [tied] : [] });
                }
            }
        }

        private void Closing(WallSheet wall)
        {
            var inside = plan.Routes(wall.Id)?.All.Where(r => r.Chosen is { OnSurface: false }).ToList() ?? [];
            var boxes = sheet.ThingsOn(wall).Count(i => i.Product is WallBox && plan.Placement(i.Id) is not null);
            if (inside.Count + boxes == 0)
            {
                return;
            }

            steps.Add(Step(Photo(wall.Id), DayPhase.Cables, $"Photograph what is inside{Of(wall)}: {boxes} {(boxes == 1 ? "box" : "boxes")}, {inside.Count} {(inside.Count == 1 ? "way" : "ways")}, with a tape in the picture.", 4, done: Photographed(Photo(wall.Id)) is not null) with
            {
                Wall = wall.Id,
                By = Photographed(Photo(wall.Id))?.By ?? string.Empty,
                ByPhoto = true,
                Hold = "Before the wall is closed or a plate covers a box: what is inside is on a photo.",
                Guards = [DayPhase.Close],
            });
            if (sheet.Get(Electrics.Part)!.Inspection.Trim().Length > 0)
            {
                steps.Add(Step(Inspect(wall.Id), DayPhase.Cables, $"Have what is inside inspected{Of(wall)}: {sheet.Get(Electrics.Part)!.Inspection.Trim()}.", 20) with { Wall = wall.Id, Hold = "Before the wall is closed: the inspection is on record.", Guards = [DayPhase.Close] });
            }

            var patches = inside.Sum(r => r.Patches);
            steps.Add(Step(Close(wall.Id), DayPhase.Close, patches > 0 ? Phrase.Of($"Close {patches} {(patches == 1 ? "opening" : "openings")} in the board{Of(wall)}, and put covers on.") : Phrase.Of($"Put covers on{Of(wall)}."), 5 + (20 * patches)) with { Wall = wall.Id });
        }

        private void Dress(Item mount)
        {
            if (sheet.DisplayOn(mount) is not { } display)
            {
                return;
            }

            var wall = sheet.WallOf(mount)?.Id ?? string.Empty;
            steps.Add(Step($"lock-{mount.Id}", DayPhase.Hang, $"Lock the safety screws of the {Low(mount.Name)}, and look behind for pinched cables while somebody pushes the {Low(display.Name)} home.", 5, 2) with { Wall = wall, Item = mount.Id });
            steps.Add(Step($"torque-{mount.Id}", DayPhase.Adjust, $"Level the {Low(display.Name)} to its last line, and tighten the {Low(mount.Name)} by hand.", 6) with { Wall = wall, Item = mount.Id, Tools = ["level", "hand wrench"] });
        }

        private void After(bool hung)
        {
            if (hung)
            {
                steps.Add(Step("picture", DayPhase.Adjust, "Power on: every input, network, picture and sound are tried, with the client's own remote.", 15));
            }

            steps.Add(Step("clean", DayPhase.Clear, "Clean and patch; leftover hardware in a labelled bag, feet and their screws together.", 15));
            var tools = sheet.Get(ToolOut.Part) ?? [];
            steps.Add(Step("tools", DayPhase.Clear, tools.Any(t => t.Back.Length == 0) ? Phrase.Of($"Count the tools: {string.Join(", ", tools.Where(t => t.Back.Length == 0).Select(t => t.Name))} {(tools.Count(t => t.Back.Length == 0) == 1 ? "is" : "are")} still out.") : "Count the tools back into the van.", 5));
            steps.Add(Step("show", DayPhase.HandOver, "Show the client how it is used, what may be adjusted and how far, and where the spare hardware is.", 10, who: DayRole.Lead));
            steps.Add(Step("sign", DayPhase.HandOver, "Go through the open points with the client, and have the hand-over signed.", 5, who: DayRole.Lead, done: sheet.Get(HandedOver.Part) is { By.Length: > 0 } || Ticked("sign") is not null) with { Signs = true });
        }

        // In the middle of a sentence; what is written in capitals altogether stays so.
        private static string Low(string name) => name.Length > 1 && char.IsUpper(name[0]) && char.IsLower(name[1]) ? char.ToLowerInvariant(name[0]) + name[1..] : name;

        private Phrase Of(WallSheet wall) => sheet.Walls.Count > 1 ? Phrase.Of($", {(wall.Name.Length > 0 ? wall.Name : wall.Id)}") : string.Empty;
    }
}
