using System.Diagnostics;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;

namespace Corrie.Bench;

/// <summary>
/// The planner for the demo's largest jobs, fresh and after a change, beside the JSON round trip of the same sheet. All of them take turns, a few at a
/// time: on a machine whose speed changes from minute to minute only what ran in the same moment can be compared.
/// </summary>
internal static class PlanBench
{
    private const string Height = "/items/d1/place/height";
    private const string Tick = "/day/load/by";
    private const int AtATime = 10;

    // The planner is many small methods, and it takes thousands of plans until each of them is compiled for good: a server that has been up for a while is measured.
    private static readonly TimeSpan Settling = TimeSpan.FromSeconds(8);

    /// <summary>Measures them.</summary>
    /// <param name="rounds">How many turns each of them has.</param>
    public static void Run(int rounds)
    {
        // The map room has most features, the corridor most studs, the stove lounge most walls and the longest file.
        foreach (var job in new[] { "map-room.json", "bunkhouse-corridor.json", "stove-lounge.json" })
        {
            Of(job, rounds);
        }
    }

    private static void Of(string job, int rounds)
    {
        using var reader = new StreamReader(typeof(PlanBench).Assembly.GetManifestResourceStream(job)!);
        var text = reader.ReadToEnd();
        var document = JobFile.Parse(text).Document!;
        var sheet = JobForm.Read(document).Sheet;
        var plan = Planner.Plan(sheet);
        var (moved, ticked) = (With(document, Height, "41 in"), With(document, Tick, "Tom"));
        (string Name, Action Do)[] all =
        [
            ("text to document to text: the baseline", () => JobFile.Write(JobFile.Parse(text).Document!)),
            ("document to sheet, checked", () => JobForm.Read(document)),
            ("sheet to plan, fresh", () => Planner.Plan(sheet)),
            ("the display moved: plan, on from the one before", Later(moved, Height)),
            ("a step of the day ticked: the same", Later(ticked, Tick)),
            ("the display moved: document to sheet to plan", () => Planner.Plan(JobForm.Read(moved, sheet, [Height]).Sheet, plan)),
        ];
        for (var watch = Stopwatch.StartNew(); watch.Elapsed < Settling;)
        {
            Array.ForEach(all, a => a.Do());
        }

        var took = Array.ConvertAll(all, _ => new double[rounds]);
        for (var round = 0; round < rounds; round++)
        {
            for (var i = 0; i < all.Length; i++)
            {
                var watch = Stopwatch.StartNew();
                for (var n = 0; n < AtATime; n++)
                {
                    all[i].Do();
                }

                took[i][round] = watch.Elapsed.TotalMilliseconds / AtATime;
            }
        }

        Console.WriteLine($"{job}: median of {rounds} turns, in ms; a quiet moment (a tenth of the turns was faster); median of the ratios to the baseline of the same turn");
        for (var i = 0; i < all.Length; i++)
        {
            var ratio = Middle([.. took[i].Select((t, n) => t / took[0][n])], 0.5);
            Console.WriteLine($"  {all[i].Name,-50} {Middle(took[i], 0.5),6:0.00} {Middle(took[i], 0.1),6:0.00} {ratio,6:0.0}");
        }

        Action Later(JsonObject changed, string path)
        {
            var later = JobForm.Read(changed, sheet, [path]).Sheet;
            return () => Planner.Plan(later, plan);
        }
    }

    private static JsonObject With(JsonObject document, string path, string value)
    {
        var changed = (JsonObject)document.DeepClone();
        Pointer.Set(changed, path, value);
        return changed;
    }

    private static double Middle(double[] values, double share) => values.Order().ElementAt((int)(values.Length * share));
}
