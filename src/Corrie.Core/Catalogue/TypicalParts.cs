using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Catalogue;

/// <summary>A part with the figures that are usual for its kind, to plan with until its own are known.</summary>
/// <param name="Id">Its key, which no item of a company's catalogue has.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Document">Its figures, marked as typical.</param>
public sealed record TypicalPart(string Id, ProductKind Kind, JsonObject Document)
{
    /// <summary>What it is called.</summary>
    public string Name => Document["name"]!.GetValue<string>();
}

/// <summary>Parts to start from where nobody knows the make yet: displays by size, kinds of mount, bolts. Their figures are invented within what is usual.</summary>
public static class TypicalParts
{
    private const string Member = "typical";

    /// <summary>All of them, by kind and size.</summary>
    public static IReadOnlyList<TypicalPart> All { get; } =
    [
        DisplayOf(32, "28 1/2 in", "16 3/4 in", "3 in", "10 lb", "100 mm", "100 mm", "8 in", "M4"),
        DisplayOf(40, "35 5/8 in", "20 5/8 in", "3 in", "14 lb", "200 mm", "200 mm", "9 1/2 in", "M6"),
        DisplayOf(43, "38 in", "22 1/4 in", "3 in", "17 lb", "200 mm", "200 mm", "10 1/4 in", "M6"),
        DisplayOf(50, "44 in", "25 3/4 in", "3 in", "24 lb", "200 mm", "200 mm", "11 1/2 in", "M6"),
        DisplayOf(55, "48 5/8 in", "28 1/4 in", "3 in", "34 lb", "300 mm", "200 mm", "12 1/2 in", "M6"),
        DisplayOf(65, "57 1/8 in", "33 in", "3 in", "48 lb", "400 mm", "300 mm", "14 1/2 in", "M8"),
        DisplayOf(70, "61 1/2 in", "35 1/2 in", "3 in", "58 lb", "400 mm", "300 mm", "15 3/4 in", "M8"),
        DisplayOf(75, "66 in", "38 in", "3 in", "72 lb", "400 mm", "400 mm", "17 in", "M8"),
        DisplayOf(85, "74 3/4 in", "43 in", "3 1/4 in", "96 lb", "600 mm", "400 mm", "19 1/2 in", "M8"),
        DisplayOf(98, "86 1/4 in", "49 1/2 in", "3 1/2 in", "130 lb", "600 mm", "400 mm", "22 1/2 in", "M8"),
        MountOf("flat-small", "Typical flat mount, plate 20 in", "flat", "wood-studs, masonry", "100 lb", "7 lb", 400, (32, 55), 20, ("1 1/4 in", null), []),
        MountOf("flat-large", "Typical flat mount, plate 32 in", "flat", "wood-studs, masonry", "165 lb", "12 lb", 600, (50, 86), 32, ("1 1/2 in", null), []),
        MountOf("flat-steel", "Typical flat mount for steel studs, plate 20 in", "flat", "wood-studs, steel-studs", "80 lb", "6 lb", 400, (32, 55), 20, ("1 1/4 in", null), []),
        MountOf("tilting-small", "Typical tilting mount, plate 20 in", "tilting", "wood-studs, masonry", "100 lb", "8 lb", 400, (32, 55), 20, ("2 1/2 in", null), [("tiltDown", "12 deg")]),
        MountOf("tilting-large", "Typical tilting mount, plate 32 in", "tilting", "wood-studs, masonry", "165 lb", "14 lb", 600, (50, 86), 32, ("2 3/4 in", null), [("tiltDown", "12 deg")]),
        MountOf("arm-one-stud", "Typical articulating mount, one stud, reach 20 in", "articulating", "wood-studs", "60 lb", "16 lb", 400, (32, 50), 4, ("2 3/4 in", "20 in"), [("tiltDown", "10 deg"), ("studs", "1")]),
        MountOf("arm-two-studs", "Typical articulating mount, two studs, reach 24 in", "articulating", "wood-studs, masonry", "110 lb", "30 lb", 600, (42, 75), 20, ("3 in", "24 in"), [("tiltDown", "10 deg")]),
        MountOf("pull-down", "Typical pull-down mount, two studs, reach 26 in", "pull-down", "wood-studs, masonry", "85 lb", "38 lb", 400, (43, 65), 20, ("5 in", "26 in"), [("tiltDown", "10 deg")]),
        LagOf("1/4 in", "2 in", "3/16 in"),
        LagOf("1/4 in", "2 1/2 in", "3/16 in"),
        LagOf("1/4 in", "3 in", "3/16 in"),
        LagOf("5/16 in", "2 1/2 in", "3/16 in"),
        LagOf("5/16 in", "3 in", "3/16 in"),
        LagOf("5/16 in", "3 1/2 in", "3/16 in"),
        LagOf("3/8 in", "3 in", "7/32 in"),
        LagOf("3/8 in", "3 1/2 in", "7/32 in"),
        FastenerOf("wood-screw-14", "Typical wood screw no. 14 by 3 in", "wood-screw", "0.242 in", "3 in", ("tip", "1/4 in")),
        FastenerOf("wood-screw-12", "Typical wood screw no. 12 by 2 1/2 in", "wood-screw", "0.216 in", "2 1/2 in", ("tip", "1/4 in")),
        FastenerOf("toggle-1/4", "Typical toggle 1/4 in", "toggle", "1/4 in", "3 1/2 in", ("hole", "1/2 in"), ("grip", "2 in"), ("ratedTension", "200 lb"), ("basis", "ultimate")),
        FastenerOf("toggle-3/16", "Typical toggle 3/16 in", "toggle", "3/16 in", "3 in", ("hole", "1/2 in"), ("grip", "2 in"), ("ratedTension", "130 lb"), ("basis", "ultimate")),
        BoxOf("power", "Typical recessed box for mains", "4 3/4 in", "6 1/4 in", "3 in", ("sort", "recessed"), ("use", "power"), ("openingWidth", "3 7/8 in"), ("openingHeight", "5 in"), ("wings", "3/8 in")),
        BoxOf("signal", "Typical bracket with a brush plate", "3 1/8 in", "4 7/8 in", "1 1/2 in", ("sort", "bracket"), ("use", "signal"), ("openingWidth", "2 1/4 in"), ("openingHeight", "3 3/4 in"), ("wings", "3/8 in"), ("plateHole", "1 3/4 in")),
        BoxOf("enclosure", "Typical enclosure between studs", "15 1/2 in", "15 1/2 in", "3 3/4 in", ("sort", "enclosure"), ("use", "both"), ("openingWidth", "14 1/4 in"), ("openingHeight", "14 1/4 in"), ("exitWidth", "5 in"), ("exitHeight", "1 in"), ("mainsWidth", "4 in"), ("mainsHeight", "5 in")),
        CableOf("mains", "Typical sheathed mains cable, 14 gauge", "mains", "3/8 in", "in-wall", ("gauge", "14")),
        CableOf("mains-12", "Typical sheathed mains cable, 12 gauge", "mains", "7/16 in", "in-wall", ("gauge", "12")),
        CableOf("mains-10", "Typical sheathed mains cable, 10 gauge", "mains", "1/2 in", "in-wall", ("gauge", "10")),
        CableOf("picture", "Typical picture cable for walls", "picture", "1/4 in", "in-wall", ("plugWidth", "7/8 in"), ("plugHeight", "7/16 in")),
        CableOf("network", "Typical network cable for walls", "network", "1/4 in", "riser"),
        CableOf("cord", "Typical mains cord", "mains", "5/16 in", string.Empty, ("cord", "true")),
        CableOf("optical", "Typical optical sound cable", "optical", "3/16 in", "in-wall", ("plugWidth", "3/8 in"), ("plugHeight", "3/8 in")),
    ];

