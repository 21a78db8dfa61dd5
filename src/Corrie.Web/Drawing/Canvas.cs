using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>What a layer draws on, and what it draws.</summary>
public sealed class Canvas
{
    private readonly List<(double Left, double Top, double Right, double Bottom)> kept = [];
    private readonly Lazy<(WallSheet Sheet, Surveyed Survey, WallTapes Tapes)> wall;

    /// <summary>A canvas.</summary>
    /// <param name="svg">Where it is drawn.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="look">What is looked at, and how.</param>
    public Canvas(Svg svg, JobPlan plan, Look look)
    {
        Svg = svg;
        Plan = plan;
        Look = look;
        wall = new(() => (plan.Sheet.Wall(look.Wall)!, plan.Survey(look.Wall)!, plan.Tapes(look.Wall)!));
        Studs = Survey.For(plan.ShownBolt(look.Wall)).Studs;
        Framing = Survey.For(plan.ShownBolt(look.Wall)).Map;
        Things = [.. plan.Sheet.ThingsOn(wall.Value.Sheet)];
        Selected = Things.FirstOrDefault(t => t.Id == look.Item) ?? Things.FirstOrDefault(t => t.Kind == Display.Kind) ?? (Things.Count > 0 ? Things[0] : null);
        Stretch = look.Drawing == Drawings.Above ? StretchAbove() : (Length.Zero, Wall.Width);
        Frame = look.Drawing switch
        {
            Drawings.Side => SideFrame(),
            Drawings.Above => Frame.OfStretch(Stretch.From, Stretch.To, Frame.Of(Wall.Width, Wall.Height)),
            _ => Frame.Of(Wall.Width, Wall.Height),
        };
        Face = look.Drawing == Drawings.Side ? Frame.Left + Frame.D(Wall.LayersThickness + Wall.StudDepth) + 8
            : Frame.TopMargin + 14 + Frame.D(Wall.StudDepth + Wall.LayersThickness);
    }

    /// <summary>Where it is drawn.</summary>
    public Svg Svg { get; }

    /// <summary>The plan.</summary>
    public JobPlan Plan { get; }

    /// <summary>What is looked at, and how.</summary>
    public Look Look { get; }

    /// <summary>Where things of the wall lie.</summary>
    public Frame Frame { get; }

    /// <summary>The stretch of the wall that is drawn; from above that of what is looked at, and else the whole.</summary>
    public (Length From, Length To) Stretch { get; }

    /// <summary>From the side and from above: where the wall's face lies.</summary>
    public double Face { get; }

    /// <summary>The wall as surveyed.</summary>
    public Surveyed Survey => wall.Value.Survey;

    /// <summary>The wall.</summary>
    public Wall Wall => Survey.Wall;

    /// <summary>Its tapes.</summary>
    public WallTapes Tapes => wall.Value.Tapes;

    /// <summary>Its members, for the bolt that they are shown for.</summary>
    public IReadOnlyList<Stud> Studs { get; }

    /// <summary>Why they are thought to be there.</summary>
    public FramingMap Framing { get; }

    /// <summary>The things on it.</summary>
    public IReadOnlyList<Item> Things { get; }

    /// <summary>The thing that is looked at among them; null for none.</summary>
    public Item? Selected { get; }

    /// <summary>The reader's units.</summary>
    public LengthStyle Style => Look.Style;

    /// <summary>Whether it is drawn as if the board were glass.</summary>
    public bool Behind => Look.Drawing != Drawings.Front;

    /// <summary>Keeps a place free of what is drawn later and can stand elsewhere: words and figures that have to be read there.</summary>
    /// <param name="x">Its middle.</param>
    /// <param name="y">Its middle.</param>
    /// <param name="width">How wide it is.</param>
    /// <param name="height">How high it is.</param>
    public void Keep(double x, double y, double width, double height = 16) => kept.Add((x - (width / 2), y - (height / 2), x + (width / 2), y + (height / 2)));

    /// <summary>Whether a place meets nothing that is kept free.</summary>
    /// <param name="left">Its left edge.</param>
    /// <param name="top">Its upper edge.</param>
    /// <param name="width">How wide it is.</param>
    /// <param name="height">How high it is.</param>
    public bool IsFree(double left, double top, double width, double height) =>
        !kept.Exists(k => k.Left < left + width && k.Right > left && k.Top < top + height && k.Bottom > top);

    /// <summary>From the side and from above: how far something stands out.</summary>
    public double Out(Length distance) => Face + Frame.D(distance);

