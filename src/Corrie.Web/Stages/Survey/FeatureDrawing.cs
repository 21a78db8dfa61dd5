using Corrie.Core.Format;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws what stands on the wall or before it.</summary>
public static class FeatureDrawing
{
    /// <summary>Draws a feature in elevation.</summary>
    public static void Draw(Canvas canvas, Feature feature)
    {
        var (svg, frame, behind) = (canvas.Svg, canvas.Frame, canvas.Behind);
        var (x, y, w, h) = (frame.X(feature.Left), frame.Y(feature.Top), frame.D(feature.Width), frame.D(feature.Height));
        svg.Group($"feature {feature.Kind.Word()}{(behind ? " faint" : string.Empty)}", ("data-feature", feature.Id));
        switch (feature.Kind)
        {
            case FeatureKind.Window:
                svg.Rect("casing", x, y, w, h);
                var rim = Math.Min(7, w / 6);
                svg.Rect("glass", x + rim, y + rim, w - (2 * rim), h - (2 * rim));
                svg.Line("bar", x + (w / 2), y + rim, x + (w / 2), y + h - rim);
                svg.Line("bar", x + rim, y + (h / 2), x + w - rim, y + (h / 2));
                break;
            case FeatureKind.Door:
                svg.Rect("casing", x, y, w, h);
                svg.Rect("leaf", x + 5, y + 5, w - 10, h - 5);
                svg.Circle("knob", x + w - 13, y + (h * 0.55), 2.6);
                break;
            case FeatureKind.Furniture:
                svg.Rect("body", x, y, w, h);
                var drawers = Math.Clamp((int)(h / 34), 1, 5);
                for (var i = 0; i < drawers; i++)
                {
                    var top = y + 4 + (i * (h - 8) / drawers);
                    svg.Rect("drawer", x + 4, top, w - 8, ((h - 8) / drawers) - 3);
                    svg.Line("pull", x + (w / 2) - 9, top + 8, x + (w / 2) + 9, top + 8);
                }

                break;
            case FeatureKind.Soundbar:
                svg.Rect("bar-body", x, y, w, h, 4);
                break;
            case FeatureKind.Mantel or FeatureKind.Beam:
                svg.Rect("timber", x, y, w, h);
                svg.Rect("grain", x, y, w, h);
                break;
            case FeatureKind.Fireplace:
                svg.Rect("surround", x, y, w, h);
                svg.Path("opening", $"M{x + (w * .14)} {y + h} V{y + (h * .3)} Q{x + (w * .5)} {y + (h * .06)} {x + (w * .86)} {y + (h * .3)} V{y + h} Z");
                break;
            case FeatureKind.Receptacle:
                svg.Rect("plate", x, y, w, h, 2);
                foreach (var part in new[] { 0.3, 0.7 })
                {
                    svg.Line("slit", x + (w * .34), y + (h * part) - 2.2, x + (w * .34), y + (h * part) + 2.2);
                    svg.Line("slit", x + (w * .66), y + (h * part) - 2.2, x + (w * .66), y + (h * part) + 2.2);
                }

                break;
            case FeatureKind.Switch:
                svg.Rect("plate", x, y, w, h, 2);
                svg.Rect("rocker", x + (w * .35), y + (h * .3), w * .3, h * .4, 1);
                break;
            case FeatureKind.SignalPlate:
                svg.Rect("plate", x, y, w, h, 2);
                svg.Circle("socket", x + (w / 2), y + (h / 2), Math.Min(w, h) / 5);
                break;
            case FeatureKind.Cable or FeatureKind.Pipe or FeatureKind.Gas:
                // What lies in the wall is not seen from the front.
                svg.Rect(behind ? "buried" : "buried hidden", x, y, Math.Max(3, w), Math.Max(3, h));
                break;
            case FeatureKind.Flue:
                // Drawn with what is hot, and not seen from the front.
                svg.Rect("flue-body hidden", x, y, w, h);
                break;
            case FeatureKind.ClosedOpening:
                svg.Rect("closed-opening", x, y, w, h);
                svg.Path("closed-opening", $"M{x} {y} L{x + w} {y + h} M{x + w} {y} L{x} {y + h}");
                break;
            case FeatureKind.OldHole:
                svg.Circle("old-hole", x + (w / 2), y + (h / 2), Math.Max(2.5, w / 2));
                break;
            default:
                svg.Rect("thing", x, y, w, h);
                break;
        }

        if (feature.Kind == FeatureKind.Window)
        {
            canvas.Keep(x + (w / 2), y + (h / 2), w, h);
        }

        if (w > 44 && feature.Kind is not (FeatureKind.Soundbar or FeatureKind.Beam or FeatureKind.Flue))
        {
            var below = feature.Kind switch
            {
                FeatureKind.Furniture or FeatureKind.Fireplace => h - 9,
                FeatureKind.Door => 22,
                _ => h + 14,
            };
            canvas.Keep(x + (w / 2), y + below - 5, feature.Name.Length * 7);
            svg.Words("name", x + (w / 2), y + below, feature.Name);
        }

        svg.End();
    }
}
