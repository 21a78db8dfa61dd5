using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Masonry;

/// <summary>Stone, brick and heat: the face with its joints, what a plate rests on, what is packed, what is warm.</summary>
public sealed class MasonryView : StageView
{
    /// <inheritdoc/>
    public override StageId Stage => MasonryFindings.Stage;

    /// <inheritdoc/>
    public override string Results => "~/Stages/Masonry/_Face.cshtml";

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Elevations, Depth.Ground, FaceDrawing.Units),
        new(Drawings.Front | Drawings.Found, Depth.Lines, FaceDrawing.Heat),
        new(Drawings.Behind | Drawings.Found, Depth.KeepOuts, FaceDrawing.Flues),
        new(Drawings.Behind, Depth.Plates, FaceDrawing.Rests),
        new(Drawings.Behind, Depth.Lines, FaceDrawing.Gaps),
    ];

    /// <inheritdoc/>
    public override bool ShownOn(JobPlan plan, string wall) => plan.Survey(wall)?.Wall.IsFaced() == true;

    /// <inheritdoc/>
    public override IReadOnlyList<(string Word, string Says)> Tools(Wall wall) => wall.Depth() == Length.Zero ? [] :
        [("stone", "trace a stone"), ("face-sound", "knock: sound"), ("face-hollow", "hollow"), ("face-crumbling", "crumbles"), ("face-sooty", "sooty")];

    /// <inheritdoc/>
    /// <remarks>Stones are traced, gaps and readings typed in a line.</remarks>
    public override bool LeavesOut(Part part, Member member, Item? item) => member.Name is "units" or "points" or "readings" or "knocks";

    /// <inheritdoc/>
    public override bool Asks(Part part, Wall? wall) => part != Gaps.Part && wall is not null && (part == Fire.Part ? wall.Features.Any(f => f.Kind == FeatureKind.Fireplace)
        : part == ClosedIn.Part ? wall.Features.Any(f => f.Kind == FeatureKind.ClosedOpening)
        : wall.Depth() > Length.Zero);

    /// <inheritdoc/>
    public override string Fold(Part part) => part == Fire.Part ? "The fire" : part == MasonryFace.Part ? "Courses and joints" : part == ClosedIn.Part ? "A closed opening" : part == PackingKit.Part ? "What is at hand to pack with" : string.Empty;

    /// <inheritdoc/>
    public override string? Question(FindingKind kind) =>
        kind == MasonryFindings.HeatUnknown || kind == MasonryFindings.TooHot ? "heat-line"
        : kind == MasonryFindings.GapNotPacked || kind == MasonryFindings.Rocks ? "gap-line"
        : null;

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall) => plan.Sheet.Wall(wall) is not { } sheet ? []
        : plan.Sheet.ThingsOn(sheet).SelectMany(i => plan.Face(i.Id)?.Holes ?? []).Where(h => h.Gap is not null).Select(h => MasonryStage.StackSays(plan, h));
}
