using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>The wall: what it is made of, what is on it, where its framing is.</summary>
public sealed class SurveyStage : IEarlyStage
{
    /// <summary>A wall as surveyed.</summary>
    internal static readonly Result<Surveyed> Walls = new("survey");

    /// <summary>A wall's tapes.</summary>
    internal static readonly Result<WallTapes> Tapes = new("tapes");

    /// <summary>The thickest bolt that is to hold in a wall's members; the stage that chooses bolts says so.</summary>
    internal static readonly Result<ThickestBolt> Bolt = new("thickest bolt");

    /// <inheritdoc/>
    public StageId Id => SurveyFindings.Stage;

    /// <inheritdoc/>
    public WorkStep Step => WorkStep.Survey;

    /// <inheritdoc/>
    public IReadOnlyList<Part> Parts { get; } = [WallForm.Wall, WallForm.SetOut, WallForm.House, SquaredChoice.Part];

    /// <inheritdoc/>
    public IReadOnlyList<FindingKind> Kinds => SurveyFindings.All;

    /// <inheritdoc/>
    public void Plan(PlanBuilder plan)
    {
        var site = plan.Sheet.House();
        foreach (var sheet in plan.Sheet.Walls)
        {
            if (sheet.Get(WallForm.Wall) is not { } wall)
            {
                continue;
            }

            var surveyed = plan.Work(Walls, sheet.Id, sheet.Id, (Wall: wall, Site: site, plan.Sheet.Policy), static (work, input) =>
            {
                var surveyed = Surveyor.Survey(input.Wall, work.Budget);
                work.Add(Surveyor.Check(surveyed, input.Site, input.Policy.UsualBolt));
                foreach (var f in surveyed.Wall.Features)
                {
                    if (f.Role is { } role)
                    {
                        // What has no depth on the sheet may reach out as far as anything does.
                        work.Add(new Body("features/" + f.Id, f.Name, role, f.Outline, Length.Zero, f.Depth > Length.Zero ? f.Depth : Body.Unknown));
                    }
                }

                return surveyed;
            })!;
            plan.Work(Tapes, sheet.Id, sheet.Id, (surveyed.Wall, Choice: sheet.Get(WallForm.SetOut)!), static (_, input) => WallTapes.Of(input.Wall, input.Choice));
        }
    }

    /// <inheritdoc/>
    /// <remarks>What is needed before any hole is drilled is said from the start, and not only once somebody has chosen a bolt.</remarks>
    public StageReport Report(IHungResults plan, WallSheet? wall)
    {
        if (wall is null || plan.Survey(wall.Id) is not { } surveyed)
        {
            return wall is null ? StageReport.Untouched("a wall") : StageReport.Untouched("width and height of the wall");
        }

        var measured = surveyed.Wall;
        var framed = measured.Kind.Framed();
        var studs = surveyed.For(plan.Sheet.Policy.UsualBolt).Studs;
        var confirmed = studs.Count(s => s.State == StudState.Confirmed);
        Phrase? needs = framed && studs.Count == 0 ? "the studs"
            : measured.Layers.Count == 0 ? "the wall's build-up"
            : measured.Scan is null ? "a search for cables, pipes and gas"
            : framed && confirmed == 0 ? Phrase.Of($"{studs.Count} {(studs.Count == 1 ? "stud" : "studs")}, none confirmed yet")
            : FramingCheck.OpenQuestions(measured, plan.Sheet.House()) is { Count: > 0 } open ? Phrase.Of($"an answer: {open[0].Words}?")
            : measured.Layers.FirstOrDefault(l => !l.Confirmed) is { } unseen ? Phrase.Of($"a look at the {unseen.Name}")
            : null;
        return needs is not null ? StageReport.Open(needs)
            : StageReport.Clear(framed ? Phrase.Of($"{studs.Count} {(studs.Count == 1 ? "stud" : "studs")}, {confirmed} confirmed") : Phrase.Of($"{measured.Kind.Words()}"));
    }

    /// <inheritdoc/>
    public void Write(IHungResults plan, PlanWriter file)
    {
        foreach (var wall in plan.Sheet.Walls)
        {
            if (plan.Survey(wall.Id) is not { } surveyed || plan.Tapes(wall.Id) is not { } tapes)
            {
                continue;
            }

            var json = file.Wall(wall.Id);
            json["name"] = wall.Name;
            json["datums"] = PlanWriter.All(tapes.Datums, d => new JsonObject
            {
                ["id"] = d.Id,
                ["name"] = d.Name,
                ["axis"] = d.Axis.Word(),
                ["at"] = file.Exact(d.At),
            });
            json["readFrom"] = new JsonArray(tapes.Across.Id, tapes.Up.Id);
            if (surveyed.Wall.Readings.Count + surveyed.Wall.Evidence.Count > 0)
            {
                json["survey"] = Survey(surveyed, plan.ShownBolt(wall.Id), plan.Sheet.Policy, file);
            }
        }
    }

