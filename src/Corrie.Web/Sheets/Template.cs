using System.Globalization;
using System.Text;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Corrie.Web.Sheets;

/// <summary>What a template is printed on.</summary>
/// <param name="Word">Its word in addresses.</param>
/// <param name="Says">What people call it.</param>
/// <param name="Width">Width in mm; 0 for one sheet that takes all of it.</param>
/// <param name="Height">Height in mm.</param>
public sealed record TemplatePaper(string Word, string Says, double Width, double Height)
{
    /// <summary>The papers.</summary>
    public static IReadOnlyList<TemplatePaper> All { get; } = [new("letter", "letter sheets", 215.9, 279.4), new("a4", "A4 sheets", 210, 297), new("whole", "one sheet, for a roll", 0, 0)];
}

/// <summary>
/// A plate's holes at true scale, to be taped to the wall. The same shapes as a PDF in tiles, with crop marks and a check ruler on each, and as SVG.
/// Everything is laid out in millimetres from the template's lower left corner.
/// </summary>
public sealed class Template
{
    private const double Around = 15, Margin = 12, RulerRoom = 24, Overlap = 10, Dot = 0.5, Arm = 9;

    private readonly List<(double X1, double Y1, double X2, double Y2, string Look)> lines = [];
    private readonly List<(double X, double Y, double Radius, string Look)> circles = [];
    private readonly List<(double X, double Y, string Words)> words = [];
    private readonly string title;

    /// <summary>Lays a template out.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">The mount; it has bolts and a layout.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="board">Whether it is the cut-out of a board under the plate: its outline and slots, and nothing else to be drilled.</param>
    public Template(JobPlan plan, Item item, LengthStyle style, bool board = false)
    {
        var (layout, fixing) = (plan.Layout(item.Id)!, plan.Fixing(item.Id)!);
        var area = layout.Plate;
        foreach (var bolt in fixing.Bolts)
        {
            area = Rect.Between(Length.Min(area.Left, bolt.X), Length.Max(area.Right, bolt.X), Length.Min(area.Bottom, bolt.Y), Length.Max(area.Top, bolt.Y));
        }

        area = area.Grown(Length.FromMillimetres(Around));
        (Width, Height) = (area.Width.Millimetres, area.Height.Millimetres);
        double X(Length at) => (at - area.Left).Millimetres;
        double Y(Length at) => (at - area.Bottom).Millimetres;
        title = $"{(board ? "Board, " : string.Empty)}{plan.Sheet.Head.Title}{(plan.Sheet.Head.Number.Length > 0 ? ", " + plan.Sheet.Head.Number : string.Empty)}: {plan.Sheet.NameOf(item)}";
        var plate = layout.Plate;
        Box(X(plate.Left), Y(plate.Bottom), X(plate.Right), Y(plate.Top), "outline");
        if (board)
        {
            words.Add((3, 2, Plain($"board {plate.Width.Show(style)} by {plate.Height.Show(style)}: cut the outline, copy the slots, seal the edges, paint, let dry")));
        }

        lines.Add((0, Y(layout.HookLine), Width, Y(layout.HookLine), "hook"));
        words.Add((3, Y(layout.HookLine) + 1.2, Plain($"hook line, {layout.HookLine.Show(style)} up")));
        lines.Add((X(layout.Position.Plate), 0, X(layout.Position.Plate), Height, "hook"));
        words.Add((X(layout.Position.Plate) + 1.2, 2, Plain($"plate centre, {layout.Position.Plate.Show(style)} across")));
        foreach (var stud in !board && plan.Sheet.WallOf(item) is { } wall && plan.Survey(wall.Id) is { } survey ? survey.For(plan.BoltOf(item)!.Diameter).Studs : [])
        {
            if (stud.Centre > area.Left && stud.Centre < area.Right && fixing.Ground is Ground.Stud or Ground.Flange)
            {
                lines.Add((X(stud.Centre), 0, X(stud.Centre), Height, "stud"));
            }
        }

        foreach (var row in layout.Position.Bolts.Select(b => b.Row).DistinctBy(r => r.Id))
        {
            foreach (var slot in row.Slots)
            {
                var (from, to, y) = (X(layout.Position.Plate + slot.From), X(layout.Position.Plate + slot.To), Y(layout.HookLine + row.AboveHook));
                var half = plan.BoltOf(item)!.Diameter.Millimetres * 0.6;
                Box(from - half, y - half, to + half, y + half, "slot");
            }
        }

        foreach (var bolt in board ? [] : fixing.Bolts)
        {
            var (x, y, radius) = (X(bolt.X), Y(bolt.Y), Math.Max(2.2, plan.BoltOf(item)!.Diameter.Millimetres / 2));
            circles.Add((x, y, Dot, "dot"));
            circles.Add((x, y, radius, "hole"));
            foreach (var (right, up) in new[] { (1, 0), (-1, 0), (0, 1), (0, -1) })
            {
                lines.Add((x + (right * radius), y + (up * radius), x + (right * Arm), y + (up * Arm), "cross"));
            }

            words.Add((x + radius + 1.5, y + radius + 0.8, bolt.Number.ToString(CultureInfo.InvariantCulture)));
        }
    }

