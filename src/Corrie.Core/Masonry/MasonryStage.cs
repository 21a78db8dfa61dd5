using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>Stone, brick and heat: sound holes, plates that lie flat, displays that stay cool. Before fixing, since packing decides the bolts' lengths.</summary>
public sealed class MasonryStage : ILateStage
{
    /// <summary>What the face makes of a plate.</summary>
    internal static readonly Result<FaceResult> Result = new("face");

    private static readonly Result<Said> OfWalls = new("stone and heat");
    private static readonly Result<Said> OfDisplays = new("heat");

    /// <inheritdoc/>
    public StageId Id => MasonryFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Fix;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [Fire.Part, MasonryFace.Part, ClosedIn.Part, Gaps.Part, PackingKit.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => MasonryFindings.All;

    /// <inheritdoc/>
    public void Plan(HungPlan plan)
    {
        var sheet = plan.Sheet;
        var kit = sheet.Get(PackingKit.Part) ?? new PackingKit(new([]), null);
        foreach (var wall in sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed || !surveyed.Wall.IsFaced())
            {
                continue;
            }

            var (fire, face, closed) = (wall.Get(Fire.Part), wall.Facework(), wall.Get(ClosedIn.Part));
            var boards = new List<(string Name, string Part, Rect Outline, Length Depth)>();
            foreach (var item in sheet.ThingsOn(wall))
            {
                if (item.Product is Display display && plan.Placement(item.Id) is { } placed && item.Get(PlacementChoice.Part) is { } choice)
                {
                    var holder = sheet.On(item) is { Kind: var kind } on && kind == Mount.Kind ? on : null;
                    var down = holder is null || plan.Layout(holder.Id)?.Motion is not { } motion ? Length.Zero : motion.Way.Items.Select(p => p.Down).Append(Length.Zero).Max();
                    plan.Work(OfDisplays, item.Id, wall.Id, (surveyed.Wall, Fire: fire, Warm: new Warm(item.Name, placed.Outer, placed.Outer.Bottom - down, display.Depth + ((holder?.Hardware()?.DepthParked) ?? Length.Zero), display.Warmest, choice)), static (work, input) =>
                    {
                        var (name, outer, lowest, depth, limit, choice) = input.Warm;
                        var warm = new WarmDisplay(name, outer, lowest, depth, limit, bottom => choice.BottomAt(bottom, outer.Height));
                        work.Add(HeatCheck.Display(input.Wall, input.Fire, warm));
                        work.Add(HeatCheck.Beside(input.Wall, input.Fire, warm));
                        return new Said();
                    });
                }

                if (item.Hardware() is not { } mount || plan.Layout(item.Id) is not { } layout)
                {
                    continue;
                }

                if (layout.Backing is { Kind: BackingKind.Board } backing)
                {
                    boards.Add(("board that carries the plate", $"backing/{item.Id}", backing.Outline, backing.Thickness));
                }

                var hung = sheet.DisplayOn(item);
                var input = new Facing(
                    surveyed, face, closed, mount, plan.BoltOf(item), layout, item.Get(Gaps.Part), kit, hung is not null && plan.Placement(hung.Id) is { } where ? where.Outer : null, hung?.Get(PlacementChoice.Part), item.Get(HangingChoice.Part)!,
                    item.Get(Built.Part)?.Done.Any(d => d.Id == DustStep) == true, sheet.Policy.UsualBolt);
                plan.Work(Result, item.Id, wall.Id, input, static (work, input) =>
                {
                    var (result, findings) = FaceCheck.Of(input, work.Budget);
                    work.Add(findings);
                    return result;
                });
            }

            plan.Work(OfWalls, wall.Id, wall.Id, (surveyed.Wall, Fire: fire, Face: face, Boards: new Same<(string Name, string Part, Rect Outline, Length Depth)>(boards)), static (work, input) =>
            {
                work.Add(HeatCheck.OfWall(input.Wall, input.Fire, input.Boards.Items));
                work.Add(FaceCheck.Sounds(input.Wall, input.Face));
                return new Said();
            });
        }
    }

    /// <summary>The step on site after which the dust of stone harms nobody.</summary>
    public const string DustStep = "dust";

    /// <inheritdoc/>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        if (wall is null || plan.Survey(wall.Id) is not { } surveyed || !surveyed.Wall.IsFaced())
        {
            return StageReport.NotNeeded;
        }

        var faces = plan.Sheet.ThingsOn(wall).Select(i => plan.Face(i.Id)).OfType<FaceResult>().ToList();
        var fire = surveyed.Wall.Features.FirstOrDefault(f => f.Kind == FeatureKind.Fireplace);
        var open = fire is null ? [] : (wall.Get(Fire.Part) ?? new Fire(null, null, null, null, string.Empty, null, new([]), wall.Here)).Open().ToList();
        if (open.Count > 0)
        {
            return StageReport.Open(Phrase.Of($"an answer about the {fire!.Name}: {open[0]}"));
        }

        if (surveyed.Wall.Depth() == Length.Zero)
        {
            var closed = surveyed.Wall.Features.FirstOrDefault(f => f.Kind == FeatureKind.ClosedOpening);
            return fire is not null ? StageReport.Clear(Phrase.Of($"the {fire.Name} is known"))
                : closed is null ? StageReport.NotNeeded
                : wall.Get(ClosedIn.Part) is { By.Length: > 0 } looked ? StageReport.Clear(Phrase.Of($"{closed.Name}, looked into by {looked.By}"))
                : StageReport.NotBegun(Phrase.Of($"a look into the {closed.Name}"));
        }

