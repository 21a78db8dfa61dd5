using Corrie.Core.Measure;
using Corrie.Simulators;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Lays the truth of a practice wall over its drawing.</summary>
public static class TruthDrawing
{
    /// <summary>The members and strips that really stand there, to the wall's own scale.</summary>
    public static IHtmlContent Draw(HiddenWall wall)
    {
        var height = Length.Tape(96);
        var frame = Frame.Of(Length.FromInches(wall.Width), height);
        var svg = new Svg();
        svg.Open("svg", "drawing truth", [("xmlns", "http://www.w3.org/2000/svg"), ("viewBox", $"0 0 {Svg.Trim(Frame.Width)} {Svg.Trim(frame.Height)}"), ("role", "img"), ("aria-label", $"{wall.Truth.Count} members as they really stand")], close: false);
        foreach (var member in wall.Truth)
        {
            svg.Rect("true-member", frame.X(Length.FromInches(member.Centre - (member.Width / 2))), frame.Y(height), frame.D(Length.FromInches(member.Width)), frame.D(height));
        }

        foreach (var strip in wall.Strips)
        {
            svg.Line("true-strip", frame.X(Length.FromInches(strip)), frame.Y(height), frame.X(Length.FromInches(strip)), frame.Floor);
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
