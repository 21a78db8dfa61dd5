using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>What an area of a display is.</summary>
public enum BackAreaKind
{
    /// <summary>Glass without a frame: nobody grips it.</summary>
    ThinGlass,

    /// <summary>Buttons: they stay within reach.</summary>
    Buttons,

    /// <summary>The eye of the remote control: nothing stands before it.</summary>
    InfraredEye,

    /// <summary>A recess that takes a flat hanger.</summary>
    Recess,
}

/// <summary>An area of a display that matters when it is lifted and hung, seen from the front.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Left">Its left end from the display's left edge.</param>
/// <param name="Up">Its lower end over the display's bottom edge.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public sealed record BackArea(BackAreaKind Kind, Length Left, Length Up, Length Width, Length Height);

/// <summary>A socket or the power inlet on a display's back, with its plug, seen from the front.</summary>
/// <param name="Jack">What it is and what it carries.</param>
/// <param name="Left">Its left end from the display's left edge.</param>
/// <param name="Up">Its lower end over the display's bottom edge.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public sealed record Port(Jack Jack, Length Left, Length Up, Length Width, Length Height)
{
    /// <summary>What it is called.</summary>
    public string Name => Jack.Name;
}

/// <summary>A flat panel, as the catalogue describes it. Its left and right are those seen from the front.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Diagonal">Diagonal of the picture.</param>
/// <param name="Aspect">Width over height of the picture.</param>
/// <param name="Width">Outer width.</param>
/// <param name="Height">Outer height.</param>
/// <param name="Depth">Outer depth.</param>
/// <param name="Mass">Mass without feet.</param>
/// <param name="VesaWidth">Width of the pattern of threaded holes on its back.</param>
/// <param name="VesaHeight">Height of that pattern.</param>
/// <param name="VesaCentreUp">The pattern's centre above the display's bottom edge.</param>
/// <param name="VesaCentreRight">The pattern's centre right of the display's centre line; negative for left.</param>
/// <param name="PictureUp">The picture's bottom above the display's bottom edge.</param>
/// <param name="PortsUsed">Whether sockets on its back will be used after it hangs.</param>
public sealed record Display(
    string Name,
    Length Diagonal,
    AspectRatio Aspect,
    Length Width,
    Length Height,
    Length Depth,
    Mass Mass,
    Length VesaWidth,
    Length VesaHeight,
    Length VesaCentreUp,
    Length VesaCentreRight,
    Length PictureUp,
    bool PortsUsed) : Product(Name, Mass), ISized, IWired
{
    private static readonly GroupShape<BackArea> AreaForm = new("an area", m => new BackArea(
        m.Need("kind", new ChoiceShape<BackAreaKind>("what it is")),
        m.Length("left", "its left end from the display's left edge, seen from the front", LengthRange.Offset),
        m.Length("up", "its lower end over the display's bottom edge", LengthRange.Offset),
        m.Length("width", "its width", LengthRange.Size),
        m.Length("height", "its height", LengthRange.Size)));

    private static readonly GroupShape<Port> PortForm = new("a socket", m => new Port(
        Jack.Read(m, PortWay.In),
        m.Length("left", "its left end from the display's left edge, seen from the front", LengthRange.Offset),
        m.Length("up", "its lower end over the display's bottom edge", LengthRange.Offset),
        m.Length("width", "its width, with the plug", LengthRange.Size),
        m.Length("height", "its height, with the plug", LengthRange.Size)));

    private static readonly GroupShape<Display> Form = new("the display", m =>
    {
        var name = Product.NameOf(m);
        var diagonal = m.Length("diagonal", "diagonal of the picture", LengthRange.Size);
        var aspect = AspectRatio.Of(m.Or("aspect", new WordShape("shape of the picture", AspectRatio.Words), AspectRatio.Words[0]));
        var width = m.Length("width", "outer width", LengthRange.Size);
        var height = m.Length("height", "outer height", LengthRange.Size);
        return new Display(
            name,
            diagonal,
            aspect,
            width,
            height,
            m.Length("depth", "outer depth", LengthRange.Size),
            m.Need("mass", new MassShape("weight without feet", overZero: true)),
            m.Pattern("vesaWidth", "width of the hole pattern"),
            m.Pattern("vesaHeight", "height of the hole pattern"),
            m.Length("vesaCentreUp", "centre of the hole pattern over the bottom edge", LengthRange.Size),
            m.Length("vesaCentreRight", "centre of the hole pattern right of the display's centre, seen from the front", LengthRange.Offset, Length.Zero),
            // A picture is in the middle of its frame unless somebody has measured it.
            m.Length("pictureUp", "bottom of the picture over the bottom edge", LengthRange.Distance, (height - PictureSize.OfDiagonal(diagonal, aspect).Height).Half),
            m.Yes("portsUsed", "whether sockets on its back are used after hanging"))
        {
            Thread = m.Part("thread", new WordShape("thread of the holes in its back", [.. KitPiece.Threads])),
            ThreadDepth = m.Maybe("threadDepth", LengthShape.Metric("how deep that thread can be used", LengthRange.Size)),
            LowerThread = m.Part("lowerThread", new WordShape("thread of the lower holes, where it is another", [.. KitPiece.Threads])),
            LowerThreadDepth = m.Maybe("lowerThreadDepth", LengthShape.Metric("how deep the lower holes' thread can be used, where it is another", LengthRange.Size)),
            Bump = m.Length("bump", "how far its back stands out beside the holes", LengthRange.Distance, Length.Zero),
            Areas = m.Part("areas", new ListShape<BackArea>("what else is on it: thin glass, buttons, infrared eye, recess", AreaForm, 24, PlacedText("kind", "thin glass: 0 in, 20 in, 48 in, 8 in"))) ?? [],
            Ports = m.Part("ports", new ListShape<Port>("sockets and inlet on its back", PortForm, 24, PlacedText("name", "picture 1: 6 in, 10 in, 2 in, 5 in, picture in return"))) ?? [],
            Warmest = m.Maybe("warmest", new TemperatureShape("the warmest that it may have around it, by its maker")),
            Watts = m.Maybe("watts", new NumberShape("power that it takes at most, in watts", 0, 20_000)),
            Typical = TypicalParts.Marked(m),
        };
    });

    /// <summary>Displays, in the catalogue and on the sheet.</summary>
    public static ProductKind Kind { get; } = ProductKind.Of("display", "Display", "Displays", Form) with
    {
        Headings =
        [
            ("What it is", ["name", "diagonal", "aspect", "mass", "portsUsed", "watts", "warmest", "typical"]),
            ("Its outside", ["width", "height", "depth", "pictureUp"]),
            ("Its holes", ["vesaWidth", "vesaHeight", "vesaCentreUp", "vesaCentreRight", "thread", "threadDepth", "lowerThread", "lowerThreadDepth", "bump"]),
            ("Its sockets, and where it is not gripped", ["ports", "areas"]),
        ],
    };

    /// <summary>The warmest that it may have around it, by its maker; null where nobody has entered it.</summary>
    public Temperature? Warmest { get; init; }

    /// <summary>Thread of the holes in its back, such as <c>M8</c>; null where nobody has entered it.</summary>
    public string? Thread { get; init; }

    /// <summary>How deep that thread can be used; null where nobody has entered it.</summary>
    public Length? ThreadDepth { get; init; }

    /// <summary>Thread of the lower holes; null where it is that of the upper ones.</summary>
    public string? LowerThread { get; init; }

    /// <summary>How deep the lower holes' thread can be used; null where it is as deep as the upper one.</summary>
    public Length? LowerThreadDepth { get; init; }

    /// <summary>What else is on it that hands, brackets and light have to keep off, or may use; empty where nobody has entered it.</summary>
    public IReadOnlyList<BackArea> Areas { get; init; } = [];

    /// <summary>Sockets and inlet on its back, with the room that their plugs take; empty where nobody has entered them.</summary>
    public IReadOnlyList<Port> Ports { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<Jack> Jacks => [.. Ports.Select(p => p.Jack)];

    /// <inheritdoc/>
    public double? Watts { get; init; }

    /// <summary>How far its back stands out beside the holes.</summary>
    public Length Bump { get; init; }

    private static ListText PlacedText(string what, string example) => new(
        $"One a line: what it is, from the left edge seen from the front, up from the bottom, width, height: {example}",
        typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(line => (JsonNode)PlacedOf(what, line))]),
        ports => string.Join('\n', ports.Select(p => $"{(what == "kind" ? Choices.Spoken(p!["kind"]!.ToString()) : p![what])}: {p!["left"]}, {p["up"]}, {p["width"]}, {p["height"]}{(Jack.Said(p) is { Length: > 0 } said ? ", " + said : string.Empty)}")));

    private static JsonObject PlacedOf(string what, string line)
    {
        var (name, rest) = line.LastIndexOf(':') is > 0 and var at ? (line[..at].Trim(), line[(at + 1)..]) : (line, string.Empty);
        var figures = rest.Split(',', StringSplitOptions.TrimEntries);
        string At(int i) => figures.ElementAtOrDefault(i) ?? string.Empty;
        var placed = new JsonObject { [what] = what == "kind" ? name.ToLowerInvariant().Replace(' ', '-') : name, ["left"] = At(0), ["up"] = At(1), ["width"] = At(2), ["height"] = At(3) };
        Jack.Take(At(4), placed);
        return placed;
    }

    /// <summary>The picture's size, from diagonal and aspect.</summary>
    public PictureSize Picture => PictureSize.OfDiagonal(Diagonal, Aspect);

    /// <summary>Height of the upper row of threaded holes above the display's bottom edge.</summary>
    public Length UpperRowUp => VesaCentreUp + VesaHeight.Half;
}

