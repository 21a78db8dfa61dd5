using System.Text.Json.Nodes;
using Corrie.Core.Measure;

namespace Corrie.Core.Format;

/// <summary>
/// Answers what a group's expression asks for: samples while the group is described, the document's values while one is read. Every question
/// carries the member's name, what it is, which values are taken and what holds where nothing is entered: that is the whole description.
/// </summary>
public sealed class Members
{
    private readonly JsonObject? group;
    private readonly List<Member>? asked;

    /// <summary>Describes: every answer is a sample, every question is kept.</summary>
    internal Members()
    {
        Here = Place.Nowhere;
        asked = [];
    }

    /// <summary>Reads a value.</summary>
    /// <param name="group">A value whose form has been checked.</param>
    /// <param name="here">Where it stands.</param>
    /// <param name="trace">Whether questions are kept as well.</param>
    internal Members(JsonObject group, Place here, bool trace = false)
    {
        this.group = group;
        Here = here;
        asked = trace ? [] : null;
    }

    /// <summary>Where the group stands; its key is the one that it has in its map.</summary>
    public Place Here { get; }

    /// <summary>The key that it has in its map.</summary>
    public string Key => Here.Key;

    /// <summary>The questions so far.</summary>
    internal IReadOnlyList<Member> Asked => asked ?? [];

    /// <summary>Whether somebody has entered a member, so that nothing usual is taken for it.</summary>
    /// <param name="name">Its name.</param>
    /// <returns>Whether a value stands there.</returns>
    public bool Has(string name) => group?[name] is not null;

    /// <summary>A member without which the group is nothing.</summary>
    /// <typeparam name="T">Its type.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="shape">Its form.</param>
    /// <returns>Its value.</returns>
    public T Need<T>(string name, Shape<T> shape)
    {
        asked?.Add(new(name, shape, Needed: true));
        return Entered(name, shape) is { } node ? shape.Read(node, Here.To(name))
            : group is null || asked is not null ? shape.Sample
            : throw new InvalidOperationException($"'{name}' is missing: the form was not checked before it was read.");
    }

    /// <summary>A member with a value that holds where nothing is entered.</summary>
    /// <typeparam name="T">Its type.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="shape">Its form.</param>
    /// <param name="usual">What holds where nothing is entered.</param>
    /// <returns>Its value.</returns>
    public T Or<T>(string name, Shape<T> shape, T usual)
    {
        asked?.Add(new(name, shape, Usual: style => shape.Say(usual, style)));
        return Entered(name, shape) is { } node ? shape.Read(node, Here.To(name)) : usual;
    }

    /// <summary>A member that may be missing, of a value type.</summary>
    /// <typeparam name="T">Its type.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="shape">Its form.</param>
    /// <returns>Its value; null where nothing is entered.</returns>
    public T? Maybe<T>(string name, Shape<T> shape)
        where T : struct
    {
        asked?.Add(new(name, shape));
        return group is null ? shape.Sample : Entered(name, shape) is { } node ? shape.Read(node, Here.To(name)) : null;
    }

    /// <summary>A part that may be missing.</summary>
    /// <typeparam name="T">Its type.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="shape">Its form.</param>
    /// <returns>Its value; null where nothing is entered.</returns>
    public T? Part<T>(string name, Shape<T> shape)
        where T : class
    {
        asked?.Add(new(name, shape));
        return group is null ? shape.Sample : Entered(name, shape) is { } node ? shape.Read(node, Here.To(name)) : null;
    }

    /// <summary>Some text, empty where nothing is entered.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it is.</param>
    /// <param name="longest">Most characters.</param>
    /// <returns>The text.</returns>
    public string Text(string name, string says, int longest) => Part(name, new TextShape(says, longest)) ?? string.Empty;

    /// <summary>A length that has to be there.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it is.</param>
    /// <param name="range">Which lengths are taken.</param>
    /// <returns>The length.</returns>
    public Length Length(string name, string says, LengthRange range) => Need(name, new LengthShape(says, range));

    /// <summary>A length with one that holds where nothing is entered.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it is.</param>
    /// <param name="range">Which lengths are taken.</param>
    /// <param name="usual">What holds where nothing is entered.</param>
    /// <returns>The length.</returns>
    public Length Length(string name, string says, LengthRange range, Length usual) => Or(name, new LengthShape(says, range), usual);

    /// <summary>A measure of a hole pattern, which goes by millimetres everywhere: a bare 200 is 200 mm.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it is.</param>
    /// <param name="usual">What holds where nothing is entered; null where something has to be.</param>
    /// <returns>The length.</returns>
    public Length Pattern(string name, string says, Length? usual = null)
    {
        var shape = LengthShape.Metric(says, LengthRange.Size);
        return usual is { } otherwise ? Or(name, shape, otherwise) : Need(name, shape);
    }

    /// <summary>A length that may be missing.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it is.</param>
    /// <param name="range">Which lengths are taken.</param>
    /// <returns>The length; null where nothing is entered.</returns>
    public Length? MaybeLength(string name, string says, LengthRange range) => Maybe(name, new LengthShape(says, range));

    /// <summary>Yes or no, with what holds where nothing is entered.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="says">What is asked.</param>
    /// <param name="usual">What holds where nothing is entered.</param>
    /// <returns>The answer.</returns>
    public bool Yes(string name, string says, bool usual = false) => Or(name, new YesNoShape(says), usual);

    /// <summary>A choice with what holds where nothing is entered.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it chooses.</param>
    /// <param name="usual">What holds where nothing is entered.</param>
    /// <returns>The choice.</returns>
    public T Choice<T>(string name, string says, T usual)
        where T : struct, Enum => Or(name, new ChoiceShape<T>(says), usual);

    /// <summary>A map of alike parts, empty where nothing is entered.</summary>
    /// <typeparam name="T">The type of one.</typeparam>
    /// <param name="name">Its name.</param>
    /// <param name="says">What it holds.</param>
    /// <param name="item">Form of one.</param>
    /// <param name="most">Most parts.</param>
    /// <returns>The parts, by key.</returns>
    public IReadOnlyList<T> Map<T>(string name, string says, Shape<T> item, int most = 500) => Part(name, new MapShape<T>(says, item, most)) ?? [];

    // A form is made also for a group that is not complete or not sound; what cannot be read then counts as not entered.
    private JsonNode? Entered(string name, Shape shape)
    {
        if (group?[name] is not { } node || asked is null)
        {
            return group?[name];
        }

        // Nothing follows from a neighbour that is a list or a group, and reading those is most of the work.
        if (shape is IMap or IGroup)
        {
            return null;
        }

        var problems = new List<SheetProblem>();
        shape.Check(node, string.Empty, problems);
        return problems.Count == 0 ? node : null;
    }
}
