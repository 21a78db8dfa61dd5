using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages.Survey;

/// <summary>Draws what is behind the board.</summary>
public static class Framing
{
    /// <summary>The members, as sure as they are.</summary>
    public static void Draw(Canvas canvas)
    {
        var (svg, frame, wall, style, across) = (canvas.Svg, canvas.Frame, canvas.Wall, canvas.Style, canvas.Tapes.Across);
        var top = frame.Y(wall.Height);
        var height = frame.D(wall.Height);
        var steel = wall.Kind == WallKind.SteelStuds;
        var (written, raised) = (double.NegativeInfinity, false);
        var figureWidth = style.System == UnitSystem.Millimetres ? 38 : style.FeetInches ? 66 : 50;
        foreach (var stud in canvas.Studs)
        {
            svg.Group($"stud {stud.State.Word()} {(steel ? "steel" : "wood")}");
            svg.Open("title", string.Empty, [], close: false)
                .Raw(System.Net.WebUtility.HtmlEncode($"stud {stud.State.Word()} at {stud.Centre.Show(style)}, good to {stud.Uncertainty.Show(style with { Denominator = 32 })}")).End("title");
            if (stud.Uncertainty > Length.Zero && stud.State != StudState.Confirmed)
            {
                svg.Rect("doubt", frame.X(stud.Left - stud.Uncertainty), top, frame.D(stud.Width + (stud.Uncertainty * 2)), height);
            }

            svg.Rect("stud-face", frame.X(stud.Left), top, frame.D(stud.Width), height);
            svg.Rect(steel ? "stud-steel" : "stud-wood", frame.X(stud.Left), top, frame.D(stud.Width), height);
            svg.Line("stud-centre", frame.X(stud.Centre), top, frame.X(stud.Centre), frame.Floor);
            // Members side by side share the first one's figure; figures that would run together stand in two rows.
            if (frame.X(stud.Centre) - written > 18)
            {
                raised = frame.X(stud.Centre) - written < figureWidth && !raised;
                written = frame.X(stud.Centre);
                svg.Figures("stud-figure", written, raised ? top - 17 : top - 6, across.Read(stud.Centre).Distance.Show(style), across.Read(stud.Centre).Back ? "◂" : string.Empty);
            }

            svg.End();
        }
    }

    /// <summary>Level members, between the studs of their bays.</summary>
    public static void Crossings(Canvas canvas)
    {
        var (svg, frame, style) = (canvas.Svg, canvas.Frame, canvas.Style);
        foreach (var member in canvas.Framing.Crossings)
        {
            svg.Group($"stud level {member.State.Word()} wood");
            svg.Open("title", string.Empty, [], close: false)
                .Raw(System.Net.WebUtility.HtmlEncode($"level member {member.State.Word()} at {member.Centre.Show(style)}")).End("title");
            svg.Rect("stud-face", frame.X(member.From), frame.Y(member.Centre + member.Width.Half), frame.D(member.To - member.From), frame.D(member.Width));
            svg.Rect("stud-wood", frame.X(member.From), frame.Y(member.Centre + member.Width.Half), frame.D(member.To - member.From), frame.D(member.Width));
            svg.End();
        }
    }

    /// <summary>Where no hole may go until a cable's route is known.</summary>
    public static void KeepOuts(Canvas canvas)
    {
        var (svg, frame, wall) = (canvas.Svg, canvas.Frame, canvas.Wall);
        foreach (var keep in canvas.Survey.KeepOuts(canvas.Plan.Sheet.Policy))
        {
            var (left, right) = (Length.Max(Length.Zero, keep.Area.Left), Length.Min(wall.Width, keep.Area.Right));
            var (bottom, top) = (Length.Max(Length.Zero, keep.Area.Bottom), Length.Min(wall.Height, keep.Area.Top));
            svg.Group("keep-out");
            svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode($"kept free round the {keep.Name}: {keep.Why}")).End("title");
            svg.Rect("keep", frame.X(left), frame.Y(top), frame.D(right - left), frame.D(top - bottom));
            svg.End();
        }
    }
}
