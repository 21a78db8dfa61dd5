using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;
using Corrie.Web.Forms;

namespace Corrie.Web.Stages.Survey;

/// <summary>The wall: what it is made of, what stands on it, what was found behind it.</summary>
public sealed class SurveyView : StageView
{
    // What is taken in one line, or by a tap, is listed with the results.
    private static readonly HashSet<string> InResults = ["readings", "evidence", "testHoles", "photos", "scan"];

    private static readonly Dictionary<FindingKind, string> Questions = new()
    {
        [SurveyFindings.ServicesNotLookedFor] = "scan-with",
        [SurveyFindings.GasNear] = "scan-with",
        [SurveyFindings.FramingUnconfirmed] = "evidence",
        [SurveyFindings.HitTooShallow] = "evidence",
        [SurveyFindings.SingleMethod] = "evidence",
        [SurveyFindings.ScannerDisputed] = "evidence",
        [SurveyFindings.NoMemberFits] = "evidence",
        [SurveyFindings.MemberDisputed] = "evidence",
        [SurveyFindings.ToolBiased] = "evidence",
        [SurveyFindings.ReadingsDisagree] = "measure",
        [SurveyFindings.DatumUnclear] = "measure",
        [SurveyFindings.OffTheWall] = "measure",
        [SurveyFindings.SpacingBroken] = "measure",
        [SurveyFindings.LayersUnknown] = "build-up",
        [SurveyFindings.BuildUpDiffers] = "test-x",
        [SurveyFindings.HazardQuestionsOpen] = "form-survey-job",
        [SurveyFindings.OldFinish] = "form-survey-job",
        [SurveyFindings.LiveFlue] = "form-survey-job",
    };

    /// <inheritdoc/>
    public override StageId Stage => SurveyFindings.Stage;

    /// <inheritdoc/>
    /// <remarks>The hooks are set over the drawing.</remarks>
    public override IReadOnlyList<Part> Parts => [WallForm.Wall, WallForm.House];

    /// <inheritdoc/>
    /// <remarks>Looking for framing is the work of this step; what the wall is made of is said once.</remarks>
    public override string Prompt => "~/Stages/Survey/_Survey.cshtml";

    /// <inheritdoc/>
    public override bool Surveys => true;

    /// <inheritdoc/>
    public override IReadOnlyList<(string Word, string Says)> Tools(Wall wall) => Pages.Wall.IndexModel.Tools(wall.Kind == Core.Catalogue.WallKind.SteelStuds);

    /// <inheritdoc/>
    public override IReadOnlyList<DrawingLayer> Layers { get; } =
    [
        new(Drawings.Behind | Drawings.Found, Depth.Framing, Framing.Draw),
        new(Drawings.Elevations, Depth.Things, c => Features(c, before: false)),
        new(Drawings.Front, Depth.Before, c => Features(c, before: true)),
        new(Drawings.Behind | Drawings.Found, Depth.KeepOuts, Framing.Crossings),
        new(Drawings.Behind | Drawings.Found, Depth.KeepOuts, Framing.KeepOuts),
        new(Drawings.Found, Depth.Found, Dimensions.Draw),
        new(Drawings.Found, Depth.Found, Outlines),
        new(Drawings.Found, Depth.Found, EvidenceDrawing.Draw),
        new(Drawings.Found, Depth.Next, EvidenceDrawing.Probes),
        new(Drawings.Section, Depth.Ground, SectionDrawing.Draw),
        new(Drawings.Side, Depth.Ground, CutDrawing.Side),
        new(Drawings.Above, Depth.Ground, CutDrawing.Above),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Phrase> Sentences(JobPlan plan, string wall)
    {
        if (plan.Survey(wall) is not { } survey)
        {
            yield break;
        }

        foreach (var f in survey.Wall.Features)
        {
            yield return $"{FieldText.Capital(f.Name)}, {f.Left} to {f.Right} across, {f.Bottom} to {f.Top} up.";
        }

        foreach (var studs in survey.For(plan.ShownBolt(wall)).Studs.GroupBy(s => s.State).OrderByDescending(g => g.Key))
        {
            Phrase says = $"Studs that are {studs.Key.Word()}: ";
            foreach (var (stud, i) in studs.Select((s, i) => (s, i)))
            {
                says.AppendFormatted($"{(i == 0 ? string.Empty : ", ")}{stud.Centre}");
            }

            says.AppendLiteral(".");
            yield return says;
        }
    }

    /// <inheritdoc/>
    public override bool LeavesOut(Part part, Member member, Item? item) => part == WallForm.Wall && InResults.Contains(member.Name);

    /// <inheritdoc/>
    public override string? Question(FindingKind kind) => Questions.GetValueOrDefault(kind);

    /// <inheritdoc/>
    public override IEnumerable<Reading> Readings(Canvas canvas)
    {
        if (canvas.Look.Drawing == Drawings.Behind && canvas.Things.All(t => canvas.Plan.Placement(t.Id) is null))
        {
            return canvas.Studs.Select(s => new Reading(Axis.Across, s.Centre, "stud"));
        }

        if (canvas.Look.Drawing != Drawings.Found)
        {
            return [];
        }

        var features = canvas.Wall.Features;
        var probes = ProbesOf(canvas);
        return
        [
            .. features.Where(f => f.Solid && f.Kind is not FeatureKind.Other).Take(4).Select(f => new Reading(Axis.Up, f.Top, "top of the " + f.Name)),
            .. probes.Where(p => p.Axis == Axis.Up).Select(p => new Reading(Axis.Up, p.At, "next probe", "blue")),
            .. probes.Where(p => p.Axis == Axis.Across).Select(p => new Reading(Axis.Across, p.At, "next probe", "blue"))
                .Concat(features.Where(f => f.Kind is FeatureKind.Window or FeatureKind.Door or FeatureKind.Fireplace or FeatureKind.Furniture)
                    .SelectMany(f => new[] { new Reading(Axis.Across, f.Left, "left edge of the " + f.Name), new(Axis.Across, f.Right, "right edge of the " + f.Name) }))
                .Take(8),
        ];
    }

    /// <summary>The probes that a drawing shows.</summary>
    public static IReadOnlyList<Probe> ProbesOf(Canvas canvas) => canvas.Look.Advice ?? canvas.Plan.Probes(canvas.Look.Wall);

    private static void Features(Canvas canvas, bool before)
    {
        // A soundbar stands before the display; as if the board were glass, everything is a ghost anyway.
        foreach (var feature in canvas.Wall.Features.Where(f => (f.Kind == FeatureKind.Soundbar && !canvas.Behind) == before))
        {
            FeatureDrawing.Draw(canvas, feature);
        }
    }

    private static void Outlines(Canvas canvas)
    {
        foreach (var placed in canvas.Things.Select(t => canvas.Plan.Placement(t.Id)).OfType<PlacementResult>())
        {
            canvas.Frame.Rect(canvas.Svg, "outline", placed.Outer);
        }
    }
}
