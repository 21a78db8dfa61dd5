using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Survey;
using Corrie.Data;

namespace Corrie.Web.Demo;

/// <summary>A photo of the map room that nobody took: the wall as it is on the sheet, drawn as a camera aslant before it would have it.</summary>
public static class StandInPhoto
{
    private const int Width = 1600, Height = 1100;

    // Where four of the wall's points are on the picture: it was taken from the right, and from below.
    private static readonly (double Across, double Up, double X, double Y)[] Held = [(0, 96, 190, 60), (0, 0, 150, 1010), (164, 0, 1540, 900), (164, 96, 1500, 150)];

    /// <summary>The picture.</summary>
    /// <returns>A JPEG.</returns>
    public static byte[] Draw() => WallPictures.Drawn(Camera.Inverse.Numbers, Width, Height, 0xFF8E8577,
    [
        new(-60, -40, 300, 180, 0xFFD8CFBC), new(-60, -60, 300, 60, 0xFF6E5A44), new(0, 0, 164, 96, 0xFFE9E2D2, 0xFFB9AF9B), new(0, 0, 164, 5, 0xFFF4F0E6, 0xFFC9C0AE),
        new(8.75, 36, 32, 48, 0xFFF7F4EC, 0xFF9A917F), new(11.5, 39, 12.5, 42, 0xFFBCD3E0, 0xFF7F8E97), new(25.5, 39, 12.5, 42, 0xFFC6DAE5, 0xFF7F8E97),
        new(48.75, 14, 2.75, 4.5, 0xFFFFFFFF, 0xFF8A8A86), new(144.75, 14, 2.75, 4.5, 0xFFFFFFFF, 0xFF8A8A86),
        new(56, 0, 76, 30, 0xFFA67C4B, 0xFF5C4325), .. Drawers(), new(74, 30, 40, 3.5, 0xFF33363A, 0xFF111111),
    ]);

    /// <summary>Pins it to the map room, squared by things that were measured there.</summary>
    /// <param name="job">The job's document.</param>
    /// <param name="photos">Where photos are kept.</param>
    public static void Pin(JsonObject job, PhotoStore photos)
    {
        var wall = (JsonObject)job["walls"]!["w1"]!;
        wall["photos"] = new JsonObject { ["p1"] = new JsonObject { ["of"] = "wall", ["picture"] = photos.Add(Draw()).Name, ["says"] = "from the door", ["by"] = "Ines Arkle" } };
        wall["squared"] = new JsonObject
        {
            ["photo"] = "p1",
            ["points"] = new JsonObject
            {
                ["1"] = At(8.75, 84),
                ["2"] = At(8.75, 36),
                ["3"] = At(147.5, 14),
                ["4"] = At(164, 96),
                ["5"] = At(48.75, 18.5),
            },
        };
    }

    private static Homography Camera => Homography.Fit([.. Held.Select((h, i) => new PointPair($"{i + 1}", h.X, h.Y, h.Across, h.Up))]).ToWall!;

    private static IEnumerable<Paint> Drawers() =>
        from row in Enumerable.Range(0, 4)
        from column in Enumerable.Range(0, 2)
        select new Paint(58 + (37 * column), 3 + (6.5 * row), 35, 5.5, 0xFFB58B58, 0xFF5C4325);

    private static JsonObject At(double across, double up)
    {
        var (x, y) = Camera.Inverse.Map(across, up);
        return new()
        {
            ["x"] = Math.Round(x / Width, 5),
            ["y"] = Math.Round(y / Height, 5),
            ["across"] = string.Create(CultureInfo.InvariantCulture, $"{across} in"),
            ["up"] = string.Create(CultureInfo.InvariantCulture, $"{up} in"),
        };
    }
}
