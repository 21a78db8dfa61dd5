using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Hanging;

/// <summary>The plates, and how the displays hang on them.</summary>
public sealed class HangingView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => HangingFindings.Stage;

    /// <inheritdoc/>
    /// <remarks>The bolt is asked for with what holds the plate.</remarks>
    public override IReadOnlyList<Part> Parts => [HangingChoice.Part, Support.Part, HangingChoice.Screws];

    /// <inheritdoc/>
    /// <remarks>The planner takes them from the kit, as a rule.</remarks>
    public override string Fold(Part part) => part == HangingChoice.Screws ? "Screws into the display, taken by hand"
        : part == Support.Part ? "Board, blocking, toggles, holes drilled into the plate" : string.Empty;

    /// <inheritdoc/>
    /// <remarks>What is entered already is asked of every mount, so that it can be taken away.</remarks>
    public override bool LeavesOut(Part part, Member member, Item? item) => part == HangingChoice.Part && item is { Product: Mount mount } && item.Get(HangingChoice.Part) is { } choice && member.Name switch
    {
        "turn" or "turnSide" => mount.Sort != MountKind.Articulating && choice.Turn is null,
        "measuredSpread" => mount.Spread is null && choice.MeasuredSpread is null,
        _ => false,
    };

    /// <inheritdoc/>
    public override string Prompt => "~/Stages/Hanging/_Mounts.cshtml";

    /// <inheritdoc/>
    public override string Results => "~/Stages/Hanging/_Hang.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Behind, Depth.Plates, c => Each(c, PlateDrawing.Draw)),
        new(Drawings.Side, Depth.Framing, PlateDrawing.Side),
        new(Drawings.Above, Depth.Framing, c => Each(c, PlateDrawing.Above)),
        new(Drawings.Above, Depth.Lines, c => Each(c, MotionDrawing.Above)),
        new(Drawings.Side, Depth.Lines, MotionDrawing.Side),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall) => plan.Sheet.Wall(wall) is not { } sheet ? []
        : plan.Sheet.ThingsOn(sheet).Where(i => plan.Layout(i.Id) is not null).Select(i =>
            Phrase.Of($"{i.Name}, hook line {plan.Layout(i.Id)!.HookLine}, plate centre {plan.Layout(i.Id)!.Position.Plate} across."));

    /// <inheritdoc/>
    public override IEnumerable<Reading> Readings(Canvas canvas)
    {
        if (canvas.Shown().Mount is not { } mount || canvas.Plan.Layout(mount.Id) is not { } layout)
        {
            return [];
        }

        return canvas.Look.Drawing switch
        {
            Drawings.Side => [new(Axis.Up, layout.HookLine, "hook line", "blue")],
            Drawings.Above => [new(Axis.Across, layout.Position.Plate, "plate centre", "blue")],
            _ => [],
        };
    }

    private static void Each(Canvas canvas, Action<Canvas, Item, PlateLayout> draw)
    {
        foreach (var item in canvas.Things)
        {
            if (canvas.Plan.Layout(item.Id) is { } layout)
            {
                draw(canvas, item, layout);
            }
        }
    }
}
