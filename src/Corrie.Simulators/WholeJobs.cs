using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Findings;

namespace Corrie.Simulators;

/// <summary>A whole job as a careful crew would enter it, and the figures by which a danger is planted in it.</summary>
/// <param name="Document">The job file.</param>
/// <param name="Left">Centre of the left stud that bolts go into, in inches from the left corner.</param>
/// <param name="Right">Centre of the right one.</param>
/// <param name="Rows">Heights of the plate's rows over the floor, in inches.</param>
/// <param name="Display">The display's outer edges: left, bottom, right, top.</param>
/// <param name="Width">Width of the wall.</param>
/// <param name="Height">Its height.</param>
public sealed record WholeJob(JsonObject Document, double Left, double Right, IReadOnlyList<double> Rows, (double Left, double Bottom, double Right, double Top) Display, double Width, double Height)
{
    /// <summary>Whether it is a wall of masonry: its bolts are at <see cref="Left"/> and <see cref="Right"/> then, and no studs are.</summary>
    public bool OfStone { get; init; }

    /// <summary>Whether power and signal are brought behind its display.</summary>
    public bool Fed { get; init; }

    /// <summary>Sets a part of the file.</summary>
    /// <param name="path">Where.</param>
    /// <param name="value">What; null takes it away.</param>
    public void Set(string path, JsonNode? value) => Core.Format.Pointer.Set(Document, path, value);

    /// <summary>Puts a thing on the wall.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="left">Its left edge, in inches.</param>
    /// <param name="bottom">Its bottom.</param>
    /// <param name="width">Its width.</param>
    /// <param name="height">Its height.</param>
    /// <param name="depth">How far it stands out.</param>
    /// <param name="routeKnown">Whether its cable's route is known.</param>
    public void Put(string kind, double left, double bottom, double width, double height, double depth = 0, bool routeKnown = false) => Set("/walls/w1/features/planted", new JsonObject
    {
        ["kind"] = kind,
        ["left"] = In(left),
        ["bottom"] = In(bottom),
        ["width"] = In(width),
        ["height"] = In(height),
        ["depth"] = In(depth),
        ["routeKnown"] = routeKnown,
    });

    /// <summary>A length as the file has it.</summary>
    /// <param name="inches">The length.</param>
    /// <returns>Its text.</returns>
    public static string In(double inches) => (Math.Round(inches * 64) / 64).ToString("0.######", CultureInfo.InvariantCulture) + " in";
}

/// <summary>A danger that can be planted in a job.</summary>
/// <param name="Name">What it is, as somebody would say it.</param>
/// <param name="Codes">The codes of which one has to be said.</param>
/// <param name="Least">How grave it is at least.</param>
/// <param name="Plant">Plants it.</param>
public sealed record Danger(string Name, IReadOnlyList<string> Codes, Severity Least, Action<WholeJob, Random> Plant)
{
    /// <summary>Whether it is planted on a wall of masonry; else on a framed one.</summary>
    public bool OfStone { get; init; }

    /// <summary>Whether it is planted where power and signal are brought behind the display.</summary>
    public bool Fed { get; init; }

    /// <summary>Whether it can be planted in a job.</summary>
    /// <param name="job">The job.</param>
    /// <returns>Whether the job is what the danger is about.</returns>
    public bool FitsInto(WholeJob job) => OfStone == job.OfStone && (!Fed || job.Fed);
}

/// <summary>
/// Whole jobs without a fault, and dangers for them. Everything is computed here from the trade's own arithmetic, and nothing by the planner: the
/// studs are chosen first and the plate is put between them.
/// </summary>
public static class WholeJobs
{
    private const Severity Final = Severity.FinalStop;

