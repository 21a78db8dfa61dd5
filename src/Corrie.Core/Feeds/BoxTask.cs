using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>The display that a box is behind.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Outer">Its outline, parked.</param>
/// <param name="Before">Plate, backing and arms before which no cover can be, by name.</param>
/// <param name="Ports">Its ports with their plugs, on the wall.</param>
/// <param name="Gap">Wall to its back, parked.</param>
/// <param name="Folds">Whether its mount folds an arm behind it.</param>
internal sealed record BehindDisplay(string Name, Rect Outer, Same<(string Name, Rect Area)> Before, Same<(string Name, Rect Area)> Ports, Length Gap, bool Folds);

/// <summary>All that a box's place follows from.</summary>
/// <param name="Survey">The wall.</param>
/// <param name="Bays">Its bays.</param>
/// <param name="Name">What the box is called.</param>
/// <param name="Box">The box.</param>
/// <param name="Outer">Where it is placed; null where it is not yet.</param>
/// <param name="Choice">How it is placed.</param>
/// <param name="Behind">The display that it is behind; null for a box at the other end.</param>
/// <param name="Over">What it belongs to at the other end: the name, and the middle across; null for nothing.</param>
/// <param name="MainsBox">Where the box with mains is, for one with signal at the same end.</param>
/// <param name="Others">Other boxes and things on the wall, by name.</param>
/// <param name="Feeds">What feeds have to know of the wall.</param>
/// <param name="Policy">The company's figures.</param>
internal sealed record BoxTask(
    Surveyed Survey, Bays Bays, string Name, WallBox Box, Rect? Outer, PlacementChoice? Choice, BehindDisplay? Behind, (string Name, Length X)? Over, Rect? MainsBox, Same<(string Name, Rect Area)> Others, WallFeeds Feeds, Policy Policy)
{
    // Where nobody has an outlet yet: its middle over the floor (common practice).
    private static readonly Length OutletHeight = Length.Tape(16);

    /// <summary>The wall.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>How deep a box may go, layers and cavity together; null where nobody knows what is behind.</summary>
    public Length? Room => Wall.Kind.Framed() ? Wall.LayersThickness + Wall.StudDepth
        : Wall.Kind == WallKind.Planks ? null
        : Void is { } hollow && Cut is var cut && (cut is not { } placed || (placed.Left >= hollow.Left && placed.Right <= hollow.Right && placed.Bottom >= hollow.Bottom && placed.Top <= hollow.Top)) ? Wall.StudDepth
        : Length.Zero;

    /// <summary>In masonry: the former opening, closed with board, whose void takes boxes.</summary>
    public Feature? Void => Wall.Features.FirstOrDefault(f => f.Kind == FeatureKind.ClosedOpening);

    /// <summary>Half of the opening, across and up.</summary>
    public (Length X, Length Y) Opening => (Box.OpeningWidth.Half, Box.OpeningHeight.Half);

    /// <summary>The opening where the box is placed.</summary>
    public Rect? Cut => Outer is { } outer ? Around(outer.CentreX, outer.CentreY, Opening.X, Opening.Y) : null;

    /// <summary>The receptacle or plate that a box at the other end lines up with: the nearest across.</summary>
    public Feature? Old => Behind is not null ? null : Wall.Features.Where(f => f.Kind is FeatureKind.Receptacle or FeatureKind.SignalPlate)
        .MinBy(f => ((f.Centre - (Over?.X ?? Outer?.CentreX ?? Wall.Centre)).Abs.Units, f.Id));

    /// <summary>By what a place is judged.</summary>
    public BoxAim Aim
    {
        get
        {
            if (Behind is { } display)
            {
                var ports = display.Ports.Items;
                var (x, y) = ports.Count == 0 ? (display.Outer.CentreX, display.Outer.CentreY)
                    : (Length.FromUnits((long)ports.Average(p => p.Area.CentreX.Units)), Length.FromUnits((long)ports.Average(p => p.Area.CentreY.Units)));
                return new(x, y, LowThird, false, null);
            }

            var beside = MainsBox is { } mains && Box.HasSignal && !Box.HasPower ? Bays.At(mains.CentreX) : null;
            return new(Over?.X ?? Old?.Centre ?? Outer?.CentreX ?? Wall.Centre, Old?.Outline.CentreY ?? OutletHeight, null, true, beside is null ? null : (beside.Left, beside.Right));
        }
    }

    /// <summary>Behind a display: below this its cables droop into sight.</summary>
    public Length? LowThird => Behind is { } display ? display.Outer.Bottom + (display.Outer.Height * (1d / 3)) : null;

    /// <summary>Where the box may go.</summary>
    /// <returns>The places.</returns>
    public BoxPlaces Places()
    {
        var inside = Behind?.Outer.Grown(-Policy.Feeds.InsideDisplay) ?? (!Wall.Kind.Framed() && Void is { } hollow ? hollow.Outline : new Rect(Length.Zero, Length.Zero, Wall.Width, Wall.Height));
        return new(Shrunk(inside, Box.Width.Half, Box.Height.Half), [.. Blockers()], Aim);
    }

    /// <summary>Everything that takes places away from it.</summary>
    /// <returns>What, and where its centre may therefore not be.</returns>
    public IEnumerable<Blocked> Blockers()
    {
        var (half, up) = Opening;
        foreach (var member in Bays.Members.Items)
        {
            var area = Rect.Between(member.Left, member.Right, Length.Zero, Wall.Height);
            yield return new(BlockedBy.Member, member.Sure ? "stud" : "stud, not confirmed", area, Around(area, half + Box.Clearance, Length.Zero));
            if (Box.Wings > Box.Clearance)
            {
                yield return new(BlockedBy.Wings, "stud", area, Around(area, half + Box.Wings, Length.Zero));
            }
        }

        foreach (var noggin in Bays.Crossings.Items)
        {
            var area = Rect.Between(noggin.From, noggin.To, noggin.Bottom, noggin.Top);
            yield return new(BlockedBy.Crossing, "noggin", area, Around(area, half, up + Box.Clearance));
        }

        foreach (var (name, area) in Behind?.Before.Items ?? [])
        {
            yield return new(BlockedBy.Plate, name, area, Around(area, Box.Width.Half, Box.Height.Half));
        }

        foreach (var (name, area) in Behind?.Ports.Items ?? [])
        {
            yield return new(BlockedBy.Port, name, area, Around(area, Box.Width.Half, Box.Height.Half));
        }

        foreach (var keep in Survey.KeepOuts(Policy).Where(k => !Recessed(k.Id)))
        {
            yield return new(BlockedBy.Kept, keep.Name, keep.Area, Around(keep.Area, half, up));
        }

        // What only stands there hides a box: it is moved for the work.
        foreach (var opening in Wall.Features.Where(f => f.Traits.OpensWall || f.Kind == FeatureKind.Flue || (f.Traits.Role is BodyRole.Solid or BodyRole.Control or BodyRole.Outlet && f.Kind is not (FeatureKind.Furniture or FeatureKind.Soundbar) && !Recessed(f.Id))))
        {
            yield return new(BlockedBy.Kept, opening.Name, opening.Outline, Around(opening.Outline, Box.Width.Half, Box.Height.Half));
        }

        foreach (var (name, area) in Others.Items)
        {
            yield return new(BlockedBy.Box, name, area, Around(area, Box.Width.Half, Box.Height.Half));
        }
    }

    // Where an outlet is set back, its box is taken out: the new one goes where it was.
    private bool Recessed(string feature) => Feeds.Devices.Items.Any(d => d.Of == feature && d.Fate is DeviceFate.Recessed or DeviceFate.Moved && d.By.Length > 0) && Box.HasPower;

    private static Rect Around(Rect area, Length x, Length y) => Rect.Between(area.Left - x, area.Right + x, area.Bottom - y, area.Top + y);

    private static Rect Around(Length x, Length y, Length halfX, Length halfY) => Rect.Between(x - halfX, x + halfX, y - halfY, y + halfY);

    private static Rect Shrunk(Rect area, Length x, Length y) => Around(area, -x, -y);
}
