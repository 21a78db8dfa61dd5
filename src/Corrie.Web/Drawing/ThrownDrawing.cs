using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Draws a plan to be thrown onto the wall itself: bright lines on black, words two inches high, to be read from three metres.</summary>
public static class ThrownDrawing
{
    /// <summary>Units of the drawing to the inch.</summary>
    public const double Scale = 10;

    /// <summary>The wall, with a margin so that nothing at its edge is cut.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">The wall.</param>
    /// <param name="studs">Its members.</param>
    /// <param name="style">The reader's units.</param>
    public static IHtmlContent Draw(JobPlan plan, Wall wall, IReadOnlyList<Stud> studs, LengthStyle style)
    {
        var (width, height) = (wall.Width.Inches * Scale, wall.Height.Inches * Scale);
        var frame = new Frame(Scale, 0, height);
        var svg = new Svg();
        svg.Open("svg", "thrown", [("xmlns", "http://www.w3.org/2000/svg"), ("id", "thrown"), ("viewBox", $"0 0 {Svg.Trim(width)} {Svg.Trim(height)}"), ("width", Svg.Trim(width)), ("height", Svg.Trim(height)), ("role", "img"), ("aria-label", "The plan, to be thrown onto the wall")], close: false);
        svg.Rect("t-wall", 0, 0, width, height);
        foreach (var stud in studs)
        {
            svg.Rect(stud.State == StudState.Confirmed ? "t-stud" : "t-stud unsure", frame.X(stud.Left), 0, frame.D(stud.Width), height);
        }

        foreach (var item in plan.Sheet.Items.Where(i => plan.Sheet.WallOf(i) is { } on && plan.Survey(on.Id)?.Wall == wall))
        {
            if (plan.Layout(item.Id) is { } layout)
            {
                frame.Rect(svg, "t-plate", layout.Plate);
                svg.Line("t-hook", frame.X(layout.Plate.Left) - 40, frame.Y(layout.HookLine), frame.X(layout.Plate.Right) + 40, frame.Y(layout.HookLine));
            }

            if (plan.Placement(item.Id) is { Outer: var outer } placed)
            {
                frame.Rect(svg, item.Kind.Layer == WallLayer.Inside ? "t-box" : "t-thing", outer);
                svg.Words("t-words", frame.X(outer.Left) + 14, frame.Y(outer.Top) + 30, placed.Picture is null ? item.Kind.Title : $"{item.Kind.Title}, bottom {outer.Bottom.Show(style)}");
                if (placed.Picture is not null)
                {
                    svg.Line("t-centre", frame.X(outer.CentreX), frame.Y(outer.Top) - 120, frame.X(outer.CentreX), frame.Y(outer.Bottom) + 120);
                    svg.Line("t-centre", frame.X(outer.Left) - 60, frame.Y(outer.CentreY), frame.X(outer.Right) + 60, frame.Y(outer.CentreY));
                    svg.Words("t-words middle", frame.X(outer.CentreX), frame.Y(outer.Bottom) - 14, $"centre {outer.CentreX.Show(style)} from the left corner");
                }
            }
        }

        svg.Words("t-warning", width / 2, height - 24, "For looking, not for drilling");
        return new HtmlString(svg.End("svg").ToString());
    }
}