    /// <summary>The dangers, and what has to be said of each.</summary>
    public static IReadOnlyList<Danger> Dangers { get; } =
    [
        new("a receptacle behind a bolt, its route known", ["survey.live-near-hole"], Final, (j, r) => j.Put("receptacle", Stud(j, r) - 1.2, Row(j, r) - 2 + (r.NextDouble() * 1), 2.5, 4, routeKnown: true)),
        new("a receptacle under a bolt, its route not known", ["survey.live-near-hole"], Final, (j, r) => j.Put("receptacle", Stud(j, r) - 4, 12, 2.5, 4)),
        new("a signal plate behind a bolt", ["survey.live-near-hole"], Final, (j, r) => j.Put("signal-plate", Stud(j, r) - 1, Row(j, r) - 2, 2.5, 4)),
        new("a thermostat where a bolt goes", ["survey.live-near-hole", "place.covers"], Severity.Stop, (j, r) => j.Put("thermostat", Stud(j, r) - 1, Row(j, r) - 2, 3, 4, 1)),
        new("a cable across a bolt", ["survey.live-near-hole"], Final, (j, r) => j.Put("cable", 2, Row(j, r) - 0.3, j.Width - 4, 0.6)),
        new("a pipe beside a stud", ["survey.live-near-hole"], Final, (j, r) => j.Put("pipe", Stud(j, r) + 0.2, 0, 0.75, j.Height)),
        new("a gas cock in a bolt's column, its pipe not followed", ["survey.live-near-hole"], Final, (j, r) => j.Put("gas", Stud(j, r) - 4, 8, 2.5, 2.5)),
        new("a pipe's end at a row's height, a bay away", ["survey.live-near-hole"], Final, (j, r) => j.Put("pipe", Stud(j, r) + 14, Row(j, r) - 1, 2, 2)),
        new("a duct behind the plate", ["survey.live-near-hole"], Final, (j, r) => j.Put("duct", Stud(j, r) - 2, 10, 6, j.Height - 12)),
        new("a live sign at a height", ["survey.live-near-hole"], Final, (j, r) => j.Set("/walls/w1/evidence/live", new JsonObject { ["kind"] = "live", ["axis"] = "up", ["at"] = WholeJob.In(Row(j, r) + (r.NextDouble() * 8) - 4) })),
        new("a live sign at a place", ["survey.live-near-hole"], Final, (j, r) => j.Set("/walls/w1/evidence/live", new JsonObject { ["kind"] = "live", ["at"] = WholeJob.In(Stud(j, r) + (r.NextDouble() * 8) - 4) })),
        new("a box in the wall where a bolt goes", ["hang.bodies-meet"], Severity.Stop, (j, r) => j.Set("/items/b1", new JsonObject
        {
            ["kind"] = "box", ["wall"] = "w1",
            ["product"] = new JsonObject { ["name"] = "a box", ["width"] = "9 in", ["height"] = "9 in", ["depth"] = "3 1/2 in", ["mass"] = "2 lb" },
            ["place"] = new JsonObject { ["height"] = WholeJob.In(Row(j, r) - 4), ["across"] = WholeJob.In(Stud(j, r) + (r.NextDouble() * 6) - 3) },
        })),
        new("a window where a bolt goes", ["fix.through-opening"], Final, (j, r) => j.Put("window", Stud(j, r) - 1, Row(j, r) - 6, 12, 20)),
        new("a bolt into the fireplace", ["fix.through-opening"], Final, (j, r) => { j.Put("fireplace", Stud(j, r) - 4, 0, 30, Row(j, r) + 1); Answer(j); }),
        new("one stud entered twice", ["survey.member-twice"], Severity.Stop, (j, r) => AddStud(j, j.Left + 0.2 + (r.NextDouble() * 1.1))),
        new("a doubled stud on one side and none on the other", ["hang.one-stud-only", "hang.centre-out-of-slide"], Severity.Stop, (j, r) => { OnlyStuds(j, j.Left, j.Left + 1.5); }),
        new("members 3 in apart under one slot", ["hang.one-stud-only", "hang.centre-out-of-slide"], Severity.Stop, (j, r) => OnlyStuds(j, j.Left, j.Left + 3)),
        new("one stud only", ["hang.one-stud-only", "hang.centre-out-of-slide"], Severity.Stop, (j, r) => OnlyStuds(j, j.Right)),
        new("a display over the mount's rating", ["hang.overloaded"], Final, (j, r) => j.Set("/items/m1/product/rated", $"{Weight(j) - 1 - (r.NextDouble() * 5):0.0} lb")),
        new("a display of no weight", [JudgementStudy.NotRead], Severity.Stop, (j, r) => j.Set("/items/d1/product/mass", "0 lb")),
        new("nobody looked for services", ["survey.services-not-looked-for"], Final, (j, r) => j.Set("/walls/w1/scan", null)),
        new("nobody looked for crossings, and the bolt goes deep", ["fix.bored-crossing"], Severity.Stop, (j, r) => j.Set("/walls/w1/scan/crossings", false)),
        new("a layer that nobody has confirmed", ["survey.layers-unknown"], Severity.Stop, (j, r) => j.Set("/walls/w1/layers/l1/confirmed", false)),
        new("no build-up", ["survey.layers-unknown"], Severity.Stop, (j, r) => j.Set("/walls/w1/layers", null)),
        new("a test hole that shows another wall", ["survey.build-up-differs"], Severity.Stop, (j, r) => j.Set("/walls/w1/testHoles/t", JsonNode.Parse("""{ "x": "3 in", "y": "5 in", "layers": [{ "name": "plaster", "thickness": "1 1/4 in" }] }"""))),
        new("a stud that is only found", ["survey.framing-unconfirmed"], Severity.Stop, (j, r) => { var s = "/walls/w1/studs/" + KeyAt(j, Stud(j, r)); j.Set(s + "/state", "found"); j.Set(s + "/uncertainty", "1/4 in"); }),
        new("evidence that puts a confirmed stud elsewhere", ["survey.member-disputed", "survey.framing-unconfirmed", "survey.member-twice"], Severity.Stop, (j, r) => Elsewhere(j, 1.3)),
        new("hits of which nobody said what the bit met", Unproven, Severity.Stop, (j, r) => Probes(j, ("hit", -0.6), ("hit", 0.6), ("miss", -0.85), ("miss", 0.85))),
        new("a pipe that stops the bit", Unproven, Severity.Stop, (j, r) => Probes(j, ("edges", -0.7), ("stops", -0.5), ("stops", 0.5), ("miss", -0.9375), ("miss", 0.9375))),
        new("a metal strip in a wall of wood", Unproven, Severity.Stop, (j, r) => Probes(j, ("edges", -0.8), ("chips", -0.6), ("chips", 0.6), ("miss", -0.9), ("miss", 0.9))),
        new("two plies with a gap somewhere between them", Unproven, Severity.Stop, (j, r) => Probes(j, ("bites", -1.4), ("bites", 0), ("bites", 1.4))),
        new("a bit that fell through inside of what the scanner shows", Unproven, Severity.Stop, (j, r) => Probes(j, ("edges", -0.75), ("edges", -0.7), ("bites", -0.4 - (0.3 * r.NextDouble())), ("miss", 0.15))),
        new("a bolt that never reaches wood", ["fix.no-hold"], Final, (j, r) => j.Set("/items/m1/bolt/length", "3/4 in")),
        new("a bolt that hardly reaches wood", ["fix.too-short"], Severity.Stop, (j, r) => j.Set("/items/m1/bolt/length", "1 3/4 in")),
        new("a bolt through the stud", ["fix.too-long"], Severity.Stop, (j, r) => { j.Set("/walls/w1/studDepth", "3 1/2 in"); j.Set("/items/m1/bolt/length", "6 in"); }),
        new("stone before the studs and a bolt that is long enough", ["fix.shear-unknown"], Severity.Stop, (j, r) => { j.Set("/walls/w1/layers/l0", JsonNode.Parse("""{ "order": 1, "name": "brick", "thickness": "3 5/8 in", "confirmed": true }""")); j.Set("/walls/w1/layers/l1/order", 2); j.Set("/items/m1/bolt/length", "7 in"); }),
        new("stone before the studs and a bolt that ends in it", ["fix.no-hold"], Final, (j, r) => { j.Set("/walls/w1/layers/l0", JsonNode.Parse("""{ "order": 1, "name": "brick", "thickness": "3 5/8 in", "confirmed": true }""")); j.Set("/walls/w1/layers/l1/order", 2); }),
        new("450 lb on thin lags", ["fix.demand-over-capacity"], Final, (j, r) => { j.Set("/items/d1/product/mass", "450 lb"); j.Set("/items/m1/product/rated", "600 lb"); j.Set("/items/m1/bolt/diameter", "1/4 in"); j.Set("/items/m1/bolt/length", "2 1/2 in"); }),
        new("an arm whose reach nobody entered", ["plan.assumed"], Severity.Stop, (j, r) => { j.Set("/items/m1/product/kind", "articulating"); j.Set("/items/m1/product/depthExtended", null); }),
        new("a long arm on short bolts", ["fix.demand-over-capacity", "fix.shear-unknown"], Severity.Stop, (j, r) => { j.Set("/items/m1/product/kind", "articulating"); j.Set("/items/m1/product/depthExtended", "40 in"); j.Set("/items/m1/bolt/length", "1 7/8 in"); }),
        new("a long arm swung to the side of a single stud", ["fix.cross-grain", "fix.demand-over-capacity", "hang.one-stud-only", "hang.centre-out-of-slide"], Severity.Stop, (j, r) => { j.Set("/items/m1/product/kind", "articulating"); j.Set("/items/m1/product/depthExtended", "24 in"); OnlyStuds(j, j.Right); }),
        new("a wedge anchor in brick", ["fix.wrong-for-wall"], Final, (j, r) => { j.Set("/walls/w1/kind", "masonry"); j.Set("/walls/w1/unit", "solid-brick"); j.Set("/items/m1/bolt/kind", "wedge-anchor"); }),
        new("a mount that moves on toggles in board alone", ["fix.wrong-for-wall"], Final, (j, r) => { j.Set("/items/m1/support/boardOnly", true); j.Set("/items/m1/product/kind", "articulating"); j.Set("/items/m1/product/depthExtended", "20 in"); }),
        new("a display that hangs without a pull at its plate", ["site.proof-missing"], Severity.Stop, (j, r) => j.Set("/items/m1/built/hung/by", "Tom")),
        new("a proof pull that the plate gave way under", ["site.proof-missing"], Severity.Stop, (j, r) => { j.Set("/items/m1/built/hung/by", "Tom"); j.Set("/items/m1/built/proof", JsonNode.Parse("""{ "pull": "90 lb", "held": false, "by": "Tom" }""")); }),
        new("a bolt in the wall where the plate has no hole", ["site.hole-beside"], Severity.Stop, (j, r) => j.Set("/items/m1/built/holes/h1", new JsonObject { ["row"] = "top", ["across"] = "1 in", ["up"] = "50 in" })),
        new("an engineer's figure for another bolt", ["fix.evidence-void"], Severity.Caution, (j, r) => j.Set("/items/m1/evidence/engineer", JsonNode.Parse("""{ "name": "R. Fell", "on": "May", "tension": "900 lb", "shear": "900 lb", "assumed": "another bolt" }"""))),
        new("lags into steel studs", ["fix.wrong-for-wall"], Final, (j, r) => { j.Set("/walls/w1/kind", "steel-studs"); j.Set("/items/m1/product/walls", new JsonArray("wood-studs", "steel-studs")); }),
        new("a mount that is not for this wall", ["hang.wrong-wall"], Severity.Stop, (j, r) => j.Set("/items/m1/product/walls", new JsonArray("masonry"))),
        new("a toggle that is shorter than what it passes", ["fix.too-short"], Severity.Stop, (j, r) => { j.Set("/walls/w1/kind", "steel-studs"); j.Set("/items/m1/product/walls", new JsonArray("steel-studs")); j.Set("/items/m1/bolt", JsonNode.Parse("""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "1/2 in", "hole": "1/2 in", "grip": "3 in", "ratedTension": "200 lb" }""")); }),
        new("a toggle without a rating", ["fix.rating-unknown"], Severity.Stop, (j, r) => { j.Set("/walls/w1/kind", "steel-studs"); j.Set("/items/m1/product/walls", new JsonArray("steel-studs")); j.Set("/items/m1/bolt", JsonNode.Parse("""{ "name": "toggle", "kind": "toggle", "diameter": "1/4 in", "length": "4 in", "hole": "1/2 in", "grip": "3 in" }""")); }),
        new("a wall of masonry", ["fix.wrong-for-wall", "hang.wrong-wall"], Severity.Stop, (j, r) => j.Set("/walls/w1/kind", "masonry")),
        new("a wall of which nobody said what it is", ["plan.assumed"], Severity.Stop, (j, r) => j.Set("/walls/w1/kind", null)),
        new("a switch behind the display", ["place.covers"], Severity.Stop, (j, r) => j.Put("switch", j.Display.Left + 1, j.Display.Bottom + 1, 3, 4, 0.5, routeKnown: true)),
        new("a vent behind the display", ["place.covers"], Severity.Stop, (j, r) => j.Put("vent", j.Display.Right - 3, j.Display.Top - 3, 10, 6, 0.5)),
        new("a valve behind the display", ["place.covers"], Severity.Stop, (j, r) => j.Put("control", j.Display.Left - 1, j.Display.Bottom + 2, 3, 3, 1)),
        new("an outlet behind the display", ["place.covers"], Severity.Caution, (j, r) => j.Put("receptacle", j.Display.Left + 1, j.Display.Bottom + 1, 2.5, 4, routeKnown: true)),
        new("a cupboard higher than the display's foot", ["place.behind-furniture"], Severity.Stop, (j, r) => j.Put("furniture", j.Display.Left + 3, 0, 30, j.Display.Bottom + 0.25 + (r.NextDouble() * 6), 16)),
        new("a shelf across the display's upper half", ["place.out-of-room", "place.behind-furniture"], Severity.Stop, (j, r) => j.Put("shelf", j.Display.Left - 4, j.Display.Top - 3, 20, 1, 9)),
        new("a beam lower than the display's top", ["place.out-of-room"], Severity.Stop, (j, r) => j.Put("beam", 0, j.Display.Top - 0.5 - (r.NextDouble() * 3), j.Width, 8, 6)),
        new("a bar on the wall where the display goes", ["place.behind-furniture", "place.out-of-room"], Severity.Stop, (j, r) => j.Put("soundbar", j.Display.Left + 2, j.Display.Bottom - 2, 30, 4, 4)),
        new("a door under the display's edge", ["place.out-of-room"], Severity.Stop, (j, r) => j.Put("door", j.Display.Right - 1 - (r.NextDouble() * 3), 0, 32, 80)),
        new("a second display over the first", ["place.out-of-room"], Severity.Stop, (j, r) => Second(j, (j.Display.Right - j.Display.Left) * 0.7)),
        new("a display beyond the wall's end", ["place.out-of-room", "hang.outside"], Severity.Stop, (j, r) => j.Set("/walls/w1/width", WholeJob.In(j.Display.Right - 0.5 - (r.NextDouble() * 3)))),
        new("a display above the ceiling", ["place.out-of-room"], Severity.Stop, (j, r) => j.Set("/walls/w1/height", WholeJob.In(j.Display.Top - 0.5 - (r.NextDouble() * 3)))),
        new("a screw from another display's bag", ["hang.screw-bottoms"], Severity.Stop, (j, r) => Screwed(j, 20, 20 - 1 + 3 + 1.6 + 0.1 + (10 * r.NextDouble()))),
        new("a screw that hardly catches", ["hang.screw-too-short"], Severity.Stop, (j, r) => Screwed(j, 20, 3 + 1.6 + 8 - 0.1 - (8 * r.NextDouble()))),
        new("a depth of thread typed in inches for millimetres", ["hang.screw-bottoms"], Severity.Stop, (j, r) => { Screwed(j, 20, 20); j.Set("/items/d1/product/threadDepth", "20 in"); }),
        new("a display that sticks out into a path", ["place.protrudes"], Severity.Stop, (j, r) => { j.Set("/walls/w1/circulation", true); j.Set("/items/d1/product/depth", "4 in"); }),
        new("nobody has consented", ["place.not-approved"], Severity.Stop, (j, r) => j.Set("/items/d1/place/approval", null)),
        new("a blank is no consent", ["place.not-approved"], Severity.Stop, (j, r) => j.Set("/items/d1/place/approval/by", "   ")),
        new("consent to another height", ["place.not-approved"], Severity.Stop, (j, r) => j.Set("/items/d1/place/approval/centre", WholeJob.In(((j.Display.Bottom + j.Display.Top) / 2) + 0.5 + (r.NextDouble() * 10)))),
        new("a client's cross a foot away", ["place.not-approved"], Severity.Stop, (j, r) => j.Set("/walls/w1/crosses/c", new JsonObject { ["x"] = WholeJob.In(((j.Display.Left + j.Display.Right) / 2) + 12), ["y"] = WholeJob.In((j.Display.Bottom + j.Display.Top) / 2), ["standsFor"] = "centre" })),
        new("a cross of which nobody knows what it stands for", ["survey.datum-unclear"], Severity.Stop, (j, r) => j.Set("/walls/w1/crosses/c", new JsonObject { ["x"] = "40 in", ["y"] = "50 in" })),
        new("centred on what is gone", ["plan.item-lost"], Severity.Stop, (j, r) => j.Set("/items/d1/place/over", "gone")),
        new("top to hook 5 in off", ["hang.chain-disagrees"], Severity.Stop, (j, r) => { var d = ToHook(j); j.Set("/items/m1/hang/measuredTopToHook", WholeJob.In(j.Display.Top - j.Display.Bottom - d + (r.Next(2) == 0 ? 5 : -5))); }),
        new("bottom to hook an inch off", ["hang.chain-disagrees"], Severity.Stop, (j, r) => j.Set("/items/m1/hang/measuredBottomToHook", WholeJob.In(ToHook(j) + 1))),
        new("two readings that do not make the height", ["hang.chain-disagrees"], Severity.Stop, (j, r) => { j.Set("/items/m1/hang/measuredBottomToHook", WholeJob.In(ToHook(j))); j.Set("/items/m1/hang/measuredTopToHook", WholeJob.In(j.Display.Top - j.Display.Bottom - ToHook(j) + 0.75)); }),
        new("an arm hole that is not there", ["hang.cannot-hook"], Severity.Stop, (j, r) => j.Set("/items/m1/hang/armHoleLeft", 13 + r.Next(4))),
        new("arms that end above the lower holes", ["hang.cannot-hook"], Severity.Stop, (j, r) => j.Set("/items/m1/product/armLength", "6 in")),
        new("arms beyond the plate", ["hang.cannot-hook"], Severity.Stop, (j, r) => { j.Set("/items/d1/product/vesaWidth", "800 mm"); j.Set("/items/m1/product/vesaWidest", "900 mm"); }),
        new("a pattern that the mount does not take", ["hang.pattern-misfit"], Severity.Stop, (j, r) => j.Set("/items/m1/product/vesaWidest", "100 mm")),
        new("rows of holes below the plate", ["hang.row-off-plate"], Severity.Stop, (j, r) => j.Set("/items/m1/product/hookUp", "0 in")),
        new("rows too near each other", ["fix.holes-near"], Severity.Stop, (j, r) => ((JsonObject)j.Document["items"]!["m1"]!["product"]!["rows"]![1]!)["aboveHook"] = "-1 in"),
        new("an old hole beside a bolt", ["survey.old-hole-too-near"], Severity.Caution, (j, r) => j.Put("old-hole", Stud(j, r) + 0.3, Row(j, r) - 0.25, 0.5, 0.5)),
        new("gas near, and nobody knows where", ["survey.gas-near"], Final, (j, r) => j.Set("/walls/w1/questions/gas", true)),
        new("a fire-rated wall", ["survey.fire-rated"], Severity.Caution, (j, r) => j.Set("/walls/w1/questions/fireRated", true)),
        new("a stove, and nobody asked about flue and gas", ["survey.hazard-questions-open"], Severity.Stop, (j, r) => { j.Put("fireplace", j.Display.Left, 0, 10, 10); j.Set("/walls/w1/questions", null); }),
        new("an old house", ["survey.old-finish"], Severity.Caution, (j, r) => j.Set("/site/built", 1900 + r.Next(79))),
        new("a pilot bit that is too big", ["fix.pilot"], Severity.Caution, (j, r) => j.Set("/items/m1/fix/pilot", "5/16 in")),
        new("different arm holes", ["hang.arm-holes-differ"], Severity.Caution, (j, r) => j.Set("/items/m1/hang/armHoleRight", 1)),
        new("a mount with hardly a margin", ["hang.overloaded"], Severity.Caution, (j, r) => j.Set("/items/m1/product/rated", $"{Weight(j) * 1.05:0.0} lb")),
        new("a closed opening that nobody has looked into", ["masonry.closed-unseen"], Severity.Stop, (j, r) => j.Put("closed-opening", Stud(j, r) - 3, Row(j, r) - 8, 30, 14)),
        new("a flue behind the studs, where the bolts go", ["masonry.flue-route"], Final, (j, r) => j.Put("flue", Stud(j, r) - 4, 10, 8, j.Height - 10, 2)),
        .. new Danger[]
        {
            new("a bed joint where a row goes", ["masonry.near-joint"], Severity.Stop, (j, r) => Course(j, "firstBed", Row(j, r) + ((r.NextDouble() - 0.5) * 0.4))),
            new("an upright joint where a bolt goes", ["masonry.near-joint"], Severity.Stop, (j, r) => { Course(j, "unit", 16); Course(j, "offset", 0); Course(j, "firstHead", Stud(j, r) + ((r.NextDouble() - 0.5) * 0.4)); }),
            new("courses so low that no hole has its distance", ["masonry.near-joint"], Severity.Stop, (j, r) => Course(j, "course", 1.25)),
            new("a joint in a traced stone's place", ["masonry.near-joint"], Severity.Stop, (j, r) => j.Set("/walls/w1/facework", JsonNode.Parse("""{ "units": { "u1": { "outline": [{ "x": "1 in", "y": "1 in" }, { "x": "9 in", "y": "1 in" }, { "x": "5 in", "y": "8 in" }] } } }"""))),
            new("a plate that rocks on a stone under its middle", ["masonry.rocks"], Severity.Stop, (j, r) => { j.Set("/packing", null); Gaps(j, 0.375, 0.4, 0.375, 0.4); j.Set("/items/m1/gaps/points/m", new JsonObject { ["x"] = WholeJob.In((j.Left + j.Right) / 2), ["y"] = WholeJob.In((j.Rows[0] + j.Rows[1]) / 2), ["gap"] = "0 in" }); }),
            new("a corner that nothing is packed under", ["masonry.rocks"], Severity.Stop, (j, r) => { j.Set("/packing", null); Gaps(j, 0, 0, 0, 0.2 + (r.NextDouble() / 2)); }),
            new("a gap for which there is no washer soft enough", ["masonry.packing-short"], Severity.Stop, (j, r) => { j.Set("/packing/soft", null); Gaps(j, 0, 0, 0, 0.25); }),
            new("a gap that nothing at hand fills", ["masonry.packing-short"], Severity.Stop, (j, r) => { j.Set("/packing/pieces", null); Gaps(j, 0, 0, 0, 0.2 + (r.NextDouble() / 2)); }),
            new("fewer washers than all the gaps take", ["masonry.packing-short"], Severity.Stop, (j, r) => { j.Set("/packing/pieces", JsonNode.Parse("""[{ "name": "washer", "thickness": "1/16 in", "count": 5 }]""")); Gaps(j, 0, 14 / 64d, 14 / 64d, 14 / 64d); }),
            new("a plate that was moved after its gaps were measured", ["masonry.gap-not-packed"], Severity.Caution, (j, r) => j.Set("/items/d1/place/across", WholeJob.In(((j.Display.Left + j.Display.Right) / 2) + 1 + r.Next(3)))),
            new("masonry that crumbles", ["masonry.crumbles"], Severity.Stop, (j, r) => j.Set("/walls/w1/facework/knocks/k", JsonNode.Parse("""{ "x": "20 in", "y": "50 in", "sound": "crumbling" }"""))),
            new("soot in a test hole", ["masonry.crumbles"], Severity.Stop, (j, r) => j.Set("/walls/w1/testHoles/t", JsonNode.Parse("""{ "x": "20 in", "y": "50 in", "sound": "sooty", "layers": [{ "name": "block", "thickness": "2 in" }] }"""))),
            new("a hollow sound in solid block", ["masonry.crumbles"], Severity.Stop, (j, r) => j.Set("/walls/w1/facework/knocks/k", JsonNode.Parse("""{ "x": "20 in", "y": "50 in", "sound": "hollow" }"""))),
            new("a test hole that met wood behind the face", ["survey.build-up-differs"], Severity.Stop, (j, r) => j.Set("/walls/w1/testHoles/t", JsonNode.Parse("""{ "x": "20 in", "y": "50 in", "behind": "wood", "bite": "1 in", "layers": [{ "name": "stone facing", "thickness": "3 in" }] }"""))),
            new("a facing, and nobody knows what is behind it", ["masonry.veneer-carries"], Severity.Stop, (j, r) => j.Set("/walls/w1/layers/l2/facing", true)),
            new("4 in of stone before the block", ["fix.shear-unknown", "fix.no-hold"], Severity.Stop, (j, r) => { j.Set("/walls/w1/layers/l1", JsonNode.Parse("""{ "order": 1, "name": "cobble facing", "thickness": "4 in", "confirmed": true }""")); j.Set("/items/m1/bolt/sold", JsonNode.Parse("""["7 in", "8 in"]""")); j.Set("/items/m1/bolt/length", "8 in"); }),
            new("an anchor that hardly reaches the block", ["fix.too-short", "fix.no-hold"], Severity.Stop, (j, r) => { j.Set("/items/m1/bolt/sold", null); j.Set("/items/m1/bolt/length", "1 in"); Gaps(j, 0, 0, 0, 0); }),
            new("lags into block", ["fix.wrong-for-wall"], Final, (j, r) => j.Set("/items/m1/bolt/kind", "lag-screw")),
            new("an anchor that is rated for brick", ["fix.rating-unknown"], Severity.Stop, (j, r) => ((JsonObject)j.Document["items"]!["m1"]!["bolt"]!["ratings"]![0]!)["into"] = "solid-brick"),
            new("a flue behind thin block", ["masonry.flue-route"], Final, (j, r) => j.Put("flue", Stud(j, r) - 4, 10, 8, j.Height - 10, 2 + r.NextDouble())),
            new("a stove whose flue nobody has found", ["masonry.flue-route"], Final, (j, r) => { Stove(j, flue: false); j.Set("/walls/w1/features/planted/left", WholeJob.In(j.Left - 4)); j.Set("/walls/w1/features/planted/width", WholeJob.In(j.Right - j.Left + 8)); }),
            new("a stove that was called dead", ["masonry.flue-route"], Final, (j, r) => { Stove(j, flue: false); j.Set("/walls/w1/questions/flue", "dead"); j.Set("/walls/w1/features/planted/left", WholeJob.In(j.Left - 4)); j.Set("/walls/w1/features/planted/width", WholeJob.In(j.Right - j.Left + 8)); }),
            new("a stove that nobody has lit", ["masonry.heat-unknown"], Severity.Stop, (j, r) => Stove(j, measured: false)),
            new("a stove that was measured after ten minutes", ["masonry.heat-unknown"], Severity.Stop, (j, r) => { Stove(j); foreach (var n in new[] { 0, 1, 2, 3 }) { j.Set($"/walls/w1/fire/readings/r{n}/minutes", 10); } }),
            new("a stove that is too hot", ["masonry.too-hot"], Severity.Stop, (j, r) => Stove(j, warm: $"{36 + r.Next(40)} C")),
            new("a display lower than where the air was measured", ["masonry.heat-unknown"], Severity.Stop, (j, r) => { Stove(j); j.Set("/walls/w1/fire/readings/r0/up", WholeJob.In(j.Display.Bottom + 3)); }),
            new("a stove without a shelf over it", ["masonry.rising-air"], Severity.Stop, (j, r) => Stove(j, shelf: false)),
            new("an oak shelf too near a stove", ["masonry.combustible-near"], Severity.Stop, (j, r) => { Stove(j); j.Set("/walls/w1/features/shelf/combustible", true); j.Set("/walls/w1/features/shelf/bottom", WholeJob.In(8 + 6.5 + (5 * r.NextDouble()))); }),
            new("a board under the plate, beside a stove", ["masonry.combustible-near"], Severity.Stop, (j, r) => { j.Put("fireplace", j.Left - 8, 0, 6, j.Rows[1] + 2, 1); j.Set("/items/m1/fix/conditions/spreader", "3/4 in"); }),
            new("dust that nobody keeps back", ["masonry.silica"], Severity.Caution, (j, r) => j.Set("/items/m1/built", null)),
            new("nobody looked for services in the block", ["survey.services-not-looked-for"], Final, (j, r) => j.Set("/walls/w1/scan", null)),
            new("a cable chased into the block across a bolt", ["survey.live-near-hole"], Final, (j, r) => j.Put("cable", 2, Row(j, r) - 0.3, j.Width - 4, 0.6)),
        }.Select(d => d with { OfStone = true }),
        .. FedJobs.Dangers,
        .. TangledJobs.Dangers,
    ];

