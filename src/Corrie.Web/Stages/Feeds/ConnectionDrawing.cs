using System.Globalization;
using System.Text;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Format;
using Corrie.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Stages.Feeds;

/// <summary>Draws what plugs into what: cards with ports, and cables between them. A port is drawn onto another one to connect them.</summary>
public static class ConnectionDrawing
{
    private const double Wide = 218;
    private const double Row = 26;
    private const double Head = 30;
    private const double Apart = 20;
    private const double Between = 165;

    // Between cables that pass a column in one gap.
    private const double Beside = 6;

    /// <summary>The drawing.</summary>
    /// <param name="holders">All that has ports, and is to be seen.</param>
    /// <param name="connections">The cables.</param>
    /// <param name="edits">Whether ports can be connected.</param>
    public static IHtmlContent Draw(IReadOnlyList<PortHolder> holders, IReadOnlyList<Connection> connections, bool edits)
    {
        // Where it comes from on the left, what passes it on in the middle, displays on the right.
        var columns = new[] { Of(h => h.Sort <= PortSort.Plate), Of(h => h.Sort is > PortSort.Plate and < PortSort.Display), Of(h => h.Sort == PortSort.Display) }.Where(c => c.Count > 0).ToList();
        var places = new Dictionary<(string, string), (double Left, double Right, double Y)>();
        var cards = new List<(PortHolder Holder, double X, double Y, IReadOnlyList<Jack> Jacks)>();
        var height = 0d;
        // Where a cable may pass a column: between its cards, and under the last.
        var gaps = columns.ConvertAll(_ => new List<double>());
        for (var c = 0; c < columns.Count; c++)
        {
            var (x, y) = (At(c), 10d);
            foreach (var holder in columns[c])
            {
                var jacks = Jacks(holder, connections);
                cards.Add((holder, x, y, jacks));
                for (var i = 0; i < jacks.Count; i++)
                {
                    places[(holder.Key, jacks[i].Name)] = (x, x + Wide, y + Head + (i * Row) + (Row / 2));
                }

                y += Tall(jacks) + Apart;
                gaps[c].Add(y - (Apart / 2));
            }

            height = Math.Max(height, y);
        }

        var width = At(columns.Count) - Between + 10;
        var (lines, passing) = (new Svg(), new List<(int Column, double Gap)>());
        var lane = 0;
        var tags = new List<(double X, double Y, string Says)>();
        foreach (var connection in connections)
        {
            if (End(holders, connection.From, connection.FromPort) is not { } from || End(holders, connection.To, connection.ToPort) is not { } to || !places.TryGetValue(from, out var a) || !places.TryGetValue(to, out var b))
            {
                continue;
            }

            // Out of the side that faces the other card; within one column round its right side.
            var (x1, x2) = a.Left == b.Left ? (a.Right, b.Right) : a.Left < b.Left ? (a.Right, b.Left) : (a.Left, b.Right);
            var (d1, d2) = (x1 == a.Right ? 1 : -1, x2 == b.Right ? 1 : -1);
            var bow = 46 + (14 * (lane++ % 5));
            lines.Group("cable " + (connection.Cable?.Carries.Word() ?? "unknown"), ("data-cable", connection.Id));
            lines.Raw($"<path class=\"cable-line\" d=\"{Line((x1, a.Y, d1), (x2, b.Y, d2), bow)}\"/>");
            lines.End();
            // Its tag at the end where it comes from, beside the card; where one is already, farther along.
            var (tx, ty) = (x1 + (d1 * 30), a.Y);
            while (tags.Any(t => Math.Abs(t.X - tx) < 38 && Math.Abs(t.Y - ty) < 19))
            {
                tx += d1 * 39;
            }

            tags.Add((tx, ty, connection.Says.Length > 5 ? connection.Says[..5] : connection.Says));
        }

        var svg = new Svg();
        svg.Open("svg", "connections-drawing", [("viewBox", $"0 0 {Svg.Trim(Math.Max(width, 240))} {Svg.Trim(Math.Max(height, 60))}"), ("role", "group"), ("aria-label", "What plugs into what"), ("data-edits", edits ? "1" : "0")], close: false);
        svg.Raw(lines.ToString());
        foreach (var (holder, x, y, jacks) in cards)
        {
            svg.Group("card " + holder.Sort.ToString().ToLowerInvariant());
            svg.Rect("card-body", x, y, Wide, Tall(jacks), 3);
            svg.Words("card-name", x + 12, y + 20, holder.Name.Length > 30 ? holder.Name[..29] + "…" : holder.Name);
            svg.End();
        }

        foreach (var (tx, ty, says) in tags)
        {
            svg.Rect("cable-tag", tx - 18, ty - 9, 36, 18, 9);
            svg.Words("cable-name", tx, ty + 4, says);
        }


        foreach (var (holder, x, _, jacks) in cards)
        {
            foreach (var jack in jacks)
            {
                var (left, right, y) = places[(holder.Key, jack.Name)];
                var (name, carries) = (jack.Name + (jack.Return ? " ↺" : string.Empty), jack.Carries.Words() + (jack.Fast ? ", fast" : string.Empty));
                // What is read out begins with what is to be seen.
                var says = $"{name} {carries}, of the {holder.Name}{(jack.Way == PortWay.Both ? string.Empty : ", " + jack.Way.Words())}{(jack.Return ? ", gives sound back" : string.Empty)}";
                svg.Open("g", "jack", edits ? [("tabindex", "0"), ("role", "button"), ("aria-label", says), ("data-holder", holder.Key), ("data-port", jack.Name), ("data-x", Svg.Trim(right)), ("data-y", Svg.Trim(y))] : [("aria-label", says)], close: false);
                svg.Rect("jack-row", left + 4, y - (Row / 2) + 1, Wide - 8, Row - 2, 2);
                svg.Circle("jack-hole", left, y, 5);
                svg.Circle("jack-hole", right, y, 5);
                svg.Words("jack-name", left + 14, y + 4, name + " ");
                svg.Words("jack-kind", right - 12, y + 4, carries);
                svg.End();
            }
        }

        return new HtmlString(svg.End("svg").ToString());

        // A cable that went straight on behind a card would look as if it were plugged in there: it passes a column through a gap.
        string Line((double X, double Y, int Out) from, (double X, double Y, int Out) to, double bow)
        {
            var (path, at, out1) = (new StringBuilder(FormattableString.Invariant($"M{from.X} {from.Y}")), (from.X, from.Y), from.Out);
            var passed = Enumerable.Range(0, columns.Count).Where(c => At(c) > Math.Min(from.X, to.X) && At(c) + Wide < Math.Max(from.X, to.X) && Hits(c));
            foreach (var column in from.X < to.X ? passed : passed.Reverse())
            {
                var straight = from.Y + ((to.Y - from.Y) * ((At(column) + (Wide / 2) - from.X) / (to.X - from.X)));
                int Through(double g) => passing.Count(p => p == (column, g));
                // Three go between two cards.
                var gap = gaps[column].Where(g => g == gaps[column][^1] || Through(g) < 3).MinBy(g => Math.Abs(g - straight) + (Through(g) * Apart));
                var n = Through(gap);
                passing.Add((column, gap));
                // Under the last card there is room for any number; between two they lie on both sides of the middle.
                var y = gap == gaps[column][^1] ? gap + (n * Beside) : gap + ((n + 1) / 2 * Beside * (n % 2 == 0 ? 1 : -1));
                height = Math.Max(height, y + 12);
                var (near, far) = from.X < to.X ? (At(column) - 4, At(column) + Wide + 4) : (At(column) + Wide + 4, At(column) - 4);
                Curve(near, y, -out1);
                path.Append(CultureInfo.InvariantCulture, $"L{far} {y}");
                at = (far, y);
            }

            Curve(to.X, to.Y, to.Out);
            return path.ToString();

            // Whether the curve without any gap goes behind a card of a column.
            bool Hits(int column) => Enumerable.Range(1, 59).Select(i => i / 60d).Any(t =>
            {
                double On(double a, double b, double c, double d) => (a * (1 - t) * (1 - t) * (1 - t)) + (3 * b * t * (1 - t) * (1 - t)) + (3 * c * t * t * (1 - t)) + (d * t * t * t);
                var (x, y) = (On(from.X, from.X + (from.Out * bow), to.X + (to.Out * bow), to.X), On(from.Y, from.Y, to.Y, to.Y));
                return x > At(column) && x < At(column) + Wide && cards.Any(c => c.X == At(column) && y > c.Y - Beside && y < c.Y + Tall(c.Jacks) + Beside);
            });

            void Curve(double x, double y, int side) => path.Append(CultureInfo.InvariantCulture, $"C{at.Item1 + (out1 * bow)} {at.Item2} {x + (side * bow)} {y} {x} {y}");
        }

        static double Tall(IReadOnlyList<Jack> jacks) => Head + (Math.Max(1, jacks.Count) * Row) + 8;

        static double At(int column) => 10 + (column * (Wide + Between));

        List<PortHolder> Of(Func<PortHolder, bool> which) => [.. holders.Where(which).OrderBy(h => h.Sort).ThenBy(h => h.Name, StringComparer.Ordinal)];
    }

    // What has no ports on the sheet has one for each cable that names one.
    private static IReadOnlyList<Jack> Jacks(PortHolder holder, IReadOnlyList<Connection> connections) => holder.Jacks.Items.Count > 0 ? holder.Jacks.Items
        : [.. connections.SelectMany(c => new (string Key, string Port, Cable? Cable)[] { (c.From, c.FromPort, c.Cable), (c.To, c.ToPort, c.Cable) }).Where(e => e.Key == holder.Key).Select(e => new Jack(e.Port.Length > 0 ? e.Port : "port", e.Cable?.Carries ?? Signal.Other, PortWay.Both, false, false)).DistinctBy(j => j.Name).DefaultIfEmpty(new Jack("port", Signal.Other, PortWay.Both, false, false))];

    private static (string, string)? End(IReadOnlyList<PortHolder> holders, string key, string port) => holders.FirstOrDefault(h => h.Key == key) is not { } holder ? null
        : (key, holder.Jack(port)?.Name ?? (holder.Jacks.Items.Count == 0 ? port.Length > 0 ? port : "port" : string.Empty));
}
