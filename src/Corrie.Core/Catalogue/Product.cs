using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Measure;

namespace Corrie.Core.Catalogue;

/// <summary>Something that can be bought, as the catalogue describes it.</summary>
/// <param name="Name">Plain description, without a make.</param>
/// <param name="Mass">What it weighs by itself.</param>
public abstract record Product(string Name, Mass Mass)
{
    /// <summary>The member of a copy that says which item of the catalogue it was copied from.</summary>
    public const string CatalogueKey = "catalogue";

    /// <summary>The member that names its manual.</summary>
    public const string ManualKey = "manual";

    /// <summary>The members that are no figures of a product: what it was copied from, and its manual.</summary>
    public static IReadOnlyList<string> Besides { get; } = [CatalogueKey, ManualKey];

    /// <summary>Whether its figures are what is usual for its kind, and nobody has measured this one.</summary>
    public bool Typical { get; init; }

    /// <summary>The members that every product has, asked for in its expression.</summary>
    /// <param name="m">The expression's members.</param>
    /// <returns>Its name.</returns>
    internal static string NameOf(Members m)
    {
        m.Text(CatalogueKey, "the catalogue's key, where it was copied from there", 40);
        m.Text(ManualKey, "its manual: SHA-256 of the file, in hexadecimal figures", 64);
        return m.Need("name", new TextShape("what it is, without a make", 120));
    }
}

/// <summary>A product that takes up room on the wall.</summary>
public interface ISized
{
    /// <summary>Outer width.</summary>
    Length Width { get; }

    /// <summary>Outer height.</summary>
    Length Height { get; }

    /// <summary>Outer depth.</summary>
    Length Depth { get; }
}

/// <summary>Where a thing is, seen from the room: two things of one layer cannot share a place.</summary>
public enum WallLayer
{
    /// <summary>Before the wall.</summary>
    Front,

    /// <summary>Behind what is in front, before the wall.</summary>
    Between,

    /// <summary>In the wall.</summary>
    Inside,
}

/// <summary>A kind of product: its description decides what the catalogue can hold and what a job can place.</summary>
/// <param name="Word">Its word in files and addresses.</param>
/// <param name="Title">What one is called.</param>
/// <param name="Plural">What several are called.</param>
/// <param name="Form">Its description.</param>
/// <param name="Read">Reads one whose form has been checked.</param>
public sealed record ProductKind(string Word, string Title, string Plural, Shape Form, Func<JsonObject, Product> Read)
{
    /// <summary>Its members by what they are about, in the order in which somebody reads a data sheet; what is in none of them follows at the end.</summary>
    public IReadOnlyList<(string Heading, IReadOnlyList<string> Members)> Headings { get; init; } = [];

    /// <summary>Whether one is a thing of a job by itself, placed or hung; screws are not.</summary>
    public bool IsItem { get; init; } = true;

    /// <summary>Whether it is placed by its own outline; a plate's place follows from what hangs on it.</summary>
    public bool IsPlaced { get; init; } = true;

    /// <summary>Where it is, seen from the room.</summary>
    public WallLayer Layer { get; init; } = WallLayer.Front;

    /// <summary>A kind whose members are described by one expression.</summary>
    /// <typeparam name="T">The product's type.</typeparam>
    /// <param name="word">Its word in files and addresses.</param>
    /// <param name="title">What one is called.</param>
    /// <param name="plural">What several are called.</param>
    /// <param name="form">Its description.</param>
    /// <returns>The kind.</returns>
    public static ProductKind Of<T>(string word, string title, string plural, GroupShape<T> form)
        where T : Product => new(word, title, plural, form, form.Read);
}

/// <summary>The kinds of product: the one list of them.</summary>
public static class ProductKinds
{
    /// <summary>All kinds, in the order in which the catalogue shows them.</summary>
    public static IReadOnlyList<ProductKind> All { get; } = [Display.Kind, Mount.Kind, Fastener.Kind, Cable.Kind, Bit.Kind, Socket.Kind, .. Thing.Kinds];

    /// <summary>The kinds that are things of a job.</summary>
    public static IReadOnlyList<ProductKind> Items { get; } = [.. All.Where(k => k.IsItem)];

    /// <summary>The kind of a word.</summary>
    /// <param name="word">Its word; null for none.</param>
    /// <returns>The kind; null where there is none.</returns>
    public static ProductKind? Of(string? word) => All.FirstOrDefault(k => k.Word == word);
}