    /// <summary>A job of which nobody would say anything: mostly a framed wall, now and then one of block with courses.</summary>
    /// <param name="random">Chance.</param>
    /// <param name="stone">Whether it is of block; null leaves it to chance.</param>
    /// <param name="fed">Whether power and signal are brought behind its display, on a framed wall; null leaves it to chance.</param>
    /// <returns>The job.</returns>
    public static WholeJob Sound(Random random, bool? stone = null, bool? fed = null) => stone ?? random.Next(4) == 0 ? Stone(random)
        : fed ?? random.Next(3) == 0 ? FedJobs.Feed(Framed(random), random)
        : Framed(random);

    // On block: courses that leave room for every hole, gaps with what fills them, the dust seen to.
    private static WholeJob Stone(Random random)
    {
        var framed = Framed(random);
        var centre = (framed.Display.Left + framed.Display.Right) / 2;
        var slot = double.Parse(framed.Document["items"]!["m1"]!["product"]!["rows"]![0]!["slots"]![1]!["to"]!.ToString().Split(' ')[0], CultureInfo.InvariantCulture);
        // A plate that no stud pulls aside is in the middle, bolted through its outermost holes.
        var job = framed with { OfStone = true, Left = centre - slot, Right = centre + slot };
        var layers = new JsonObject { ["l2"] = new JsonObject { ["order"] = 2, ["name"] = "block", ["thickness"] = "7 5/8 in", ["confirmed"] = true } };
        if (random.Next(2) == 0)
        {
            layers["l1"] = new JsonObject { ["order"] = 1, ["name"] = "render", ["thickness"] = "1/2 in", ["confirmed"] = true };
        }

        job.Set("/walls/w1/kind", "masonry");
        job.Set("/walls/w1/unit", "solid-block");
        job.Set("/walls/w1/layers", layers);
        job.Set("/walls/w1/studs", null);
        job.Set("/items/m1/product/walls", new JsonArray("masonry"));
        job.Set("/items/m1/fix", null);
        job.Set("/items/m1/bolt", JsonNode.Parse("""{ "name": "screw anchor", "kind": "screw-anchor", "diameter": "3/8 in", "length": "4 in", "hole": "3/8 in", "washer": "1/16 in", "sold": ["2 1/2 in", "3 in", "3 1/2 in", "4 in"], "ratings": [{ "into": "solid-block", "tension": "1200 lb", "shear": "1000 lb", "embedment": "1 1/2 in", "edge": "3 in", "spacing": "3 in" }] }"""));
        // The rows are 4 1/2 in apart. A bed midway between them, and courses of 7 1/2 in and more: each row is 2 1/4 in from one bed and farther from the next.
        var course = 7.5 + (random.Next(9) / 8d);
        job.Set("/walls/w1/facework", new JsonObject { ["courses"] = new JsonObject { ["course"] = WholeJob.In(course), ["joint"] = "3/8 in", ["firstBed"] = WholeJob.In((job.Rows[0] + job.Rows[1]) / 2) } });
        // A washer of 1/16 in as often as it takes, and a soft one that fills 5 to 7 64ths.
        job.Set("/packing", JsonNode.Parse("""{ "pieces": [{ "name": "washer", "thickness": "1/16 in", "count": 60 }], "soft": { "free": "1/8 in", "least": "5/64 in", "most": "7/64 in" } }"""));
        Gaps(job, [.. Enumerable.Range(0, 4).Select(i => i == 0 || random.Next(3) == 0 ? 0 : ((4 * random.Next(5)) + 6) / 64d)]);
        job.Set("/items/m1/built/done/dust", new JsonObject { ["by"] = "Ines" });
        return job;
    }

