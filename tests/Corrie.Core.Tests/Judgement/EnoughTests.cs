using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using CsCheck;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Placement;

namespace Corrie.Core.Tests.Judgement;

/// <summary>Who enters what a sentence asks for is clear: minima are rounded up and maxima down.</summary>
public class EnoughTests
{
    // What is wrong, where what the sentence asks for is entered, and how it asks.
    private static readonly Dictionary<string, (string Code, (string, JsonNode?)[] Has, string Path, string Asks)> Asked = new()
    {
        // A washer of 1/64 in: 53/64 passed, 3/16 of tip, 1 1/4 of thread: 2 17/64 in, which no tape shows.
        ["a bolt that is too short"] = ("fix.too-short", [("/items/m1/bolt/washer", "1/64 in"), ("/items/m1/bolt/length", "2 in")], "/items/m1/bolt/length", "needed: (.+?) or longer"),
        ["a bolt that never reaches the stud"] = ("fix.no-hold", [("/items/m1/bolt/washer", "1/64 in"), ("/items/m1/bolt/length", "1 in")], "/items/m1/bolt/length", "At least (.+?) is needed"),
        ["a bolt that comes out behind"] = ("fix.too-long", [("/items/m1/bolt/washer", "3/64 in"), ("/items/m1/bolt/length", "6 in")], "/items/m1/bolt/length", "take one of (.+?) at most"),
        // The gap of 52.3 mm is 2.059 in.
        ["too small a gap"] = ("place.gap-too-small", [("/items/d1/place/gapBelow", "52.3 mm"), Chest], "/items/d1/place/height", "at least (.+?) is asked for"),
        ["no room for lifting on"] = ("hang.no-room-above", [("/items/m1/product/clearAbove", "27.3 mm"), ("/items/d1/place/height", "67 1/2 in")], "ceiling", "lifting it on needs (.+?)\\."),
        ["a seat too far away"] = ("place.too-small", [("/seats/v/distance", "120 in")], "/seats/v/distance", "is reached at (.+?), or"),
        ["a seat too near"] = ("place.too-near", [("/seats/v/distance", "30 in")], "/seats/v/distance", "50° is reached at (.+? (?:in|mm))\\."),
        ["a pull at the plate that is too small"] = ("site.proof-missing", [("/items/d1/product/mass", "37.77 lb"), Pulled("10 lb")], "/items/m1/built/proof/pull", "and (.+?) for 60 s are needed"),
    };

    public static TheoryData<string, bool> Lines
    {
        get
        {
            var lines = new TheoryData<string, bool>();
            foreach (var key in Asked.Keys)
            {
                lines.Add(key, true);
                lines.Add(key, false);
            }

            return lines;
        }
    }

    [Theory]
    [MemberData(nameof(Lines))]
    public void What_is_asked_for_is_enough(string line, bool inches)
    {
        var (code, has, path, asks) = Asked[line];
        var style = inches ? LengthStyle.Inches : LengthStyle.Millimetres;
        var said = Sheets.Plan(has).Findings.First(f => f.Code == code).Message.Say(style);
        var asked = Regex.Match(said, asks).Groups[1].Value;
        Assert.True(asked.Length > 0, said);
        (string, JsonNode?) then = path switch
        {
            "ceiling" => ("/walls/w1/height", LengthText.Exact(Sheets.In("67 1/2 in") + Sheets.In("28 in") + Sheets.In(asked), UnitSystem.Inches)),
            "/items/d1/place/height" => (path, LengthText.Exact(Sheets.In("28 in") + Sheets.In(asked), UnitSystem.Inches)),
            _ => (path, asked),
        };
        Assert.DoesNotContain(Sheets.Plan([.. has, then]).Findings, f => f.Code == code);
    }

    [Fact]
    public void A_bound_is_never_on_the_wrong_side_and_never_a_step_off() =>
        Gen.Select(Gen.Long[-2_000_000, 2_000_000], Gen.Int[0, 3]).Sample((units, which) =>
        {
            LengthStyle style = which switch { 0 => LengthStyle.Inches, 1 => new(UnitSystem.Inches, 8), 2 => new(UnitSystem.Inches, 32, true), _ => LengthStyle.Millimetres };
            var length = Length.FromUnits(units);
            var (up, down) = (LengthText.RoundedUp(length, style), LengthText.RoundedDown(length, style));
            var step = style.System == UnitSystem.Millimetres ? Length.PerMillimetre / 10 : Length.PerInch / 32;
            return up >= length && down <= length && (up - down).Units is var between && (between == 0 || between == step)
                && LengthReader.Read(LengthText.AtLeast(length, style), UnitSystem.Inches, directed: true).Value == up && LengthReader.Read(LengthText.AtMost(length, style), UnitSystem.Inches, directed: true).Value == down;
        }, iter: 20_000);

    // 3000 lm on a 100 in screen are 101 fL (SMPTE 196, from memory); the projector of another wall lights nothing here.
    [Fact]
    public void A_projector_of_another_wall_is_not_counted()
    {
        (string, JsonNode?)[] room =
        [
            ("/walls/w2", Sheets.Json("""{ "width": "120 in", "height": "96 in" }""")),
            ("/items/s1", Sheets.Json("""{ "kind": "screen", "wall": "w1", "product": { "name": "a screen", "width": "87.16 in", "height": "49.03 in", "depth": "1 in", "mass": "10 lb" } }""")),
        ];
        (string, JsonNode?) Beam(string key, string? wall, string? serves = null) => ($"/items/{key}", new JsonObject
        {
            ["kind"] = "projector", ["name"] = key, ["product"] = Sheets.Json("""{ "name": "a projector", "width": "12 in", "height": "4 in", "depth": "10 in", "mass": "7 lb", "lumens": 3000 }"""),
            [wall is null ? "name" : "wall"] = wall ?? key, [serves is null ? "name" : "for"] = serves ?? key,
        });
        static string[] Lit(params (string, JsonNode?)[] changes)
        {
            var sheet = Sheets.Plan(changes).Sheet;
            return [.. Brightness.On(sheet, sheet.Item("s1")!).Select(b => b.Projector)];
        }

        Assert.Equal(["here"], Lit([.. room, Beam("here", "w1"), Beam("there", "w2")]));
        Assert.Equal(["ceiling", "here"], Lit([.. room, Beam("here", "w1"), Beam("ceiling", null)]).Order(StringComparer.Ordinal));
        Assert.Equal(["mine"], Lit([.. room, ("/items/s2", Sheets.Json("""{ "kind": "screen", "wall": "w1" }""")), Beam("mine", "w2", "s1"), Beam("other", "w1", "s2")]));
    }

    private static (string, JsonNode?) Chest => ("/walls/w1/features/c", Sheets.Json("""{ "kind": "furniture", "left": "60 in", "width": "36 in", "height": "28 in", "depth": "16 in" }"""));

    private static (string, JsonNode?) Pulled(string pull) => ("/items/m1/built", new JsonObject { ["hung"] = new JsonObject { ["by"] = "Tom" }, ["proof"] = new JsonObject { ["pull"] = pull, ["held"] = true, ["by"] = "Tom" } });
}
