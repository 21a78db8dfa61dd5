using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>An upright member, or several side by side that have to be drilled together.</summary>
/// <param name="Left">Its left edge from the left corner.</param>
/// <param name="Right">Its right edge.</param>
/// <param name="Plies">How many members it is.</param>
/// <param name="Sure">Whether all of them are confirmed.</param>
public sealed record BayMember(Length Left, Length Right, int Plies, bool Sure)
{
    /// <summary>Its middle.</summary>
    public Length Centre => Left + (Right - Left).Half;
}

/// <summary>The clear space between two members.</summary>
/// <param name="Index">Counted from 0 at the left corner.</param>
/// <param name="Left">Its left end.</param>
/// <param name="Right">Its right end.</param>
public sealed record Bay(int Index, Length Left, Length Right)
{
    /// <summary>Its clear width.</summary>
    public Length Clear => Right - Left;

    /// <summary>Its middle.</summary>
    public Length Centre => Left + Clear.Half;
}

/// <summary>A level member across a bay: a noggin, a fire block, blocking.</summary>
/// <param name="From">Left end of its bay.</param>
/// <param name="To">Right end of its bay.</param>
/// <param name="Bottom">Its lower edge.</param>
/// <param name="Top">Its upper edge.</param>
/// <param name="Sure">Whether it is confirmed.</param>
public sealed record CrossMember(Length From, Length To, Length Bottom, Length Top, bool Sure)
{
    /// <summary>Whether it crosses a bay.</summary>
    /// <param name="bay">The bay.</param>
    /// <returns>Whether it does.</returns>
    public bool Crosses(Bay bay) => From < bay.Right && To > bay.Left;
}

/// <summary>The bays of a framed wall. What is not confirmed takes the room that it may be in.</summary>
/// <param name="Members">Upright members, from the left.</param>
/// <param name="All">The bays between them, from the left corner to the right one.</param>
/// <param name="Crossings">Level members.</param>
public sealed record Bays(Same<BayMember> Members, Same<Bay> All, Same<CrossMember> Crossings)
{
    // Nothing is pulled through less (own rule).
    private static readonly Length Gap = Length.Tape(0, 3, 4);

    /// <summary>The bays of a wall.</summary>
    /// <param name="surveyed">The wall; one without members has no bays.</param>
    /// <param name="bolt">The bolt that its members are shown for: it decides which of them count as confirmed.</param>
    /// <returns>The bays.</returns>
    public static Bays Of(Surveyed surveyed, Length bolt)
    {
        var (wall, framed) = (surveyed.Wall, surveyed.For(bolt));
        if (!Catalogue.WallKinds.Framed(wall.Kind))
        {
            return new(new([]), new([]), new([]));
        }

        var members = new List<BayMember>();
        foreach (var stud in framed.Studs.OrderBy(s => s.Left))
        {
            var sure = stud.State == StudState.Confirmed;
            var off = sure ? Length.Zero : stud.Uncertainty;
            var (left, right) = (Length.Max(Length.Zero, stud.Left - off), Length.Min(wall.Width, stud.Right + off));
            if (members.Count > 0 && left - members[^1].Right < Gap)
            {
                var last = members[^1];
                members[^1] = new(last.Left, Length.Max(last.Right, right), last.Plies + 1, last.Sure && sure);
            }
            else if (right > left)
            {
                members.Add(new(left, right, 1, sure));
            }
        }

        var bays = new List<Bay>();
        for (var i = 0; i <= members.Count; i++)
        {
            bays.Add(new(i, i == 0 ? Length.Zero : members[i - 1].Right, i == members.Count ? wall.Width : members[i].Left));
        }

        return new(new(members), new(bays), new([.. framed.Map.Crossings.Where(c => c.Presence > 0.5).Select(c =>
        {
            var off = c.State == StudState.Confirmed ? Length.Zero : c.Uncertainty;
            return new CrossMember(c.From, c.To > c.From ? c.To : wall.Width, c.Centre - c.Width.Half - off, c.Centre + c.Width.Half + off, c.State == StudState.Confirmed);
        })]));
    }

    /// <summary>The bay that a place is in.</summary>
    /// <param name="x">From the left corner.</param>
    /// <returns>The bay; null on a member, and where nothing is framed.</returns>
    public Bay? At(Length x) => All.Items.FirstOrDefault(b => x > b.Left && x < b.Right);
}
