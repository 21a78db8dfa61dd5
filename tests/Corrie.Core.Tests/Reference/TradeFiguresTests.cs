using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests.Reference;

/// <summary>Figures of the trade for placing and hanging, in both units. 'Common practice' where nothing else is named.</summary>
public class TradeFiguresTests
{
    [Theory]
    [InlineData("7 in", "1/2 in")]
    [InlineData("177.8 mm", "12.7 mm")]
    public void A_plate_s_top_over_its_hook_line_is_marked_that_much_higher(string hookUp, string higher)
    {
        // The plate is half an inch higher than its hook line is up.
        var plan = Sheets.Plan(("/items/m1/product/hookUp", hookUp), ("/items/m1/product/plateHeight", LengthText.Exact(Sheets.In(hookUp) + Sheets.In(higher), UnitSystem.Millimetres)));
        Assert.Equal(Sheets.In(higher), plan.Marks.Single(m => m.Id == "m1/plate-top").Y - plan.Hung.HookLine);
    }

    [Theory]
    [InlineData("3/8 in", "1 1/2 in", "0 in", "9/16 in")]
    [InlineData("3/8 in", "1 1/2 in", "1/2 in", "1/16 in")]
    [InlineData("9.525 mm", "38.1 mm", "12.7 mm", "1.5875 mm")]
    public void A_bolt_leaves_that_much_wood_beside_it(string bolt, string face, string off, string wood) =>
        Assert.Equal(Sheets.In(wood), new Stud("s", Length.Zero, Sheets.In(face), StudState.Confirmed, Length.Zero).WoodBeside(Sheets.In(bolt), Sheets.In(off)));

    [Theory]
    [InlineData("26 1/2 in", "13 1/4 in")]
    [InlineData("673.1 mm", "336.55 mm")]
    public void Half_of_two_brackets_spread_goes_to_each_side(string spread, string half)
    {
        var plan = Sheets.Plan(
            ("/items/m1/product/plateWidth", "2 in"), ("/items/m1/product/spread", "26 in"), ("/items/m1/hang/measuredSpread", spread), ("/items/m1/product/rows", Sheets.Json("""[{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "0 in", "to": "0 in" }] }]""")));
        var remedy = Assert.Single(plan.Finding("hang.bracket-spread").Remedies);
        Assert.Equal($"{Sheets.In(half).Show(LengthStyle.Inches)} to each side of the centre", remedy.Effect.Say(LengthStyle.Inches));
    }

    /// <summary>Geometry.</summary>
    [Theory]
    [InlineData("400 mm", "400 mm", 45, 283)]
    [InlineData("15 3/4 in", "15 3/4 in", 45, 283)]
    [InlineData("600 mm", "400 mm", 33.69, 360.6)]
    public void Radial_arms_are_set_by_the_pattern(string width, string height, double degrees, double reach)
    {
        var arms = RadialArms.For(Sheets.In(width), Sheets.In(height));
        Assert.Equal(degrees, arms.Turn.Degrees, 0.01);
        Assert.Equal(reach, arms.Reach.Millimetres, 0.5);
    }

    /// <summary>Geometry: 20 mm over 200 mm of rows is 5.71 degrees.</summary>
    [Theory]
    [InlineData("200 mm", "20 mm", "0 mm", 5.71)]
    [InlineData("8 in", "1/2 in", "1/4 in", 1.79)]
    public void Longer_spacers_at_the_upper_pair_lean_a_fixed_mount_forward(string rows, string upper, string lower, double degrees)
    {
        var plan = Sheets.Plan(
            ("/items/d1/product/vesaHeight", rows), ("/items/d1/product/thread", "M8"), ("/items/d1/product/threadDepth", "15 mm"), ("/items/m1/product/armThickness", "2 mm"),
            ("/items/m1/screws", Sheets.Json($$"""{ "upperScrew": "35 mm", "upperSpacer": "{{upper}}", "lowerScrew": "15 mm", "lowerSpacer": "{{lower}}" }""")));
        Assert.Equal(degrees, plan.Screws("m1")!.Lean.Degrees, 0.01);
    }

    /// <summary>Margin of 20 % on a mount's rated weight.</summary>
    [Theory]
    [InlineData("83.3 lb", false)]
    [InlineData("83.4 lb", true)]
    [InlineData("37.7 kg", false)]
    [InlineData("37.9 kg", true)]
    public void A_mount_is_rated_for_a_fifth_more_than_hangs_on_it(string mass, bool said) =>
        Assert.Equal(said, Sheets.Plan(("/items/d1/product/mass", mass)).Codes().Contains("hang.overloaded"));