    /// <summary>Those of a kind.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>The parts; none for kinds whose size is measured at once.</returns>
    public static IReadOnlyList<TypicalPart> Of(ProductKind kind) => [.. All.Where(p => p.Kind == kind)];

    /// <summary>The part of a key.</summary>
    /// <param name="id">The key.</param>
    /// <returns>The part; null where there is none.</returns>
    public static TypicalPart? Find(string id) => All.FirstOrDefault(p => p.Id == id);

    /// <summary>Whether figures are what is usual and not somebody's measure.</summary>
    /// <param name="m">The members of a product's expression.</param>
    /// <returns>What was entered; no where nothing was.</returns>
    internal static bool Marked(Members m) => m.Yes(Member, "figures are typical and not measured");

    private static TypicalPart DisplayOf(int diagonal, string width, string height, string depth, string mass, string across, string up, string centre, string thread) => new(
        $"typical-display-{diagonal}", Display.Kind,
        Marked(
            ("name", $"Typical display, {diagonal} in"), ("diagonal", $"{diagonal} in"), ("width", width), ("height", height), ("depth", depth), ("mass", mass),
            ("vesaWidth", across), ("vesaHeight", up), ("vesaCentreUp", centre), ("thread", thread)));

    private static TypicalPart MountOf(
        string id, string name, string kind, string walls, string rated, string mass, int pattern, (int From, int To) sizes, int plate, (string Parked, string? Extended) depth, (string, string)[] more)
    {
        var document = Marked(
            ("name", name), ("kind", kind), ("rated", rated), ("mass", mass), ("vesaWidest", $"{pattern} mm"), ("vesaHighest", "400 mm"), ("vesaNarrowest", plate < 10 ? "75 mm" : "200 mm"),
            ("sizeFrom", $"{sizes.From} in"), ("sizeTo", $"{sizes.To} in"), ("plateWidth", $"{plate} in"), ("plateHeight", "9 in"), ("plateThickness", "1/8 in"), ("hookUp", "8 in"),
            ("hookAboveFirstHole", "1 in"), ("armPitch", "1 in"), ("armTopAboveHook", "1/2 in"), ("armLength", "17 in"), ("slide", plate < 10 ? "0 in" : "3 in"),
            ("raiseBy", "1/2 in"), ("lowerBy", "1/2 in"), ("depthParked", depth.Parked), ("clearAbove", "1 in"));
        document["walls"] = new JsonArray([.. walls.Split(", ").Select(w => (JsonNode)w)]);
        document["armHoles"] = 14;
        if (depth.Extended is { } extended)
        {
            document["depthExtended"] = extended;
        }

        foreach (var (member, value) in more)
        {
            document[member] = int.TryParse(value, out var number) ? number : value;
        }

        // A plate for one stud has holes over each other, a wider one slots that take studs 16 in apart.
        JsonObject Row(string row, string height) => new()
        {
            ["id"] = row,
            ["aboveHook"] = height,
            ["slots"] = plate < 10
                ? new JsonArray(new JsonObject { ["from"] = "0 in", ["to"] = "0 in" })
                : new JsonArray(new JsonObject { ["from"] = $"-{(plate / 2) - 1} in", ["to"] = "-7 in" }, new JsonObject { ["from"] = "7 in", ["to"] = $"{(plate / 2) - 1} in" }),
        };
        document["rows"] = new JsonArray(Row("top", "-1 in"), Row("bottom", "-7 in"));
        return new("typical-mount-" + id, Mount.Kind, document);
    }

