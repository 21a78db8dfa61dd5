using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Core.WholePlan;
using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Corrie.Web.Sheets;

/// <summary>The set-out of a wall as a PDF: whatever stops, marks, bolts, people, tools and cautions, on as many pages as they take, and then the calculation of the worst bolt of each plate.</summary>
public sealed class SetOutPaper : Paper
{
    private const double Gap = 14;

    private readonly WallSheet wall;

    private SetOutPaper(JobPlan plan, WallSheet wall, LengthStyle style, string asOf)
        : base(plan, style, asOf) => this.wall = wall;

    /// <summary>Writes the sheet.</summary>
    /// <param name="plan">The Plan.</param>
    /// <param name="wall">The wall.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="asOf">Of which entry and time it is.</param>
    public static byte[] Write(JobPlan plan, WallSheet wall, LengthStyle style, string asOf)
    {
        using var paper = new SetOutPaper(plan, wall, style, asOf);
        paper.SetOut();
        paper.Calculations();
        return paper.Saved();
    }

    private void SetOut()
    {
        var title = $"Set-out: {(Plan.Sheet.Head.Title.Length > 0 ? Plan.Sheet.Head.Title : "untitled wall")}{(wall.Name.Length > 0 ? ", " + wall.Name : string.Empty)}";
        var y = NewPage(title);
        var tapes = Plan.Tapes(wall.Id);
        var findings = Plan.Findings.Where(f => f.Where.Wall.Length == 0 || f.Where.Wall == wall.Id).ToList();
        var full = pageWidth - (2 * Margin);
        var left = Margin;
        if (tapes is not null)
        {
            y = Line($"Read from the {tapes.Up.Name} and the {tapes.Across.Name}; ◂ is left of it, ▾ below.".Replace("◂", "<").Replace("▾", "v"), text, left, y, full);
        }

        // Whatever stops is on paper, however much there is of it.
        foreach (var stop in findings.Where(f => f.Stops))
        {
            y = Flowing([$"Not to be drilled. {stop.Kind.Title}: {Say(stop.Message)}", .. stop.Parts.Select(Say)], bold, y, title, XBrushes.DarkRed);
        }

        if (Plan.Sheet.Policy.Departure.Length > 0)
        {
            y = Flowing([$"This job departs from the company's figures: {Plan.Sheet.Policy.Departure}"], bold, y, title);
        }

        foreach (var over in findings.Where(f => f.Overridden is not null))
        {
            y = Flowing([$"Overridden by {over.Overridden!.By}, {over.Overridden.Role}: {over.Kind.Title}. {over.Overridden.Reason}"], bold, y, title);
        }

        var mounts = Plan.Sheet.ThingsOn(wall).Where(i => Plan.Fixing(i.Id) is { Bolts.Count: > 0 }).ToList();
        if (mounts.Count > 0)
        {
            y = Plates(mounts, y + 4 > pageHeight - 220 ? NewPage(title + ", continued") : y + 4, full);
        }

        var (columnLeft, columnRight) = (full * 0.56, (full * 0.44) - Gap);
        var right = Margin + columnLeft + Gap;
        TwoColumns(new(MarkBlocks(tapes, columnLeft)), new(Besides(mounts, findings, columnRight)), y, (left, columnLeft), (right, columnRight), title, 60);
        on.DrawString("Set out by ____________________ on ____________", text, XBrushes.Black, Margin, pageHeight - 36);
    }

    // Lines over the whole width, on a further page where this one is full.
    private double Flowing(IReadOnlyList<string> paragraphs, XFont font, double y, string title, XBrush? brush = null)
    {
        foreach (var line in paragraphs.SelectMany(p => Lines(p, font, pageWidth - (2 * Margin))))
        {
            if (y > pageHeight - 70)
            {
                y = NewPage(title + ", continued");
            }

            on.DrawString(line, font, brush ?? XBrushes.Black, Margin, y + font.Size);
            y += font.Size * 1.22;
        }

        return y;
    }