    /// <summary>Centres that the schools propose lie in the trade's ranges: 40 to 42 in for who sits, 60 to 70 for who stands; 4 to 6 in over a mantel.</summary>
    [Theory]
    [InlineData("28 in")]
    [InlineData("32 3/4 in")]
    [InlineData("700 mm")]
    public void Heights_are_those_of_the_trade(string height)
    {
        var plan = Sheets.Plan(("/seats", new JsonObject()), ("/items/d1/place", null), ("/items/d1/product/height", height), ("/walls/w1/height", "120 in"));
        var proposals = HeightProposal.Of(plan, plan.Sheet.Item("d1")!).ToDictionary(p => p.School, p => p.Centre.Inches);
        Assert.InRange(proposals[School.EyeLine], 40, 42);
        Assert.InRange(proposals[School.Standing], 60, 70);
        Assert.InRange(proposals[School.HungAsArt], 60, 64);
        var mantel = Sheets.Plan(("/seats", new JsonObject()), ("/items/d1/place", null), ("/items/d1/product/height", height), ("/walls/w1/height", "120 in"), ("/walls/w1/features/m", Sheets.Json("""{ "kind": "mantel", "left": "50 in", "width": "56 in", "bottom": "48 in", "height": "2 in", "depth": "8 in" }""")));
        Assert.InRange(HeightProposal.Of(mantel, mantel.Sheet.Item("d1")!).Single(p => p.School == School.OverAMantel).Bottom.Inches - 50, 4, 6);
    }

    /// <summary>SMPTE EG 18: at most 35 degrees up to the top; ergonomics practice: 15 up to the centre. From memory.</summary>
    [Theory]
    [InlineData("80 in", 15, false)] // centre 21.44 over the eye
    [InlineData("2032 mm", 15.1, true)]
    public void Fifteen_degrees_up_to_the_centre_are_borne(string distance, double degrees, bool said)
    {
        var bottom = Length.FromInches(44 + (80 * Math.Tan(degrees * Math.PI / 180)) - 14 - (said ? 0 : 1 / 64d));
        Assert.Equal(said, Sheets.Plan(("/seats/v/distance", distance), ("/items/d1/place/height", LengthText.Exact(bottom, UnitSystem.Millimetres)), ("/items/d1/place/approval", null)).Codes().Contains("place.too-high"));
    }

    /// <summary>36 CFR 1191 (2010 ADA standards) 307.2, from memory: leading edges between 27 and 80 in protrude at most 4 in.</summary>
    [Theory]
    [InlineData("27 in", "3 in", false)]
    [InlineData("27 1/16 in", "3 in", true)]
    [InlineData("686 mm", "77 mm", true)]
    [InlineData("40 in", "2 1/2 in", false)]
    [InlineData("40 in", "2 9/16 in", true)]
    public void What_sticks_out_into_a_path(string bottom, string depth, bool said) =>
        Assert.Equal(said, Sheets.Plan(("/walls/w1/circulation", true), ("/items/d1/place/height", bottom), ("/items/d1/product/depth", depth)).Codes().Contains("place.protrudes"));

    /// <summary>SMPTE 196, from memory: 3,000 lumens on a matt screen of 100 in, 16:9, are 101 foot-lamberts; a cinema has 16.</summary>
    [Fact]
    public void A_projector_s_light_over_the_picture_s_area()
    {
        Assert.Equal(101, Brightness.Of(3000, 1, PictureSize.OfDiagonal(Length.Tape(100), AspectRatio.Of("16:9"))), 0.5);
        Assert.Equal(101, Brightness.Of(3000, 1, PictureSize.OfDiagonal(Length.FromMillimetres(2540), AspectRatio.Of("16:9"))), 0.5);
        Assert.Equal(16, Brightness.Cinema);
    }

    /// <summary>ANSI/INFOCOMM 3M, from memory.</summary>
    [Theory]
    [InlineData(PictureUse.Passive, 7)]
    [InlineData(PictureUse.Basic, 15)]
    [InlineData(PictureUse.Analytical, 50)]
    [InlineData(PictureUse.FullMotion, 80)]
    public void A_picture_stands_out_against_the_room_s_light(PictureUse use, int ratio) => Assert.Equal(ratio, Brightness.Contrast(use));
}
