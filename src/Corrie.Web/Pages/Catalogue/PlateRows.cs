using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Web.Pages.Catalogue;

/// <summary>A hole or slot as it is typed.</summary>
/// <param name="From">Its left end.</param>
/// <param name="To">Its right end.</param>
public sealed record TypedSlot(string From, string To);

/// <summary>A row of holes as it is typed.</summary>
/// <param name="Id">Its name.</param>
/// <param name="AboveHook">Its height over the hook line.</param>
/// <param name="Slots">Its holes and slots.</param>
public sealed record TypedRow(string Id, string AboveHook, IReadOnlyList<TypedSlot> Slots);

/// <summary>The rows of holes of a plate, typed field by field: name, height, and both ends of each hole or slot.</summary>
public static class PlateRows
{
    /// <summary>The member of a mount that they are.</summary>
    public const string Member = "rows";

    /// <summary>How places on a plate are described.</summary>
    public static readonly LengthShape Along = new("a place on the plate", LengthRange.Offset);

    private const int MostRows = 12;
    private const int MostSlots = 60;

    /// <summary>The rows of a document, as they are shown.</summary>
    public static IReadOnlyList<TypedRow> Of(JsonNode? rows, LengthStyle style)
    {
        string Text(JsonNode? value) => value is null ? string.Empty : Along.Text(value, style);
        return
        [
            .. (rows as JsonArray ?? []).OfType<JsonObject>().Select(r => new TypedRow(
                r["id"]?.ToString() ?? string.Empty, Text(r["aboveHook"]),
                [.. (r["slots"] as JsonArray ?? []).OfType<JsonObject>().Select(s => new TypedSlot(Text(s["from"]), Text(s["to"])))])),
        ];
    }

    /// <summary>The rows of a form.</summary>
    public static IReadOnlyList<TypedRow> Of(IFormCollection form)
    {
        string Text(string name) => form[name].ToString().Trim();
        return
        [
            .. Enumerable.Range(0, MostRows).TakeWhile(i => form.ContainsKey($"row-{i}-id")).Select(i => new TypedRow(
                Text($"row-{i}-id"), Text($"row-{i}-aboveHook"),
                [.. Enumerable.Range(0, MostSlots).TakeWhile(j => form.ContainsKey($"row-{i}-{j}-from")).Select(j => new TypedSlot(Text($"row-{i}-{j}-from"), Text($"row-{i}-{j}-to")))])),
        ];
    }

    /// <summary>The rows with what a button adds or takes away: <c>row</c>, <c>slot 1</c>, <c>-row 1</c>, <c>-slot 1 2</c>; as they were for anything else.</summary>
    public static IReadOnlyList<TypedRow> With(this IReadOnlyList<TypedRow> rows, string what)
    {
        var words = what.Split(' ');
        int At(int i) => words.Length > i && int.TryParse(words[i], out var at) ? at : -1;
        return words[0] switch
        {
            "row" when rows.Count < MostRows => [.. rows, new($"row {rows.Count + 1}", string.Empty, [new(string.Empty, string.Empty)])],
            "-row" => [.. rows.Where((_, i) => i != At(1))],
            "slot" => [.. rows.Select((r, i) => i == At(1) && r.Slots.Count < MostSlots ? r with { Slots = [.. r.Slots, new(string.Empty, string.Empty)] } : r)],
            "-slot" => [.. rows.Select((r, i) => i == At(1) ? r with { Slots = [.. r.Slots.Where((_, j) => j != At(2))] } : r)],
            _ => rows,
        };
    }

    /// <summary>The rows as they go into the catalogue; a row or slot in which nothing stands is left out.</summary>
    /// <param name="rows">The rows.</param>
    /// <param name="units">What a number without a unit is in.</param>
    /// <param name="wrong">Told of each field that cannot be taken, and why.</param>
    public static JsonArray Take(this IReadOnlyList<TypedRow> rows, UnitSystem units, Action<string, string> wrong)
    {
        JsonNode? Place(string field, string typed)
        {
            var taken = Along.Take(typed, units, out var problem);
            if (problem is not null)
            {
                wrong(field, problem.ToString());
            }

            return taken;
        }

        var taken = new JsonArray();
        foreach (var (i, row) in rows.Index())
        {
            var slots = new JsonArray();
            foreach (var (j, slot) in row.Slots.Index().Where(s => s.Item.From.Length + s.Item.To.Length > 0))
            {
                // A round hole has one figure.
                var (from, to) = (Place($"row-{i}-{j}-from", slot.From.Length > 0 ? slot.From : slot.To), Place($"row-{i}-{j}-to", slot.To.Length > 0 ? slot.To : slot.From));
                if (from is not null && to is not null)
                {
                    slots.Add(new JsonObject { ["from"] = from, ["to"] = to });
                }
            }

            if ((row.Slots.Any(s => s.From.Length + s.To.Length > 0) || row.AboveHook.Length > 0) && Place($"row-{i}-aboveHook", row.AboveHook) is { } above)
            {
                taken.Add(new JsonObject { ["id"] = row.Id.Length > 0 ? row.Id : $"row {i + 1}", ["aboveHook"] = above, ["slots"] = slots });
            }
        }

        return taken;
    }
}
