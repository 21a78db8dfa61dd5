using System.Text;
using System.Text.Json.Nodes;

namespace Corrie.Simulators;

/// <summary>Breaks job files as careless programs, half transfers and strangers do: the same seed breaks them in the same way.</summary>
/// <param name="sound">Sound files to start from, each a JSON object.</param>
/// <param name="seed">Seed.</param>
public sealed class BrokenFiles(IReadOnlyList<string> sound, int seed)
{
    private readonly Random random = new(seed);
    private readonly List<JsonObject> documents = [.. sound.Select(s => (JsonObject)JsonNode.Parse(s)!)];

    /// <summary>A file with one to five of its bytes replaced: seldom JSON any more.</summary>
    public byte[] Bytes()
    {
        var bytes = Encoding.UTF8.GetBytes(sound[random.Next(sound.Count)]);
        for (var k = random.Next(1, 6); k > 0; k--)
        {
            bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
        }

        return bytes;
    }

    /// <summary>A document in which one to three members are gone or hold something strange: still JSON.</summary>
    public JsonObject Document()
    {
        var document = (JsonObject)documents[random.Next(documents.Count)].DeepClone();
        for (var k = random.Next(1, 4); k > 0; k--)
        {
            if (random.Next(3) == 0)
            {
                Rehang(document);
            }
            else
            {
                Break(document);
            }
        }

        return document;
    }

    // Things hang on other things, on themselves, on what is gone; walls go and leave their things behind.
    private void Rehang(JsonObject document)
    {
        if (document["items"] is not JsonObject { Count: > 0 } items || document["walls"] is not JsonObject walls)
        {
            return;
        }

        var keys = items.Select(i => i.Key).ToList();
        var item = items[keys[random.Next(keys.Count)]] as JsonObject;
        switch (random.Next(5))
        {
            case 0 when walls.Count > 0:
                walls.Remove(walls.ElementAt(random.Next(walls.Count)).Key);
                break;
            case 1:
                items.Remove(keys[random.Next(keys.Count)]);
                break;
            case 2 when item is not null:
                items[$"n{random.Next(100)}"] = item.DeepClone();
                break;
            default:
                if (item is not null)
                {
                    item[random.Next(4) == 0 ? "wall" : "on"] = random.Next(6) == 0 ? "gone" : keys[random.Next(keys.Count)];
                }

                break;
        }
    }

    private void Break(JsonNode node)
    {
        while (true)
        {
            var keys = node switch
            {
                JsonObject o => [.. o.Select(p => p.Key)],
                JsonArray a => Enumerable.Range(0, a.Count).Select(i => i.ToString()).ToList(),
                _ => [],
            };
            if (keys.Count == 0)
            {
                return;
            }

            var key = keys[random.Next(keys.Count)];
            var child = node is JsonObject group ? group[key] : node[int.Parse(key)];
            if (child is JsonObject or JsonArray && random.Next(4) > 0)
            {
                node = child;
                continue;
            }

            if (node is JsonArray list)
            {
                list[int.Parse(key)] = Strange();
            }
            else if (random.Next(5) == 0)
            {
                ((JsonObject)node).Remove(key);
            }
            else
            {
                node[key] = Strange();
            }

            return;
        }
    }

    private JsonNode? Strange() => random.Next(16) switch
    {
        0 => null,
        1 => JsonValue.Create(random.NextDouble() * 1e6),
        2 => JsonValue.Create(-1),
        3 => JsonValue.Create(1e300),
        4 => JsonValue.Create(string.Empty),
        5 => JsonValue.Create("0 in"),
        6 => JsonValue.Create("60 m"),
        7 => JsonValue.Create("1/64 in"),
        8 => JsonValue.Create(true),
        9 => new JsonObject(),
        10 => new JsonArray(),
        11 => JsonValue.Create("-10 m"),
        12 => JsonValue.Create("4' 14\""),
        13 => JsonValue.Create(random.Next(0, 9999) + " mm"),
        14 => JsonValue.Create("\ud83d\udd28 5//8"),
        _ => JsonValue.Create($"{random.Next(0, 160)} {random.Next(1, 16)}/16 in"),
    };
}
