using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A device on small brackets behind a display: the box that its ports are in, a player.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Thing">The device.</param>
/// <param name="Stands">Where it is said to be.</param>
/// <param name="Behind">The display.</param>
/// <param name="Others">Boxes in the wall and other devices that it may not cover, by name.</param>
/// <param name="Policy">The company's figures.</param>
internal sealed record HiddenBox(string Name, Thing Thing, Stands Stands, BehindDisplay Behind, Same<(string Name, Rect Area)> Others, Policy Policy)
{
    /// <summary>How far inside its ends brackets sit (common practice).</summary>
    public static readonly Length BracketInside = Length.Tape(1, 1, 2);

    /// <summary>Its outline on the wall.</summary>
    public Rect Outline => Around(Stands.Across ?? Behind.Outer.CentreX, Stands.Up ?? Behind.Outer.CentreY);

    /// <summary>What it takes with its plugs in, on the side that its sockets face; a cable bends there.</summary>
    public Rect WithPlugs => Stands.Sockets switch
    {
        SocketsFace.Down => Rect.Between(Outline.Left, Outline.Right, Outline.Bottom - BoxCheck.Plug, Outline.Top),
        SocketsFace.Side => Rect.Between(Outline.Left - BoxCheck.Plug, Outline.Right + BoxCheck.Plug, Outline.Bottom, Outline.Top),
        _ => Rect.Between(Outline.Left, Outline.Right, Outline.Bottom, Outline.Top + BoxCheck.Plug),
    };

    /// <summary>Where its middle may be: inside the display with its plugs, clear of plate and arms; near to the ports.</summary>
    public BoxPlaces Places
    {
        get
        {
            var inside = Behind.Outer.Grown(-Policy.Feeds.InsideDisplay);
            var (half, up) = (Thing.Width.Half, Thing.Height.Half);
            var ports = Behind.Ports.Items;
            var (x, y) = ports.Count == 0 ? (Behind.Outer.CentreX, Behind.Outer.CentreY) : (ports[0].Area.CentreX, ports[0].Area.CentreY);
            return new(
                Rect.Between(inside.Left + half, inside.Right - half, inside.Bottom + up, inside.Top - up - BoxCheck.Plug),
                [.. Behind.Before.Items.Concat(Others.Items).Select(b => new Blocked(BlockedBy.Plate, b.Name, b.Area, Rect.Between(b.Area.Left - half, b.Area.Right + half, b.Area.Bottom - up - BoxCheck.Plug, b.Area.Top + up)))], new(x, y, null, false, null));
        }
    }

    /// <summary>What is wrong with it.</summary>
    /// <returns>The findings, parts named from the device on.</returns>
    public IEnumerable<Finding> Check()
    {
        var (outline, plugs) = (Outline, WithPlugs);
        Spot At(string part) => new("hidden/" + part, outline.CentreX, outline.CentreY);
        Remedy[] Remedies() => [.. Places.All.Take(2).Where(p => p.X != outline.CentreX || p.Y != outline.CentreY).Select(p => new Remedy(
            $"Put it at {p.X} across, {p.Y} up", "its middle, with its sockets up", [Stands.Here.Set("across", p.X), Stands.Here.Set("up", p.Y), Stands.Here.Set("sockets", "up")]))];
        if (Thing.Depth > Behind.Gap)
        {
            yield return FeedFindings.BoxTooDeep.At(
                At("depth"), $"Put the {Name} elsewhere, or take a mount that stands out more: it is {Thing.Depth:fine} deep, and behind the parked {Behind.Name} are {Behind.Gap:fine}. Never let the display press on it.");
        }

        if (Behind.Before.Items.FirstOrDefault(b => b.Area.Overlaps(outline)) is { Name: not null } under)
        {
            yield return FeedFindings.BoxUnderPlate.At(
                At("plate"), $"Move the {Name} over or under it: it is {outline.Left} to {outline.Right} across and {outline.Bottom} to {outline.Top} up, and the {under.Name} {under.Area.Left} to {under.Area.Right} across and {under.Area.Bottom} to {under.Area.Top} up.", Remedies());
        }

        if (Others.Items.FirstOrDefault(o => o.Area.Overlaps(outline)) is { Name: not null } covered)
        {
            yield return FeedFindings.BoxUnderPlate.At(
                At("covers"), $"Move the {Name}: it is {outline.Left} to {outline.Right} across and {outline.Bottom} to {outline.Top} up, and lies on the {covered.Name}, {covered.Area.Left} to {covered.Area.Right} across and {covered.Area.Bottom} to {covered.Area.Top} up.", Remedies());
        }

        var inside = Behind.Outer.Grown(-Policy.Feeds.InsideDisplay);
        var over = new[] { (By: inside.Left - plugs.Left, Side: "left"), (By: plugs.Right - inside.Right, Side: "right"), (By: inside.Bottom - plugs.Bottom, Side: "lower"), (By: plugs.Top - inside.Top, Side: "upper") }.MaxBy(o => o.By);
        if (over.By > Length.Zero)
        {
            yield return FeedFindings.BoxShows.At(
                At("shows"), $"Move the {Name} {over.By:fine} inwards: with {BoxCheck.Plug} of plugs it is to stay {Policy.Feeds.InsideDisplay} inside the {Behind.Name}, and passes that on the {over.Side} side.", Remedies());
        }

        if (Stands.Sockets is SocketsFace.Down or SocketsFace.Side)
        {
            yield return FeedFindings.Droop.At(
                At("sockets"), $"Turn the sockets of the {Name} up: they face {(Stands.Sockets == SocketsFace.Down ? "down" : "to a side")} at {outline.CentreY} up, and plugs slide out of them and hang.", new Remedy("Turn them up", "nothing else moves", [Stands.Here.Set("sockets", "up")]));
        }

        if (Stands.Carries is { } carries && carries.Kilograms < Thing.Mass.Kilograms)
        {
            yield return FeedFindings.BracketLoad.At(
                At("brackets"), $"Take stronger brackets, or more of them, {BracketInside} inside its ends: the {Name} weighs {Thing.Mass}, and they carry {carries}.");
        }

        if (Behind.Folds && Behind.Before.Items.FirstOrDefault(b => b.Area.Grown(Length.Tape(1)).Overlaps(plugs) && !b.Area.Overlaps(outline)) is { Name: not null } arm)
        {
            yield return FeedFindings.Pinch.At(
                At("fold"), $"Keep it out of the fold: the {Name} with its plugs, {plugs.Left} to {plugs.Right} across and {plugs.Bottom} to {plugs.Top} up, is within 1 in of the {arm.Name}, {arm.Area.Left} to {arm.Area.Right} across and {arm.Area.Bottom} to {arm.Area.Top} up, and the arm folds there.", Remedies());
        }
    }

    private Rect Around(Length x, Length y) => Rect.Between(x - Thing.Width.Half, x + Thing.Width.Half, y - Thing.Height.Half, y + Thing.Height.Half);
}
