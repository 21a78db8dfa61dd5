using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;

namespace Corrie.Simulators;

/// <summary>
/// Dangers that no single figure shows: answers that contradict each other, several things on one, what is heavier than the table, what was made and what was dated, the company's own figures,
/// what moves in all its poses, slips of the keyboard. All of them can be planted beside another danger: they add, and take nothing away.
/// </summary>
public static class TangledJobs
{
    private const Severity Final = Severity.FinalStop;

    /// <summary>The dangers, and what has to be said of each.</summary>
    public static IReadOnlyList<Danger> Dangers { get; } =
    [
        .. Both("a fire that is lit and a flue that is dead", ["survey.answers-contradict"], Final, (j, r) => { j.Set("/walls/w1/questions/flue", "dead"); j.Set("/walls/w1/fire/use", r.Next(2) == 0 ? "often" : "seldom"); }),
        .. Both("wood burns and there is no flue", ["survey.answers-contradict"], Final, (j, r) => { j.Set("/walls/w1/questions/flue", "none"); j.Set("/walls/w1/fire/fuel", "wood"); }),
        .. Both("a gas fire and no gas", ["survey.answers-contradict"], Final, (j, r) => { j.Set("/walls/w1/questions/gas", false); j.Set("/walls/w1/fire/fuel", "gas"); }),
        .. Both("a gas pipe on the wall and no gas", ["survey.answers-contradict"], Final, (j, r) => j.Set("/walls/w1/features/gaspipe", Box("gas", 1, 0, 0.75, 30))),
        .. Both("a mount on a mount", ["survey.answers-contradict"], Severity.Stop, (j, r) => { var m = j.Document["items"]!["m1"]!.DeepClone(); m["on"] = "m1"; ((JsonObject)m).Remove("wall"); j.Set("/items/m9", m); }),
        .. Both("a heavy screen that nothing holds", ["hang.not-held"], Final, (j, r) => Hang(j, "screen", 10 + r.Next(60))),
        .. Both("a light speaker that nothing holds", ["hang.not-held"], Severity.Stop, (j, r) => Hang(j, "speaker", 2 + r.Next(7))),
        .. Both("a board on hooks that are too weak", ["hang.not-held"], Final, (j, r) => { Hang(j, "board", 30); j.Set("/items/loose/held", JsonNode.Parse("""{ "by": "own", "number": 2, "rated": "30 lb", "who": "the maker" }""")); }),
        .. Both("one person for a heavy display", ["site.lift"], Severity.Stop, (j, r) => { j.Set("/items/d1/product/mass", (84 + r.Next(20)).ToString(CultureInfo.InvariantCulture) + " lb"); j.Set("/items/m1/product/rated", "300 lb"); Visit(j, "Tom"); }),
        .. Both("four for what four do not lift", ["site.lift"], Severity.Stop, (j, r) => { j.Set("/items/d1/product/mass", (100 + r.Next(60)).ToString(CultureInfo.InvariantCulture) + " lb"); j.Set("/items/m1/product/rated", "300 lb"); Visit(j, "Tom", "Ines", "Max", "Ann"); }),
        .. Both("a lift on wet ground by one", ["site.footing", "site.lift"], Severity.Stop, (j, r) => { Visit(j, "Tom"); j.Set("/walls/w1/lifting", JsonNode.Parse("""{ "on": ["wet-ground"] }""")); }),
        .. Both("a sprinkler over the display", ["place.fire-device"], Final, (j, r) => j.Set("/walls/w1/features/head", Box("sprinkler", j.Display.Left + 4, j.Display.Top + 1 + (r.NextDouble() * 14), 2, 2))),
        .. Both("an exit sign behind the display", ["place.fire-device"], Final, (j, r) => j.Set("/walls/w1/features/sign", Box("exit-sign", j.Display.Left + 3, j.Display.Top - 5, 10, 5))),
        .. Both("a gas cock behind the display", ["place.covers"], Severity.Stop, (j, r) => j.Set("/walls/w1/features/cock", Box("gas", j.Display.Left + 1, j.Display.Bottom + 1, 3, 3))),
        .. Both("30 February", ["site.dates"], Severity.Stop, (j, r) => Day(j, "install", "2026-02-30")),
        .. Both("a day that can be read as another", ["site.dates"], Severity.Stop, (j, r) => Day(j, "install", $"{1 + r.Next(12)}/{1 + r.Next(12)}")),
        .. Both("the electrician after the display", ["site.dates"], Severity.Stop, (j, r) => { Day(j, "install", "2026-12-08", "i"); Day(j, "electrician", "2026-12-09", "e"); }),
        .. Both("nothing is kept free, by the company's figures", ["plan.figure-unusual"], Severity.Caution, (j, r) => j.Set("/policy/keepOut", "0 in")),
        .. Both("an anchor's load is divided by one", ["plan.figure-unusual"], Severity.Caution, (j, r) => j.Set("/policy/anchorFactor", 1 + r.NextDouble())),
        .. Both("height travel onto a shelf", ["hang.travel-hits"], Severity.Stop, (j, r) => { j.Set("/items/m1/product/lowerBy", "9 in"); j.Set("/walls/w1/features/ledge", Box("shelf", j.Display.Left, j.Display.Bottom - 4, 20, 1, 12)); }),
        .. Both("a weight with a digit too few", ["survey.slip"], Severity.Caution, (j, r) => j.Set("/items/d1/product/mass", "2 lb")),
        .. Both("a board of millimetres for inches", ["survey.slip"], Severity.Caution, (j, r) => j.Set("/walls/w1/layers/thin", JsonNode.Parse("""{ "order": 9, "name": "gypsum board", "thickness": "0.6 mm", "confirmed": true }"""))),
        .. Both("thread that is longer than its screw", ["survey.slip"], Severity.Caution, (j, r) => j.Set("/items/m1/bolt/thread", "9 in")),
        .. Both("parked farther out than extended", ["survey.slip"], Severity.Caution, (j, r) => { j.Set("/items/m1/product/depthParked", "9 in"); j.Set("/items/m1/product/depthExtended", "2 in"); }),
        new("a bolt that went beside its stud", ["fix.no-hold"], Severity.Stop, (j, r) => j.Set("/items/m1/built/holes/astray", new JsonObject { ["row"] = "top", ["across"] = WholeJob.In(j.Left + 0.65 + (r.NextDouble() * 0.3)), ["up"] = WholeJob.In(j.Rows[0]), ["by"] = "Tom", ["number"] = 1 })),
        new("an arm that swings into the side wall", ["hang.swing-hits"], Severity.Stop, (j, r) => { Arm(j, 24 + r.Next(6)); j.Set("/walls/w1/width", WholeJob.In(Math.Max(j.Display.Right, j.Right + 12) + 1 + (r.NextDouble() * 6))); }),
        new("a cable that somebody only knows of", ["survey.live-near-hole"], Final, (j, r) => j.Put("receptacle", j.Left - 4, 12, 2.5, 4, routeKnown: true)),
        new("a live flue that nobody can point at", ["masonry.flue-route"], Final, (j, r) => j.Set("/walls/w1/questions/flue", "live")),
    ];