    private static JsonObject Survey(Surveyed survey, Length bolt, Policy policy, PlanWriter file)
    {
        var map = survey.For(bolt).Map;
        return new()
        {
            ["bolt"] = file.Exact(bolt),
            ["members"] = PlanWriter.All(map.Members, m => new JsonObject
            {
                ["id"] = m.Id,
                ["axis"] = m.Axis.Word(),
                ["centre"] = file.Exact(m.Centre),
                ["width"] = file.Exact(m.Width),
                ["uncertainty"] = file.Exact(m.Uncertainty),
                ["state"] = m.State.Word(),
                ["plies"] = m.Plies,
                ["presence"] = PlanWriter.Number(m.Presence, 4),
                ["carried"] = m.Carried,
                ["methods"] = PlanWriter.All(m.Methods, x => JsonValue.Create(x.Word())),
                ["evidence"] = PlanWriter.All(m.Soundings, s => JsonValue.Create(s.Evidence.Id)),
            }),
            ["falseReadings"] = PlanWriter.All(map.False, f => JsonValue.Create(f.Evidence.Id)),
            ["contradictions"] = PlanWriter.All(map.Contradictions, c => new JsonArray(c.Left.Evidence.Id, c.Miss.Evidence.Id, c.Right.Evidence.Id)),
            ["noMemberFits"] = PlanWriter.All(map.Unfit, u => new JsonArray(u.First.Evidence.Id, u.Last.Evidence.Id)),
            ["expected"] = PlanWriter.All(map.Expected, x => JsonValue.Create(file.Exact(x))),
            ["keepOuts"] = PlanWriter.All(survey.KeepOuts(policy), k => new JsonObject
            {
                ["of"] = k.Id,
                ["left"] = file.Exact(k.Area.Left),
                ["right"] = file.Exact(k.Area.Right),
                ["bottom"] = file.Exact(k.Area.Bottom),
                ["top"] = file.Exact(k.Area.Top),
            }),
            ["points"] = PlanWriter.All(survey.Across.Points.Concat(survey.Up.Points).OrderBy(p => p.Key, StringComparer.Ordinal), p => new JsonObject
            {
                ["point"] = p.Key,
                ["at"] = file.Exact(p.Value.Position),
                ["deviation"] = file.Exact(p.Value.Deviation),
            }),
            ["loose"] = PlanWriter.All(survey.Across.Loose.Concat(survey.Up.Loose), p => JsonValue.Create(p)),
            ["readings"] = PlanWriter.All(survey.Across.Readings.Concat(survey.Up.Readings), r => new JsonObject
            {
                ["id"] = r.Reading.Id,
                ["from"] = r.Reading.From,
                ["to"] = r.Reading.To,
                ["value"] = file.Exact(r.Reading.Value),
                ["by"] = r.Reading.By,
                ["residual"] = file.Exact(r.Residual),
                ["redundancy"] = PlanWriter.Number(r.Share, 4),
                ["normalised"] = PlanWriter.Number(r.Normalised, 3),
            }),
        };
    }
}

/// <summary>What the survey has made of a job.</summary>
public static class SurveyResults
{
    /// <summary>What is known of the house.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <returns>The answers; open ones are null.</returns>
    public static SiteFacts House(this JobSheet sheet) => sheet.Get(WallForm.House) ?? SiteFacts.Open;

    /// <summary>A wall as surveyed.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The survey; null as long as the wall has no size.</returns>
    public static Surveyed? Survey(this IResults plan, string wall) => plan.Get(SurveyStage.Walls, wall);

    /// <summary>A wall's tapes.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>The tapes; null as long as the wall has no size.</returns>
    public static WallTapes? Tapes(this IResults plan, string wall) => plan.Get(SurveyStage.Tapes, wall);

    /// <summary>The bolt that a wall's members are shown for: the thickest that is chosen on it, or the usual one.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <returns>Its shank diameter.</returns>
    public static Length ShownBolt(this IResults plan, string wall) => plan.Get(SurveyStage.Bolt, wall)?.Diameter ?? plan.Sheet.Policy.UsualBolt;
}

/// <summary>The thickest bolt that is to hold in a wall's members.</summary>
/// <param name="Diameter">Shank diameter.</param>
internal sealed record ThickestBolt(Length Diameter);