    /// <summary>The display and the mount of what is looked at: itself, what carries it, or what it carries.</summary>
    public (Item? Thing, Item? Mount) Shown()
    {
        var mount = Selected is null ? null : Selected.Kind == Mount.Kind ? Selected : Plan.Sheet.On(Selected) is { } on && on.Kind == Mount.Kind ? on : null;
        var thing = Selected is { Kind.IsPlaced: true } ? Selected : mount is null ? null : Plan.Sheet.DisplayOn(mount) ?? Plan.Sheet.Carried(mount).FirstOrDefault(i => i.Kind.IsPlaced);
        return (thing, mount);
    }

    /// <summary>Whether a thing belongs to what is looked at: it is that, carries it, or hangs with it.</summary>
    public bool IsShown(string item) => Plan.Sheet.Item(item) is { } other && Root(other) == (Selected is null ? null : Root(Selected));

    private Item Root(Item item) => Plan.Sheet.On(item) is { } holder ? Root(holder) : item;

    // What is looked at with a foot at both sides, so that plate and bolts are large.
    private (Length From, Length To) StretchAbove()
    {
        var around = Length.Tape(12);
        var (thing, mount) = Shown();
        List<Rect> shown = [.. new[] { thing is null ? null : Plan.Placement(thing.Id)?.Outer, mount is null ? null : Plan.Layout(mount.Id)?.Plate, mount is null || Plan.Sheet.DisplayOn(mount) is not { } hung ? null : Plan.Placement(hung.Id)?.Outer }.OfType<Rect>()];
        if (shown.Count > 0 && mount is not null && Plan.Layout(mount.Id)?.Turning is { } turning && Plan.Sheet.DisplayOn(mount)?.Product is Display display)
        {
            // Swung out it is to be seen whole.
            var deep = Wall.LayersThickness + Wall.StudDepth + turning.Swept + display.Depth;
            around = Length.Max(around, (Frame.StretchFor(deep, Frame.Of(Wall.Width, Wall.Height)) - (shown.Max(r => r.Right) - shown.Min(r => r.Left))).Half);
        }

        return shown.Count == 0 ? (Length.Zero, Wall.Width)
            : (Length.Max(Length.Zero, shown.Min(r => r.Left) - around), Length.Min(Wall.Width, shown.Max(r => r.Right) + around)) is var (from, to) && to > from + Length.Tape(12) ? (from, to)
            : (Length.Zero, Wall.Width);
    }

    // Heights are to the wall's scale, and so are distances as long as the farthest seat fits.
    private Frame SideFrame()
    {
        var front = Frame.Of(Wall.Width, Wall.Height);
        var farthest = Shown().Thing is { } thing && Plan.Placement(thing.Id) is { } placed ? placed.Views.Select(v => v.Viewer.Distance).DefaultIfEmpty(Length.Zero).Max() : Length.Zero;
        var behind = Wall.LayersThickness + Wall.StudDepth;
        var scale = Math.Min(front.Scale, (Frame.Width - Frame.LeftMargin - 60) / Math.Max(1, (farthest + behind).Inches));
        return front with { Scale = scale, Floor = Frame.TopMargin + (Wall.Height.Inches * scale) + 40 };
    }
}

/// <summary>What of a plan is looked at, and how.</summary>
/// <param name="Wall">Key of the wall.</param>
/// <param name="View">Which way.</param>
/// <param name="Style">The reader's units.</param>
/// <param name="Edits">Whether things can be dragged.</param>
/// <param name="Surveying">Whether the wall itself is the question: what was found and measured is shown then, and not what hangs.</param>
/// <param name="Item">The thing that is looked at; empty for the first.</param>
/// <param name="Apart">Whether everything on the wall has its readings at the tapes, as on paper, and not only what is looked at.</param>
/// <param name="Photo">Address of the squared photo of the wall, which lies under the drawing in front; empty for none.</param>
/// <param name="Settled">Whether it is for who lives with it: what is wrong is not flagged on it.</param>
/// <param name="Advice">Probes to show instead of those that the plan knows of; null for those.</param>
public sealed record Look(string Wall, WallView View, LengthStyle Style, bool Edits = false, bool Surveying = false, string Item = "", bool Apart = false, bool Settled = false, IReadOnlyList<Probe>? Advice = null, string Photo = "")
{
    /// <summary>The drawing that it makes.</summary>
    public Drawings Drawing => View switch
    {
        WallView.Front => Drawings.Front,
        WallView.Behind => Surveying ? Drawings.Found : Drawings.Behind,
        WallView.Side => Surveying ? Drawings.Section : Drawings.Side,
        _ => Drawings.Above,
    };
}
