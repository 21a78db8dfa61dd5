using Corrie.Core.Catalogue;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Stages.Hanging;

/// <summary>Draws a plate and the studs behind it, close: several such drawings stand side by side, all to one scale.</summary>
public static class PlateCloseUp
{
    private const double Wide = 340, High = 190, Foot = 34;

    /// <summary>The stretch of the wall that all of several plans of one plate lie in.</summary>
    /// <param name="plans">The plans.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <returns>The stretch; nothing where none of them has a place for it.</returns>
    public static Rect? Stretch(IEnumerable<JobPlan> plans, string mount)
    {
        var outlines = plans.Select(p => p.Layout(mount)).OfType<PlateLayout>().SelectMany(l => l.Backing is { } b ? new[] { l.Plate, b.Outline } : [l.Plate]).ToList();
        return outlines.Count == 0 ? null
            : Rect.Between(outlines.Min(o => o.Left), outlines.Max(o => o.Right), outlines.Min(o => o.Bottom), outlines.Max(o => o.Top)).Grown(Length.Tape(3));
    }

    /// <summary>A plan's plate.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mount">Key of the mount.</param>
    /// <param name="stretch">The stretch of the wall that is shown.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="says">What it shows, for those who do not see it.</param>
    /// <param name="before">An earlier plan: where its holes were is drawn faintly where they are elsewhere now; null for none.</param>
    /// <param name="number">The bolt that is looked at; 0 for none.</param>
    public static IHtmlContent Draw(JobPlan plan, string mount, Rect stretch, LengthStyle style, string says, JobPlan? before = null, int number = 0)
    {
        if (plan.Layout(mount) is not { } layout || plan.Sheet.Item(mount) is not { } item || item.Hardware() is not { } hardware || plan.Sheet.WallOf(item) is not { } wall || plan.Survey(wall.Id) is not { } survey)
        {
            return HtmlString.Empty;
        }

        var scale = Math.Min(Wide / stretch.Width.Inches, (High - Foot) / stretch.Height.Inches);
        var frame = new Frame(scale, ((Wide - (stretch.Width.Inches * scale)) / 2) - (stretch.Left.Inches * scale), High - Foot + (stretch.Bottom.Inches * scale));
        var svg = new Svg();
        svg.Open("svg", "drawing close-up", [("viewBox", FormattableString.Invariant($"0 0 {Wide} {High}")), ("xmlns", "http://www.w3.org/2000/svg"), ("role", "img"), ("aria-label", says)], close: false);
        svg.Rect("wall", 0, 0, Wide, High - Foot);
        foreach (var stud in survey.For(plan.BoltOf(item)?.Diameter ?? plan.Sheet.Policy.UsualBolt).Studs)
        {
            if (frame.X(stud.Right) < 0 || frame.X(stud.Left) > Wide)
            {
                continue;
            }

            svg.Rect("stud-near", Math.Max(0, frame.X(stud.Left)), 0, Math.Min(Wide, frame.X(stud.Right)) - Math.Max(0, frame.X(stud.Left)), High - Foot);
            svg.Line("stud-centre", frame.X(stud.Centre), 0, frame.X(stud.Centre), High - Foot);
            svg.Figures("close-figure", Math.Clamp(frame.X(stud.Centre), 20, Wide - 20), High - Foot + 13, stud.Centre.Show(style));
        }

        PlateDrawing.Plate(svg, frame, hardware, layout, survey.Wall.Kind);
        foreach (var old in before?.Fixing(mount)?.Bolts ?? [])
        {
            if (plan.Fixing(mount)?.Bolts.Any(b => b.X == old.X && b.Y == old.Y) != true)
            {
                svg.Circle("was-hole", frame.X(old.X), frame.Y(old.Y), 5);
            }
        }

        foreach (var hole in item.Get(Built.Part)?.Holes ?? [])
        {
            var (x, y) = (frame.X(hole.Across), frame.Y(hole.Up));
            svg.Circle(hole.Holds ? "made-hole" : "spent-hole", x, y, 7);
            if (!hole.Holds)
            {
                svg.Line("spent-hole", x - 5, y - 5, x + 5, y + 5).Line("spent-hole", x - 5, y + 5, x + 5, y - 5);
            }
        }

        if (number > 0 && plan.Fixing(mount)?.Bolts.FirstOrDefault(b => b.Number == number) is { } looked)
        {
            svg.Circle("looked-at", frame.X(looked.X), frame.Y(looked.Y), 11);
        }

        foreach (var bolt in layout.Position.Bolts)
        {
            var (x, y) = (frame.X(bolt.X), frame.Y(layout.HookLine + bolt.Row.AboveHook));
            svg.Group(bolt.WouldHold(plan.BoltOf(item)?.Diameter ?? plan.Sheet.Policy.UsualBolt) ? "bolt" : "bolt off").Circle("head", x, y, 4.5).Line("cross", x - 7, y, x + 7, y).Line("cross", x, y - 7, x, y + 7).End();
        }

        // The numbers that the steps and the packing go by.
        foreach (var bolt in plan.Fixing(mount)?.Bolts ?? [])
        {
            svg.Words("bolt-number", frame.X(bolt.X) + 11, frame.Y(bolt.Y) - 8, bolt.Number.ToString(System.Globalization.CultureInfo.InvariantCulture));
        }

        if (plan.Sheet.DisplayOn(item) is { } display && plan.Placement(display.Id) is { } placed)
        {
            var x = frame.X(placed.Outer.CentreX);
            svg.Line("chalk", x, 0, x, High - Foot + 16).Figures("close-figure centre", Math.Clamp(x, 60, Wide - 60), High - 4, placed.Outer.CentreX.Show(style), "display ");
        }

        return new HtmlString(svg.End("svg").ToString());
    }
}
