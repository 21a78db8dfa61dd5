using System.Diagnostics;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Bench;

/// <summary>Plans of walls with as much on them as a job file may hold, beside the JSON round trip of the same file.</summary>
internal static class BoundsBench
{
    private const int Turns = 15;

    public static void Run()
    {
        using var reader = new StreamReader(typeof(BoundsBench).Assembly.GetManifestResourceStream("map-room.json")!);
        var plain = reader.ReadToEnd();
        Console.WriteLine("| what | plan | JSON round trip of its file | ratio | steps |");
        Console.WriteLine("|---|---|---|---|---|");
        foreach (var (name, fill) in Cases)
        {
            var document = JobFile.Parse(plain).Document!;
            var wall = (JsonObject)document["walls"]!["w1"]!;
            (wall["readings"], wall["evidence"]) = (new JsonObject(), new JsonObject());
            fill(wall, new Random(1));
            var (sheet, problems) = JobForm.Read(document);
            if (problems.Count > 0)
            {
                throw new InvalidOperationException($"{name}: {problems[0]}");
            }

            var budget = new WorkBudget(long.MaxValue);
            Planner.Plan(sheet, budget: budget);
            var text = JobFile.Write(document);
            var (plan, json) = (Best(() => Planner.Plan(sheet)), Best(() => JobFile.Write(JobFile.Parse(text).Document!)));
            Console.WriteLine($"| {name} | {plan:0.0} ms | {json:0.0} ms | {plan / json:0.0} | {budget.Spent:N0} |");
        }
    }

    private static IEnumerable<(string Name, Action<JsonObject, Random> Fill)> Cases =>
    [
        ("500 readings in loose pairs", (wall, _) =>
        {
            Features(wall, 250);
            Readings(wall, i => ($"g{i / 2}/left", $"g{i / 2}/right", 3));
        }),
        ("500 readings in one chain", (wall, _) =>
        {
            Features(wall, 250);
            Readings(wall, i => (i == 0 ? "left-corner" : Edge(i - 1), Edge(i), 0.25));
        }),
        ("500 readings in one grid", (wall, _) =>
        {
            Features(wall, 168);
            Readings(wall, i => (i % 3) switch
            {
                0 => ($"g{i / 3}/left", $"g{i / 3}/right", 3),
                1 => ($"g{i / 3}/left", $"g{(i / 3) + 1}/left", 0.5),
                _ => ($"g{i / 3}/right", $"g{(i / 3) + 1}/right", 0.5),
            });
        }),
        ("500 readings between centres, at random", (wall, random) =>
        {
            Features(wall, 500);
            Readings(wall, _ => ($"g{random.Next(250)}/centre", $"g{250 + random.Next(250)}/centre", 1));
        }),
        ("1,000 passes of a scanner", (wall, random) => Evidence(wall, _ => new() { ["kind"] = "scanner-edges", ["at"] = $"{random.Next(10, 1500) / 10d} in" })),
        ("1,000 probes, half of them hits", (wall, random) => Evidence(wall, i => new() { ["kind"] = i % 2 == 0 ? "probe-hit" : "probe-miss", ["at"] = $"{random.Next(10, 1500) / 10d} in" })),
        ("1,000 findings on ten studs", (wall, random) => Evidence(wall, i => new()
        {
            ["kind"] = i % 4 == 0 ? "probe-hit" : "scanner-edges", ["at"] = $"{(16 * (i % 10)) + 5 + (random.Next(-3, 3) / 16d)} in",
        })),
        ("500 things on the wall", (wall, _) => Features(wall, 500)),
    ];

    private static void Features(JsonObject wall, int count)
    {
        var features = new JsonObject();
        for (var i = 0; i < count; i++)
        {
            features[$"g{i}"] = new JsonObject { ["kind"] = "other", ["name"] = $"thing {i}", ["left"] = $"{i * 0.25} in", ["width"] = "3 in", ["height"] = "3 in", ["bottom"] = $"{i % 80} in" };
        }

        wall["features"] = features;
    }

    private static void Readings(JsonObject wall, Func<int, (string From, string To, double Inches)> reading)
    {
        for (var i = 0; i < 500; i++)
        {
            var (from, to, inches) = reading(i);
            wall["readings"]![$"r{i}"] = new JsonObject { ["from"] = from, ["to"] = to, ["value"] = $"{inches} in", ["by"] = "somebody" };
        }
    }

    private static void Evidence(JsonObject wall, Func<int, JsonObject> finding)
    {
        for (var i = 0; i < 1000; i++)
        {
            var found = finding(i);
            (found["by"], found["beside"]) = ("somebody", "34 in");
            if (found["kind"]!.ToString() == "scanner-edges")
            {
                found["to"] = $"{double.Parse(found["at"]!.ToString()[..^3]) + 1.5} in";
            }
            else if (found["kind"]!.ToString() == "probe-hit")
            {
                found["bite"] = "3/4 in";
            }

            wall["evidence"]![$"e{i}"] = found;
        }
    }

    private static string Edge(int i) => $"g{i / 2}/{(i % 2 == 0 ? "left" : "right")}";

    private static double Best(Func<object> work)
    {
        // What runs for the first times is not yet compiled for good.
        for (var settle = Stopwatch.StartNew(); settle.ElapsedMilliseconds < 3000;)
        {
            work();
        }

        var best = double.PositiveInfinity;
        for (var n = 0; n < Turns; n++)
        {
            var watch = Stopwatch.StartNew();
            work();
            best = Math.Min(best, watch.Elapsed.TotalMilliseconds);
        }

        return best;
    }
}
