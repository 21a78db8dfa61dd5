using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Stages.Hanging;

/// <summary>Draws a cut through one of a display's holes: head, washer, arm, spacer, and how far the screw reaches into the thread.</summary>
public static class ScrewDrawing
{
    private const double Wide = 320, High = 104, Left = 34, Axis = 62, Head = 14, Steel = 34, Top = 24, Shoulder = 14;

    /// <summary>The cut, to scale along the screw.</summary>
    /// <param name="seat">What the screw passes.</param>
    /// <param name="holes">The holes, and what goes into each.</param>
    /// <param name="style">The reader's units.</param>
    /// <returns>The drawing; nothing where no screw fits.</returns>
    public static IHtmlContent Draw(ScrewSeat seat, ScrewHoles holes, LengthStyle style)
    {
        var each = holes.Each;
        if (each.Screw is not { } screw)
        {
            return HtmlString.Empty;
        }

        var fine = style with { Denominator = 32 };
        var gap = Length.Max(each.Spacer, seat.Bump);
        var passed = each.Washer + seat.Arm + gap;
        var scale = (Wide - Left - 24) / Length.Max(passed + each.Holes.Depth, screw).Millimetres;
        var shank = Math.Min(18, each.Holes.Least.Millimetres * scale);
        double At(Length along) => Left + (along.Millimetres * scale);
        var (armFrom, armTo, face) = (At(each.Washer), At(each.Washer + seat.Arm), At(passed));
        var svg = new Svg();
        svg.Open("svg", "drawing cut-hole", [("viewBox", FormattableString.Invariant($"0 0 {Wide} {High}")), ("xmlns", "http://www.w3.org/2000/svg"), ("role", "img"), ("aria-label", $"A cut through the {holes.Says.Say(style)}.")], close: false);
        svg.Rect("hole-back", face, Top, Wide - face, High - Top);
        if (seat.Bump > Length.Zero)
        {
            svg.Rect("hole-back", At(passed - seat.Bump), Top, face - At(passed - seat.Bump), Shoulder).Rect("hole-back", At(passed - seat.Bump), High - Shoulder, face - At(passed - seat.Bump), Shoulder);
        }

        svg.Rect("hole-thread", face, Axis - (shank / 2) - 2, each.Holes.Depth.Millimetres * scale, shank + 4);
        svg.Lines("hole-turns", Enumerable.Range(1, (int)(each.Holes.Depth.Millimetres / 1.25)).Select(n => face + (n * 1.25 * scale)).SelectMany(x => new[] { (x, Axis - (shank / 2) - 2, x, Axis - (shank / 2)), (x, Axis + (shank / 2), x, Axis + (shank / 2) + 2) }));
        svg.Rect("hole-arm", armFrom, Axis - Steel, armTo - armFrom, Steel - (shank / 2) - 2).Rect("hole-arm", armFrom, Axis + (shank / 2) + 2, armTo - armFrom, Steel - (shank / 2) - 2);
        if (each.Spacer > Length.Zero)
        {
            svg.Rect("hole-spacer", armTo, Axis - (shank / 2) - 9, face - armTo, 8).Rect("hole-spacer", armTo, Axis + (shank / 2) + 1, face - armTo, 8);
        }

        if (each.Washer > Length.Zero)
        {
            svg.Rect("hole-washer", At(Length.Zero), Axis - (shank * 1.1), Math.Max(2, armFrom - At(Length.Zero)), shank * 2.2);
        }

        svg.Rect("hole-screw", Left - Head, Axis - (shank * .85), Head, shank * 1.7, 2).Rect("hole-screw", Left, Axis - (shank / 2), At(screw) - Left, shank, 1);
        if (each.Engagement > Length.Zero)
        {
            svg.Line("hole-measure", face, 18, At(screw), 18).Line("hole-measure", face, 14, face, Top).Line("hole-measure", At(screw), 14, At(screw), Top);
            svg.Figures("hole-figure", (face + At(screw)) / 2, 12, each.Engagement.Show(fine), after: " in the thread");
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