    // Gaps at the four holes, the upper ones first, from the left.
    private static void Gaps(WholeJob job, params double[] gaps) => job.Set("/items/m1/gaps/points", new JsonObject(gaps.Select((g, i) => KeyValuePair.Create<string, JsonNode?>($"g{i}", new JsonObject
    {
        ["x"] = WholeJob.In(i % 2 == 0 ? job.Left : job.Right),
        ["y"] = WholeJob.In(job.Rows[i / 2]),
        ["gap"] = WholeJob.In(g),
    }))));

    // A stove under the display, measured after an hour at full, with a slate shelf between, and a flue that begins behind the block.
    private static void Stove(WholeJob job, string warm = "80 F", bool shelf = true, bool measured = true, bool flue = true)
    {
        var centre = (job.Display.Left + job.Display.Right) / 2;
        job.Put("fireplace", centre - 9, 0, 18, 8, 1);
        if (shelf)
        {
            job.Set("/walls/w1/features/shelf", new JsonObject { ["kind"] = "mantel", ["left"] = WholeJob.In(centre - 12), ["width"] = "24 in", ["bottom"] = "21 in", ["height"] = "1 in", ["depth"] = "4 in", ["combustible"] = false });
        }

        job.Set("/walls/w1/questions/flue", "live");
        if (flue)
        {
            job.Set("/walls/w1/features/flue", new JsonObject { ["kind"] = "flue", ["left"] = WholeJob.In(centre - 4), ["width"] = "8 in", ["bottom"] = "8 in", ["height"] = WholeJob.In(job.Height - 8), ["depth"] = "8 1/8 in" });
        }

        job.Set("/walls/w1/fire", JsonNode.Parse("""{ "fuel": "wood", "use": "often", "vented": true, "fan": false }"""));
        foreach (var (of, up, n) in measured ? new[] { ("air", job.Display.Bottom, 0), ("wall", job.Display.Bottom, 1), ("wall", (job.Display.Bottom + job.Display.Top) / 2, 2), ("wall", job.Display.Top, 3) } : [])
        {
            job.Set($"/walls/w1/fire/readings/r{n}", new JsonObject { ["of"] = of, ["up"] = WholeJob.In(up), ["warm"] = warm, ["minutes"] = 60 });
        }
    }

