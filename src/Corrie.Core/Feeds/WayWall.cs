using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>A stretch of height in which a bay or a member lets nothing pass.</summary>
/// <param name="From">Its lower end over the floor.</param>
/// <param name="To">Its upper end.</param>
/// <param name="What">What is there.</param>
public readonly record struct ClosedStretch(Length From, Length To, string What);

/// <summary>An end of a way: where a cable comes out of the wall.</summary>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
public readonly record struct WayEnd(Length X, Length Y);

/// <summary>
/// What a cable may go through: bays, members between them, noggins, plates, attic and basement. The one place that says what a move needs;
/// what it costs is the company's.
/// </summary>
/// <param name="Bays">The bays.</param>
/// <param name="Height">Floor to ceiling.</param>
/// <param name="Attic">Whether the top plate can be reached from above.</param>
/// <param name="Basement">Whether the bottom plate can be reached from below.</param>
/// <param name="InBay">What closes each bay.</param>
/// <param name="AtMember">What closes each member to holes.</param>
public sealed record WayWall(Bays Bays, Length Height, bool Attic, bool Basement, IReadOnlyList<IReadOnlyList<ClosedStretch>> InBay, IReadOnlyList<IReadOnlyList<ClosedStretch>> AtMember)
{
    /// <summary>The bottom plate (common practice).</summary>
    public static readonly Length BottomPlate = Length.Tape(1, 1, 2);

    /// <summary>The doubled top plate (common practice).</summary>
    public static readonly Length TopPlate = Length.Tape(3);

    /// <summary>How far the middle of a hole through a stud keeps from plates, noggins and what closes a bay (own rule).</summary>
    public static readonly Length Margin = Length.Tape(1);

    /// <summary>What stands round an opening in the wall: studs beside it and a sill (common practice).</summary>
    public static readonly Length Round = Length.Tape(3);

    /// <summary>What stands over one: the header (common practice).</summary>
    public static readonly Length Over = Length.Tape(10);

    /// <summary>What a cable and the hand that pulls it need beside something in a bay (own rule).</summary>
    public static readonly Length Beside = Length.Tape(1);

    /// <summary>The lowest that a cable runs in a bay.</summary>
    public static Length Lowest => BottomPlate;

    /// <summary>The highest.</summary>
    public Length Highest => Height - TopPlate;

    /// <summary>What a wall lets through.</summary>
    /// <param name="surveyed">The wall.</param>
    /// <param name="bays">Its bays.</param>
    /// <param name="feeds">What feeds have to know of it.</param>
    /// <param name="hole">Diameter of the hole that is drilled.</param>
    /// <param name="policy">The company's figures.</param>
    /// <returns>What it lets through.</returns>
    public static WayWall Of(Surveyed surveyed, Bays bays, WallFeeds feeds, Length hole, Policy policy)
    {
        var wall = surveyed.Wall;
        var closes = wall.Features.Where(f => f.Traits.OpensWall).Select(f => (Area: Rect.Between(f.Left - Round, f.Right + Round, f.Bottom - Round, f.Top + Over), f.Name))
            .Concat(wall.Features.Where(f => f.Buried || f.Traits.InWall).Select(f => (Area: f.Outline.Grown(policy.KeepFromBuried), f.Name))).ToList();
        var need = Beside + hole;
        return new(
            bays, wall.Height, feeds.Attic == true, feeds.Basement == true,
            [
                .. bays.All.Items.Select(bay => (IReadOnlyList<ClosedStretch>)[.. closes
                    .Where(c => c.Area.Overlaps(bay.Left, bay.Right) && Length.Max(c.Area.Left - bay.Left, bay.Right - c.Area.Right) < need)
                    .Select(c => new ClosedStretch(c.Area.Bottom, c.Area.Top, c.Name))]),
            ],
            [.. bays.Members.Items.Select(m => (IReadOnlyList<ClosedStretch>)[.. closes.Where(c => c.Area.Overlaps(m.Left, m.Right)).Select(c => new ClosedStretch(c.Area.Bottom, c.Area.Top, c.Name))])]);
    }

