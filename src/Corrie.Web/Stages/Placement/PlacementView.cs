using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;
using Corrie.Web.Forms;

namespace Corrie.Web.Stages.Placement;

/// <summary>Displays and other things where they go, and who watches.</summary>
public sealed class PlacementView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => PlacementFindings.Stage;

    /// <inheritdoc/>
    public override string? Question(FindingKind kind) => kind == PlacementFindings.NotApproved ? "approve-by" : null;

    /// <inheritdoc/>
    public override string Fold(Part part) => part == RoomLight.Part ? "Windows and lamps that a screen may mirror" : part == PlacementChoice.Read ? "What has to be read from afar" : string.Empty;

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/Placement/_Heights.cshtml";

    /// <inheritdoc/>
    public override string Results => "~/Stages/Placement/_Place.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Front, Depth.Found, c => Each(c, PlacedDrawing.Gaps)),
        new(Drawings.Front | Drawings.Behind, Depth.Hung, c => Each(c, PlacedDrawing.Draw)),
        new(Drawings.Front | Drawings.Behind, Depth.Lines, c => Each(c, PlacedDrawing.CentreLine)),
        new(Drawings.Side, Depth.Hung, SeatsDrawing.Side),
        new(Drawings.Above, Depth.Hung, c => Each(c, SeatsDrawing.Above)),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall)
    {
        foreach (var item in plan.Sheet.Wall(wall) is { } sheet ? plan.Sheet.ThingsOn(sheet) : [])
        {
            if (plan.Placement(item.Id) is not { Outer: var outer } placed)
            {
                continue;
            }

            Phrase says = $"{FieldText.Capital(item.Name)}, bottom {outer.Bottom}, centre {outer.CentreY} up and {outer.CentreX} across";
            var lines = placed.Budget;
            for (var i = 1; i < lines.Count; i++)
            {
                if (lines[i].From == outer.Bottom && !lines[i].IsGap && i > 1 && lines[i - 1].IsGap)
                {
                    says.AppendFormatted($", {lines[i - 1].Size} over the {lines[i - 2].Name}");
                }
            }

            says.AppendLiteral(".");
            yield return says;
        }
    }

    /// <inheritdoc/>
    /// <remarks>Consent is to a place as it is: it is recorded beside the place and not typed.</remarks>
    public override bool LeavesOut(Part part, Member member, Item? item) => part == PlacementChoice.Part && member.Name == "approval";

    /// <inheritdoc/>
    public override IEnumerable<Reading> Readings(Canvas canvas)
    {
        if (canvas.Shown().Thing is not { } thing || canvas.Plan.Placement(thing.Id) is not { Outer: var outer } placed)
        {
            return [];
        }

        return canvas.Look.Drawing switch
        {
            Drawings.Front => [new(Axis.Up, outer.CentreY, $"centre of the {thing.Name}", Follows: thing.Id)],
            Drawings.Side =>
            [
                new(Axis.Up, outer.Bottom, "bottom"), new(Axis.Up, outer.Top, "top"),
                .. placed.Views.Select(v => new Reading(Axis.Up, v.Viewer.Eye, "eye of the " + v.Viewer.Name)),
            ],
            Drawings.Above => [new(Axis.Across, outer.CentreX, "centre line", "blue"), new(Axis.Across, outer.Left, "left edge"), new(Axis.Across, outer.Right, "right edge")],
            _ => [],
        };
    }

    private static void Each(Canvas canvas, Action<Canvas, Item, PlacementResult> draw)
    {
        foreach (var item in canvas.Things.OrderByDescending(t => t.Kind.Layer))
        {
            if (canvas.Plan.Placement(item.Id) is { } placed)
            {
                draw(canvas, item, placed);
            }
        }
    }
}
