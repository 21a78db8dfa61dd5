using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>What test holes say of a wall's build-up: the face tells nothing, they do. What they contradict is planned with as they show it, at once.</summary>
internal static class BuildUpFound
{
    // The key of the evidence that a test hole is begins with it.
    private const string EvidenceOf = "hole-";

    /// <summary>The wall with the build-up that its test holes show, and with what they met counted as evidence of framing.</summary>
    /// <param name="wall">The wall as entered.</param>
    /// <returns>The wall.</returns>
    public static Wall Taken(Wall wall)
    {
        if (wall.TestHoles.Count == 0)
        {
            return wall;
        }

        wall = wall with
        {
            Evidence = [.. wall.Evidence, .. wall.TestHoles.Where(h => h.Behind is BehindLayers.Wood or BehindLayers.Metal or BehindLayers.Void && wall.Evidence.All(e => e.Id != EvidenceOf + h.Id)).Select(EvidenceFrom)],
        };
        var against = wall.TestHoles.Where(h => !h.Struck && Differs(wall, h) is not null).ToList();
        // Where another hole shows the build-up as it was entered, the wall is not the same everywhere: the thicker of them decides.
        var confirmed = wall.TestHoles.Any(h => !h.Struck && Differs(wall, h) is null);
        if (against.MaxBy(Thick) is not { } counts || (confirmed && Thick(counts) < wall.BeforeBase))
        {
            return wall;
        }

        return wall with
        {
            Layers = [.. LayersOf(wall, counts)],
            Kind = KindOf(wall, counts),
            Said = wall.Layers,
            Counts = counts.Id,
        };
    }

    /// <summary>What contradicts the build-up that was entered.</summary>
    /// <param name="wall">The wall.</param>
    /// <returns>A finding for each test hole that does.</returns>
    public static IEnumerable<Finding> Check(Wall wall)
    {
        var said = wall.Said is { } entered ? wall with { Layers = entered } : wall;
        foreach (var hole in wall.TestHoles.Where(h => !h.Struck))
        {
            if (Differs(said, hole) is { } differs)
            {
                yield return SurveyFindings.BuildUpDiffers.At(
                    new("testHoles/" + hole.Id, hole.X, hole.Y),
                    $"The test hole at {hole.X} across, {hole.Y} up by {hole.By}: {differs}.{(wall.Counts == hole.Id ? " What goes into the wall is planned with what this hole shows." : string.Empty)}",
                    new Remedy(Phrase.Of($"The wall is as this hole shows"), Says(said, hole), Takes(said, hole)));
            }
        }
    }

    private static Length Thick(TestHole hole) => hole.Layers.Aggregate(Length.Zero, (sum, l) => sum + l.Thickness);

    // What a hole in masonry ends in need not be passed to be known.
    private static bool Ends(Wall wall, TestHole hole) => hole.Behind == BehindLayers.Same || (hole.Behind is null && !wall.Kind.Framed());

    private static Phrase? Differs(Wall wall, TestHole hole)
    {
        for (var i = 0; i < Math.Max(hole.Layers.Count, wall.Layers.Count); i++)
        {
            var found = i < hole.Layers.Count ? hole.Layers[i] : default;
            var said = i < wall.Layers.Count ? wall.Layers[i] : null;
            var last = i == hole.Layers.Count - 1 && Ends(wall, hole);
            Phrase? differs = (found.Name, said) switch
            {
                (not null, null) => Phrase.Of($"behind {wall.Layers.Count} layers there is {found.Thickness:fine} of {found.Name}, which the build-up has not"),
                (null, not null) when Ends(wall, hole) => null,
                (null, not null) => Phrase.Of($"the {said.Name} of {said.Thickness:fine} is not there{Met(hole)}"),
                (not null, not null) when !TestHole.Same(found.Name, said.Name) => Phrase.Of($"layer {i + 1} is {found.Name}, {found.Thickness:fine}; the build-up says {said.Name}, {said.Thickness:fine}"),
                (not null, not null) when last && found.Thickness <= said.Thickness + TestHole.Give => null,
                (not null, not null) when (found.Thickness - said.Thickness).Abs > TestHole.Give => Phrase.Of($"the {said.Name} is {found.Thickness:fine} thick; the build-up says {said.Thickness:fine}{(i == hole.Layers.Count - 1 ? Met(hole) : string.Empty)}"),
                _ => null,
            };
            if (differs is not null)
            {
                return differs;
            }
        }

        // A bit that meets metal in masonry has met a liner, a pipe or a lintel: unless what it is has been put on the wall, nobody drills on.
        if (hole.Behind == BehindLayers.Metal && !wall.Kind.Framed() && !wall.Features.Any(f => f.Buried && f.Outline.Holds(hole.X, hole.Y)))
        {
            return Phrase.Of($"{Thick(hole):fine} deep it met metal, in masonry: the liner of a flue, a pipe or a lintel. Put it on the wall when it is known what it is");
        }

        // All layers are there, and behind them is what this kind of wall has not.
        return hole.Behind == BehindLayers.Wood && wall.Kind is WallKind.Masonry or WallKind.SteelStuds && wall.Layers.Count > 0 ? Phrase.Of($"behind the {wall.Layers[^1].Name} it met wood; the wall is said to be of {wall.Kind.Words()}") : null;
    }