    private static void Course(WholeJob job, string member, double value) => job.Set($"/walls/w1/facework/courses/{member}", WholeJob.In(value));

    private static WholeJob Framed(Random random)
    {
        var spacing = random.Next(3) == 0 ? 24d : 16d;
        var (width, height) = (Eighths(random, 170, 260), Eighths(random, 94, 120));
        var start = Eighths(random, 2, 14);
        var studs = Enumerable.Range(0, 30).Select(i => start + (i * spacing) + ((random.Next(9) - 4) / 16d)).Where(x => x < width - 2).ToList();
        var at = Enumerable.Range(1, studs.Count - 2).OrderBy(i => Math.Abs(((studs[i] + studs[i + 1]) / 2) - (width / 2))).First();
        var (left, right) = (studs[at], studs[at + 1]);
        var centre = Math.Round((((left + right) / 2) + ((random.NextDouble() * 1.6) - 0.8)) * 8) / 8;
        var diagonal = new[] { 43, 50, 55, 65 }[random.Next(4)];
        var (wide, high) = (Math.Round((diagonal * 0.8716 + 0.8) * 8) / 8, Math.Round((diagonal * 0.4903 + 1.4) * 8) / 8);
        var (plate, slot) = spacing > 20 ? (28d, (From: 10.5, To: 13.5)) : (20d, (From: 6.5, To: 9.5));
        var bottom = Eighths(random, 28, 40);
        var vesaUp = Math.Round(high / 2 * 8) / 8;
        var hole = 3 + random.Next(3);
        var hook = bottom + vesaUp + (200 / 25.4 / 2) + 1 + (hole - 1);
        var mass = 20 + random.Next(30);
        // The picture's centre is at most 15 degrees up, and fills 30 to 50 degrees.
        var distance = Math.Round(diagonal * (1.2 + (random.NextDouble() * 0.35)));
        var eye = Math.Round(Math.Clamp(bottom + (high / 2) - 2 + (random.NextDouble() * 4), 36, 60));
        var document = new JsonObject
        {
            ["format"] = "corrie-job/2",
            ["job"] = new JsonObject { ["number"] = "1", ["title"] = "a wall", ["units"] = random.Next(2) == 0 ? "in" : "mm" },
            ["site"] = new JsonObject { ["built"] = 1990 + random.Next(30), ["smallHands"] = false },
            ["walls"] = new JsonObject
            {
                ["w1"] = new JsonObject
                {
                    ["width"] = WholeJob.In(width),
                    ["height"] = WholeJob.In(height),
                    ["kind"] = "wood-studs",
                    ["spacing"] = WholeJob.In(spacing),
                    ["studDepth"] = random.Next(2) == 0 ? "3 1/2 in" : "5 1/2 in",
                    ["layers"] = new JsonObject { ["l1"] = new JsonObject { ["order"] = 1, ["name"] = "gypsum board", ["thickness"] = random.Next(2) == 0 ? "1/2 in" : "5/8 in", ["confirmed"] = true } },
                    ["studs"] = new JsonObject(studs.Select((x, i) => KeyValuePair.Create<string, JsonNode?>($"s{i}", new JsonObject { ["centre"] = WholeJob.In(x), ["state"] = "confirmed", ["uncertainty"] = "1/32 in" }))),
                    ["scan"] = new JsonObject { ["by"] = "somebody", ["with"] = "a scanner", ["crossings"] = true },
                    ["questions"] = new JsonObject { ["flue"] = "none", ["gas"] = false, ["fireRated"] = false, ["insulated"] = false, ["mayCut"] = true },
                },
            },
            ["seats"] = new JsonObject { ["v"] = new JsonObject { ["name"] = "sofa", ["eye"] = WholeJob.In(eye), ["distance"] = WholeJob.In(distance) } },
            ["items"] = new JsonObject
            {
                ["d1"] = new JsonObject
                {
                    ["kind"] = "display",
                    ["on"] = "m1",
                    ["product"] = new JsonObject
                    {
                        ["name"] = "a display",
                        ["diagonal"] = $"{diagonal} in",
                        ["width"] = WholeJob.In(wide),
                        ["height"] = WholeJob.In(high),
                        ["depth"] = "2 in",
                        ["mass"] = $"{mass} lb",
                        ["vesaWidth"] = "300 mm",
                        ["vesaHeight"] = "200 mm",
                        ["vesaCentreUp"] = WholeJob.In(vesaUp),
                    },
                    ["place"] = new JsonObject
                    {
                        ["given"] = "bottom",
                        ["height"] = WholeJob.In(bottom),
                        ["across"] = WholeJob.In(centre),
                        ["approval"] = new JsonObject { ["by"] = "the client", ["centre"] = WholeJob.In(bottom + (high / 2)), ["across"] = WholeJob.In(centre) },
                    },
                },
                ["m1"] = new JsonObject
                {
                    ["kind"] = "mount",
                    ["wall"] = "w1",
                    ["product"] = new JsonObject
                    {
                        ["name"] = "a mount",
                        ["kind"] = random.Next(2) == 0 ? "tilting" : "flat",
                        ["walls"] = new JsonArray("wood-studs"),
                        ["rated"] = "110 lb",
                        ["mass"] = $"{6 + random.Next(6)} lb",
                        ["vesaWidest"] = "600 mm",
                        ["vesaHighest"] = "400 mm",
                        ["sizeFrom"] = "32 in",
                        ["sizeTo"] = "75 in",
                        ["plateWidth"] = WholeJob.In(plate),
                        ["plateHeight"] = "8 in",
                        ["plateThickness"] = "3/16 in",
                        ["hookUp"] = "7 in",
                        ["rows"] = new JsonArray(Rows("top", "-1/2 in", slot), Rows("bottom", "-5 in", slot)),
                        ["hookAboveFirstHole"] = "1 in",
                        ["armPitch"] = "1 in",
                        ["armHoles"] = 12,
                        ["armTopAboveHook"] = "1/2 in",
                        ["armLength"] = "16 in",
                        ["slide"] = "3 in",
                        ["raiseBy"] = "1/2 in",
                        ["lowerBy"] = "1/2 in",
                        ["depthParked"] = "1 3/4 in",
                        ["depthExtended"] = "1 3/4 in",
                        ["clearAbove"] = "1 in",
                    },
                    ["hang"] = new JsonObject { ["armHoleLeft"] = hole, ["armHoleRight"] = hole },
                    ["bolt"] = JsonNode.Parse("""{ "name": "lag screw", "kind": "lag-screw", "diameter": "5/16 in", "length": "3 in", "thread": "2 in", "tip": "3/16 in", "washer": "1/16 in" }"""),
                    ["fix"] = new JsonObject { ["gravity"] = 0.42 },
                },
            },
        };
        return new(document, left, right, [hook - 0.5, hook - 5], (centre - (wide / 2), bottom, centre + (wide / 2), bottom + high), width, height);
    }

