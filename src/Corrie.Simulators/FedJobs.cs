using System.Text.Json.Nodes;
using Corrie.Core.Findings;

namespace Corrie.Simulators;

/// <summary>Power and signal for a whole job without a fault, and the dangers that can be planted there. Places follow from the studs, and nothing from the planner.</summary>
internal static class FedJobs
{
    private const Severity Final = Severity.FinalStop;

    /// <summary>The dangers, and what has to be said of each.</summary>
    public static IReadOnlyList<Danger> Dangers { get; } =
    [
        .. new Danger[]
        {
            new("a box behind the display on a stud", ["feed.box-on-member"], Severity.Stop, (j, r) => j.Set("/items/b1/place/across", WholeJob.In(j.Left + (r.NextDouble() * 3) - 1.5))),
            new("a noggin where the box goes", ["feed.box-on-member"], Severity.Stop, (j, r) => j.Set("/walls/w1/evidence/n", new JsonObject { ["kind"] = "seen", ["axis"] = "up", ["at"] = WholeJob.In(Up(j) + (r.NextDouble() * 2) - 1), ["beside"] = WholeJob.In(Signal(j)) })),
            new("a stud that somebody finds in the middle of the box's bay", ["feed.box-on-member"], Severity.Stop, (j, r) => j.Set("/walls/w1/studs/late", new JsonObject { ["centre"] = WholeJob.In(Signal(j)), ["state"] = "confirmed", ["uncertainty"] = "0 in" })),
            new("an enclosure that is a hair wider than its bay", ["feed.bay-too-narrow", "feed.box-on-member"], Severity.Stop, (j, r) => { j.Set("/items/b2/product/openingWidth", "22 3/4 in"); j.Set("/items/b2/product/width", "24 in"); }),
            new("a box that shows beside the display", ["feed.box-shows"], Severity.Stop, (j, r) => j.Set("/items/b1/place/across", WholeJob.In(j.Display.Left + 2 + r.NextDouble()))),
            new("a box under the plate", ["feed.box-under-plate", "feed.box-on-member", "hang.bodies-meet"], Severity.Stop, (j, r) => { j.Set("/items/b1/place/across", WholeJob.In((j.Left + j.Right) / 2)); j.Set("/items/b1/place/height", WholeJob.In(j.Rows[0] - 2)); }),
            new("a box deeper than the wall", ["feed.box-too-deep"], Severity.Stop, (j, r) => j.Set("/items/b1/product/depth", "6 1/4 in")),
            new("wings that end on a stud", ["feed.wing-space"], Severity.Stop, (j, r) => { j.Set("/items/b1/product/wings", "1 in"); j.Set("/items/b1/place/across", WholeJob.In(j.Left - 0.75 - 1.5 - 0.25 - (r.NextDouble() * 0.5))); }),
            new("a box into a cable that is there", ["survey.live-near-hole"], Final, (j, r) => j.Put("cable", Signal(j) - 1, 8, 0.5, j.Height - 10, routeKnown: true)),
            new("a box over an outlet whose cable nobody followed", ["survey.live-near-hole"], Final, (j, r) => j.Put("receptacle", Signal(j) - 2 + (r.NextDouble() * 3), 30 - 10, 2, 3)),
            new("an outlet behind the display with its plug", ["feed.device-behind"], Severity.Stop, (j, r) => j.Put("receptacle", j.Display.Left + 3, j.Display.Bottom + 1, 3, 4, 0.5, routeKnown: true)),
            new("a power box whose plug stands into the display", ["feed.device-behind"], Severity.Stop, (j, r) => j.Set("/items/m1/product/depthParked", "1 1/4 in")),
            new("a hole for a cable where an outlet's cable may run", ["survey.live-near-hole", "feed.no-way"], Severity.Stop, (j, r) => { j.Set("/walls/w1/feeds", JsonNode.Parse("""{ "bearing": false, "basement": true }""")); j.Set("/walls/w1/routes/s/from", "planted"); j.Put("receptacle", 20, 40, 3, 4); }),
            new("an outlet whose wires were pushed back", ["feed.buried-junction"], Final, (j, r) => { j.Put("receptacle", j.Display.Left + 3, j.Display.Bottom + 1, 3, 4, 0.5, routeKnown: true); j.Set("/walls/w1/feeds/devices/planted", JsonNode.Parse("""{ "fate": "pushed-back", "by": "Tom" }""")); }),
            new("an outlet taken out of use by nobody with a licence", ["feed.not-licensed"], Final, (j, r) => { j.Put("receptacle", j.Display.Left + 3, j.Display.Bottom + 1, 3, 4, 0.5, routeKnown: true); j.Set("/walls/w1/feeds/devices/planted", JsonNode.Parse("""{ "fate": "blanked", "by": "Tom" }""")); }),
            new("a cord in the wall", ["feed.cord-in-wall"], Final, (j, r) => j.Set("/walls/w1/routes/p/mains/cord", true)),
            new("mains cable that is not made for walls", ["feed.cord-in-wall"], Final, (j, r) => j.Set("/walls/w1/routes/p/mains/ratings", new JsonArray("outdoor"))),
            new("a thin cable with power and picture in the wall", ["feed.cord-in-wall", "feed.no-input"], Severity.Stop, (j, r) => { j.Set("/connections/k3/cable/carries", "one-cable"); j.Set("/connections/k3/cable/ratings", null); }),
            new("a picture cable that is not made for walls", ["feed.rating"], Severity.Stop, (j, r) => j.Set("/connections/k3/cable/ratings", new JsonArray("sun"))),
            new("a space that moves air, and a cable for walls", ["feed.rating"], Severity.Stop, (j, r) => j.Set("/walls/w1/routes/s/places", new JsonArray("plenum"))),
            new("power beside signal in one raceway", ["feed.separation"], Severity.Stop, (j, r) => j.Set("/walls/w1/routes/p/shares", "s")),
            new("power and signal in one box", ["feed.separation"], Severity.Stop, (j, r) => { j.Set("/walls/w1/routes/s/to", "b3"); }),
            new("a picture cable pulled along with the mains", ["feed.separation"], Severity.Stop, (j, r) => j.Set("/connections/k3/via", "w1/p")),
            new("an outlet that two breakers are said to make dead", ["feed.no-source-outlet"], Severity.Stop, (j, r) => j.Set("/electrics/circuits/c2", JsonNode.Parse("""{ "other": 0, "outlets": ["w1/f1"] }"""))),
            new("a box behind the display that it would press on", ["feed.box-too-deep"], Severity.Stop, (j, r) => j.Set("/items/p1/stands", JsonNode.Parse("""{ "in": "d1", "sockets": "up", "carries": "10 lb" }"""))),
            new("brackets for half of a box", ["feed.bracket-load"], Severity.Stop, (j, r) => { j.Set("/items/p1/product/depth", "1 in"); j.Set("/items/p1/stands", JsonNode.Parse("""{ "in": "d1", "sockets": "up", "carries": "1.5 lb" }""")); }),
            new("a raceway too small for its cable", ["feed.fill"], Severity.Caution, (j, r) => { j.Set("/walls/w1/routes/s/taken", "surface"); j.Set("/walls/w1/routes/s/racewayWide", "1/4 in"); j.Set("/walls/w1/routes/s/racewayHigh", "1/4 in"); }),
            new("a licence that says none", ["feed.not-licensed"], Final, (j, r) => j.Set("/walls/w1/routes/p/wired", new JsonObject { ["by"] = "Tom", ["licence"] = new[] { "none", "N/A", "-", " no " }[r.Next(4)], ["on"] = "May" })),
            new("mains wired, and nobody says that it was off", ["feed.not-isolated"], Final, (j, r) => j.Set("/walls/w1/routes/p/wired", JsonNode.Parse("""{ "by": "E. Sparke", "licence": "77", "on": "May" }"""))),
            new("mains wired by nobody with a licence", ["feed.not-licensed"], Final, (j, r) => j.Set("/walls/w1/routes/p/wired", JsonNode.Parse("""{ "by": "Tom", "on": "May" }"""))),
            new("a circuit that was off and not tested", ["feed.not-isolated"], Final, (j, r) => { j.Set("/walls/w1/routes/p/wired", JsonNode.Parse("""{ "by": "E. Sparke", "licence": "77", "on": "May" }""")); j.Set("/electrics/isolations/i", JsonNode.Parse("""{ "circuit": "c1", "by": "E. Sparke", "licence": "77", "off": true, "locked": true, "on": "May" }""")); }),
            new("another country's code, and none of its rules", ["feed.local-rule"], Severity.Stop, (j, r) => j.Set("/electrics/code", "other")),
            new("a power box without a source", ["feed.no-source-outlet"], Severity.Stop, (j, r) => j.Set("/connections/k1", null)),
            new("an outlet on no circuit", ["feed.no-source-outlet"], Severity.Stop, (j, r) => j.Set("/electrics/circuits/c1/outlets", new JsonArray())),
            new("a display on a full circuit", ["feed.circuit-load"], Severity.Stop, (j, r) => j.Set("/electrics/circuits/c1/other", 1350 + r.Next(800))),
            new("a breaker larger than its wire", ["feed.circuit-load"], Severity.Stop, (j, r) => j.Set("/electrics/circuits/c1/amperes", 16 + r.Next(10))),
            new("two cords in one inlet", ["feed.no-input"], Severity.Stop, (j, r) => j.Set("/connections/k4", j.Document["connections"]!["k2"]!.DeepClone())),
            new("a player whose plug hangs in the air", ["feed.no-source-outlet"], Severity.Stop, (j, r) => j.Document["items"]!["p1"]!["product"]!["ports"]!.AsArray().Add(JsonNode.Parse("""{ "name": "inlet" }"""))),
            new("a long run of thin wire", ["feed.voltage-drop"], Severity.Caution, (j, r) => { j.Set("/electrics/circuits/c1/other", 1000); j.Set("/electrics/circuits/c1/run", "100 ft"); }),
            new("a box too full of wires", ["feed.box-fill"], Severity.Stop, (j, r) => { j.Set("/items/b3/product/volume", 12.5); j.Set("/items/b3/wires", JsonNode.Parse("""{ "conductors": 4, "gauge": 14, "devices": 1, "clamps": true, "grounds": 2 }""")); }),
            new("a hole that takes half of a stud", ["feed.stud-bored"], Severity.Stop, (j, r) => { j.Set("/items/b2/place/across", WholeJob.In(j.Right + 5.25)); j.Set("/items/b4/place/across", WholeJob.In(Signal(j))); j.Set("/walls/w1/studDepth", "3 1/2 in"); j.Set("/walls/w1/routes/s/hole", "2 in"); j.Set("/walls/w1/feeds", JsonNode.Parse("""{ "bearing": true }""")); }),
            new("a hole that the plug does not pass", ["feed.plug-does-not-pass"], Severity.Stop, (j, r) => j.Set("/walls/w1/routes/s/hole", "3/4 in")),
            new("a cover whose hole the plug does not pass", ["feed.plug-does-not-pass"], Severity.Stop, (j, r) => j.Set("/items/b1/product/plateHole", WholeJob.In(0.3 + (r.NextDouble() * 0.2)))),
            new("a tube that the plug does not pass", ["feed.plug-does-not-pass"], Severity.Stop, (j, r) => { j.Set("/walls/w1/routes/s/conduit", "emt"); j.Set("/walls/w1/routes/s/trade", "3/4"); }),
            new("a cable that does not reach", ["feed.too-short"], Severity.Stop, (j, r) => j.Set("/connections/k3/bought", "6 ft")),
            new("a cable longer than its signal goes", ["feed.too-far"], Severity.Caution, (j, r) => j.Set("/connections/k3/cable/limit", "5 ft")),
            new("a player that nobody plugs in", ["feed.no-input"], Severity.Stop, (j, r) => j.Set("/connections/k3", null)),
            new("a player in an output", ["feed.no-input"], Severity.Stop, (j, r) => j.Set("/connections/k3/toPort", "inlet")),
            new("two plugs in one socket", ["feed.no-input"], Severity.Stop, (j, r) => j.Set("/connections/k4", j.Document["connections"]!["k3"]!.DeepClone())),
            new("a cable that the tester finds crossed", ["feed.wire-map"], Severity.Stop, (j, r) => j.Set("/connections/k3/tests/t", CableTester.Test(Enum.GetValues<Core.Feeds.WireFault>()[r.Next(6)], r, null))),
            new("boxes in a wall that may not be cut", ["feed.tenant"], Severity.Stop, (j, r) => j.Set("/walls/w1/questions/mayCut", false)),
            new("boxes in a fire-rated wall", ["feed.fire-rated"], Severity.Stop, (j, r) => j.Set("/walls/w1/questions/fireRated", true)),
            new("a box in brick", ["feed.box-too-deep"], Severity.Stop, (j, r) => j.Set("/walls/w1/kind", "masonry")),
            new("a bolt into a box that is planned", ["hang.bodies-meet"], Severity.Stop, (j, r) => { j.Set("/items/b1/place/across", WholeJob.In(j.Left)); j.Set("/items/b1/place/height", WholeJob.In(j.Rows[r.Next(2)])); }),
        }.Select(d => d with { Fed = true }),
    ];