    private static string Met(TestHole hole) => hole.Behind switch
    {
        BehindLayers.Wood => ": the bit met wood",
        BehindLayers.Void => ": the bit dropped",
        BehindLayers.Metal => ": the bit met metal",
        _ => string.Empty,
    };

    private static WallKind KindOf(Wall wall, TestHole hole) => hole.Behind == BehindLayers.Wood && wall.Kind is WallKind.Masonry or WallKind.SteelStuds ? WallKind.WoodStuds : wall.Kind;

    private static IEnumerable<Layer> LayersOf(Wall wall, TestHole hole)
    {
        for (var i = 0; i < hole.Layers.Count; i++)
        {
            var (name, thick) = hole.Layers[i];
            var said = wall.Layers.FirstOrDefault(l => TestHole.Same(l.Name, name));
            var ends = i == hole.Layers.Count - 1 && Ends(wall, hole);
            yield return new($"{EvidenceOf}{i + 1}", i + 1, name, ends && said is not null ? Length.Max(said.Thickness, thick) : thick, true, $"test hole by {hole.By}") { Facing = said?.Facing ?? Layer.IsFacing(name) };
        }

        // The hole ends before the last layers were met: they are as they were entered.
        foreach (var rest in Ends(wall, hole) ? wall.Layers.Skip(hole.Layers.Count) : [])
        {
            yield return rest with { Id = $"{EvidenceOf}{rest.Id}" };
        }
    }

    private static Evidence EvidenceFrom(TestHole hole) => new(
        EvidenceOf + hole.Id, hole.Behind == BehindLayers.Void ? EvidenceKind.ProbeMiss : EvidenceKind.ProbeHit, Axis.Across, Datum.LeftCorner, hole.X, null, hole.Y, Probing.Accuracy, hole.Bite,
        hole.Behind switch { BehindLayers.Wood => ToldMaterial.Wood, BehindLayers.Metal => ToldMaterial.Metal, _ => ToldMaterial.Nothing }, hole.Struck, hole.Gap, false, hole.By)
    { Here = hole.Here };

    private static Phrase Says(Wall wall, TestHole hole)
    {
        Phrase says = $"{KindOf(wall, hole).Words()}";
        foreach (var layer in LayersOf(wall, hole))
        {
            says.AppendFormatted($", {layer.Thickness:fine} of {layer.Name}");
        }

        return says;
    }

    private static Change[] Takes(Wall wall, TestHole hole) =>
    [
        wall.Here.Set("kind", (JsonNode)KindOf(wall, hole).Word()),
        wall.Here.Set("layers", new JsonObject(LayersOf(wall, hole).Select((l, i) => KeyValuePair.Create<string, JsonNode?>("l" + (i + 1), new JsonObject
        {
            ["order"] = i + 1,
            ["name"] = l.Name,
            ["thickness"] = LengthText.Exact(l.Thickness, wall.Here.Units),
            ["confirmed"] = l.Confirmed,
            ["by"] = l.By,
            ["facing"] = l.Facing,
        })))),
    ];
}
