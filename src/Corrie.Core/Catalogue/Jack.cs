using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Catalogue;

/// <summary>Which way a port works.</summary>
public enum PortWay
{
    /// <summary>Something comes in.</summary>
    In,

    /// <summary>Something goes out.</summary>
    Out,

    /// <summary>Either.</summary>
    Both,
}

/// <summary>A port: where a cable is plugged in.</summary>
/// <param name="Name">What it is called on the device.</param>
/// <param name="Carries">What it carries.</param>
/// <param name="Way">Which way.</param>
/// <param name="Return">Whether it gives a display's sound back as well.</param>
/// <param name="Fast">Whether it takes or gives high frame rates.</param>
public sealed record Jack(string Name, Signal Carries, PortWay Way, bool Return, bool Fast)
{
    private const string ReturnWord = "return";
    private const string FastWord = "fast";

    // What ports are called (common practice); the first that a name holds.
    private static readonly (string Word, Signal Signal)[] Names =
    [
        ("one cable", Signal.OneCable), ("optical", Signal.Optical), ("light", Signal.Optical), ("network", Signal.Network), ("lan", Signal.Network), ("aerial", Signal.Aerial), ("antenna", Signal.Aerial),
        ("speaker", Signal.Speaker), ("infrared", Signal.Control), ("control", Signal.Control), ("serial", Signal.Control), ("usb", Signal.Usb), ("inlet", Signal.Mains), ("mains", Signal.Mains), ("power", Signal.Mains),
    ];

    /// <summary>Whether something can come in.</summary>
    public bool TakesIn => Way is PortWay.In or PortWay.Both;

    /// <summary>Whether something can go out.</summary>
    public bool GivesOut => Way is PortWay.Out or PortWay.Both;

    /// <summary>Ports of something that is planned by its size: typed a line each.</summary>
    internal static ListShape<Jack> List { get; } = new(
        "its ports", new GroupShape<Jack>("a port", m => Read(m, PortWay.Both)), 40,
        new ListText(
            "One a line: its name, then what it carries and which way: picture 1: picture in return",
            typed => new JsonArray([.. typed.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(LineOf)]),
            ports => string.Join('\n', ports.Select(p => p!["name"] + (Said(p) is { Length: > 0 } said ? ": " + said : string.Empty)))));

    /// <summary>Asks for a port.</summary>
    /// <param name="m">The members.</param>
    /// <param name="usual">Which way it works where nobody has said.</param>
    /// <returns>The port.</returns>
    internal static Jack Read(Members m, PortWay usual)
    {
        var name = m.Need("name", new TextShape("what it is called", 40));
        return new(
            name,
            m.Choice("carries", "what it carries", Names.FirstOrDefault(n => name.Contains(n.Word, StringComparison.OrdinalIgnoreCase)) is { Word: not null } known ? known.Signal : Signal.Picture),
            m.Choice("way", "which way: in, out or both", usual),
            m.Yes(ReturnWord, "whether it gives a display's sound back"),
            m.Yes(FastWord, "whether it carries high frame rates"));
    }

    /// <summary>Takes the words behind a port's place or name apart.</summary>
    /// <param name="words">Such as <c>picture in return fast</c>; what is none of them stays, so that the check says what was expected.</param>
    /// <param name="port">Where they go.</param>
    internal static void Take(string words, JsonObject port)
    {
        foreach (var word in words.ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (Choices.Of<PortWay>(word) is not null)
            {
                port["way"] = word;
            }
            else if (word is ReturnWord or FastWord)
            {
                port[word] = true;
            }
            else
            {
                port["carries"] = word;
            }
        }
    }

    /// <summary>The words for what was entered of a port beside its name and place.</summary>
    /// <param name="port">The port.</param>
    /// <returns>The words; empty for none.</returns>
    internal static string Said(JsonNode port) => string.Join(' ', new[]
    {
        port["carries"]?.ToString(), port["way"]?.ToString(), port[ReturnWord]?.GetValueKind() == System.Text.Json.JsonValueKind.True ? ReturnWord : null, port[FastWord]?.GetValueKind() == System.Text.Json.JsonValueKind.True ? FastWord : null,
    }.Where(w => !string.IsNullOrEmpty(w)));

    private static JsonNode LineOf(string line)
    {
        var at = line.LastIndexOf(':');
        var port = new JsonObject { ["name"] = at > 0 ? line[..at].Trim() : line };
        Take(at > 0 ? line[(at + 1)..] : string.Empty, port);
        return port;
    }
}

/// <summary>Something with ports, that takes power.</summary>
public interface IWired
{
    /// <summary>Its ports.</summary>
    IReadOnlyList<Jack> Jacks { get; }

    /// <summary>Power that it takes at most, in watts; null where nobody has entered it.</summary>
    double? Watts { get; }
}
