using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs.Format;

/// <summary>A plan as JSON: marks with readings per datum, bolts, findings, numbers. Lengths are exact text with their unit.</summary>
public static class PlanFile
{
    /// <summary>The plan as a JSON object.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="style">How lengths inside sentences are shown; other lengths are exact, in the style's units.</param>
    public static JsonObject Write(JobPlan plan, LengthStyle style)
    {
        string Exact(Length length) => LengthText.Exact(length, style.System);
        JsonObject Rectangle(Box box) => new()
        {
            ["left"] = Exact(box.Left),
            ["bottom"] = Exact(box.Bottom),
            ["width"] = Exact(box.Width),
            ["height"] = Exact(box.Height),
        };
        JsonArray All<T>(IEnumerable<T> items, Func<T, JsonNode> write) => [.. items.Select(write)];

        var json = new JsonObject
        {
            ["format"] = "corrie-plan/1",
            ["job"] = new JsonObject { ["number"] = plan.Sheet.Head.Number, ["title"] = plan.Sheet.Head.Title },
            ["steps"] = All(plan.Steps, s => new JsonObject
            {
                ["step"] = s.Step.Word(),
                ["state"] = s.State.Word(),
                ["says"] = s.Says.Say(style),
                ["stops"] = s.Stops,
                ["cautions"] = s.Cautions,
            }),
            ["datums"] = All(plan.Datums, d => new JsonObject
            {
                ["id"] = d.Id,
                ["name"] = d.Name,
                ["axis"] = d.Axis.Word(),
                ["at"] = Exact(d.At),
            }),
            ["marks"] = All(plan.Marks, m => MarkOf(plan, m, style, Exact)),
        };
        if (plan.Survey is { } survey && survey.Wall.Readings.Count + survey.Wall.Evidence.Count > 0)
        {
            json["survey"] = new JsonObject
            {
                ["members"] = All(survey.Framing.Members, m => new JsonObject
                {
                    ["id"] = m.Id,
                    ["axis"] = m.Axis.Word(),
                    ["centre"] = Exact(m.Centre),
                    ["width"] = Exact(m.Width),
                    ["uncertainty"] = Exact(m.Uncertainty),
                    ["state"] = m.State.Word(),
                    ["plies"] = m.Plies,
                    ["presence"] = Math.Round(m.Presence, 4),
                    ["carried"] = m.Carried,
                    ["methods"] = All(m.Methods, x => JsonValue.Create(x.Word())),
                    ["evidence"] = All(m.Soundings, s => JsonValue.Create(s.Evidence.Id)),
                }),
                ["falseReadings"] = All(survey.Framing.False, f => JsonValue.Create(f.Evidence.Id)),
                ["contradictions"] = All(survey.Framing.Contradictions, c => new JsonArray(c.Left.Evidence.Id, c.Miss.Evidence.Id, c.Right.Evidence.Id)),
                ["noMemberFits"] = All(survey.Framing.Unfit, u => new JsonArray(u.First.Evidence.Id, u.Last.Evidence.Id)),
                ["expected"] = All(survey.Framing.Expected, x => JsonValue.Create(Exact(x))),
                ["keepOuts"] = All(HoleCheck.KeepOuts(survey), k => new JsonObject
                {
                    ["of"] = k.Id,
                    ["left"] = Exact(k.Left),
                    ["right"] = Exact(k.Right),
                    ["bottom"] = Exact(k.Bottom),
                    ["top"] = Exact(k.Top),
                }),
                ["points"] = All(survey.Across.Points.Concat(survey.Up.Points).OrderBy(p => p.Key, StringComparer.Ordinal), p => new JsonObject
                {
                    ["point"] = p.Key,
                    ["at"] = Exact(p.Value.Position),
                    ["deviation"] = Exact(p.Value.Deviation),
                }),
                ["loose"] = All(survey.Across.Loose.Concat(survey.Up.Loose), p => JsonValue.Create(p)),
                ["readings"] = All(survey.Across.Readings.Concat(survey.Up.Readings), r => new JsonObject
                {
                    ["id"] = r.Reading.Id,
                    ["from"] = r.Reading.From,
                    ["to"] = r.Reading.To,
                    ["value"] = Exact(r.Reading.Value),
                    ["by"] = r.Reading.By,
                    ["residual"] = Exact(r.Residual),
                    ["redundancy"] = Math.Round(r.Share, 4),
                    ["normalised"] = Math.Round(r.Normalised, 3),
                }),
            };
        }

        json["probes"] = All(plan.Probes, p => new JsonObject
        {
            ["axis"] = p.Axis.Word(),
            ["at"] = Exact(p.At),
            ["beside"] = p.Beside is { } beside ? Exact(beside) : null,
            ["for"] = p.For,
            ["purpose"] = p.Purpose.Say(style),
            ["ifHit"] = p.IfHit.Say(style),
            ["ifMiss"] = p.IfMiss.Say(style),
        });
        if (plan.Placed is { } placed)
        {
            json["display"] = Rectangle(placed.Outer);
            json["picture"] = Rectangle(placed.Picture);
            json["views"] = All(placed.Views, v => new JsonObject
            {
                ["viewer"] = v.Viewer.Name,
                ["toCentre"] = Degrees(v.ToCentre),
                ["toTop"] = Degrees(v.ToTop),
                ["field"] = Degrees(v.Field),
                ["tilt"] = Degrees(v.Tilt),
                ["residual"] = Degrees(v.Residual),
            });
            json["budget"] = All(placed.Budget, b => new JsonObject
            {
                ["name"] = b.Name,
                ["from"] = Exact(b.From),
                ["to"] = Exact(b.To),
                ["size"] = Exact(b.Size),
                ["gap"] = b.IsGap,
            });
        }

        if (plan.Hung is { } hung)
        {
            json["hookLine"] = Exact(hung.HookLine);
            json["chains"] = All(hung.Chains, c => new JsonObject
            {
                ["from"] = c.From.Word(),
                ["steps"] = c.Say().Say(style),
                ["hookLine"] = Exact(c.Result),
            });
            json["armHole"] = hung.ArmHole;
            json["plate"] = Rectangle(hung.Plate);
            json["plateCentre"] = Exact(hung.Position.Plate);
            json["slide"] = Exact(hung.Position.Slide - plan.Sheet.Display!.VesaCentreRight);
            json["slideSays"] = SetOut.SlideWords(hung.Position.Slide - plan.Sheet.Display.VesaCentreRight).Say(style);
            json["slideLeft"] = Exact(hung.SlideLeft);
            json["slideRight"] = Exact(hung.SlideRight);
        }

        if (plan.Fixed is { } bolts)
        {
            json["pilot"] = new JsonObject
            {
                ["least"] = Exact(bolts.PilotLeast),
                ["most"] = Exact(bolts.PilotMost),
                ["bit"] = bolts.Pilot is { } bit ? Exact(bit) : null,
                ["drillDepth"] = Exact(bolts.DrillDepth),
            };
            json["bolts"] = All(bolts.Bolts, b => new JsonObject
            {
                ["number"] = b.Number,
                ["row"] = b.Row,
                ["x"] = Exact(b.X),
                ["y"] = Exact(b.Y),
                ["stud"] = b.Stud.Id,
                ["offCentre"] = Exact(b.OffCentre),
                ["tolerance"] = Exact(b.Tolerance),
                ["penetration"] = Exact(b.Penetration),
                ["pull"] = Phrase.PlainPart(b.Pull, style.System),
                ["holds"] = b.Holds is { } holds ? Phrase.PlainPart(holds, style.System) : null,
                ["utilisation"] = b.Utilisation is { } u ? Math.Round(u, 3) : null,
            });
        }

        json["findings"] = All(plan.Findings, f => new JsonObject
        {
            ["code"] = f.Code,
            ["severity"] = FindingCatalogue.Letter(f.Severity),
            ["part"] = f.Where.Part,
            ["x"] = f.Where.X is { } x ? Exact(x) : null,
            ["y"] = f.Where.Y is { } y ? Exact(y) : null,
            ["title"] = f.Kind.Title,
            ["message"] = f.Message.Say(style),
            ["why"] = f.Kind.Why,
            ["source"] = f.Kind.Source.ToString(),
            ["fixes"] = All(f.Fixes, x => new JsonObject
            {
                ["label"] = x.Label.Say(style),
                ["effect"] = x.Effect.Say(style),
                ["changes"] = All(x.Changes, c => new JsonObject { ["path"] = c.Path, ["value"] = c.Value?.DeepClone() }),
            }),
        });
        return json;
    }