    private IEnumerable<Block> MarkBlocks(WallTapes? tapes, double width)
    {
        yield return HeadingBlock("Marks, in this order", width);
        var number = 0;
        foreach (var mark in Plan.Marks.Where(m => m.Wall == wall.Id))
        {
            var n = ++number;
            var how = Lines((Plan.Sheet.Whose(mark) is { } whose ? whose + "; " : string.Empty) + Say(mark.How), small, width - 20);
            yield return new(13 + (how.Count * small.Size * 1.22), (x, y) =>
            {
                on.DrawString($"{n}", text, XBrushes.DimGray, x, y + 9);
                on.DrawString(Cut(mark.Name, text, 92), text, XBrushes.Black, x + 20, y + 9);
                if (mark.X is { } across && tapes is not null)
                {
                    on.DrawString((tapes.Across.Read(across).Back ? "<" : string.Empty) + Show(tapes.Across.Read(across).Distance), figure, XBrushes.Black, x + 114, y + 10);
                }

                if (mark.Y is { } up && tapes is not null)
                {
                    on.DrawString((tapes.Up.Read(up).Back ? "v" : string.Empty) + Show(tapes.Up.Read(up).Distance), figure, XBrushes.Black, x + 196, y + 10);
                }

                var end = y + 12;
                foreach (var line in how)
                {
                    on.DrawString(line, small, XBrushes.DimGray, x + 20, end + small.Size);
                    end += small.Size * 1.22;
                }

                on.DrawLine(new XPen(XColors.LightGray, 0.4), x, end + 1, x + width, end + 1);
            });
        }
    }

    private IEnumerable<Block> Besides(IReadOnlyList<Item> mounts, IReadOnlyList<Finding> findings, double width)
    {
        foreach (var item in mounts)
        {
            var (fixing, bolt) = (Plan.Fixing(item.Id)!, Plan.BoltOf(item)!);
            yield return HeadingBlock($"Bolts of the {Plan.Sheet.NameOf(item)}", width);
            var stone = Plan.Survey(wall.Id)?.Wall.Depth() > Length.Zero;
            foreach (var b in fixing.Bolts)
            {
                foreach (var line in Words($"{b.Number}: {Show(b.X)} across, {Show(b.Y)} up; {(b.Utilisation is { } u ? "used " + Bolt.Share(u) : "use not known")}{(fixing.Ground is Ground.Stud or Ground.Flange ? $", stud {b.Stud.State.ToString().ToLowerInvariant()}, {Show(b.OffCentre, finely: true)} off" : string.Empty)}{(stone ? $", {Show(b.Length, finely: true)} long{(b.Packing > Length.Zero ? $" on {Show(b.Packing, finely: true)} of packing" : string.Empty)}" : string.Empty)}", text, width))
                {
                    yield return line;
                }
            }

            foreach (var spent in Plan.Layout(item.Id)!.Spent)
            {
                foreach (var line in Words($"{spent.Number}: crossed out, {(spent.State == HoleState.Holds ? "beside its stud" : spent.State.Word())}, at {Show(spent.X)} across, {Show(spent.Y)} up. No bolt goes there.", text, width))
                {
                    yield return line;
                }
            }

            var how = stone
                ? $"{fixing.Bolts.Count} x {bolt.Name}. Drill {string.Join(", then ", DrillStep.Of(fixing, fixing.DrillDepth).Select(s => Say(s.Says())))}, each as its own bolt needs. Vacuum at the hole, breathing protection."
                : $"{fixing.Bolts.Count} x {bolt.Name}. {(fixing.Pilot is { } bit ? $"{(bolt.Sort == FastenerKind.LagScrew ? "Pilot" : "Hole")} {Show(bit, finely: true)}, " : string.Empty)}{(bolt.Sort == FastenerKind.Toggle ? "through board and flange" : $"{Show(fixing.DrillDepth)} deep from the face")}. Start by hand, power to nine tenths, the rest by hand.";
            foreach (var line in Words(how, text, width))
            {
                yield return line;
            }

            yield return new(2, (_, _) => { });
        }

        var kit = SetOutKit.Of(Plan, wall.Id);
        foreach (var (heading, lines) in new[] { ("People", kit.People), ("Tools", kit.Tools), ("Not confirmed", kit.Unconfirmed), ("Screws of the display", kit.Screws) })
        {
            if (lines.Count == 0)
            {
                continue;
            }

            yield return HeadingBlock(heading, width);
            foreach (var line in lines.SelectMany(l => Words(Say(l), text, width)))
            {
                yield return line;
            }
        }

        // A note that keeps children safe is as much for the crew as a caution.
        foreach (var caution in findings.Where(f => (f.Severity == Severity.Caution || f.Kind == SurveyFindings.SmallHands) && f.Overridden is null))
        {
            yield return new(2, (_, _) => { });
            foreach (var line in caution.Parts.Prepend(Phrase.Of($"Mind: {caution.Kind.Title}. {caution.Message}")).SelectMany(p => Words(Say(p), small, width)))
            {
                yield return line;
            }
        }
    }

