using System.Globalization;
using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using Corrie.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Stages.Feeds;

/// <summary>Draws what goes into an enclosure: its layers one beside the other and its section, to one scale, with the gaps of its cover and the cables that leave by them.</summary>
public static class EnclosureDrawing
{
    private const double High = 300, Edge = 26, Between = 34, Foot = 30, Wide = 900;

    /// <summary>An enclosure.</summary>
    /// <param name="plan">The enclosure, and how its devices go in.</param>
    /// <param name="style">How lengths are shown.</param>
    public static IHtmlContent Draw(EnclosurePlan plan, LengthStyle style)
    {
        var (of, box) = (plan.Of, plan.Of.Box);
        var layers = plan.Packed?.All.Any(d => d.Front) == true ? 2 : 1;
        var deep = Length.Max(box.Depth, plan.Packed?.Deep ?? Length.Zero);
        var across = (box.OpeningWidth.Inches * layers) + deep.Inches;
        var scale = Math.Min((High - (2 * Edge) - Foot) / box.OpeningHeight.Inches, (Wide - (2 * Edge) - (layers * Between)) / across);
        var svg = new Svg();
        svg.Open("svg", "drawing enclosure", [("viewBox", FormattableString.Invariant($"0 0 {Svg.Trim((across * scale) + (2 * Edge) + (layers * Between))} {High}")), ("xmlns", "http://www.w3.org/2000/svg"), ("role", "img"), ("aria-label", $"What goes into the {of.Name}, in {(layers == 1 ? "one layer" : "two layers")}, and from the side. The list beside it says where.")], close: false);
        var left = Edge;
        var floor = Edge + (box.OpeningHeight.Inches * scale);
        for (var layer = 0; layer < layers; layer++)
        {
            var frame = new Frame(scale, left, floor);
            Layer(svg, frame, plan, layer == 1);
            svg.Words("note", left, floor + Foot - 8, layers == 1 ? "from the front" : layer == 0 ? "first: the back layer" : "then: on stand-offs before it");
            left += (box.OpeningWidth.Inches * scale) + Between;
        }

        Section(svg, new(scale, left, floor), plan, style);
        return new HtmlString(svg.End("svg").ToString());
    }

    private static void Layer(Svg svg, Frame frame, EnclosurePlan plan, bool front)
    {
        var (of, box) = (plan.Of, plan.Of.Box);
        frame.Rect(svg, "enclosure-in", new(Length.Zero, Length.Zero, box.OpeningWidth, box.OpeningHeight));
        foreach (var under in plan.Packed?.All.Where(d => front && !d.Front) ?? [])
        {
            frame.Rect(svg, "enclosure-under", under.At);
        }

        if (of.Mains is { } mains)
        {
            frame.Rect(svg, "enclosure-mains", mains.Cover, 2);
            frame.Rect(svg, "enclosure-cut", mains.Opening);
            Name(svg, frame, mains.Cover, mains.Name);
        }

        foreach (var device in plan.Packed?.All.Where(d => d.Front == front) ?? [])
        {
            frame.Rect(svg, "enclosure-device", device.At, 2);
            Name(svg, frame, device.At, device.Device.Name);
        }

        // The gaps of the cover, in its upper and its lower edge; cables lie in the lower one.
        foreach (var bottom in new[] { Length.Zero, box.OpeningHeight - of.Gap.Height })
        {
            frame.Rect(svg, "enclosure-gap", new(box.OpeningWidth.Half - of.Gap.Width.Half, bottom, of.Gap.Width, of.Gap.Height));
        }

        var x = box.OpeningWidth.Half - of.Gap.Width.Half;
        foreach (var strand in of.Leaving.Items)
        {
            svg.Circle("enclosure-cable", frame.X(x + strand.Diameter.Half), frame.Y(strand.Diameter.Half), Math.Max(1.5, frame.D(strand.Diameter.Half)));
            x += strand.Diameter;
        }
    }

    // The face of the wall is on the right.
    private static void Section(Svg svg, Frame frame, EnclosurePlan plan, LengthStyle style)
    {
        var (of, box) = (plan.Of, plan.Of.Box);
        frame.Rect(svg, "enclosure-in", new(Length.Zero, Length.Zero, box.Depth, box.OpeningHeight));
        svg.Line("enclosure-face", frame.X(box.Depth), frame.Y(box.OpeningHeight) - 12, frame.X(box.Depth), frame.Y(Length.Zero) + 12);
        if (of.Mains is { } mains)
        {
            frame.Rect(svg, "enclosure-mains", new(Length.Zero, mains.Cover.Bottom, EnclosedMains.Plug, mains.Cover.Height), 2);
        }

        foreach (var device in plan.Packed?.All ?? [])
        {
            var from = device.Front ? plan.Packed!.BackDeep + PackOut.StandOff : Length.Zero;
            frame.Rect(svg, "enclosure-device", new(from, device.At.Bottom, device.Device.Depth, device.At.Height), 2);
        }

        var (deep, top) = (plan.Packed?.Deep ?? Length.Zero, frame.Y(box.OpeningHeight));
        svg.Figures("note", frame.X(Length.Zero), top - 14, box.Depth.Show(style), after: " deep");
        svg.Words("note", frame.X(Length.Zero), frame.Y(Length.Zero) + Foot - 8, "from the side");
        if (deep > Length.Zero)
        {
            svg.Line(deep > box.Depth ? "enclosure-over" : "enclosure-deep", frame.X(Length.Zero), top - 6, frame.X(deep), top - 6);
        }
    }

    private static void Name(Svg svg, Frame frame, Rect at, string name)
    {
        // As much of a name as there is room for: the list says it whole.
        var room = (int)(frame.D(at.Width) / 6.6);
        svg.Words("enclosure-name", frame.X(at.CentreX), frame.Y(at.CentreY) + 4, name.Length <= room ? name : room < 3 ? string.Empty : string.Create(CultureInfo.InvariantCulture, $"{name[..(room - 1)]}…"));
    }
}
