using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Tests.Jobs;

namespace Corrie.Core.Tests.Judgement;

/// <summary>Answers that cannot both be true, slips of the keyboard and dates, in the words of whoever would say them (trade facts are common practice).</summary>
public class ContradictionsTests : IFindingCases
{
    public IEnumerable<(string Code, (string Path, JsonNode? Value)[] Has, (string Path, JsonNode? Value)[] Just)> Cases =>
    [
        ("survey.answers-contradict", [Flue("dead"), Burns("gas", "often")], [Flue("dead"), Burns("gas", "never")]),
        // 4096 mm of wall is 161 in; a door is 60 in and more high.
        ("survey.slip", [("/walls/w1/height", "59 in")], [("/walls/w1/height", "60 in")]),
        ("site.dates", [Visit("a", "2026-02-30", "survey")], [Visit("a", "2026-02-28", "survey")]),
    ];

    private static readonly Dictionary<string, (Severity Severity, (string, JsonNode?)[] Has, (string, JsonNode?)[] Just)> Answers = new()
    {
        ["the flue is dead, and the fire was measured lit"] = (Severity.FinalStop, [Flue("dead"), Lit(60)], [Flue("dead"), Lit(0)]),
        ["a wood stove without a flue"] = (Severity.FinalStop, [Flue("none"), Burns("wood", "never")], [Flue("live"), Burns("wood", "never")]),
        ["a vented fire without a flue"] = (Severity.FinalStop, [Flue("none"), ("/walls/w1/fire", Sheets.Json("""{ "fuel": "gas", "vented": true }"""))], [Flue("none"), ("/walls/w1/fire", Sheets.Json("""{ "fuel": "gas", "vented": false }"""))]),
        ["a gas fire and no gas"] = (Severity.FinalStop, [("/walls/w1/questions/gas", false), Burns("gas", "never")], [("/walls/w1/questions/gas", true), Burns("gas", "never")]),
        ["a gas pipe on the wall and no gas"] = (Severity.FinalStop, [("/walls/w1/questions/gas", false), Feature("gas", "20 in")], [("/walls/w1/questions/gas", false), Feature("pipe", "20 in")]),
        ["a flue on the wall and none"] = (Severity.FinalStop, [Flue("none"), Feature("flue", "20 in")], [Flue("live"), Feature("flue", "20 in")]),
        ["a fire that is never lit, measured at full"] = (Severity.Stop, [Flue("live"), Lit(60), ("/walls/w1/fire/use", "never")], [Flue("live"), Lit(60), ("/walls/w1/fire/use", "seldom")]),
        ["a mount on a mount"] = (Severity.Stop, [Second("m2", "m1")], [Second("m2", null)]),
        ["two displays on one mount, 96 in apart"] = (Severity.Stop, [Beside("174 in")], [Beside("128 in")]),
    };

    private static readonly Dictionary<string, (string Part, string Meant, (string, JsonNode?)[] Has, (string, JsonNode?)[] Just)> Typed = new()
    {
        ["a wall 96 mm high"] = ("w1/height", "96 in was meant", [("/walls/w1/height", "96 mm")], [("/walls/w1/height", "2440 mm")]),
        ["a 10 by 10 in display with a 55 in picture"] = ("d1/product/diagonal", "does not go with", [("/items/d1/product/width", "10 in"), ("/items/d1/product/height", "10 in")], []),
        ["width and height exchanged"] = ("d1/product/width", "Exchange", [("/items/d1/product/width", "28 in"), ("/items/d1/product/height", "48 1/2 in")], []),
        ["a diagonal in centimetres"] = ("d1/product/diagonal", "in inches for centimetres", [("/items/d1/product/diagonal", "140 in")], [("/items/d1/product/diagonal", "55 in")]),
        ["55 in that weigh 4 lb"] = ("d1/product/mass", "Weigh", [("/items/d1/product/mass", "4 lb")], [("/items/d1/product/mass", "24 lb")]),
        ["a pattern 200 in up a 28 in display"] = ("d1/product/vesaCentreUp", "was meant, in millimetres", [("/items/d1/product/vesaCentreUp", "200 in")], [("/items/d1/product/vesaCentreUp", "23 in")]),
        ["board 5/8 of a millimetre thick"] = ("w1/layers/l1/thickness", "5/8 in was meant", [("/walls/w1/layers/l1/thickness", "0.625 mm")], [("/walls/w1/layers/l1/thickness", "3/8 in")]),
        ["board five inches thick"] = ("w1/layers/l1/thickness", "thicker", [("/walls/w1/layers/l1/thickness", "5 in")], [("/walls/w1/layers/l1/thickness", "1 in")]),
        ["a stud of 64 mm"] = ("w1/studs/a/width", "64 mm", [("/walls/w1/studs/a/width", "64 mm")], [("/walls/w1/studs/a/width", "76 mm")]),
        ["parked farther out than extended"] = ("m1/product/depthParked", "Exchange", [("/items/m1/product/depthParked", "9 in"), ("/items/m1/product/depthExtended", "2 in")], [("/items/m1/product/depthParked", "2 in"), ("/items/m1/product/depthExtended", "9 in")]),
        ["a hook 90 in up a 9 in plate"] = ("m1/product/hookUp", "9 in was meant", [("/items/m1/product/plateHeight", "9 in"), ("/items/m1/product/hookUp", "90 in")], [("/items/m1/product/plateHeight", "9 in"), ("/items/m1/product/hookUp", "9 in")]),
        ["5 in of thread on a 2 in screw"] = ("m1/bolt/thread", "5 in of thread on 2 in", [("/items/m1/bolt/length", "2 in"), ("/items/m1/bolt/thread", "5 in")], [("/items/m1/bolt/length", "2 in"), ("/items/m1/bolt/thread", "2 in")]),
        ["the ends of a slot exchanged"] = ("m1/product/rows/top", "sign", [("/items/m1/product/rows", Rows("9 in", "7 in"))], [("/items/m1/product/rows", Rows("7 in", "9 in"))]),
    };

