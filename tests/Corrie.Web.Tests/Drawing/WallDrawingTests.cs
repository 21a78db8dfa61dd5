using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Simulators;
using Corrie.Web.Demo;
using Corrie.Web.Drawing;

namespace Corrie.Web.Tests.Drawing;

/// <summary>The drawing says what the plan says: measured on the drawing with its own scale, as somebody would with a ruler.</summary>
public class WallDrawingTests
{
    private static readonly string[] Jobs = ["map-room", "bunkhouse-corridor", "wardens-office", "stove-lounge", "training-room", "lakeside-terrace"];

    private static readonly Dictionary<string, LengthStyle> Styles = new()
    {
        ["in16"] = LengthStyle.Inches,
        ["in32"] = new(UnitSystem.Inches, 32),
        ["ft"] = new(UnitSystem.Inches, 16, FeetInches: true),
        ["mm"] = LengthStyle.Millimetres,
    };

    public static TheoryData<string, WallView, string, bool> Elevations
    {
        get
        {
            var data = new TheoryData<string, WallView, string, bool>();
            foreach (var (job, style) in from job in Jobs from style in Styles.Keys select (job, style))
            {
                data.Add(job, WallView.Front, style, false);
                data.Add(job, WallView.Behind, style, false);
                data.Add(job, WallView.Behind, style, true);
            }

            return data;
        }
    }

    public static TheoryData<string> All => [.. Jobs];

    [Theory]
    [MemberData(nameof(All))]
    public void Things_lie_where_they_were_measured_and_are_as_large_as_they_are(string job)
    {
        var document = (JsonObject)JsonNode.Parse(TarnHall.Read(job))!;
        // Where readings disagree, things lie where all of them together say: not what this is about.
        Pointer.Set(document, "/walls/w1/readings", null);
        var plan = Plan(document);
        var sheet = new Ruler(Draw(plan, WallView.Behind, LengthStyle.Inches));
        var wall = sheet.Box(sheet.One("wall"));
        Assert.Equal(Inches(document, "/walls/w1/width"), wall.Width, 0.02);
        Assert.Equal(Inches(document, "/walls/w1/height"), wall.Height, 0.02);
        foreach (var (key, feature) in (JsonObject?)Pointer.Get(document, "/walls/w1/features") ?? [])
        {
            if (feature!["kind"]!.ToString() is not ("receptacle" or "furniture" or "window"))
            {
                continue;
            }

            var group = sheet.Drawing.Descendants().Single(e => e.Attribute("data-feature")?.Value == key);
            var box = sheet.Box(group.Elements().First(e => e.Name.LocalName == "rect"));
            Assert.Equal(Inches(document, $"/walls/w1/features/{key}/left"), box.Left, 0.02);
            Assert.Equal(Inches(document, $"/walls/w1/features/{key}/bottom"), box.Bottom, 0.02);
            Assert.Equal(Inches(document, $"/walls/w1/features/{key}/width"), box.Width, 0.02);
        }

        var bolts = plan.Fixing("m1")?.Bolts ?? [];
        Assert.Equal(bolts.Select(b => b.X.Inches), sheet.All("head").Select(e => sheet.X(e, "cx")), Near);
        Assert.Equal(bolts.Select(b => b.Y.Inches), sheet.All("head").Select(e => sheet.Y(e, "cy")), Near);
        if (Pointer.Get(document, "/items/d1/product/width") is not null && plan.Placement("d1") is not null)
        {
            var bezel = new Ruler(Draw(plan, WallView.Front, LengthStyle.Inches));
            Assert.Equal(Inches(document, "/items/d1/product/width"), bezel.Box(bezel.One("bezel")).Width, 0.02);
            Assert.Equal(Inches(document, "/items/d1/product/height"), bezel.Box(bezel.One("bezel")).Height, 0.02);
        }
    }

