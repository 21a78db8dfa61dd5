using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;
using Corrie.Web.Forms;
using Corrie.Web.Jobs;

namespace Corrie.Web.Stages.Feeds;

/// <summary>Power, boxes and cables: where boxes may go, which way cables take, what is drilled for them.</summary>
public sealed class FeedView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => FeedFindings.Stage;

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/Feeds/_Begin.cshtml";

    /// <inheritdoc/>
    public override string Results => "~/Stages/Feeds/_Ways.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Behind, Depth.Plates, FeedDrawing.Windows),
        new(Drawings.Behind, Depth.Bolts, FeedDrawing.Inside),
        new(Drawings.Behind, Depth.Plates, FeedDrawing.Hidden),
        new(Drawings.Front | Drawings.Behind, Depth.Framing, FeedDrawing.Surface),
        new(Drawings.Front | Drawings.Behind, Depth.Lines, FeedDrawing.SurfaceNames),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall) => (plan.Routes(wall)?.All ?? []).Select(r => FeedWords.Says(plan, wall, r));

    /// <inheritdoc/>
    public override string Fold(Part part) => part == WallFeeds.Part ? "The wall, for cables" : part == CableRoute.Part ? "Ways" : part == Connection.Part ? "What plugs into what" : part == Electrics.Part ? "Mains: code, circuits, isolation" : part == BoxWires.Part ? "Wires in the box" : string.Empty;

    /// <inheritdoc/>
    public override string? Question(FindingKind kind) =>
        kind == FeedFindings.LocalRule || kind == FeedFindings.NotIsolated || kind == FeedFindings.CircuitLoad || kind == FeedFindings.VoltageDrop || kind == FeedFindings.NoSourceOutlet ? "form-feed-job"
        : kind == FeedFindings.FireRated || kind == FeedFindings.DeviceBehind || kind == FeedFindings.BuriedJunction ? "form-feed-wall"
        : null;
}

/// <summary>Ways in words.</summary>
public static class FeedWords
{
    /// <summary>A way in a sentence.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="route">The way.</param>
    public static Phrase Says(JobPlan plan, string wall, RoutePlan route) => route.Chosen is { } way
        ? Phrase.Of($"{FieldText.Capital(route.Route.Called)} from the {End(plan, wall, route.Route.From)} to the {End(plan, wall, route.Route.To)}: {Moves(way)}.")
        : Phrase.Of($"{FieldText.Capital(route.Route.Called)} has no way yet.");

    /// <summary>What is at an end of a way.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="end">Key of a box or of what is on the wall.</param>
    public static string End(JobPlan plan, string wall, string end) =>
        plan.Sheet.Item(end) is { } item ? FieldText.Uncapital(item.Name) : plan.Survey(wall)?.Wall.Features.FirstOrDefault(f => f.Id == end)?.Name ?? (end.Length == 0 ? "end that is not said" : end);

    /// <summary>How long a way takes.</summary>
    /// <param name="way">The way.</param>
    public static string Hours(Way way) => Words.Hours(way.Minutes);

    /// <summary>What a submit sends to have another way taken.</summary>
    /// <param name="route">What the way is for.</param>
    /// <param name="taken">Which way.</param>
    public static string Taken(RoutePlan route, WayTaken taken) => Pages.Wall.IndexModel.Sent(route.Route.Here.Set("taken", (System.Text.Json.Nodes.JsonNode?)taken.Word()));

    /// <summary>What is drilled for a way, in short.</summary>
    /// <param name="hole">The move that drills it.</param>
    public static string Drilled(WayMove hole) => hole.Kind switch { WayMoveKind.Stud => "stud", WayMoveKind.Noggin => "noggin", WayMoveKind.TopPlate => "top plate", _ => "bottom plate" };

    /// <summary>The moves of a way, from end to end.</summary>
    /// <param name="way">The way.</param>
    public static Phrase Moves(Way way)
    {
        Phrase says = $"{string.Empty}";
        var first = true;
        foreach (var move in way.Moves.Where(m => m.Drills || m.Run > Length.Tape(0, 1, 2)))
        {
            says.AppendFormatted($"{(first ? string.Empty : ", ")}{Of(move)}");
            first = false;
        }

        return first ? Phrase.Of($"straight on") : says;
    }

    private static Phrase Of(WayMove move) => move.Kind switch
    {
        WayMoveKind.AlongBay when move.From.X != move.To.X => Phrase.Of($"{move.Run} across the bay"),
        WayMoveKind.AlongBay => Phrase.Of($"{(move.To.Y > move.From.Y ? "up" : "down")} the bay to {move.To.Y}"),
        WayMoveKind.Noggin => Phrase.Of($"through the noggin at {move.From.Y}"),
        WayMoveKind.Stud => Phrase.Of($"through the stud at {move.From.Y} up"),
        WayMoveKind.TopPlate => Phrase.Of($"{(move.To.Y > move.From.Y ? "up through" : "down through")} the top plate at {move.From.X} across"),
        WayMoveKind.BottomPlate => Phrase.Of($"{(move.To.Y < move.From.Y ? "down through" : "up through")} the bottom plate at {move.From.X} across"),
        WayMoveKind.Attic => Phrase.Of($"{move.Run} along the attic"),
        WayMoveKind.Basement => Phrase.Of($"{move.Run} along the basement"),
        _ => Phrase.Of($"{(move.From.X == move.To.X ? move.To.Y > move.From.Y ? "up" : "down" : move.To.X > move.From.X ? "right" : "left")} {move.Run} of raceway"),
    };
}
