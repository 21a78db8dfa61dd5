using Corrie.Core.Measure;
using Corrie.Core.Survey;
using CsCheck;

namespace Corrie.Core.Tests.Survey;

/// <summary>
/// A wall with an opening, measured from both sides by somebody who does not know the rule: each point has one true place, each face its own
/// casing, and whoever stands on the other face sees everything the other way round.
/// </summary>
public class FacesTests
{
    private static readonly Gen<(int Left, int Width, int[] Casing, int Stud)> Walls =
        Gen.Select(Gen.Int[640, 3200], Gen.Int[320, 1600], Gen.Int[1, 200].Array[4], Gen.Int[64, 9000]);

    [Fact]
    public void What_is_measured_on_the_other_face_lands_where_it_is() => Walls.Sample((left, width, casing, stud) =>
    {
        // In 64ths of an inch; the opening's edges, and the casing's edges that far outside of them on each face.
        var (hereInner, hereOuter, thereInner, thereOuter) = (casing[0], casing[0] + casing[1], casing[2], casing[2] + casing[3]);
        var wall = Wall(left - hereOuter, width + (2 * hereOuter), hereInner, hereOuter, thereInner, thereOuter);
        var edges = new Dictionary<string, (int Here, int There)>
        {
            // Seen from there, the opening's right edge is on the left.
            ["w/left"] = (left - hereOuter, left + width + thereOuter),
            ["w/right"] = (left + width + hereOuter, left - thereOuter),
            ["w/left-inner"] = (left - hereInner, left + width + thereInner),
            ["w/right-inner"] = (left + width + hereInner, left - thereInner),
        };
        foreach (var (edge, (here, there)) in edges)
        {
            Assert.Equal(stud, Stud(wall, edge, stud - here, otherFace: false));
            // Along a tape that runs the other way.
            Assert.Equal(stud, Stud(wall, edge, there - stud, otherFace: true));
        }
    }, iter: 300);

    [Theory]
    [InlineData("w/centre", true)] // a casing's centre has no edge to go by
    [InlineData("left-corner", true)] // the other face's corner is another corner
    [InlineData("w/sill", false)]
    [InlineData("w", false)]
    [InlineData("x/left", false)]
    [InlineData("studs/none", false)]
    public void A_point_that_cannot_be_carried_is_not_guessed(string point, bool otherFace) =>
        Assert.Null(Faces.Resolve(Wall(1000, 640, 10, 20, 30, 40), point, otherFace));

    [Fact]
    public void Heights_are_the_same_on_both_faces()
    {
        var wall = Wall(1000, 640, 10, 20, 30, 40);
        var reading = new MeasuredReading("r", "floor", "w/top", Length.Tape(80), Length.Tape(0, 1, 32), "somebody") { OtherFace = true };
        Assert.Equal(Length.Tape(80), Faces.Seen(wall, reading)!.Value);
    }

    [Theory] // common practice: 1/32 in for a tape, 1/8 in for what is carried through a wall
    [InlineData("left-corner", "w/left", false, "1/32 in")]
    [InlineData("w/left", "studs/s", true, "1/8 in")]
    [InlineData("studs/s", "studs/t", true, "1/32 in")]
    public void A_reading_is_as_good_as_the_way_it_was_taken(string from, string to, bool otherFace, string deviation) =>
        Assert.Equal(Sheets.In(deviation), Faces.Usual(from, to, otherFace));

    private static int Stud(Wall wall, string edge, int reads, bool otherFace)
    {
        var seen = Faces.Seen(wall, new("r", edge, "studs/s", Length.Tape(0, reads, 64), Length.Tape(0, 1, 32), "somebody") { OtherFace = otherFace })!;
        var from = wall.Features.Single();
        var at = (seen.From == "w/left" ? from.Left : from.Right) + seen.Value;
        return (int)(at.Units / Length.Tape(0, 1, 64).Units);
    }

    private static Wall Wall(int left, int width, params int[] casing) => Sheets.Plan(
        ("/walls/w1/width", "500 in"),
        ("/walls/w1/readings", null),
        ("/walls/w1/studs/s", Sheets.Json("""{ "centre": "80 in", "state": "found" }""")),
        ("/walls/w1/features/w", Sheets.Json($$"""
            {
              "kind": "window", "name": "window", "left": "{{Exact(left)}}", "width": "{{Exact(width)}}", "height": "30 in", "bottom": "40 in",
              "casing": { "hereInner": "{{Exact(casing[0])}}", "hereOuter": "{{Exact(casing[1])}}", "thereInner": "{{Exact(casing[2])}}", "thereOuter": "{{Exact(casing[3])}}" }
            }
            """))).Wall;

    private static string Exact(int sixtyFourths) => LengthText.Exact(Length.Tape(0, sixtyFourths, 64), UnitSystem.Inches);
}