    [Theory]
    [MemberData(nameof(Elevations))]
    public void Readings_tags_and_tapes_can_be_read(string job, WallView view, string style, bool surveying)
    {
        var plan = Plan((JsonObject)JsonNode.Parse(TarnHall.Read(job))!);
        var sheet = new Ruler(Draw(plan, view, Styles[style], surveying));
        foreach (var tape in sheet.All("tape"))
        {
            var flags = tape.Descendants().Where(e => Has(e, "flag-body")).Select(Ruler.Outline).ToList();
            Assert.All(flags, flag => Assert.True(sheet.Holds(flag), $"a reading leaves the drawing: {flag}"));
            Apart(flags, "readings");
            // Every reading's line ends on the tape where the reading says, to half of what is shown.
            var up = Has(tape, "up");
            var datum = Length.FromUnits(long.Parse(sheet.Drawing.Attribute(up ? "data-datum-up" : "data-datum-across")!.Value, CultureInfo.InvariantCulture));
            foreach (var flag in tape.Elements().Where(e => Has(e, "flag")))
            {
                var figures = flag.Elements().Single(e => Has(e, "reading")).Value;
                var back = figures[0] is '◂' or '▾';
                var reading = LengthReader.Read(figures.TrimStart('◂', '▾').Replace('\u2009', ' '), Styles[style].System).Value;
                var line = flag.Elements().Single(e => Has(e, "throw"));
                Assert.Equal((datum + (back ? -reading : reading)).Inches, up ? sheet.Y(line, "y1") : sheet.X(line, "x1"), 0.04);
            }
        }

        Apart([.. sheet.All("tag-body").Select(Ruler.Outline)], "tags");
        Assert.All(sheet.All("tie"), tie => Assert.True(sheet.Holds(new(Number(tie, "cx"), Number(tie, "cy"), 0, 0))));
        var stops = plan.Findings.Where(f => f.Severity <= Severity.Caution && f.Where is { X: not null, Y: not null, Wall: "" or "w1" } && (!surveying || f.Kind.Stage == SurveyFindings.Stage)).Select(f => f.Code).Distinct();
        Assert.Equal(stops.Order(), sheet.All("tag").Select(t => t.Attribute("data-code")!.Value).Distinct().Order());
    }

    [Theory]
    [InlineData("in16", "floor", 1)]
    [InlineData("mm", "floor", 25.4)]
    [InlineData("in16", "f2/top", 1)]
    [InlineData("mm", "f2/top", 25.4)]
    public void The_tape_counts_from_its_hook(string style, string hook, double unitsPerInch)
    {
        var document = (JsonObject)JsonNode.Parse(TarnHall.Read("map-room"))!;
        Pointer.Set(document, "/walls/w1/setOut", new JsonObject { ["up"] = hook });
        var sheet = new Ruler(Draw(Plan(document), WallView.Front, Styles[style]));
        var datum = hook == "floor" ? 0 : Inches(document, "/walls/w1/features/f2/height");
        var figures = sheet.All("tape").First().Elements().Where(e => Has(e, "tape-figure")).ToList();
        Assert.True(figures.Count >= 5);
        foreach (var figure in figures)
        {
            // Its tick is 2 1/2 pixels under the figure.
            var at = (sheet.Floor - (Number(figure, "y") + 2.5)) / sheet.PerInch;
            Assert.Equal(double.Parse(figure.Value, CultureInfo.InvariantCulture), Math.Abs(at - datum) * unitsPerInch, 0.05 * unitsPerInch);
        }
    }

    [Fact]
    public void Behind_is_seen_through_the_board_and_not_mirrored()
    {
        var plan = Plan((JsonObject)JsonNode.Parse(TarnHall.Read("map-room"))!);
        var (front, behind) = (new Ruler(Draw(plan, WallView.Front, LengthStyle.Inches)), new Ruler(Draw(plan, WallView.Behind, LengthStyle.Inches)));
        double Left(Ruler r, string key) => r.Box(r.Drawing.Descendants().Single(e => e.Attribute("data-feature")?.Value == key).Elements().First(e => e.Name.LocalName == "rect")).Left;
        foreach (var key in new[] { "f1", "f2", "f4", "f5" })
        {
            Assert.Equal(Left(front, key), Left(behind, key), 0.02);
        }
    }

    [Fact]
    public void What_somebody_types_never_becomes_markup()
    {
        var document = (JsonObject)JsonNode.Parse(TarnHall.Read("map-room"))!;
        const string Name = "<script>alert(1)</script>\"'&";
        Pointer.Set(document, "/items/d1/product/name", Name);
        Pointer.Set(document, "/walls/w1/features/f1/name", Name);
        Pointer.Set(document, "/walls/w1/evidence/e01/by", Name);
        foreach (var view in Enum.GetValues<WallView>())
        {
            foreach (var surveying in new[] { false, true })
            {
                Assert.DoesNotContain(Draw(Plan(document), view, LengthStyle.Inches, surveying).Descendants(), e => e.Name.LocalName == "script");
            }
        }
    }