    /// <summary>A bay with what closes it and what crosses it.</summary>
    /// <param name="bay">The bay's number.</param>
    /// <returns>The bay.</returns>
    public BayOpen Of(int bay) => new([.. InBay[bay]], [.. Bays.Crossings.Items.Where(c => c.Crosses(Bays.All.Items[bay]))]);

    /// <summary>Whether a hole through a stud keeps clear of the plates.</summary>
    /// <param name="y">The hole's height.</param>
    /// <returns>Whether it does.</returns>
    public bool InFrame(Length y) => y >= Lowest + Margin && y <= Highest - Margin;

    /// <summary>The heights at which something changes: the cheapest way turns at one of them, or at its ends.</summary>
    /// <returns>The heights.</returns>
    public IEnumerable<Length> Heights() =>
        InBay.Concat(AtMember).SelectMany(c => c).SelectMany(c => new[] { c.From - Margin, c.To + Margin })
            .Concat(Bays.Crossings.Items.SelectMany(c => new[] { c.Bottom - Margin, c.Top + Margin }))
            .Append(Lowest + Margin).Append(Highest - Margin);

    internal static Length Middle(CrossMember crossing) => crossing.Bottom + (crossing.Top - crossing.Bottom).Half;
}

/// <summary>A bay with what closes it and what crosses it.</summary>
/// <param name="Closed">Stretches in which nothing passes.</param>
/// <param name="Crossings">Noggins in it.</param>
public sealed record BayOpen(ClosedStretch[] Closed, CrossMember[] Crossings)
{
    /// <summary>How many noggins cross it between two heights.</summary>
    /// <param name="from">The lower height.</param>
    /// <param name="to">The upper one.</param>
    /// <returns>How many have their middle between them.</returns>
    public int Noggins(Length from, Length to)
    {
        var count = 0;
        for (var i = 0; i < Crossings.Length; i++)
        {
            var middle = WayWall.Middle(Crossings[i]);
            count += middle > from && middle <= to ? 1 : 0;
        }

        return count;
    }

    /// <summary>Whether a cable can run along it from one height to another.</summary>
    /// <param name="from">The lower height.</param>
    /// <param name="to">The upper one.</param>
    /// <returns>Whether nothing closes it between them.</returns>
    public bool Passes(Length from, Length to)
    {
        for (var i = 0; i < Closed.Length; i++)
        {
            if (Closed[i].From < to && Closed[i].To > from)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>At which heights a hole into it keeps clear of what closes and what crosses it.</summary>
    /// <param name="heights">The heights.</param>
    /// <returns>Yes or no for each.</returns>
    public bool[] ClearAt(Length[] heights) => Array.ConvertAll(heights, Clear);

    /// <summary>Whether a hole into it keeps clear of what closes and what crosses it.</summary>
    /// <param name="y">The hole's height.</param>
    /// <returns>Whether it does.</returns>
    public bool Clear(Length y)
    {
        if (Closes(Closed, y, WayWall.Margin))
        {
            return false;
        }

        for (var i = 0; i < Crossings.Length; i++)
        {
            if (y > Crossings[i].Bottom - WayWall.Margin && y < Crossings[i].Top + WayWall.Margin)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>Whether stretches close a height.</summary>
    /// <param name="closed">The stretches.</param>
    /// <param name="y">The height.</param>
    /// <param name="margin">What is kept from their ends.</param>
    /// <returns>Whether one does.</returns>
    internal static bool Closes(IReadOnlyList<ClosedStretch> closed, Length y, Length margin)
    {
        for (var i = 0; i < closed.Count; i++)
        {
            if (y > closed[i].From - margin && y < closed[i].To + margin)
            {
                return true;
            }
        }

        return false;
    }
}
