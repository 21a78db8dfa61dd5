using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Corrie.Web.Sheets;

/// <summary>A paper of a job as a PDF: pages with their head and foot, headings, and words in as many lines as they need.</summary>
public abstract class Paper : IDisposable
{
    private protected const double Margin = 36;

    private readonly PdfDocument document = new();
    private readonly string asOf;

    // Before any font of a paper is made.
    static Paper() => ShippedFonts.Use();

    private protected Paper(JobPlan plan, LengthStyle style, string asOf) => (Plan, Style, fine, this.asOf) = (plan, style, style with { Denominator = 32 }, asOf);

    private protected JobPlan Plan { get; }

    private protected LengthStyle Style { get; }

    private protected readonly XFont small = new(ShippedFonts.Face, 7.5), text = new(ShippedFonts.Face, 8.5), bold = new(ShippedFonts.Face, 8.5, XFontStyleEx.Bold), figure = new(ShippedFonts.Face, 12, XFontStyleEx.Bold), head = new(ShippedFonts.Face, 10, XFontStyleEx.Bold), large = new(ShippedFonts.Face, 15, XFontStyleEx.Bold);
    private protected readonly LengthStyle fine;
    private protected XGraphics on = null!;
    private protected double pageHeight;
    private protected double pageWidth;

    /// <inheritdoc/>
    public void Dispose()
    {
        on?.Dispose();
        document.Dispose();
        GC.SuppressFinalize(this);
    }

    private protected byte[] Saved()
    {
        using var file = new MemoryStream();
        document.Save(file, closeStream: false);
        return file.ToArray();
    }

    private protected static string Plain(string words) => words.Replace('\u2009', ' ').Replace('\u202f', ' ').Replace('⁄', '/');

    private protected string Say(Phrase phrase) => Plain(phrase.Say(Style));

    private protected string Show(Length length, bool finely = false) => Plain(length.Show(finely ? fine : Style).ToString());

    private protected double NewPage(string title)
    {
        on?.Dispose();
        var page = document.AddPage();
        page.Size = Style.System == UnitSystem.Inches ? PageSize.Letter : PageSize.A4;
        (pageWidth, pageHeight) = (page.Width.Point, page.Height.Point);
        on = XGraphics.FromPdfPage(page);
        on.DrawString(Cut(title, large, pageWidth - (2 * Margin)), large, XBrushes.Black, Margin, Margin + 6);
        on.DrawString($"{Plan.Sheet.Head.Number} {asOf}".Trim(), small, XBrushes.DimGray, Margin, Margin + 18);
        on.DrawString("Local codes, makers' instructions and licensed practice come first.", small, XBrushes.DimGray, Margin, pageHeight - 22);
        return Margin + 32;
    }

    private protected double Heading(string words, double x, double y, double width)
    {
        on.DrawString(Cut(words, head, width), head, XBrushes.Black, x, y + 12);
        on.DrawLine(new XPen(XColors.Black, 1), x, y + 15, x + width, y + 15);
        return y + 19;
    }

    private protected string Cut(string words, XFont font, double width)
    {
        while (words.Length > 4 && on.MeasureString(words, font).Width > width)
        {
            words = words[..^3].TrimEnd() + "..";
        }

        return words;
    }

    /// <summary>What is drawn as one piece in a column, however many pages there are.</summary>
    /// <param name="Height">How high it is, in points.</param>
    /// <param name="Draw">Draws it with its left upper corner at a place.</param>
    private protected sealed record Block(double Height, Action<double, double> Draw)
    {
        /// <summary>Whether it is not left alone at a page's foot: a heading.</summary>
        public bool KeepsNext { get; init; }
    }

    /// <summary>A heading as a piece of a column.</summary>
    private protected Block HeadingBlock(string words, double width) => new(19, (x, y) => Heading(words, x, y, width)) { KeepsNext = true };

    /// <summary>Words as pieces of a column, a line each: nothing is too long for a page.</summary>
    private protected IEnumerable<Block> Words(string words, XFont font, double width, XBrush? brush = null) =>
        Lines(words, font, width).Select(line => new Block(font.Size * 1.22, (x, y) => on.DrawString(line, font, brush ?? XBrushes.Black, x, y + font.Size)));

    /// <summary>Draws two columns, on as many further pages as they need; a column that is through lends its room to the other.</summary>
    private protected void TwoColumns(Queue<Block> leftBlocks, Queue<Block> rightBlocks, double y, (double X, double Width) left, (double X, double Width) right, string title, double foot)
    {
        while (true)
        {
            Fill(leftBlocks, left.X, y);
            Fill(rightBlocks, right.X, y);
            if (leftBlocks.Count + rightBlocks.Count == 0)
            {
                return;
            }

            y = NewPage(title + ", continued");
            if (leftBlocks.Count == 0)
            {
                Fill(rightBlocks, left.X, y);
            }
        }

        void Fill(Queue<Block> blocks, double x, double from)
        {
            for (var at = from; blocks.TryPeek(out var block);)
            {
                var needs = block.Height + (block.KeepsNext ? blocks.Skip(1).FirstOrDefault()?.Height ?? 0 : 0);
                // What is higher than a whole page is drawn all the same: nothing waits for ever.
                if (at + needs > pageHeight - foot && at > from)
                {
                    return;
                }

                blocks.Dequeue().Draw(x, at);
                at += block.Height;
            }
        }
    }

    private protected IReadOnlyList<string> Lines(string words, XFont font, double width)
    {
        var lines = new List<string>();
        var line = string.Empty;
        foreach (var word in words.Length == 0 ? [] : words.Split(' '))
        {
            var longer = line.Length == 0 ? word : line + " " + word;
            if (line.Length > 0 && on.MeasureString(longer, font).Width > width)
            {
                lines.Add(line);
                line = word;
            }
            else
            {
                line = longer;
            }
        }

        return line.Length == 0 ? lines : [.. lines, line];
    }

    // Words in as many lines as they need; what comes back is where the next line begins.
    private protected double Line(string words, XFont font, double x, double y, double width, XBrush? brush = null)
    {
        foreach (var line in Lines(words, font, width))
        {
            on.DrawString(line, font, brush ?? XBrushes.Black, x, y + font.Size);
            y += font.Size * 1.22;
        }

        return y;
    }
}