    private static TypicalPart LagOf(string diameter, string length, string tip) =>
        FastenerOf($"lag-{diameter[..^3]}-{length[..^3]}".Replace(' ', '-'), $"Typical lag screw {diameter[..^3]} by {length}", "lag-screw", diameter, length, ("tip", tip));

    private static TypicalPart FastenerOf(string id, string name, string kind, string diameter, string length, params (string, string)[] more) => new(
        "typical-fastener-" + id.Replace('/', '-'), Fastener.Kind, Marked([("name", name), ("kind", kind), ("diameter", diameter), ("length", length), ("washer", "1/16 in"), .. more]));

    private static TypicalPart BoxOf(string id, string name, string width, string height, string depth, params (string, string)[] more) => new(
        "typical-box-" + id, WallBox.Kind, Marked([("name", name), ("width", width), ("height", height), ("depth", depth), ("mass", "1 lb"), .. more]));

    private static TypicalPart CableOf(string id, string name, string carries, string diameter, string rating, params (string Name, string Value)[] more)
    {
        var document = Marked([("name", name), ("carries", carries), ("diameter", diameter), .. more.Where(m => m.Name is not ("gauge" or "cord"))]);
        document["ratings"] = rating.Length == 0 ? new JsonArray() : new JsonArray(rating);
        foreach (var (member, value) in more.Where(m => m.Name is "gauge" or "cord"))
        {
            document[member] = member == "cord" ? true : int.Parse(value);
        }

        return new("typical-cable-" + id, Cable.Kind, document);
    }

    private static JsonObject Marked(params IReadOnlyList<(string Name, string Value)> members)
    {
        var document = new JsonObject(members.Select(m => KeyValuePair.Create<string, JsonNode?>(m.Name, m.Value)));
        document[Member] = true;
        return document;
    }
}
