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
        var sheet = Sheet.Of(Length.FromInches(wall.Width), height, alone: true);
        var svg = new Svg();
        svg.Open("svg", "drawing truth", [("xmlns", "http://www.w3.org/2000/svg"), ("viewBox", $"0 0 {Svg.Trim(Sheet.Width)} {Svg.Trim(sheet.Height)}"), ("role", "img"), ("aria-label", $"{wall.Truth.Count} members as they really stand")], close: false);
        foreach (var member in wall.Truth)
        {
            svg.Rect("true-member", sheet.X(Length.FromInches(member.Centre - (member.Width / 2))), sheet.Y(height), sheet.D(Length.FromInches(member.Width)), sheet.D(height));
        }

        foreach (var strip in wall.Strips)
        {
            svg.Line("true-strip", sheet.X(Length.FromInches(strip)), sheet.Y(height), sheet.X(Length.FromInches(strip)), sheet.Floor);
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