    /// <summary>Its width in mm.</summary>
    public double Width { get; }

    /// <summary>Its height in mm.</summary>
    public double Height { get; }

    /// <summary>As a PDF in tiles.</summary>
    /// <param name="paper">What it is printed on.</param>
    public byte[] Pdf(TemplatePaper paper)
    {
        ShippedFonts.Use();
        // Neither ruler gets cut, however small the plate is.
        var (pageWidth, pageHeight) = paper.Width > 0 ? (paper.Width, paper.Height) : (Math.Max(Width, 110) + (2 * Margin), Height + Margin + RulerRoom);
        var (wide, high) = (pageWidth - (2 * Margin), pageHeight - Margin - RulerRoom);
        int Count(double all, double tile) => all <= tile ? 1 : (int)Math.Ceiling((all - Overlap) / (tile - Overlap));
        var (columns, rows) = (Count(Width, wide), Count(Height, high));
        using var document = new PdfDocument();
        document.Info.Title = title;
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                var page = document.AddPage();
                (page.Width, page.Height) = (XUnit.FromMillimeter(pageWidth), XUnit.FromMillimeter(pageHeight));
                using var on = XGraphics.FromPdfPage(page, XGraphicsUnit.Point);
                // The template's lower left corner on this page: the first row is the top one.
                var (left, bottom) = (Margin - (column * (wide - Overlap)), Margin + Height - (row * (high - Overlap)));
                Tile(on, left, bottom, wide, high);
                Marks(on, wide, high, $"{title}. True scale: print at 100 %, and measure the rulers first. Tile {Name(row, column)}{(columns * rows > 1 ? $" of {columns * rows}; cut at the marks, and glue over its neighbours by 10 mm" : string.Empty)}.", pageHeight);
            }
        }

        using var file = new MemoryStream();
        document.Save(file, closeStream: false);
        return file.ToArray();
    }

    /// <summary>As SVG at true scale.</summary>
    public string Svg()
    {
        var svg = new StringBuilder();
        svg.Append(CultureInfo.InvariantCulture, $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{Width:0.###}mm\" height=\"{Height:0.###}mm\" viewBox=\"0 0 {Width:0.###} {Height:0.###}\"><title>{System.Net.WebUtility.HtmlEncode(title)}</title>");
        foreach (var (x1, y1, x2, y2, look) in lines)
        {
            var (colour, thick, dash) = Pen(look);
            svg.Append(CultureInfo.InvariantCulture, $"<line x1=\"{x1:0.###}\" y1=\"{Height - y1:0.###}\" x2=\"{x2:0.###}\" y2=\"{Height - y2:0.###}\" stroke=\"{colour}\" stroke-width=\"{thick}\"{(dash ? " stroke-dasharray=\"3 2\"" : string.Empty)}/>");
        }

        foreach (var (x, y, radius, look) in circles)
        {
            var (colour, thick, _) = Pen(look);
            svg.Append(CultureInfo.InvariantCulture, $"<circle cx=\"{x:0.###}\" cy=\"{Height - y:0.###}\" r=\"{radius:0.###}\" {(look == "dot" ? $"fill=\"{colour}\"" : $"fill=\"none\" stroke=\"{colour}\" stroke-width=\"{thick.ToString(CultureInfo.InvariantCulture)}\"")}/>");
        }

        foreach (var (x, y, text) in words)
        {
            svg.Append(CultureInfo.InvariantCulture, $"<text x=\"{x:0.###}\" y=\"{Height - y:0.###}\" font-size=\"3.4\" font-family=\"sans-serif\">{System.Net.WebUtility.HtmlEncode(text)}</text>");
        }

        return svg.Append("</svg>").ToString();
    }

    private static string Name(int row, int column) => $"{(char)('A' + Math.Min(row, 25))}{column + 1}";

    private static string Plain(string text) => text.Replace('\u2009', ' ').Replace('\u202f', ' ').Replace('⁄', '/');

    private static double Pt(double mm) => mm * 72 / 25.4;

    private static (string Colour, double Thick, bool Dash) Pen(string look) => look switch
    {
        "hook" => ("#1f5fae", 0.25, false),
        "stud" => ("#8a8a88", 0.2, true),
        "slot" => ("#8a8a88", 0.2, false),
        "outline" => ("#26292d", 0.35, false),
        "cross" => ("#000000", 0.12, false),
        _ => ("#000000", 0.3, false),
    };

    private void Box(double left, double bottom, double right, double top, string look)
    {
        lines.Add((left, bottom, right, bottom, look));
        lines.Add((right, bottom, right, top, look));
        lines.Add((right, top, left, top, look));
        lines.Add((left, top, left, bottom, look));
    }

    private void Tile(XGraphics on, double left, double bottom, double wide, double high)
    {
        var state = on.Save();
        on.IntersectClip(new XRect(Pt(Margin), Pt(Margin), Pt(wide), Pt(high)));
        double X(double x) => Pt(left + x);
        double Y(double y) => Pt(bottom - y);
        foreach (var (x1, y1, x2, y2, look) in lines)
        {
            on.DrawLine(PenOf(look), X(x1), Y(y1), X(x2), Y(y2));
        }

        foreach (var (x, y, radius, look) in circles)
        {
            if (look == "dot")
            {
                on.DrawEllipse(XBrushes.Black, X(x - radius), Y(y + radius), Pt(2 * radius), Pt(2 * radius));
            }
            else
            {
                on.DrawEllipse(PenOf(look), X(x - radius), Y(y + radius), Pt(2 * radius), Pt(2 * radius));
            }
        }

        var font = new XFont(ShippedFonts.Face, 9);
        foreach (var (x, y, text) in words)
        {
            on.DrawString(text, font, XBrushes.Black, X(x), Y(y));
        }

        on.Restore(state);
    }

    private static XPen PenOf(string look)
    {
        var (colour, thick, dash) = Pen(look);
        var pen = new XPen(XColor.FromArgb(Convert.ToInt32("FF" + colour[1..], 16)), Pt(thick));
        if (dash)
        {
            pen.DashStyle = XDashStyle.Dash;
        }

        return pen;
    }

    // Where the tile is cut, and what tells that the printer has kept its scale.
    private static void Marks(XGraphics on, double wide, double high, string says, double pageHeight)
    {
        var pen = new XPen(XColors.Black, Pt(0.1));
        foreach (var x in new[] { Margin, Margin + wide })
        {
            foreach (var y in new[] { Margin, Margin + high })
            {
                var (outX, outY) = (x == Margin ? -1 : 1, y == Margin ? -1 : 1);
                on.DrawLine(pen, Pt(x + outX), Pt(y), Pt(x + (7 * outX)), Pt(y));
                on.DrawLine(pen, Pt(x), Pt(y + outY), Pt(x), Pt(y + (7 * outY)));
            }
        }

        var (font, thick) = (new XFont(ShippedFonts.Face, 7), new XPen(XColors.Black, Pt(0.2)));
        var foot = pageHeight - RulerRoom;
        foreach (var (down, length, step, unit) in new[] { (10d, 100d, 10d, "100 mm"), (15d, 101.6, 25.4, "4 in") })
        {
            on.DrawLine(thick, Pt(Margin), Pt(foot + down), Pt(Margin + length), Pt(foot + down));
            for (var at = 0d; at <= length + 1e-6; at += step)
            {
                on.DrawLine(thick, Pt(Margin + at), Pt(foot + down), Pt(Margin + at), Pt(foot + down - 2));
            }

            on.DrawString(unit, font, XBrushes.Black, Pt(Margin + length + 2), Pt(foot + down));
        }

        on.DrawString(Fit(on, says, font, Pt(wide)), font, XBrushes.Black, Pt(Margin), Pt(foot + 20));
    }

    private static string Fit(XGraphics on, string text, XFont font, double width)
    {
        while (text.Length > 8 && on.MeasureString(text, font).Width > width)
        {
            text = text[..^4].TrimEnd() + "...";
        }

        return text;
    }
}
