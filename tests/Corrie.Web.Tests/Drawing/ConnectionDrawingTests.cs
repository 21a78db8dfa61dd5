using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Web.Stages.Feeds;

namespace Corrie.Web.Tests.Drawing;

/// <summary>What plugs into what, taken off the drawing: a stranger follows a cable by its line.</summary>
public partial class ConnectionDrawingTests
{
    /// <summary>
    /// A line that goes behind a card reads as two cables that are plugged in there. On random cards no line comes near the inside of one; it begins and
    /// ends at the cards that it connects.
    /// </summary>
    [Fact]
    public void No_cable_runs_behind_a_card()
    {
        var random = new Random(31);
        var past = 0;
        for (var n = 0; n < 300; n++)
        {
            var holders = Enumerable.Range(0, random.Next(3, 16)).Select(i => new PortHolder($"h{i}", $"thing {i}", random.GetItems(Enum.GetValues<PortSort>(), 1)[0], new([.. Enumerable.Range(0, random.Next(0, 6)).Select(p => new Jack($"p{p}", Signal.Picture, PortWay.Both, false, false))]), "w1")).ToList();
            var cables = Enumerable.Range(0, random.Next(1, 12)).Select(i => Cable(i, holders[random.Next(holders.Count)], holders[random.Next(holders.Count)], random)).Where(c => c.From != c.To).ToList();
            var drawing = XElement.Parse(ConnectionDrawing.Draw(holders, cables, edits: false).ToString()!);
            var cards = drawing.Descendants().Where(e => e.Attribute("class")?.Value == "card-body").Select(e => (Left: Number(e, "x"), Bottom: Number(e, "y") + Number(e, "height"), Right: Number(e, "x") + Number(e, "width"), Top: Number(e, "y"))).ToList();
            foreach (var line in drawing.Descendants().Where(e => e.Attribute("class")?.Value == "cable-line"))
            {
                var points = Points(line.Attribute("d")!.Value);
                Assert.Contains(cards, c => On(c, points[0]));
                Assert.Contains(cards, c => On(c, points[^1]));
                Assert.DoesNotContain(points, p => cards.Exists(c => p.X > c.Left + 0.5 && p.X < c.Right - 0.5 && p.Y > c.Top + 0.5 && p.Y < c.Bottom - 0.5));
                past += cards.Exists(c => c.Left > Math.Min(points[0].X, points[^1].X) && c.Right < Math.Max(points[0].X, points[^1].X)) ? 1 : 0;
            }
        }

        Assert.True(past > 100, $"Only {past} cables had a column to pass.");
    }

    private static Connection Cable(int number, PortHolder from, PortHolder to, Random random)
    {
        string Port(PortHolder h) => h.Jacks.Items.Count == 0 ? string.Empty : h.Jacks.Items[random.Next(h.Jacks.Items.Count)].Name;
        return new($"k{number}", from.Key, Port(from), to.Key, Port(to), null, string.Empty, null, null, string.Empty, PairOrder.B, new([]), new(null, $"k{number}", UnitSystem.Inches));
    }

    private static bool On((double Left, double Bottom, double Right, double Top) card, (double X, double Y) point) =>
        (Math.Abs(point.X - card.Left) < 0.1 || Math.Abs(point.X - card.Right) < 0.1) && point.Y > card.Top && point.Y < card.Bottom;

    private static double Number(XElement e, string name) => double.Parse(e.Attribute(name)!.Value, CultureInfo.InvariantCulture);

    // A path of one place to begin, curves and straight stretches, as points that follow each other closely.
    private static List<(double X, double Y)> Points(string path)
    {
        var points = new List<(double X, double Y)>();
        foreach (Match step in Step().Matches(path))
        {
            var n = step.Groups[2].Value.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray();
            var at = points.Count > 0 ? points[^1] : (n[0], n[1]);
            points.AddRange(Enumerable.Range(1, 80).Select(i => i / 80d).Select(t => step.Groups[1].Value == "C"
                ? (Bend(at.Item1, n[0], n[2], n[4], t), Bend(at.Item2, n[1], n[3], n[5], t))
                : (at.Item1 + ((n[0] - at.Item1) * t), at.Item2 + ((n[1] - at.Item2) * t))));
        }

        return points;
    }

    private static double Bend(double a, double b, double c, double d, double t)
    {
        var (ab, bc, cd) = (a + ((b - a) * t), b + ((c - b) * t), c + ((d - c) * t));
        var (abc, bcd) = (ab + ((bc - ab) * t), bc + ((cd - bc) * t));
        return abc + ((bcd - abc) * t);
    }

    [GeneratedRegex("([MCL])([^MCL]+)")]
    private static partial Regex Step();
}