    /// <summary>Brings power and signal behind the display of a framed job.</summary>
    /// <param name="job">The job.</param>
    /// <param name="random">Chance.</param>
    /// <returns>The job.</returns>
    public static WholeJob Feed(WholeJob job, Random random)
    {
        var (signal, power, up) = (Signal(job), Power(job), Up(job));
        // Beside studs far apart, a small display leaves no place for a box on both sides.
        if (signal + 1.5 > job.Left - 0.8 || power - 1.5 < job.Right + 0.8)
        {
            return job;
        }

        job.Set("/walls/w1/features/f1", Feature("receptacle", "outlet", 2, 14, 3, 4, 0));
        job.Set("/walls/w1/features/f2", Feature("furniture", "cupboard", job.Width - 34, 0, 30, 18, 14));
        job.Set("/walls/w1/feeds", new JsonObject
        {
            ["bearing"] = random.Next(2) == 0,
            ["attic"] = random.Next(2) == 0,
            ["basement"] = random.Next(2) == 0,
            ["looks"] = new JsonObject { ["a"] = Look(signal, job.Height), ["b"] = Look(power, job.Height) },
        });
        job.Set("/items/b1", Box("signal", "d1", signal, up));
        job.Set("/items/b2", Box("signal", null, signal, 16));
        job.Set("/items/b3", Box("power", "d1", power, up));
        job.Set("/items/b4", Box("power", null, power, 16));
        job.Set("/items/p1", JsonNode.Parse("""{ "kind": "device", "wall": "w1", "product": { "name": "player", "width": "10 in", "height": "2 in", "depth": "8 in", "mass": "3 lb", "watts": 30, "ports": [{ "name": "picture", "way": "out" }] }, "stands": { "in": "f2" } }"""));
        job.Set("/items/d1/product/watts", 100 + random.Next(80));
        job.Set("/items/d1/product/ports", new JsonArray(Port("picture", signal - job.Display.Left - 1), Port("inlet", power - job.Display.Left - 1)));
        job.Set("/walls/w1/routes", JsonNode.Parse("""{ "p": { "carries": "power", "from": "b4", "to": "b3", "mains": { "name": "sheathed cable", "carries": "mains", "diameter": "3/8 in", "ratings": ["in-wall"], "gauge": 14 } }, "s": { "from": "b2", "to": "b1" } }"""));
        job.Set("/connections", JsonNode.Parse("""
            {
              "k1": { "from": "w1/f1", "to": "b4", "cable": { "name": "cord", "carries": "mains", "diameter": "3/8 in", "cord": true } },
              "k2": { "from": "b3", "to": "d1", "toPort": "inlet", "cable": { "name": "cord", "carries": "mains", "diameter": "3/8 in", "cord": true } },
              "k3": { "from": "p1", "fromPort": "picture", "to": "d1", "toPort": "picture", "via": "w1/s", "cable": { "name": "picture cable", "carries": "picture", "diameter": "1/4 in", "plugWidth": "7/8 in", "plugHeight": "3/8 in", "ratings": ["in-wall"] } }
            }
            """));
        job.Set("/electrics", JsonNode.Parse("""{ "code": "nfpa70", "circuits": { "c1": { "amperes": 15, "volts": 120, "gauge": 14, "run": "40 ft", "other": 150, "outlets": ["w1/f1"] } } }"""));
        return job with { Fed = true };
    }

