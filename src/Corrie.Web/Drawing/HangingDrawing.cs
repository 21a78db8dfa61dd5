using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Web.Drawing;

/// <summary>Draws display, plate, bolts and lines in elevation.</summary>
public static class HangingDrawing
{
    /// <summary>Draws what hangs.</summary>
    public static void Draw(Svg svg, Sheet sheet, JobPlan plan, bool behind, LengthStyle style)
    {
        var placed = plan.Placed!;
        var outer = placed.Outer;
        if (!behind)
        {
            Gaps(svg, sheet, placed, style);
        }

        // The finer arrow steps are the reader's own: one step of what is shown, or an inch or a centimetre with Shift.
        svg.Group(
            "display", ("id", "the-display"), ("data-drag", "display"), ("tabindex", "0"), ("role", "application"), ("aria-roledescription", "display that can be moved"),
            ("aria-label", $"Display, bottom at {plan.Up!.Read(outer.Bottom).Distance.Show(style)}, centre at {plan.Across!.Read(outer.CentreX).Distance.Show(style)}. Arrow keys move it."),
            ("data-bottom", outer.Bottom.Units.ToString()), ("data-centre", outer.CentreX.Units.ToString()), ("data-height", outer.Height.Units.ToString()));
        sheet.Box(svg, behind ? "ghost" : "bezel", outer, 3);
        if (!behind)
        {
            sheet.Box(svg, "picture", placed.Picture);
            var (px, py, pw, ph) = (sheet.X(placed.Picture.Left), sheet.Y(placed.Picture.Top), sheet.D(placed.Picture.Width), sheet.D(placed.Picture.Height));
            svg.Path("sheen", $"M{px} {py + ph} V{py} H{px + (pw * .42)} Z");
            // What does not fit on the display is not written there; the set-out and the sheet have it.
            var named = pw > plan.Sheet.Display!.Name.Length * 7.6 && ph > 96;
            if (named)
            {
                svg.Words("display-name", sheet.X(outer.CentreX), sheet.Y(outer.CentreY) + 24, plan.Sheet.Display.Name);
            }

            var size = $"{Plain(outer.Width, style)} × {Plain(outer.Height, style)}, {Core.Findings.Phrase.PlainPart(plan.Sheet.Display.Mass, style.System)}";
            if (pw > size.Length * 6.6 && ph > 34)
            {
                svg.Words("display-size", sheet.X(outer.CentreX), sheet.Y(outer.CentreY) + (named ? 42 : 20), size);
            }
        }

        svg.End();
        if (behind && plan.Hung is not null)
        {
            Plate(svg, sheet, plan, style);
        }

        var (left, right) = (sheet.X(outer.CentreX), sheet.X(outer.CentreX));
        svg.Group("chalk-lines", ("data-follow", "display"), ("data-axis", "across"));
        svg.Line("chalk", left, sheet.Y(plan.Sheet.Wall!.Height), right, sheet.Floor);
        svg.End();
    }

    private static void Plate(Svg svg, Sheet sheet, JobPlan plan, LengthStyle style)
    {
        var hung = plan.Hung!;
        var mount = plan.Sheet.Mount!;
        if (hung.Template is { } template)
        {
            sheet.Box(svg, "template", template);
        }

        foreach (var arm in hung.Arms)
        {
            sheet.Box(svg, "arm", arm, 2);
        }

        sheet.Box(svg, "steel-plate", hung.Plate, 2);
        foreach (var row in mount.Rows)
        {
            var y = sheet.Y(hung.HookLine + row.AboveHook);
            foreach (var slot in row.Slots)
            {
                var x = sheet.X(hung.Position.Plate + slot.From);
                svg.Rect("slot", x - 3, y - 3, sheet.D(slot.To - slot.From) + 6, 6, 3);
            }
        }

        svg.Group("chalk-lines", ("data-follow", "display"), ("data-axis", "up"));
        svg.Line("chalk", sheet.Left, sheet.Y(hung.HookLine), sheet.X(plan.Sheet.Wall!.Width), sheet.Y(hung.HookLine));
        svg.Words("chalk-name", sheet.X(plan.Sheet.Wall.Width) - 6, sheet.Y(hung.HookLine) - 5, "hook line");
        svg.End();

        foreach (var bolt in plan.Fixed?.Bolts ?? [])
        {
            var (x, y) = (sheet.X(bolt.X), sheet.Y(bolt.Y));
            svg.Group(bolt.KeepsEdge ? "bolt" : "bolt off");
            svg.Open("title", string.Empty, [], close: false)
                .Raw(System.Net.WebUtility.HtmlEncode($"bolt {bolt.Number}: {bolt.X.Show(style)} across, {bolt.Y.Show(style)} up")).End("title");
            svg.Circle("head", x, y, 6);
            svg.Line("cross", x - 9, y, x + 9, y);
            svg.Line("cross", x, y - 9, x, y + 9);
            svg.End();
        }

        var slide = hung.Position.Slide - plan.Sheet.Display!.VesaCentreRight;
        if (slide != Length.Zero)
        {
            var y = sheet.Y(hung.Plate.Bottom) + 13;
            var (from, to) = (sheet.X(hung.Position.Plate), sheet.X(plan.Placed!.Outer.CentreX));
            svg.Group("slide");
            svg.Line("slide-line", from, sheet.Y(hung.Plate.Bottom), from, y + 5);
            svg.Open("line", "slide-arrow",
                [
                    ("x1", Svg.Trim(from)), ("y1", Svg.Trim(y)), ("x2", Svg.Trim(to)), ("y2", Svg.Trim(y)), ("marker-end", "url(#a-end)"),
                ], close: true);
            svg.Figures("slide-figure", (from + to) / 2, y + 17, slide.Abs.Show(style), "slides ", slide > Length.Zero ? " right" : " left");
            svg.End();
        }
    }

    // The vertical budget as dimensions beside the display, gaps only: sizes are written on the things themselves.
    private static void Gaps(Svg svg, Sheet sheet, Placed placed, LengthStyle style)
    {
        var x = sheet.X(placed.Outer.Right) - 26;
        foreach (var line in placed.Budget.Where(b => b.IsGap && b.Size != Length.Zero))
        {
            var (y1, y2) = (sheet.Y(line.To), sheet.Y(line.From));
            svg.Group(line.Size < Length.Zero ? "gap over" : "gap", ("data-gone", "display"));
            svg.Line("gap-line", x, Math.Min(y1, y2), x, Math.Max(y1, y2));
            svg.Line("gap-end", x - 5, y1, x + 5, y1);
            svg.Line("gap-end", x - 5, y2, x + 5, y2);
            svg.Figures("gap-figure", x + 9, ((y1 + y2) / 2) + 5, line.Size.Show(style));
            svg.End();
        }
    }

    private static string Plain(Length length, LengthStyle style) => length.Show(style).Figures;
}
