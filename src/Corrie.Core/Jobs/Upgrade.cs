using System.Text.Json.Nodes;
using Corrie.Core.Format;

namespace Corrie.Core.Jobs;

/// <summary>Brings job files of an earlier form to the form of today: from document to document, nothing else in the program knows the old forms.</summary>
public static class Upgrade
{
    private const string One = "corrie-job/1";

    /// <summary>Whether a document is of an earlier form.</summary>
    /// <param name="document">A document.</param>
    /// <returns>What to do about it, in words; null where it is not of an earlier form.</returns>
    public static SheetProblem? Needs(JsonObject document) => FormatOf(document) == One
        ? new("/format", One, $"This file has the earlier form {One}", $"{JobForm.Format}: 'corrie upgrade FILE' prints it in that form, and nothing is lost")
        : null;

    /// <summary>A document in the form of today.</summary>
    /// <param name="document">A document of an earlier form; not changed. What is wrong in it stays wrong, in its new place.</param>
    /// <returns>The document; an equal one where it is of today's form already.</returns>
    public static JsonObject Document(JsonObject document) => FormatOf(document) == One ? FromOne((JsonObject)document.DeepClone()) : (JsonObject)document.DeepClone();

    // One wall, one display, one mount, one fixing became maps: w1, d1, m1.
    private static JsonObject FromOne(JsonObject old)
    {
        var made = new JsonObject { ["format"] = "corrie-job/2" };
        Move(old, "job", made, "job");
        var wall = Taken(old, "wall") as JsonObject ?? [];
        var site = new JsonObject();
        if (wall["questions"] is JsonObject questions)
        {
            foreach (var name in new[] { "built", "renovation", "smallHands" })
            {
                Move(questions, name, site, name);
            }

            if (questions.Count == 0)
            {
                wall.Remove("questions");
            }
        }

        Move(old, "setOut", wall, "setOut");
        if (site.Count > 0)
        {
            made["site"] = site;
        }

        made["walls"] = new JsonObject { ["w1"] = wall };

        var placement = Taken(old, "placement") as JsonObject ?? [];
        var fixing = Taken(old, "fixing") as JsonObject ?? [];
        Move(placement, "viewers", made, "seats");
        if (Taken(fixing, "bits") is { } bits)
        {
            made["crew"] = new JsonObject { ["c1"] = new JsonObject { ["bits"] = bits } };
        }

        var (display, mount) = (new JsonObject { ["kind"] = "display" }, new JsonObject { ["kind"] = "mount", ["wall"] = "w1" });
        Move(old, "display", display, "product");
        Move(old, "mount", mount, "product");
        Move(old, "hanging", mount, "hang");
        Move(fixing, "fastener", mount, "bolt");
        foreach (var product in new[] { display["product"], mount["product"], mount["bolt"] }.OfType<JsonObject>())
        {
            Move(product, "item", product, "catalogue");
        }

        if (placement.Count > 0)
        {
            display["place"] = placement;
        }

        if (fixing.Count > 0)
        {
            mount["fix"] = fixing;
        }

        var items = new JsonObject();
        var hasMount = mount.Count > 2;
        if (display.Count > 1)
        {
            display[hasMount ? "on" : "wall"] = hasMount ? "m1" : "w1";
            items["d1"] = display;
        }

        if (hasMount)
        {
            items["m1"] = mount;
        }

        if (items.Count > 0)
        {
            made["items"] = items;
        }

        // What the old form did not know either stays, and is refused with its name.
        foreach (var (name, value) in old.Where(m => m.Key != "format").ToList())
        {
            made[name] = value?.DeepClone();
        }

        return made;
    }

    private static string? FormatOf(JsonObject document) => document["format"] is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;

    private static JsonNode? Taken(JsonObject from, string name)
    {
        var value = from[name];
        from.Remove(name);
        return value;
    }

    private static void Move(JsonObject from, string name, JsonObject to, string as_)
    {
        if (from.ContainsKey(name))
        {
            to[as_] = Taken(from, name);
        }
    }
}