    private static JsonObject Rows(string id, string above, (double From, double To) slot) => new()
    {
        ["id"] = id,
        ["aboveHook"] = above,
        ["slots"] = new JsonArray(
            new JsonObject { ["from"] = WholeJob.In(-slot.To), ["to"] = WholeJob.In(-slot.From) }, new JsonObject { ["from"] = WholeJob.In(slot.From), ["to"] = WholeJob.In(slot.To) }),
    };

    private static double Eighths(Random random, int from, int to) => random.Next(from * 8, (to * 8) + 1) / 8d;

    // An arm of 3 mm and a washer of 1.6 mm; an M8 wants 8 mm of thread and 1 mm of air before its end.
    private static void Screwed(WholeJob job, double depth, double screw)
    {
        job.Set("/items/d1/product/thread", "M8");
        job.Set("/items/d1/product/threadDepth", FormattableString.Invariant($"{depth:0.##} mm"));
        job.Set("/items/m1/product/armThickness", "3 mm");
        job.Set("/items/m1/screws", new JsonObject { ["upperScrew"] = FormattableString.Invariant($"{screw:0.##} mm"), ["upperWasher"] = "1.6 mm", ["lowerScrew"] = FormattableString.Invariant($"{screw:0.##} mm"), ["lowerWasher"] = "1.6 mm" });
    }