    // Beside the left stud, away from the plate, and inside the display.
    private static double Signal(WholeJob job) => Math.Round(Math.Max(job.Left - 5.25, job.Display.Left + 4.125) * 16) / 16;

    private static double Power(WholeJob job) => Math.Round(Math.Min(job.Right + 5.25, job.Display.Right - 4.125) * 16) / 16;

    // Over the lower third and under the plate.
    private static double Up(WholeJob job) => Math.Round((job.Display.Bottom + (0.36 * (job.Display.Top - job.Display.Bottom))) * 16) / 16;

    private static JsonObject Port(string name, double left) => new() { ["name"] = name, ["left"] = WholeJob.In(left), ["up"] = "1/2 in", ["width"] = "1 1/2 in", ["height"] = "2 in" };

    private static JsonObject Look(double across, double to) => new() { ["across"] = WholeJob.In(across), ["to"] = WholeJob.In(to), ["by"] = "Tom" };

    private static JsonObject Feature(string kind, string name, double left, double bottom, double width, double height, double depth) => new()
    {
        ["kind"] = kind,
        ["name"] = name,
        ["left"] = WholeJob.In(left),
        ["bottom"] = WholeJob.In(bottom),
        ["width"] = WholeJob.In(width),
        ["height"] = WholeJob.In(height),
        ["depth"] = WholeJob.In(depth),
        ["routeKnown"] = true,
    };

    private static JsonObject Box(string use, string? serves, double across, double up)
    {
        var box = new JsonObject
        {
            ["kind"] = "box",
            ["wall"] = "w1",
            ["product"] = new JsonObject { ["name"] = use + " box", ["use"] = use, ["width"] = "4 in", ["height"] = "4 in", ["depth"] = "2 1/2 in", ["openingWidth"] = "3 in", ["openingHeight"] = "3 in", ["mass"] = "1 lb" },
            ["place"] = new JsonObject { ["given"] = "centre", ["height"] = WholeJob.In(up), ["across"] = WholeJob.In(across) },
        };
        if (serves is not null)
        {
            box["for"] = serves;
        }

        return box;
    }
}