    private static readonly Dictionary<string, ((string, JsonNode?)[] Has, (string, JsonNode?)[] Just)> Days = new()
    {
        ["the electrician after the display"] = ([Visit("e", "2026-12-11", "electrician"), Visit("i", "2026-12-10", "install")], [Visit("e", "2026-12-10", "electrician"), Visit("i", "2026-12-10", "install")]),
        ["install before survey"] = ([Visit("s", "2026-12-11", "survey"), Visit("i", "2026-12-10", "install")], [Visit("s", "2026-12-09", "survey"), Visit("i", "2026-12-10", "install")]),
        ["12/9 is two days"] = ([Visit("i", "12/9", "install")], [Visit("i", "2026-12-09", "install")]),
        ["a clock of 2199"] = ([Visit("i", "2199-12-09", "install")], [Visit("i", "2099-12-09", "install")]),
        ["the client's display comes after the day"] = ([Visit("i", "2026-12-10", "install"), Comes("2026-12-11")], [Visit("i", "2026-12-10", "install"), Comes("2026-12-10")]),
    };

    public static TheoryData<string> AnswerLines => [.. Answers.Keys];

    public static TheoryData<string> TypedLines => [.. Typed.Keys];

    public static TheoryData<string> DayLines => [.. Days.Keys];

    [Theory]
    [MemberData(nameof(AnswerLines))]
    public void Two_answers_that_cannot_both_be_true_stop(string line)
    {
        var (severity, has, just) = Answers[line];
        Assert.Contains(Sheets.Plan(has).Findings, f => f.Code == "survey.answers-contradict" && f.Severity == severity);
        Assert.DoesNotContain("survey.answers-contradict", Sheets.Plan(just).Codes());
    }

    [Theory]
    [MemberData(nameof(TypedLines))]
    public void A_slip_is_named_once_with_what_was_likely_meant(string line)
    {
        var (part, meant, has, just) = Typed[line];
        var said = Assert.Single(Sheets.Plan(has).Findings, f => f.Code == "survey.slip" && f.Where.Part == part);
        Assert.Contains(meant, said.Message.Say(line.Contains("mm", StringComparison.Ordinal) && !line.Contains("wall", StringComparison.Ordinal) ? LengthStyle.Millimetres : LengthStyle.Inches));
        Assert.DoesNotContain(Sheets.Plan(just).Findings, f => f.Code == "survey.slip" && f.Where.Part == part);
    }

    [Theory]
    [MemberData(nameof(DayLines))]
    public void Dates_that_cannot_be_stop(string line)
    {
        Assert.Contains(Sheets.Plan(Days[line].Has).Findings, f => f.Code == "site.dates" && f.Severity == Severity.Stop);
        Assert.DoesNotContain("site.dates", Sheets.Plan(Days[line].Just).Codes());
    }

    private static (string, JsonNode?) Flue(string state) => ("/walls/w1/questions/flue", state);

    private static (string, JsonNode?) Burns(string fuel, string use) => ("/walls/w1/fire", new JsonObject { ["fuel"] = fuel, ["use"] = use });

    private static (string, JsonNode?) Lit(int minutes) => ("/walls/w1/fire/readings/r", new JsonObject { ["of"] = "air", ["up"] = "30 in", ["warm"] = "80 F", ["minutes"] = minutes });

    private static (string, JsonNode?) Feature(string kind, string left) => ("/walls/w1/features/x", new JsonObject { ["kind"] = kind, ["left"] = left, ["bottom"] = "0 in", ["width"] = "2 in", ["height"] = "40 in", ["depth"] = "6 in" });

    private static (string, JsonNode?) Visit(string key, string on, string what) => ($"/visits/{key}", new JsonObject { ["on"] = on, ["for"] = what });

    private static (string, JsonNode?) Comes(string on) => ("/supplied/d", new JsonObject { ["name"] = "display", ["on"] = on });

    private static (string, JsonNode?) Second(string key, string? on)
    {
        var mount = Sheets.Document()["items"]!["m1"]!.DeepClone();
        if (on is not null)
        {
            mount["on"] = on;
            ((JsonObject)mount).Remove("wall");
        }

        return ($"/items/{key}", mount);
    }

    // 48 1/2 in wide each: from 78 in on, 128 in leaves 1 1/2 in between, 174 in leaves 47 1/2.
    private static (string, JsonNode?) Beside(string across)
    {
        var display = Sheets.Document()["items"]!["d1"]!.DeepClone();
        display["place"]!["across"] = across;
        return ("/items/d2", display);
    }

    private static JsonNode Rows(string from, string to) => Sheets.Json($$"""
        [{ "id": "top", "aboveHook": "-1/2 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "{{from}}", "to": "{{to}}" }] },
         { "id": "bottom", "aboveHook": "-5 in", "slots": [{ "from": "-9 in", "to": "-7 in" }, { "from": "7 in", "to": "9 in" }] }]
        """);
}
