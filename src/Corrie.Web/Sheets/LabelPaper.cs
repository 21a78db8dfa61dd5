using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using PdfSharp.Drawing;
using QRCoder;

namespace Corrie.Web.Sheets;

/// <summary>Labels for both ends of every cable, to be cut out and folded round the cable as flags.</summary>
public sealed class LabelPaper : Paper
{
    private const int Across = 3;
    private const double High = 74, Code = 58;

    private LabelPaper(JobPlan plan, LengthStyle style, string asOf)
        : base(plan, style, asOf)
    {
    }

    /// <summary>Writes them.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="style">How lengths are shown: it says the size of the paper.</param>
    /// <param name="asOf">Which entries it knows, and when.</param>
    /// <param name="recordOf">Where a cable's record is.</param>
    /// <returns>The file.</returns>
    public static byte[] Write(JobPlan plan, LengthStyle style, string asOf, Func<Connection, string> recordOf)
    {
        using var paper = new LabelPaper(plan, style, asOf);
        paper.All(CableLabel.Of(plan), recordOf);
        return paper.Saved();
    }

    /// <summary>The squares of the code that leads to an address.</summary>
    /// <param name="address">The address.</param>
    /// <returns>How many squares there are to a side, and the dark ones.</returns>
    public static (int Size, IReadOnlyList<(int X, int Y)> Dark) Squares(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        var size = data.ModuleMatrix.Count;
        return (size, [.. from y in Enumerable.Range(0, size) from x in Enumerable.Range(0, size) where data.ModuleMatrix[y][x] select (x, y)]);
    }

    private void All(IReadOnlyList<CableLabel> labels, Func<Connection, string> recordOf)
    {
        var title = $"Labels, {Plan.Sheet.Head.Title}";
        var top = NewPage(title);
        if (labels.Count == 0)
        {
            Line("There are no cables yet.", text, Margin, top, 400);
            return;
        }

        var wide = (pageWidth - (2 * Margin)) / Across;
        var rows = (int)((pageHeight - top - 40) / High);
        foreach (var (label, i) in labels.Select((l, i) => (l, i)))
        {
            var at = i % (rows * Across);
            if (i > 0 && at == 0)
            {
                top = NewPage(title);
            }

            One(label, Margin + (at % Across * wide), top + (at / Across * High), wide, recordOf(label.Cable));
        }
    }

    private void One(CableLabel label, double left, double top, double wide, string record)
    {
        on.DrawRectangle(new XPen(XColors.Gray, 0.4) { DashStyle = XDashStyle.Dash }, left, top, wide, High);
        var (size, dark) = Squares(record);
        var square = Code / size;
        foreach (var (x, y) in dark)
        {
            // A hair larger than it is, so that no light shows between two.
            on.DrawRectangle(XBrushes.Black, left + 8 + (x * square), top + 8 + (y * square), square + 0.05, square + 0.05);
        }

        var (words, room) = (left + Code + 14, wide - Code - 18);
        on.DrawString(Cut(label.Cable.Says, figure, room), figure, XBrushes.Black, words, top + 18);
        var next = Line(Cut(label.Here, text, room * 1.9), text, words, top + 22, room);
        next = Line(Cut("to " + label.There, small, room * 1.9), small, words, next + 1, room, XBrushes.DimGray);
        if (Plan.Sheet.Head.Number.Length > 0)
        {
            on.DrawString(Cut("job " + Plan.Sheet.Head.Number, small, room), small, XBrushes.DimGray, words, Math.Min(next + 8, top + High - 4));
        }
    }
}