    // All plates of the wall with the studs behind them, to one scale.
    private double Plates(List<Item> mounts, double y, double full)
    {
        var plates = mounts.Select(m => Plan.Layout(m.Id)!.Plate).ToList();
        var area = Rect.Between(plates.Min(p => p.Left), plates.Max(p => p.Right), plates.Min(p => p.Bottom), plates.Max(p => p.Top)).Grown(Length.Tape(5));
        var high = 120d;
        var scale = Math.Min(full / area.Width.Inches, high / area.Height.Inches);
        var (wide, x0) = (area.Width.Inches * scale, Margin + ((full - (area.Width.Inches * scale)) / 2));
        high = area.Height.Inches * scale;
        double X(Length at) => x0 + ((at - area.Left).Inches * scale);
        double Y(Length at) => y + high - ((at - area.Bottom).Inches * scale);
        on.DrawRectangle(new XPen(XColors.Gray, 0.6), x0, y, wide, high);
        var bolt = Plan.BoltOf(mounts[0])!.Diameter;
        foreach (var stud in Plan.Survey(wall.Id)!.For(bolt).Studs.Where(s => s.Right > area.Left && s.Left < area.Right))
        {
            on.DrawRectangle(new XSolidBrush(XColor.FromArgb(40, 150, 110, 50)), Math.Max(x0, X(stud.Left)), y, Math.Min(x0 + wide, X(stud.Right)) - Math.Max(x0, X(stud.Left)), high);
            on.DrawString(Show(stud.Centre), small, XBrushes.DimGray, new XPoint(X(stud.Centre), y + high + 8), XStringFormats.BaseLineCenter);
        }

        foreach (var item in mounts)
        {
            var (layout, fixing) = (Plan.Layout(item.Id)!, Plan.Fixing(item.Id)!);
            on.DrawRectangle(new XPen(XColors.Black, 1), X(layout.Plate.Left), Y(layout.Plate.Top), layout.Plate.Width.Inches * scale, layout.Plate.Height.Inches * scale);
            on.DrawLine(new XPen(XColor.FromArgb(31, 95, 174), 0.8), X(layout.Plate.Left), Y(layout.HookLine), X(layout.Plate.Right), Y(layout.HookLine));
            foreach (var b in fixing.Bolts)
            {
                on.DrawEllipse(XPens.Black, XBrushes.White, X(b.X) - 3, Y(b.Y) - 3, 6, 6);
                on.DrawString(b.Number.ToString(CultureInfo.InvariantCulture), bold, XBrushes.Black, X(b.X) + 4, Y(b.Y) - 4);
            }

            foreach (var hole in layout.Spent)
            {
                on.DrawLine(XPens.Black, X(hole.X) - 3, Y(hole.Y) - 3, X(hole.X) + 3, Y(hole.Y) + 3);
                on.DrawLine(XPens.Black, X(hole.X) - 3, Y(hole.Y) + 3, X(hole.X) + 3, Y(hole.Y) - 3);
                on.DrawString(hole.Number.ToString(CultureInfo.InvariantCulture), small, XBrushes.DimGray, X(hole.X) + 4, Y(hole.Y) + 8);
            }
        }

        return y + high + 18;
    }

    private void Calculations()
    {
        foreach (var item in Plan.Sheet.ThingsOn(wall).Where(i => Plan.Fixing(i.Id) is { Bolts.Count: > 0 }))
        {
            var fixing = Plan.Fixing(item.Id)!;
            var worst = fixing.Bolts.MaxBy(b => b.Utilisation ?? 0)!;
            var y = NewPage($"Calculation: bolt {worst.Number} of the {Plan.Sheet.NameOf(item)}");
            var full = pageWidth - (2 * Margin);
            foreach (var part in Calculation.Of(fixing, worst.Number))
            {
                y = Heading(part.Title, Margin, y, full);
                foreach (var line in part.Lines)
                {
                    if (y > pageHeight - 80)
                    {
                        y = NewPage($"Calculation: bolt {worst.Number}, continued");
                    }

                    var says = Line(line.Says, text, Margin, y, (full * 0.32) - 6);
                    var formula = Line(line.Formula, small, Margin + (full * 0.32), y, (full * 0.26) - 6);
                    var figures = Line(line.Figures, small, Margin + (full * 0.58), y, (full * 0.25) - 6);
                    var result = Line(Say(line.Result), bold, Margin + (full * 0.83), y, full * 0.17);
                    y = Line(line.Source.ToString(), small, Margin, Math.Max(Math.Max(says, formula), Math.Max(figures, result)), full, XBrushes.DimGray);
                    on.DrawLine(new XPen(XColors.LightGray, 0.4), Margin, y + 1, Margin + full, y + 1);
                    y += 3;
                }
            }

            on.DrawString("Checked by ____________________ on ____________", text, XBrushes.Black, Margin, pageHeight - 36);
        }
    }
}
