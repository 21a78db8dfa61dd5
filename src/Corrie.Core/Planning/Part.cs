using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;

namespace Corrie.Core.Planning;

/// <summary>What a part of the sheet belongs to.</summary>
public enum Holder
{
    /// <summary>The job as a whole.</summary>
    Job,

    /// <summary>Each wall.</summary>
    Wall,

    /// <summary>Each thing of the kinds that the part is for.</summary>
    Item,
}

/// <summary>
/// A part of the sheet that a stage brings: what it belongs to, under which name, and its description. The form of the whole file is put together
/// from the parts of all stages.
/// </summary>
public abstract class Part
{
    private protected Part(Holder holder, string name, Shape shape, Func<ProductKind, bool> of)
    {
        Holder = holder;
        Name = name;
        Shape = shape;
        Of = of;
    }

    /// <summary>What it belongs to.</summary>
    public Holder Holder { get; }

    /// <summary>Its name there; empty where its members stand among the holder's own.</summary>
    public string Name { get; }

    /// <summary>Its description.</summary>
    public Shape Shape { get; }

    /// <summary>For things: the kinds that have it.</summary>
    public Func<ProductKind, bool> Of { get; }

    /// <summary>Reads it.</summary>
    /// <param name="holder">The holder's value, whose form has been checked.</param>
    /// <param name="here">Where the holder stands.</param>
    /// <returns>The typed value; null where nothing is entered.</returns>
    internal abstract object? Read(JsonObject holder, Place here);
}

/// <summary>A part of the sheet, read into a type.</summary>
/// <typeparam name="T">The type.</typeparam>
/// <param name="holder">What it belongs to.</param>
/// <param name="name">Its name there; empty where its members stand among the holder's own.</param>
/// <param name="shape">Its description.</param>
/// <param name="of">For things: the kinds that have it; null for all.</param>
/// <param name="always">Whether it is read, as an empty group, also where nothing is entered.</param>
public sealed class Part<T>(Holder holder, string name, Shape<T> shape, Func<ProductKind, bool>? of = null, bool always = false)
    : Part(holder, name, shape, of ?? (_ => true))
{
    /// <inheritdoc/>
    internal override object? Read(JsonObject holder, Place here) =>
        Name.Length == 0 ? shape.Read(holder, here)
        : holder[Name] is { } node ? shape.Read(node, here.To(Name))
        : always ? shape.Read(new JsonObject(), here.To(Name))
        : null;
}
