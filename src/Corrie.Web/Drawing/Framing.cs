using Corrie.Core.Catalogue;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Web.Drawing;

/// <summary>Draws what is behind the board.</summary>
public static class Framing
{
    /// <summary>The members, as sure as they are.</summary>
    public static void Draw(Svg svg, Sheet sheet, Wall wall, Datum across, LengthStyle style)
    {
        var top = sheet.Y(wall.Height);
        var height = sheet.D(wall.Height);
        var steel = wall.Kind == WallKind.SteelStuds;
        var (written, raised) = (double.NegativeInfinity, false);
        var figureWidth = style.System == UnitSystem.Millimetres ? 38 : style.FeetInches ? 66 : 50;
        foreach (var stud in wall.Studs)
        {
            svg.Group($"stud {stud.State.Word()} {(steel ? "steel" : "wood")}");
            svg.Open("title", string.Empty, [], close: false)
                .Raw(System.Net.WebUtility.HtmlEncode($"stud {stud.State.Word()} at {stud.Centre.Show(style)}, good to {stud.Uncertainty.Show(style with { Denominator = 32 })}")).End("title");
            if (stud.Uncertainty > Length.Zero && stud.State != StudState.Confirmed)
            {
                svg.Rect("doubt", sheet.X(stud.Left - stud.Uncertainty), top, sheet.D(stud.Width + (stud.Uncertainty * 2)), height);
            }

            svg.Rect("stud-face", sheet.X(stud.Left), top, sheet.D(stud.Width), height);
            svg.Rect(steel ? "stud-steel" : "stud-wood", sheet.X(stud.Left), top, sheet.D(stud.Width), height);
            svg.Line("stud-centre", sheet.X(stud.Centre), top, sheet.X(stud.Centre), sheet.Floor);
            // Members side by side share the first one's figure; figures that would run together stand in two rows.
            if (sheet.X(stud.Centre) - written > 18)
            {
                raised = sheet.X(stud.Centre) - written < figureWidth && !raised;
                written = sheet.X(stud.Centre);
                svg.Figures("stud-figure", written, raised ? top - 17 : top - 6, across.Read(stud.Centre).Distance.Show(style), across.Read(stud.Centre).Back ? "◂" : string.Empty);
            }

            svg.End();
        }
    }

    /// <summary>Level members, between the studs of their bays.</summary>
    public static void Crossings(Svg svg, Sheet sheet, FramingMap map, LengthStyle style)
    {
        foreach (var member in map.Crossings)
        {
            svg.Group($"stud level {member.State.Word()} wood");
            svg.Open("title", string.Empty, [], close: false)
                .Raw(System.Net.WebUtility.HtmlEncode($"level member {member.State.Word()} at {member.Centre.Show(style)}")).End("title");
            svg.Rect("stud-face", sheet.X(member.From), sheet.Y(member.Centre + member.Width.Half), sheet.D(member.To - member.From), sheet.D(member.Width));
            svg.Rect("stud-wood", sheet.X(member.From), sheet.Y(member.Centre + member.Width.Half), sheet.D(member.To - member.From), sheet.D(member.Width));
            svg.End();
        }
    }

    /// <summary>Where no hole may go until a cable's route is known.</summary>
    public static void KeepOuts(Svg svg, Sheet sheet, Surveyed surveyed)
    {
        var wall = surveyed.Wall;
        foreach (var keep in HoleCheck.KeepOuts(surveyed))
        {
            var (left, right) = (Length.Max(Length.Zero, keep.Left), Length.Min(wall.Width, keep.Right));
            var (bottom, top) = (Length.Max(Length.Zero, keep.Bottom), Length.Min(wall.Height, keep.Top));
            svg.Group("keep-out");
            svg.Open("title", string.Empty, [], close: false).Raw(System.Net.WebUtility.HtmlEncode($"kept free round the {keep.Name}: {keep.Why}")).End("title");
            svg.Rect("keep", sheet.X(left), sheet.Y(top), sheet.D(right - left), sheet.D(top - bottom));
            svg.End();
        }
    }
}