    private static double Stud(WholeJob job, Random random) => random.Next(2) == 0 ? job.Left : job.Right;

    private static string[] Unproven => ["survey.framing-unconfirmed", "hang.one-stud-only", "hang.centre-out-of-slide"];

    // In place of the left stud what somebody has found there: how, and how far right of its centre; of a scanner the left edge of two alike.
    private static void Probes(WholeJob job, params (string Word, double Off)[] found)
    {
        OnlyStuds(job, job.Right);
        foreach (var ((word, off), i) in found.Select((f, i) => (f, i)))
        {
            var evidence = new JsonObject { ["kind"] = word switch { "edges" => "scanner-edges", "miss" => "probe-miss", _ => "probe-hit" }, ["at"] = WholeJob.In(job.Left + off) };
            switch (word)
            {
                case "edges": evidence["to"] = WholeJob.In(job.Left - off); break;
                case "bites": evidence["bite"] = "1/2 in"; break;
                case "stops": evidence["bite"] = "0 in"; break;
                case "chips": evidence["told"] = "metal"; break;
            }

            job.Set("/walls/w1/evidence/p" + i, evidence);
        }
    }

    private static double Row(WholeJob job, Random random) => job.Rows[random.Next(job.Rows.Count)];

    private static double ToHook(WholeJob job) => job.Rows[0] + 0.5 - job.Display.Bottom;