/// <summary>Width to height of a picture, such as 16 to 9.</summary>
/// <param name="Wide">Parts of width, over 0.</param>
/// <param name="High">Parts of height, over 0.</param>
public readonly record struct AspectRatio(double Wide, double High)
{
    /// <summary>The ratios that pictures have, the usual one first.</summary>
    public static IReadOnlyList<string> Words { get; } = ["16:9", "16:10", "21:9", "32:9", "4:3", "9:16"];

    /// <summary>The ratio of a word such as <c>16:9</c>.</summary>
    /// <param name="word">Two numbers over zero with a colon between.</param>
    /// <returns>The ratio.</returns>
    /// <exception cref="FormatException">The word is not two numbers with a colon between.</exception>
    public static AspectRatio Of(string word) => word.Split(':') is [var wide, var high]
        ? new(double.Parse(wide), double.Parse(high))
        : throw new FormatException($"'{word}' is not a ratio such as 16:9.");
}

/// <summary>Width and height of a picture.</summary>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public readonly record struct PictureSize(Length Width, Length Height)
{
    /// <summary>
    /// Width and height of a picture of a diagonal: <c>w = d·a/√(a²+b²)</c>, <c>h = d·b/√(a²+b²)</c>, each rounded once to 1/640 mm.
    /// </summary>
    /// <param name="diagonal">Corner to corner.</param>
    /// <param name="aspect">Width to height.</param>
    /// <returns>The size.</returns>
    public static PictureSize OfDiagonal(Length diagonal, AspectRatio aspect)
    {
        var root = Math.Sqrt((aspect.Wide * aspect.Wide) + (aspect.High * aspect.High));
        return new(diagonal * (aspect.Wide / root), diagonal * (aspect.High / root));
    }
}
