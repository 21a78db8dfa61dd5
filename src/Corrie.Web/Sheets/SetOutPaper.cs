using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
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

/// <summary>The set-out of a wall as a PDF: marks, bolts, tools and people on the first page, the calculation of the worst bolt of each plate on the next.</summary>
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

        foreach (var stop in findings.Where(f => f.Stops).Take(4))
        {
            y = Line($"Not to be drilled. {stop.Kind.Title}: {Say(stop.Message)}", bold, left, y, full, XBrushes.DarkRed);
        }

        if (findings.Count(f => f.Stops) > 4)
        {
            y = Line($"And {findings.Count(f => f.Stops) - 4} more stops.", bold, left, y, full, XBrushes.DarkRed);
        }

        if (Plan.Sheet.Policy.Departure.Length > 0)
        {
            y = Line($"This job departs from the company's figures: {Plan.Sheet.Policy.Departure}", bold, left, y, full);
        }

        foreach (var over in findings.Where(f => f.Overridden is not null))
        {
            y = Line($"Overridden by {over.Overridden!.By}, {over.Overridden.Role}: {over.Kind.Title}. {over.Overridden.Reason}", bold, left, y, full);
        }

        var mounts = Plan.Sheet.ThingsOn(wall).Where(i => Plan.Fixing(i.Id) is { Bolts.Count: > 0 }).ToList();
        if (mounts.Count > 0)
        {
            y = Plates(mounts, y + 4, full);
        }

        var (columnLeft, columnRight) = (full * 0.56, (full * 0.44) - Gap);
        var right = Margin + columnLeft + Gap;
        var marks = Heading("Marks, in this order", left, y, columnLeft);
        var number = 0;
        foreach (var mark in Plan.Marks.Where(m => m.Wall == wall.Id))
        {
            if (marks > pageHeight - 60)
            {
                on.DrawString("More marks on the screen's sheet.", small, XBrushes.DarkRed, left, marks);
                break;
            }

            number++;
            on.DrawString($"{number}", text, XBrushes.DimGray, left, marks + 9);
            on.DrawString(Cut(mark.Name, text, 96), text, XBrushes.Black, left + 14, marks + 9);
            if (mark.X is { } x && tapes is not null)
            {
                on.DrawString((tapes.Across.Read(x).Back ? "<" : string.Empty) + Show(tapes.Across.Read(x).Distance), figure, XBrushes.Black, left + 114, marks + 10);
            }

            if (mark.Y is { } up && tapes is not null)
            {
                on.DrawString((tapes.Up.Read(up).Back ? "v" : string.Empty) + Show(tapes.Up.Read(up).Distance), figure, XBrushes.Black, left + 196, marks + 10);
            }

            marks = Line((Plan.Sheet.Whose(mark) is { } whose ? whose + "; " : string.Empty) + Say(mark.How), small, left + 14, marks + 12, columnLeft - 14, XBrushes.DimGray) + 1;
            on.DrawLine(new XPen(XColors.LightGray, 0.4), left, marks, left + columnLeft, marks);
        }

        var besides = y;
        foreach (var item in mounts)
        {
            var (fixing, bolt) = (Plan.Fixing(item.Id)!, Plan.BoltOf(item)!);
            besides = Heading($"Bolts of the {Plan.Sheet.NameOf(item)}", right, besides, columnRight);
            var stone = Plan.Survey(wall.Id)?.Wall.Depth() > Length.Zero;
            foreach (var b in fixing.Bolts)
            {
                besides = Line($"{b.Number}: {Show(b.X)} across, {Show(b.Y)} up; {(b.Utilisation is { } u ? "used " + Bolt.Share(u) : "use not known")}{(fixing.Ground is Ground.Stud or Ground.Flange ? $", stud {b.Stud.State.ToString().ToLowerInvariant()}, {Show(b.OffCentre, finely: true)} off" : string.Empty)}{(stone ? $", {Show(b.Length, finely: true)} long{(b.Packing > Length.Zero ? $" on {Show(b.Packing, finely: true)} of packing" : string.Empty)}" : string.Empty)}", text, right, besides, columnRight);
            }

            if (stone)
            {
                besides = Line($"{fixing.Bolts.Count} x {bolt.Name}. Drill {string.Join(", then ", DrillStep.Of(fixing, fixing.DrillDepth).Select(s => Say(s.Says())))}, each as its own bolt needs. Vacuum at the hole, breathing protection.", text, right, besides, columnRight) + 2;
                continue;
            }

            besides = Line($"{fixing.Bolts.Count} x {bolt.Name}. {(fixing.Pilot is { } bit ? $"{(bolt.Sort == FastenerKind.LagScrew ? "Pilot" : "Hole")} {Show(bit, finely: true)}, " : string.Empty)}{(bolt.Sort == FastenerKind.Toggle ? "through board and flange; toggles before the plate" : $"{Show(fixing.DrillDepth)} deep from the face")}. Start by hand, power to nine tenths, the rest by hand.", text, right, besides, columnRight) + 2;
        }

        var kit = SetOutKit.Of(Plan, wall.Id);
        foreach (var (heading, lines) in new[] { ("People", kit.People), ("Tools", kit.Tools), ("Not confirmed", kit.Unconfirmed), ("Screws of the display", kit.Screws) })
        {
            if (lines.Count > 0 && besides < pageHeight - 90)
            {
                besides = Heading(heading, right, besides, columnRight);
                foreach (var line in lines)
                {
                    besides = Line(Say(line), text, right, besides, columnRight);
                }
            }
        }

        foreach (var caution in findings.Where(f => f.Severity == Severity.Caution && f.Overridden is null))
        {
            if (besides > pageHeight - 90)
            {
                break;
            }

            besides = Line($"Mind: {caution.Kind.Title}. {Say(caution.Message)}", small, right, besides + 2, columnRight);
        }

        on.DrawString("Set out by ____________________ on ____________", text, XBrushes.Black, Margin, pageHeight - 36);
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