    private static double Weight(WholeJob job) => double.Parse(job.Document["items"]!["d1"]!["product"]!["mass"]!.ToString().Split(' ')[0], CultureInfo.InvariantCulture);

    private static void Answer(WholeJob job) => job.Set("/walls/w1/questions", JsonNode.Parse("""{ "flue": "dead", "gas": false, "fireRated": false }"""));

    private static string KeyAt(WholeJob job, double x) => ((JsonObject)job.Document["walls"]!["w1"]!["studs"]!).MinBy(s => Math.Abs(double.Parse(s.Value!["centre"]!.ToString().Split(' ')[0], CultureInfo.InvariantCulture) - x)).Key;

    private static void AddStud(WholeJob job, double x) => job.Set("/walls/w1/studs/again", new JsonObject { ["centre"] = WholeJob.In(x), ["state"] = "confirmed", ["uncertainty"] = "0 in" });

    private static void OnlyStuds(WholeJob job, params double[] centres) => job.Set(
        "/walls/w1/studs", new JsonObject(centres.Select((x, i) => KeyValuePair.Create<string, JsonNode?>($"only{i}", new JsonObject { ["centre"] = WholeJob.In(x), ["state"] = "confirmed", ["uncertainty"] = "0 in" }))));

    // Both edges probed, that much to the right of where the sheet has the stud.
    private static void Elsewhere(WholeJob job, double by)
    {
        var x = job.Left + by;
        foreach (var (key, kind, at) in new[] { ("e1", "probe-hit", x - 0.6), ("e2", "probe-hit", x + 0.6), ("e3", "probe-miss", x - 0.85), ("e4", "probe-miss", x + 0.85) })
        {
            job.Set("/walls/w1/evidence/" + key, new JsonObject { ["kind"] = kind, ["at"] = WholeJob.In(at), ["bite"] = kind == "probe-hit" ? "1 in" : null });
        }
    }

    private static void Second(WholeJob job, double by)
    {
        var second = job.Document["items"]!["d1"]!.DeepClone();
        second["on"] = null;
        second["wall"] = "w1";
        var across = double.Parse(second["place"]!["across"]!.ToString().Split(' ')[0], CultureInfo.InvariantCulture) + by;
        second["place"]!["across"] = WholeJob.In(across);
        second["place"]!["approval"]!["across"] = WholeJob.In(across);
        job.Set("/items/d2", second);
    }
}