        return faces.Count == 0 ? StageReport.NotBegun("a plate on the stone")
            : StageReport.Clear(faces.All(f => f.Packed) ? Phrase.Of($"{faces.Sum(f => f.Holes.Count)} holes, packed") : Phrase.Of($"{faces.Sum(f => f.Holes.Count)} holes"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var item in plan.Sheet.Items)
        {
            if (plan.Face(item.Id) is not { } face)
            {
                continue;
            }

            file.Item(item.Id)["face"] = new JsonObject
            {
                ["edge"] = file.Exact(face.Edge),
                ["shift"] = face.Shift is { } shift ? new JsonObject { ["right"] = file.Exact(shift.Right), ["up"] = file.Exact(shift.Up) } : null,
                ["touches"] = face.Resting is { } resting ? PlanWriter.All(resting.Contacts, c => JsonValue.Create(resting.Points[c].Id)) : null,
                ["holes"] = PlanWriter.All(face.Holes, h => new JsonObject
                {
                    ["number"] = h.Number,
                    ["gap"] = h.Gap is { } gap ? file.Exact(gap) : null,
                    ["rocks"] = h.Rocks,
                    ["inJoint"] = h.InJoint,
                    ["stack"] = h.Stack is not { } stack ? null : new JsonObject
                    {
                        ["pieces"] = PlanWriter.All(PiecesOf(plan, stack), p => new JsonObject { ["name"] = p.Piece.Name, ["thickness"] = file.Exact(p.Piece.Thickness), ["count"] = p.Count }),
                        ["block"] = stack.Block is { } block ? file.Exact(block) : null,
                        ["washerPressedTo"] = stack.Soft is { } soft ? file.Exact(soft) : null,
                        ["fits"] = stack.Fits,
                    },
                }),
                ["blocking"] = PlanWriter.All(face.Blocking, b => new JsonObject
                {
                    ["length"] = file.Exact(b.Length),
                    ["height"] = file.Exact(b.Height),
                    ["thickness"] = file.Exact(b.Thickness),
                    ["corner"] = file.Exact(b.Corner),
                }),
            };
        }
    }

    /// <summary>The pieces of a stack, by name.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="stack">The stack.</param>
    /// <returns>What it is made of, stiff pieces alone.</returns>
    public static IEnumerable<(PackPiece Piece, int Count)> PiecesOf(IHungResults plan, PackStack stack) =>
        (plan.Sheet.Get(PackingKit.Part)?.Pieces.Items ?? []).Select((p, i) => (Piece: p, Count: i < stack.Pieces.Count ? stack.Pieces[i] : 0)).Where(p => p.Count > 0);

    /// <summary>What is put behind the plate at a hole, soft piece next to the stone.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="hole">The hole, whose gap was measured.</param>
    /// <returns>Such as <c>Hole 2, gap 7/16 in: compression washer against the stone, 2 x steel washer 1/8 in</c>.</returns>
    public static Phrase StackSays(IHungResults plan, FaceHole hole)
    {
        Phrase says = $"Hole {hole.Number}, gap {hole.Gap!.Value:fine}: ";
        if (hole.Stack is not { } stack)
        {
            return Phrase.Of($"{says}nothing to pack with is entered");
        }

        if (stack.Touches)
        {
            return Phrase.Of($"{says}touches, nothing");
        }

        if (stack.Soft is { } pressed)
        {
            says.AppendFormatted($"{plan.Sheet.Get(PackingKit.Part)?.Soft?.Name ?? "compression washer"} against the stone, pressed to {pressed:fine}");
        }

        foreach (var (piece, count) in PiecesOf(plan, stack))
        {
            says.AppendFormatted($", {count} x {piece.Name} {piece.Thickness:fine}");
        }

        if (stack.Block is { } block)
        {
            says.AppendFormatted($", a solid block of {block:fine}");
        }

        return stack.Fits ? says : Phrase.Of($"{says}: does not fit, {stack.Off.Abs:fine} {(stack.Off > Length.Zero ? "too thick" : "short")}");
    }

    private sealed record Warm(string Name, Rect Outer, Length Lowest, Length Depth, Temperature? Limit, PlacementChoice Choice);

    private sealed record Said;
}

/// <summary>All that a plate on a face follows from.</summary>
/// <param name="Survey">The wall as surveyed.</param>
/// <param name="Face">What is known of its units.</param>
/// <param name="Closed">What is known of its closed opening; null where nothing is.</param>
/// <param name="Mount">The mount.</param>
/// <param name="Fastener">What it is bolted with; null until something is chosen.</param>
/// <param name="Layout">Where the plate goes.</param>
/// <param name="Gaps">Gaps behind it; null where nobody has measured.</param>
/// <param name="Kit">What is at hand to pack with.</param>
/// <param name="Outer">Where the display goes; null where none hangs on it.</param>
/// <param name="Placing">How that is placed.</param>
/// <param name="Hanging">How it hangs.</param>
/// <param name="DustDone">Whether the step with extraction and breathing protection is done.</param>
/// <param name="UsualBolt">Diameter that is planned with as long as nothing is chosen.</param>
internal sealed record Facing(
    Surveyed Survey, MasonryFace Face, ClosedIn? Closed, Mount Mount, Fastener? Fastener, PlateLayout Layout, Gaps? Gaps, PackingKit Kit, Rect? Outer, PlacementChoice? Placing, HangingChoice Hanging, bool DustDone, Length UsualBolt)
{
    /// <summary>The wall, its readings worked in.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>Diameter of the bolts.</summary>
    public Length Bolt => Fastener?.Diameter ?? UsualBolt;

    /// <summary>Diameter of the holes in the face.</summary>
    public Length Hole => Fastener is { Hole.Units: > 0 } fastener ? fastener.Hole : Bolt;
}
