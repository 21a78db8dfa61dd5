using System.Diagnostics;
using System.Text.Json.Nodes;
using Corrie.Core.Feeds;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Bench;

/// <summary>Plans of a wall of twelve bays with attic, basement, a window, a door and a noggin in every bay, power and signal from end to end, beside the same wall without feeds.</summary>
internal static class WaysBench
{
    // The runtime compiles what is run often a second time: what it does until then is not the speed that a user sees.
    private const int Warming = 400;

    /// <summary>Measures them.</summary>
    /// <param name="count">How many walls.</param>
    public static void Run(int count)
    {
        var random = new Random(12);
        var (with, without, json) = (new List<double>(), new List<double>(), new List<double>());
        for (var n = 0; n < count + Warming; n++)
        {
            var document = Wall(random);
            var text = document.ToJsonString();
            var watch = Stopwatch.StartNew();
            _ = JsonNode.Parse(text)!.ToJsonString();
            var trip = watch.Elapsed.TotalMilliseconds;
            var sheet = JobForm.Read(document).Sheet;
            watch.Restart();
            var plan = Planner.Plan(sheet);
            var took = watch.Elapsed.TotalMilliseconds;
            document["walls"]!["w1"]!.AsObject().Remove("routes");
            document.Remove("items");
            var bare = JobForm.Read(document).Sheet;
            watch.Restart();
            _ = Planner.Plan(bare);
            var alone = watch.Elapsed.TotalMilliseconds;
            if (n >= Warming && plan.Routes("w1")!.All.All(r => r.Chosen is not null))
            {
                with.Add(took);
                without.Add(alone);
                json.Add(trip);
            }
        }

        with.Sort();
        without.Sort();
        json.Sort();
        Console.WriteLine($"{with.Count} walls: whole plan {with[with.Count / 2]:0.00} ms, 99 of 100 under {with[with.Count * 99 / 100]:0.00}; without feeds {without[without.Count / 2]:0.00}; JSON there and back {json[json.Count / 2]:0.00}: {with[with.Count / 2] / json[json.Count / 2]:0.0} times that");
    }

    private static JsonObject Wall(Random random)
    {
        JsonObject In(params (string, JsonNode?)[] members) => new(members.Select(m => KeyValuePair.Create(m.Item1, m.Item2)));
        string L(double inches) => FormattableString.Invariant($"{Math.Round(inches * 16) / 16} in");
        var studs = In([.. Enumerable.Range(0, 11).Select(i => ($"s{i}", (JsonNode?)In(("centre", L(16 + (16 * i) + random.NextDouble())), ("state", "confirmed"))))]);
        var noggins = In([.. Enumerable.Range(0, 12).Select(i => ($"n{i}", (JsonNode?)In(("kind", "seen"), ("axis", "up"), ("at", L(30 + random.Next(40))), ("beside", L(8 + (16 * i))))))]);
        JsonObject Box(double x, double y, string use) => In(("kind", "box"), ("wall", "w1"), ("product", In(("name", use), ("use", use), ("width", "4 in"), ("height", "4 in"), ("depth", "3 in"), ("mass", "1 lb"))), ("place", In(("given", "centre"), ("height", L(y)), ("across", L(x)))));
        return In(
            ("format", "corrie-job/2"), ("job", In(("number", "1"), ("title", "twelve bays"), ("units", "in"))),
            ("walls", In(("w1", In(
                ("width", "192 in"), ("height", "96 in"), ("kind", "wood-studs"), ("studDepth", "5 1/2 in"), ("studs", studs), ("evidence", noggins), ("feeds", In(("bearing", false), ("attic", true), ("basement", true))),
                ("features", In(
                    ("f1", In(("kind", "window"), ("left", L(60 + random.Next(10))), ("bottom", "36 in"), ("width", "30 in"), ("height", "40 in"))),
                    ("f2", In(("kind", "fireplace"), ("left", L(118 + random.Next(10))), ("bottom", "0 in"), ("width", "30 in"), ("height", "34 in"))),
                    ("f3", In(("kind", "pipe"), ("left", L(44)), ("bottom", "0 in"), ("width", "1 in"), ("height", "96 in"), ("routeKnown", true))))),
                ("routes", In(("p", In(("carries", "power"), ("from", "b1"), ("to", "b2"))), ("s", In(("from", "b3"), ("to", "b4"))))))))),
            ("items", In(("b1", Box(8, 16, "power")), ("b2", Box(168, 50, "power")), ("b3", Box(24 + 1, 16, "signal")), ("b4", Box(154, 50, "signal")))));
    }
}