    /// <summary>Whatever a sheet holds that can be planned at all can be drawn: well-formed, and every number is one.</summary>
    [Fact]
    public void Odd_walls_are_drawn_too()
    {
        var broken = new BrokenFiles([.. Jobs.Select(TarnHall.Read)], 41);
        var drawn = 0;
        for (var n = 0; n < 400; n++)
        {
            var plan = Planner.Plan(JobForm.Read(broken.Document()).Sheet);
            foreach (var view in Enum.GetValues<WallView>())
            {
                if (WallDrawing.Draw(plan, new("w1", view, n % 2 == 0 ? LengthStyle.Inches : LengthStyle.Millimetres, Edits: true, Surveying: n % 3 == 0)) is not { } drawing)
                {
                    continue;
                }

                drawn++;
                foreach (var attribute in XElement.Parse(drawing.ToString()!).DescendantsAndSelf().Attributes())
                {
                    Assert.DoesNotMatch("NaN|Infinity|∞|E[+-]?[0-9]{2}", attribute.Name.LocalName is "d" or "x" or "y" or "x1" or "x2" or "y1" or "y2" or "width" or "height" or "transform" ? attribute.Value : string.Empty);
                }
            }
        }

        Assert.True(drawn > 800, $"{drawn} drawings only");
    }

    private static JobPlan Plan(JsonObject document) => Planner.Plan(JobForm.Read(document).Sheet);

    private static XElement Draw(JobPlan plan, WallView view, LengthStyle style, bool surveying = false) =>
        XElement.Parse(WallDrawing.Draw(plan, new("w1", view, style, Edits: true, Surveying: surveying))!.ToString()!);

    private static double Inches(JsonObject document, string path) =>
        Pointer.Get(document, path) is { } text ? LengthReader.Read(text.ToString(), UnitSystem.Inches).Value.Inches : 0;

    private static bool Near(double a, double b) => Math.Abs(a - b) < 0.02;

    private static bool Has(XElement e, string word) => e.Attribute("class")?.Value.Split(' ').Contains(word) == true;

    private static double Number(XElement e, string name) => double.Parse(e.Attribute(name)!.Value, CultureInfo.InvariantCulture);

    private static void Apart(List<Area> areas, string what)
    {
        for (var i = 0; i < areas.Count; i++)
        {
            for (var j = i + 1; j < areas.Count; j++)
            {
                Assert.False(areas[i].Covers(areas[j]), $"two {what} cover each other: {areas[i]} and {areas[j]}");
            }
        }
    }

    private sealed record Area(double Left, double Top, double Width, double Height)
    {
        public double Bottom => Top + Height;

        public bool Covers(Area other) =>
            Left + Width - 1 > other.Left && other.Left + other.Width - 1 > Left && Top + Height - 1 > other.Top && other.Top + other.Height - 1 > Top;
    }

    /// <summary>A drawing, measured in inches of the wall.</summary>
    private sealed class Ruler
    {
        private readonly double left;
        private readonly double[] box;

        public Ruler(XElement drawing)
        {
            Drawing = drawing;
            PerInch = Number(drawing, "data-scale") * Length.PerInch;
            Floor = Number(drawing, "data-floor");
            left = Number(drawing, "data-left");
            box = [.. drawing.Attribute("viewBox")!.Value.Split(' ').Select(n => double.Parse(n, CultureInfo.InvariantCulture))];
        }

        public XElement Drawing { get; }

        public double PerInch { get; }

        public double Floor { get; }

        public IEnumerable<XElement> All(string word) => Drawing.Descendants().Where(e => Has(e, word));

        public XElement One(string word) => All(word).First();

        public double X(XElement e, string name) => (Number(e, name) - left) / PerInch;

        public double Y(XElement e, string name) => (Floor - Number(e, name)) / PerInch;

        public (double Left, double Bottom, double Width, double Height) Box(XElement rect) =>
            (X(rect, "x"), Y(rect, "y") - (Number(rect, "height") / PerInch), Number(rect, "width") / PerInch, Number(rect, "height") / PerInch);

        /// <summary>The outline of a path of absolute M, L, H, V and Z, in the drawing's own units.</summary>
        public static Area Outline(XElement path)
        {
            var (x, y) = (0d, 0d);
            List<(double X, double Y)> points = [];
            foreach (Match part in Regex.Matches(path.Attribute("d")!.Value, "([MLHV]) ?([-0-9.]+)(?: ([-0-9.]+))?"))
            {
                var first = double.Parse(part.Groups[2].Value, CultureInfo.InvariantCulture);
                (x, y) = part.Groups[1].Value switch
                {
                    "H" => (first, y),
                    "V" => (x, first),
                    _ => (first, double.Parse(part.Groups[3].Value, CultureInfo.InvariantCulture)),
                };
                points.Add((x, y));
            }

            return new(points.Min(p => p.X), points.Min(p => p.Y), points.Max(p => p.X) - points.Min(p => p.X), points.Max(p => p.Y) - points.Min(p => p.Y));
        }

        public bool Holds(Area area) => area.Left >= -0.5 && area.Top >= -0.5 && area.Left + area.Width <= box[2] + 0.5 && area.Bottom <= box[3] + 0.5;
    }
}
