using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>Makes a job plan of a job sheet. The only place where anything is decided.</summary>
public static class Planner
{
    // Edge distance has to be reckoned with before a fastener is chosen: the usual lag screw of the trade.
    private static readonly Length UsualBolt = Length.Tape(0, 5, 16);

    /// <summary>Plans a job: pure and deterministic. A sheet that lacks something gives as much of a plan as it allows.</summary>
    public static JobPlan Plan(JobSheet sheet) => Plan(sheet, sheet.Fixing?.Fastener.Diameter ?? UsualBolt);

    /// <summary>Plans a job whose bolt is not chosen yet for a bolt of some diameter.</summary>
    public static JobPlan Plan(JobSheet sheet, Length diameter)
    {
        var findings = new List<Finding>();
        var survey = sheet.Wall is null ? null : Surveyor.Survey(sheet.Wall, diameter);
        if (survey is not null)
        {
            findings.AddRange(Surveyor.Check(survey));
            sheet = sheet with { Wall = survey.Wall };
        }

        Placed? placed = null;
        Hung? hung = null;
        Fixed? bolts = null;

        if (sheet is { Wall: { } wall, Placement: { } placement, Display: { } display })
        {
            placed = Placer.Place(wall, placement, display, sheet.Mount);
            findings.AddRange(Placer.Check(wall, placement, display, sheet.Mount, placed));
            if (sheet.Mount is { } mount)
            {
                hung = Hanger.Hang(wall, placed, display, mount, sheet.Hanging, diameter);
                findings.AddRange(Hanger.Check(wall, placement, placed, display, mount, sheet.Hanging, hung, diameter));
                if (sheet.Fixing is { } fixing)
                {
                    bolts = Fixer.Fix(wall, display, mount, hung, fixing);
                    findings.AddRange(Fixer.Check(wall, mount, fixing, hung, bolts));
                    findings.AddRange(HoleCheck.Check(survey!, [.. bolts.Bolts.Select(b => new Hole(b.Part, b.X, b.Y, b.Stud))], diameter));
                }
            }
        }

        var datums = sheet.Wall is null ? [] : Datum.Of(sheet.Wall);
        List<Finding> sorted = [.. findings.OrderBy(f => f.Severity).ThenBy(f => StepOf(f)).ThenBy(f => f.Code, StringComparer.Ordinal).ThenBy(f => f.Where.Part, StringComparer.Ordinal)];
        return new(
            sheet,
            datums,
            datums.FirstOrDefault(d => d.Id == sheet.SetOut.Across && d.Axis == Axis.Across) ?? datums.FirstOrDefault(d => d.Id == Datum.LeftCorner),
            datums.FirstOrDefault(d => d.Id == sheet.SetOut.Up && d.Axis == Axis.Up) ?? datums.FirstOrDefault(d => d.Id == Datum.Floor),
            placed,
            hung,
            bolts,
            SetOut.Marks(sheet, placed, hung, bolts),
            sorted,
            StepsOf(sheet, placed, hung, bolts, sorted))
        {
            Survey = survey,
            ProbesFrom = () => survey is null ? [] : [.. Probing.Confirm(survey, Needed(survey, placed, hung), hung?.HookLine, diameter), .. Probing.Clear(survey)],
        };
    }

    /// <summary>The step that a finding belongs to, by the first word of its code.</summary>
    public static Step StepOf(Finding finding) => finding.Code[..finding.Code.IndexOf('.')] switch
    {
        "survey" => Step.Survey,
        "place" => Step.Place,
        "hang" => Step.Hang,
        _ => Step.Fix,
    };

    // The studs that the plate's bolts go into; before there is a plate, those behind the display; before that, all.
    private static IEnumerable<string> Needed(Surveyed survey, Placed? placed, Hung? hung) =>
        hung is { Position.Bolts.Count: > 0 } ? hung.Position.Bolts.Select(b => b.Stud.Id)
        : survey.Wall.Studs.Where(s => placed is null || (s.Centre > placed.Outer.Left && s.Centre < placed.Outer.Right)).Select(s => s.Id);

    private static IReadOnlyList<StepStatus> StepsOf(JobSheet sheet, Placed? placed, Hung? hung, Fixed? bolts, List<Finding> findings)
    {
        StepStatus Status(Step step, bool touched, Phrase? needs, Phrase says)
        {
            var stops = findings.Count(f => StepOf(f) == step && f.Stops);
            var state = !touched ? StepState.Untouched : needs is not null ? StepState.Open : stops > 0 ? StepState.Stopped : StepState.Clear;
            return new(step, state, needs ?? says, stops, findings.Count(f => StepOf(f) == step && f.Severity == Severity.Caution));
        }

        var wall = sheet.Wall;
        var framed = wall is { Kind: not WallKind.Masonry };
        var studs = wall?.Studs.Count ?? 0;
        return
        [
            Status(
                Step.Survey,
                wall is not null,
                wall is null ? "width and height of the wall" : framed && studs == 0 ? "the studs" : wall.Layers.Count == 0 ? "the wall's build-up" : null,
                framed ? Phrase.Of($"{studs} studs, {wall!.Studs.Count(s => s.State == StudState.Confirmed)} confirmed") : Phrase.Of("masonry")),
            Status(
                Step.Place,
                sheet.Placement is not null || sheet.Display is not null,
                sheet.Display is null ? "a display" : sheet.Placement is null ? "a height" : placed is null ? "the wall" : null,
                placed is null ? Phrase.Of(string.Empty) : Phrase.Of($"bottom {placed.Outer.Bottom}, centre {placed.Outer.CentreY}")),
            Status(
                Step.Hang,
                sheet.Mount is not null,
                sheet.Mount is null ? "a mount" : hung is null ? "a display and its place" : null,
                hung is null ? Phrase.Of(string.Empty) : Phrase.Of($"hook line {hung.HookLine}")),
            Status(
                Step.Fix,
                sheet.Fixing is not null,
                sheet.Fixing is null ? "a bolt" : bolts is null ? "a mount and its place"
                    : bolts.Bolts.Count == 0 && framed ? "studs that the plate can reach" : null,
                bolts is null ? Phrase.Of(string.Empty)
                    : bolts.Bolts.Max(b => b.Utilisation) is { } most ? Phrase.Of($"{bolts.Bolts.Count} bolts, {100 * most:0} % of their pull")
                    : Phrase.Of($"{bolts.Bolts.Count} bolts")),
        ];
    }
}
