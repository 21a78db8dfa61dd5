using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Core.Tests;
using Corrie.Web.Demo;
using Corrie.Web.Drawing;

namespace Corrie.Web.Tests.Drawing;

/// <summary>The wall from the side, from above and cut through, and the items of the catalogue: proportions taken off the drawing.</summary>
public class SectionsTests
{
    private static JobPlan Plan(string job) => Planner.Plan(JobForm.Read((JsonObject)JsonNode.Parse(TarnHall.Read(job))!).Sheet);

    private static XElement Draw(JobPlan plan, WallView view, bool surveying = false) =>
        XElement.Parse(WallDrawing.Draw(plan, new("w1", view, LengthStyle.Inches, Surveying: surveying))!.ToString()!);

    private static IEnumerable<XElement> All(XElement drawing, string word) => drawing.Descendants().Where(e => e.Attribute("class")?.Value.Split(' ').Contains(word) == true);

    private static double Number(XElement e, string name) => double.Parse(e.Attribute(name)!.Value, CultureInfo.InvariantCulture);

    [Theory] // eye, distance from the display's wall, both as entered
    [InlineData("map-room", 47, 104)]
    [InlineData("wardens-office", 46, 64)]
    public void From_the_side_the_eye_is_as_high_and_as_far_as_it_is(string job, double eye, double distance)
    {
        var drawing = Draw(Plan(job), WallView.Side);
        var (floor, ceiling) = (Number(All(drawing, "floor-line").First(), "y1"), Number(All(drawing, "ceiling-line").First(), "y1"));
        var height = Plan(job).Wall.Height.Inches;
        var perInch = (floor - ceiling) / height;
        var at = All(drawing, "eye").Single();
        Assert.Equal(eye, (floor - Number(at, "cy")) / perInch, 0.1);
        // The wall's face is where what stands before it begins.
        var face = All(drawing, "body").Min(b => Number(b, "x"));
        Assert.Equal(distance, (Number(at, "cx") - face) / perInch, 0.1);
        // The sight line ends at the picture's centre and the display is as high and as deep as it is.
        var bezel = All(drawing, "bezel").Single();
        var display = (Display)Plan(job).Sheet.Item("d1")!.Product!;
        Assert.Equal(display.Height.Inches, Number(bezel, "height") / perInch, 0.1);
        var sight = All(drawing, "sight-centre").Single();
        Assert.Equal(Plan(job).Placed.Picture!.Value.CentreY.Inches, (floor - Number(sight, "y2")) / perInch, 0.1);
    }

    /// <summary>Tilted down, its top leans into the room, where the eye is: the wall is on the left.</summary>
    [Fact]
    public void From_the_side_a_display_that_is_tilted_down_leans_towards_who_watches()
    {
        var plan = Plan("map-room");
        var drawing = Draw(plan, WallView.Side);
        var turn = Regex.Match(All(drawing, "placed").First().Attribute("transform")!.Value, "rotate\\((-?[0-9.]+) ([0-9.]+) ([0-9.]+)\\)").Groups.Values.Skip(1).Select(g => double.Parse(g.Value, CultureInfo.InvariantCulture)).ToList();
        var bezel = All(drawing, "bezel").First();
        // A point over the middle of what is turned, as the drawing turns it: x grows to the room, y down.
        var (up, radians) = (Number(bezel, "y") - turn[2], turn[0] * Math.PI / 180);
        Assert.True(plan.Placed.Views.First(v => v.Viewer.Seated).Tilt.Degrees > 0);
        Assert.True(-(up * Math.Sin(radians)) > 0, "its top leans back to the wall");
        Assert.Equal(plan.Placed.Views.First(v => v.Viewer.Seated).Tilt.Degrees, turn[0], 0.01);
    }

