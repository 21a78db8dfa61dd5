using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Corrie.Core.Measure;

namespace Corrie.Web.Drawing;

/// <summary>Writes SVG: elements with attributes, all text escaped. Looks are in the style sheet, by class.</summary>
public sealed class Svg
{
    private readonly StringBuilder text = new(16_384);

    /// <summary>Opens a group; <see cref="End"/> closes it.</summary>
    public Svg Group(string classes, params ReadOnlySpan<(string Name, string Value)> more) => Open("g", classes, more, close: false);

    /// <summary>Closes what was opened last.</summary>
    public Svg End(string element = "g")
    {
        text.Append("</").Append(element).Append('>');
        return this;
    }

    /// <summary>A rectangle.</summary>
    public Svg Rect(string classes, double x, double y, double width, double height, double round = 0, params ReadOnlySpan<(string Name, string Value)> more)
    {
        Start("rect", classes);
        Number("x", x);
        Number("y", y);
        Number("width", Math.Max(0, width));
        Number("height", Math.Max(0, height));
        if (round > 0)
        {
            Number("rx", round);
        }

        return Finish(more);
    }

    /// <summary>A line.</summary>
    public Svg Line(string classes, double x1, double y1, double x2, double y2)
    {
        Start("line", classes);
        Number("x1", x1);
        Number("y1", y1);
        Number("x2", x2);
        Number("y2", y2);
        return Finish([]);
    }

    /// <summary>Many lines of one look, in one element: each from where the last one ended, which is a third of what whole coordinates take.</summary>
    public Svg Lines(string classes, IEnumerable<(double X1, double Y1, double X2, double Y2)> lines)
    {
        Start("path", classes);
        text.Append(" d=\"");
        var (x, y) = (0L, 0L);
        foreach (var line in lines)
        {
            // In tenths, so that nothing is rounded from one line to the next.
            var (x1, y1, x2, y2) = (Tenths(line.X1), Tenths(line.Y1), Tenths(line.X2), Tenths(line.Y2));
            Step('m', x1 - x).Append(y1 < y ? string.Empty : " ").Append(Short((y1 - y) / 10.0));
            _ = x1 == x2 ? Step('v', y2 - y1) : y1 == y2 ? Step('h', x2 - x1) : Step('l', x2 - x1).Append(' ').Append(Short((y2 - y1) / 10.0));
            (x, y) = (x2, y2);
        }

        text.Append("\"/>");
        return this;

        static long Tenths(double value) => (long)Math.Round(value * 10);

        StringBuilder Step(char command, long by) => text.Append(command).Append(Short(by / 10.0));
    }

    /// <summary>A circle.</summary>
    public Svg Circle(string classes, double x, double y, double radius)
    {
        Start("circle", classes);
        Number("cx", x);
        Number("cy", y);
        Number("r", radius);
        return Finish([]);
    }

    /// <summary>A path.</summary>
    public Svg Path(string classes, FormattableString d, params ReadOnlySpan<(string Name, string Value)> more)
    {
        Start("path", classes);
        var written = string.Format(CultureInfo.InvariantCulture, d.Format, [.. d.GetArguments().Select(a => a is double v ? Trim(v) : a)]);
        // A command needs no space before it.
        Attribute("d", string.Concat(written.Where((c, i) => c != ' ' || i + 1 == written.Length || !char.IsAsciiLetter(written[i + 1]))));
        return Finish(more);
    }

    /// <summary>Words.</summary>
    public Svg Words(string classes, double x, double y, string words, params ReadOnlySpan<(string Name, string Value)> more)
    {
        Start("text", classes);
        Number("x", x);
        Number("y", y);
        Attributes(more);
        text.Append('>').Append(HtmlEncoder.Default.Encode(words)).Append("</text>");
        return this;
    }

    /// <summary>A length set in figures, with a real fraction.</summary>
    public Svg Figures(string classes, double x, double y, ShownLength shown, string before = "", string after = "")
    {
        Start("text", classes);
        Number("x", x);
        Number("y", y);
        text.Append('>').Append(HtmlEncoder.Default.Encode(before));
        Markup.Append(text, shown, "tspan", unit: false);
        text.Append(HtmlEncoder.Default.Encode(after)).Append("</text>");
        return this;
    }

    /// <summary>Ready-made markup; its author has escaped it.</summary>
    public Svg Raw(string markup)
    {
        text.Append(markup);
        return this;
    }

    /// <summary>Opens any element.</summary>
    public Svg Open(string element, string classes, ReadOnlySpan<(string Name, string Value)> more, bool close)
    {
        Start(element, classes);
        Attributes(more);
        text.Append(close ? "/>" : ">");
        return this;
    }

    /// <inheritdoc/>
    public override string ToString() => text.ToString();

    /// <summary>A coordinate, to a hundredth.</summary>
    public static string Trim(double value) => Math.Round(value, 2).ToString(CultureInfo.InvariantCulture);

    // To a tenth: nobody measures a tick.
    private static string Short(double value) => Math.Round(value, 1).ToString(CultureInfo.InvariantCulture);

    /// <summary>A share of a picture in per cent, fine enough that a hole is not moved by being written down.</summary>
    public static string Trim4(double value) => Math.Round(value, 4).ToString(CultureInfo.InvariantCulture);

    private void Start(string element, string classes)
    {
        text.Append('<').Append(element);
        if (classes.Length > 0)
        {
            Attribute("class", classes);
        }
    }

    private void Number(string name, double value) => text.Append(' ').Append(name).Append("=\"").Append(Trim(value)).Append('"');

    private void Attribute(string name, string value) =>
        text.Append(' ').Append(name).Append("=\"").Append(HtmlEncoder.Default.Encode(value)).Append('"');

    private void Attributes(ReadOnlySpan<(string Name, string Value)> more)
    {
        foreach (var (name, value) in more)
        {
            Attribute(name, value);
        }
    }

    private Svg Finish(ReadOnlySpan<(string Name, string Value)> more)
    {
        Attributes(more);
        text.Append("/>");
        return this;
    }
}
