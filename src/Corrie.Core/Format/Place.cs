using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Format;

/// <summary>
/// Where a part of a document stands, and in which units the document's people work. A part keeps its place, so that a remedy, a drag or a form
/// changes it by the names of its own members and nobody writes a path from the root.
/// </summary>
/// <param name="parent">The place of what holds it; null for the root.</param>
/// <param name="key">Its name there.</param>
/// <param name="units">The document's units.</param>
public sealed class Place(Place? parent, string key, UnitSystem units) : IEquatable<Place>
{
    private readonly Place? parent = parent;

    /// <summary>The place of a part that stands in no document.</summary>
    public static Place Nowhere { get; } = new(null, string.Empty, UnitSystem.Inches);

    /// <summary>The part's own key; empty for the root.</summary>
    public string Key { get; } = key;

    /// <summary>The units in which the document's lengths are written.</summary>
    public UnitSystem Units { get; } = units;

    /// <inheritdoc/>
    public bool Equals(Place? other) => ReferenceEquals(this, other) || (other is not null && Key == other.Key && Units == other.Units && Equals(parent, other.parent));

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Place);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Key, Units);

    /// <summary>JSON Pointer of the part.</summary>
    public string Pointer => parent is null ? string.Empty : Format.Pointer.Join(parent.Pointer, Key);

    /// <summary>The place of what holds it; the root is its own.</summary>
    public Place Up => parent ?? this;

    /// <summary>The place of a member.</summary>
    /// <param name="member">The member's name.</param>
    /// <returns>Its place.</returns>
    public Place To(string member) => new(this, member, Units);

    /// <summary>The change that sets a member to a length, written in the document's own units.</summary>
    /// <param name="member">The member's name, or names with slashes between.</param>
    /// <param name="value">Any length.</param>
    /// <returns>The change.</returns>
    public Change Set(string member, Length value) => new($"{Pointer}/{member}", LengthText.Exact(value, Units));

    /// <summary>The change that sets a member.</summary>
    /// <param name="member">The member's name, or names with slashes between.</param>
    /// <param name="value">The value; null takes the member away.</param>
    /// <returns>The change.</returns>
    public Change Set(string member, JsonNode? value) => new($"{Pointer}/{member}", value);

    /// <summary>The change that takes a member away.</summary>
    /// <param name="member">The member's name.</param>
    /// <returns>The change.</returns>
    public Change Clear(string member) => new($"{Pointer}/{member}", null);
}