    private static string Degrees(Angle angle) => Math.Round(angle.Degrees, 2).ToString(CultureInfo.InvariantCulture) + " deg";

    private static JsonObject MarkOf(JobPlan plan, Mark mark, LengthStyle style, Func<Length, string> exact)
    {
        // As a page shows it: from the datum on which the tape is hooked, rounded once to what the reader reads.
        string? Reads(Datum? datum, Length? at, string back, string on) => datum is null || at is null ? null
            : $"{datum.Read(at.Value).Distance.Show(style)} {(datum.Read(at.Value).Back ? back : on)} the {datum.Name}";

        JsonObject Readings(Axis axis, Length at) => new([.. plan.Datums.Where(d => d.Axis == axis).Select(d =>
        {
            var reading = d.Read(at);
            var side = axis == Axis.Across ? (reading.Back ? "left" : "right") : reading.Back ? "down" : "up";
            return KeyValuePair.Create<string, JsonNode?>(d.Id, $"{exact(reading.Distance)} {side}");
        })]);
        return new()
        {
            ["id"] = mark.Id,
            ["name"] = mark.Name,
            ["how"] = mark.How.Say(style),
            ["reads"] = string.Join(", ", new[] { Reads(plan.Across, mark.X, "left of", "right of"), Reads(plan.Up, mark.Y, "below", "above") }.Where(r => r is not null)),
            ["across"] = mark.X is { } x ? Readings(Axis.Across, x) : null,
            ["up"] = mark.Y is { } y ? Readings(Axis.Up, y) : null,
        };
    }
}
