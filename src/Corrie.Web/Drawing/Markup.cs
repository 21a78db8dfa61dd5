using System.Text;
using System.Text.Encodings.Web;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Drawing;

/// <summary>Sets lengths and sentences as markup, with real fractions.</summary>
public static class Markup
{
    /// <summary>A length with its unit.</summary>
    public static IHtmlContent Html(this Length length, LengthStyle style) => Of(text => Append(text, length.Show(style), "span", unit: true));

    /// <summary>A length in figures only, as on a tape.</summary>
    public static IHtmlContent Figures(this Length length, LengthStyle style) => Of(text => Append(text, length.Show(style), "span", unit: false));

    /// <summary>A sentence in the reader's units.</summary>
    public static IHtmlContent Html(this Phrase phrase, LengthStyle style) => Of(text =>
    {
        foreach (var part in phrase.Parts)
        {
            if (part is Length length)
            {
                Append(text, length.Show(style), "span", unit: true);
            }
            else if (part is AtLeast<Length> or AtMost<Length>)
            {
                var bounded = part is AtLeast<Length> least ? LengthText.RoundedUp(least.Quantity, style) : LengthText.RoundedDown(((AtMost<Length>)part).Quantity, style);
                if (style.System == UnitSystem.Millimetres)
                {
                    text.Append(HtmlEncoder.Default.Encode(part is AtLeast<Length> ? LengthText.AtLeast(bounded, style) : LengthText.AtMost(bounded, style)));
                    continue;
                }

                Append(text, bounded.Show(bounded.RoundedTo(style.Step) == bounded ? style : style with { Denominator = 32, FeetInches = false }), "span", unit: true);
            }
            else if (part is FineLength fine && style.System == UnitSystem.Inches)
            {
                Append(text, fine.Length.Show(style with { Denominator = 32, FeetInches = false }), "span", unit: true);
            }
            else if (part is FineLength small)
            {
                text.Append(HtmlEncoder.Default.Encode(LengthText.Fine(small.Length, style)));
            }
            else
            {
                text.Append(HtmlEncoder.Default.Encode(Phrase.PlainPart(part, style.System)));
            }
        }
    });

    /// <summary>Appends a length; a fraction stands in an element of its own, which the style sheet sets as a fraction.</summary>
    public static void Append(StringBuilder text, ShownLength shown, string element, bool unit)
    {
        text.Append(HtmlEncoder.Default.Encode(shown.Lead));
        if (shown.Numerator != 0)
        {
            if (shown.Lead is not ("" or "-"))
            {
                // In running text no line ends between inches and their fraction.
                text.Append(element == "tspan" ? '\u2009' : '\u202f');
            }

            // The face has no eighths of its own: a fraction is set from small figures round a slash.
            text.Append(element == "tspan"
                ? $"<tspan class=\"fn\" dy=\"-.46em\">{shown.Numerator}</tspan><tspan dy=\".29em\">⁄</tspan><tspan class=\"fd\">{shown.Denominator}</tspan>"
                : $"<span class=\"fr\"><sup>{shown.Numerator}</sup>⁄<sub>{shown.Denominator}</sub></span>");
        }

        if (unit || shown.Feet is not null)
        {
            text.Append(HtmlEncoder.Default.Encode(shown.Unit.Replace(' ', '\u00a0')));
        }
    }

    private static HtmlString Of(Action<StringBuilder> write)
    {
        var text = new StringBuilder();
        write(text);
        return new(text.ToString());
    }
}