    [Theory]
    [InlineData("map-room", "map chest", 22)]
    [InlineData("wardens-office", "desk", 28)]
    public void From_above_things_are_as_deep_as_they_are(string job, string name, double depth)
    {
        var plan = Plan(job);
        var drawing = Draw(plan, WallView.Above);
        var outer = plan.Placed.Outer;
        var perInch = All(drawing, "bezel").Max(b => Number(b, "width")) / outer.Width.Inches;
        var thing = drawing.Descendants().Where(e => e.Name.LocalName == "text" && e.Value == name).Select(t => t.Parent!).First();
        Assert.Equal(depth, Number(thing.Elements().First(e => e.Name.LocalName == "rect"), "height") / perInch, 0.1);
        // What is looked at is as large as it fits with a foot at both sides, on a drawing 752 wide; every stud there stands behind the layers, and every
        // bolt goes as far into it as it is long.
        var foot = Length.Tape(12);
        var (from, to) = (Length.Max(Length.Zero, outer.Left - foot), Length.Min(plan.Wall.Width, outer.Right + foot));
        Assert.Equal(752 / (to - from).Inches, perInch, 0.01);
        Assert.Equal(plan.Studs.Count(s => s.Right > from && s.Left < to), All(drawing, "stud").Count());
        var fastener = plan.Sheet.Item("m1")!.Bolt()!;
        var reach = (fastener.Length - ((Mount)plan.Sheet.Item("m1")!.Product!).PlateThickness).Inches;
        Assert.All(All(drawing, "bolt-body"), bolt =>
        {
            var heights = Regex.Matches(bolt.Attribute("d")!.Value, @"(?:[ML][\d.]+ |V)([\d.]+)").Select(m => double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture)).ToList();
            Assert.Equal(reach, (heights.Max() - heights.Min()) / perInch, 0.1);
        });
        Assert.Equal(4, All(drawing, "bolt-body").Count());
        Assert.Equal(["1, 3", "2, 4"], All(drawing, "bolt-number").Select(n => n.Value));
    }

    [Fact]
    public void Cut_through_the_layers_lie_in_their_order_and_fill_the_wall()
    {
        var drawing = Draw(Plan("lakeside-terrace"), WallView.Side, surveying: true);
        var layers = All(drawing, "layer-ground").ToList();
        Assert.All(layers.Zip(layers.Skip(1)), pair => Assert.Equal(Number(pair.First, "x") + Number(pair.First, "width"), Number(pair.Second, "x"), 0.05));
        Assert.Equal(["vinyl siding", "sheathing"], All(drawing, "layer-name").Select(n => n.Value).Take(3).Where(n => n is "vinyl siding" or "sheathing"));
        // 1/2 and 7/16 in.
        Assert.Contains("A bolt passes 15/16 in before it meets a stud", drawing.Value);
        Assert.Contains("test hole by Ines Arkle", drawing.Value);
        Assert.Contains("outside", drawing.Value);
        var none = Plan("lakeside-terrace").Sheet;
        Assert.Contains("No layer is on the sheet yet", Draw(Planner.Plan(none.With([none.Walls[0].With(WallForm.Wall, none.Walls[0].Get(WallForm.Wall)! with { Layers = [], TestHoles = [] })])), WallView.Side, surveying: true).Value);
    }

    [Fact]
    public void Items_are_drawn_to_one_scale_each_with_their_measures()
    {
        foreach (var item in JsonNode.Parse(TarnHall.Read("catalogue"))!.AsArray())
        {
            var (kind, document) = (item!["kind"]!.ToString(), (JsonObject)item["document"]!);
            var drawing = XElement.Parse(ItemDrawing.Draw(ProductKinds.Of(kind)!, document, LengthStyle.Inches).ToString()!);
            double Inches(string name) => LengthReader.Read(document[name]!.ToString(), UnitSystem.Inches).Value.Inches;
            var measures = All(drawing, "measure").ToDictionary(m => m.Attribute("data-of")!.Value, m => m);
            Assert.NotEmpty(measures);
            foreach (var (name, measure) in measures)
            {
                var figures = measure.Elements().Single(e => e.Name.LocalName == "text").Value.Replace('\u2009', ' ');
                // Patterns go by millimetres.
                Assert.Equal(Inches(name), LengthReader.Read(figures, name is "vesaWidth" or "vesaHeight" ? UnitSystem.Millimetres : UnitSystem.Inches).Value.Inches, 1 / 32d);
            }

            if (kind is "display" or "mount")
            {
                var (wide, high) = kind == "display" ? ("width", "height") : ("plateWidth", "plateHeight");
                var outline = All(drawing, kind == "display" ? "ghost" : "steel-plate").Single();
                Assert.Equal(Inches(wide) / Inches(high), Number(outline, "width") / Number(outline, "height"), 0.01);
            }

            // The shape alone, as the list shows it, has no figures.
            Assert.Empty(All(XElement.Parse(ItemDrawing.Draw(ProductKinds.Of(kind)!, document).ToString()!), "measure"));
        }
    }

    [Fact]
    public void The_truth_of_a_practice_wall_shows_every_member_once()
    {
        var wall = new Corrie.Simulators.HiddenWall(5);
        var drawing = XElement.Parse(TruthDrawing.Draw(wall).ToString()!);
        Assert.Equal(wall.Truth.Count, All(drawing, "true-member").Count());
        Assert.Equal(wall.Strips.Count, All(drawing, "true-strip").Count());
        var widths = All(drawing, "true-member").Select(m => Number(m, "width")).ToList();
        Assert.All(widths.Zip(wall.Truth), pair => Assert.Equal(pair.Second.Width / wall.Truth[0].Width, pair.First / widths[0], 0.02));
    }
}
