using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Tests;

/// <summary>A sound job without any finding, and ways to change it.</summary>
internal static class Sheets
{
    private const string Clear =
        """
        {
          "format": "corrie-job/2",
          "job": {
            "number": "1",
            "title": "plain wall",
            "units": "in"
          },
          "walls": {
            "w1": {
              "width": "156 in",
              "height": "96 in",
              "kind": "wood-studs",
              "spacing": "16 in",
              "studDepth": "3 1/2 in",
              "layers": {
                "l1": {"order": 1, "name": "gypsum board", "thickness": "5/8 in", "confirmed": true}
              },
              "studs": {
                "a": {"centre": "54 in", "state": "confirmed", "uncertainty": "0 in"},
                "b": {"centre": "70 in", "state": "confirmed", "uncertainty": "0 in"},
                "c": {"centre": "86 in", "state": "confirmed", "uncertainty": "0 in"},
                "d": {"centre": "102 in", "state": "confirmed", "uncertainty": "0 in"}
              },
              "scan": {
                "by": "somebody",
                "with": "a scanner",
                "crossings": true
              }
            }
          },
          "seats": {
            "v": {
              "name": "sofa",
              "eye": "44 in",
              "distance": "80 in"
            }
          },
          "items": {
            "d1": {
              "kind": "display",
              "product": {
                "name": "a display",
                "diagonal": "55 in",
                "width": "48 1/2 in",
                "height": "28 in",
                "depth": "2 in",
                "mass": "40 lb",
                "vesaWidth": "300 mm",
                "vesaHeight": "200 mm",
                "vesaCentreUp": "14 in"
              },
              "place": {
                "given": "bottom",
                "height": "30 in",
                "across": "78 in",
                "approval": {"by": "the client", "centre": "44 in", "across": "78 in"}
              },
              "on": "m1"
            },
            "m1": {
              "kind": "mount",
              "wall": "w1",
              "product": {
                "name": "a mount",
                "kind": "tilting",
                "walls": ["wood-studs"],
                "rated": "100 lb",
                "mass": "8 lb",
                "vesaWidest": "600 mm",
                "vesaHighest": "400 mm",
                "sizeFrom": "37 in",
                "sizeTo": "70 in",
                "plateWidth": "20 in",
                "plateHeight": "8 in",
                "plateThickness": "3/16 in",
                "hookUp": "7 in",
                "rows": [{"id": "top", "aboveHook": "-1/2 in", "slots": [{"from": "-9 in", "to": "-7 in"}, {"from": "7 in", "to": "9 in"}]}, {"id": "bottom", "aboveHook": "-5 in", "slots": [{"from": "-9 in", "to": "-7 in"}, {"from": "7 in", "to": "9 in"}]}],
                "hookAboveFirstHole": "1 in",
                "armPitch": "1 in",
                "armHoles": 8,
                "armTopAboveHook": "1/2 in",
                "armLength": "15 in",
                "slide": "2 in",
                "raiseBy": "1/2 in",
                "lowerBy": "1/2 in",
                "depthParked": "1 1/2 in",
                "clearAbove": "1 in"
              },
              "bolt": {
                "name": "lag screw",
                "kind": "lag-screw",
                "diameter": "5/16 in",
                "length": "3 in",
                "thread": "2 in",
                "tip": "3/16 in",
                "washer": "1/16 in"
              },
              "fix": {
                "gravity": 0.42
              }
            }
          }
        }
        """;

    public static JsonObject Document(params (string Path, JsonNode? Value)[] changes)
    {
        var document = JobFile.Parse(Clear).Document!;
        foreach (var (path, value) in changes)
        {
            Pointer.Set(document, path, value);
        }

        return document;
    }

    public static JobPlan Plan(params (string Path, JsonNode? Value)[] changes) => Plan(Document(changes));

    public static JobPlan Plan(JsonObject document, bool whole = true)
    {
        var (sheet, problems) = JobForm.Read(document);
        Assert.True(whole == (problems.Count == 0), string.Join("; ", problems.Select(p => $"{p.Path}: {p.Understood}, {p.Expected}")));
        return Planner.Plan(sheet);
    }

    public static IReadOnlyList<string> Codes(this JobPlan plan) => [.. plan.Findings.Select(f => f.Code).Distinct()];

    public static Finding Finding(this JobPlan plan, string code) => Assert.Single(plan.Findings, f => f.Code == code);

    public static JsonNode Json(string text) => JsonNode.Parse(text)!;

    public static Length In(string text) => LengthReader.Read(text, UnitSystem.Inches, directed: true).Value;

    public static Length Mm(double mm) => Length.FromMillimetres(mm);
}