    // On framed walls and on walls of masonry alike.
    private static Danger[] Both(string name, string[] codes, Severity least, Action<WholeJob, Random> plant) => [new(name, codes, least, plant), new(name + ", on stone", codes, least, plant) { OfStone = true }];

    private static JsonObject Box(string kind, double left, double bottom, double width, double height, double depth = 0) => new()
    {
        ["kind"] = kind, ["left"] = WholeJob.In(left), ["bottom"] = WholeJob.In(bottom), ["width"] = WholeJob.In(width), ["height"] = WholeJob.In(height), ["depth"] = WholeJob.In(depth),
    };

    private static void Hang(WholeJob job, string kind, int pounds) => job.Set("/items/loose", new JsonObject
    {
        ["kind"] = kind,
        ["wall"] = "w1",
        ["product"] = new JsonObject { ["name"] = "a " + kind, ["width"] = "6 in", ["height"] = "6 in", ["depth"] = "3 in", ["mass"] = pounds.ToString(CultureInfo.InvariantCulture) + " lb" },
        ["place"] = new JsonObject { ["height"] = "2 in", ["across"] = "5 in" },
    });

    private static void Visit(WholeJob job, params string[] people) => job.Set("/visits/crew", new JsonObject { ["on"] = "2026-12-08", ["for"] = "install", ["people"] = new JsonArray([.. people.Select(p => (JsonNode)p)]) });

    private static void Day(WholeJob job, string what, string on, string key = "day") => job.Set("/visits/" + key, new JsonObject { ["on"] = on, ["for"] = what });

    private static void Arm(WholeJob job, int inches)
    {
        job.Set("/items/m1/product/kind", "articulating");
        job.Set("/items/m1/product/depthExtended", inches.ToString(CultureInfo.InvariantCulture) + " in");
        job.Set("/items/m1/product/armSwing", "80 deg");
        job.Set("/items/m1/product/swing", "5 deg");
    }
}
