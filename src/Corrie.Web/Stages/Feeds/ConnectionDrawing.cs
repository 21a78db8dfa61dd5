using System.Globalization;
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
    private const double Apart = 16;
    private const double Between = 165;

    /// <summary>The drawing.</summary>
    /// <param name="holders">All that has ports, and is to be seen.</param>
    /// <param name="connections">The cables.</param>
    /// <param name="edits">Whether ports can be connected.</param>
    public static IHtmlContent Draw(IReadOnlyList<PortHolder> holders, IReadOnlyList<Connection> connections, bool edits)
    {
        // Where it comes from on the left, what passes it on in the middle, displays on the right.
        var columns = new[] { Of(h => h.Kind is "outlet" or "plate" or "device"), Of(h => h.Kind is not ("outlet" or "plate" or "device" or "display" or "projector")), Of(h => h.Kind is "display" or "projector") }.Where(c => c.Count > 0).ToList();
        var places = new Dictionary<(string, string), (double Left, double Right, double Y)>();
        var cards = new List<(PortHolder Holder, double X, double Y, IReadOnlyList<Jack> Jacks)>();
        var height = 0d;
        for (var c = 0; c < columns.Count; c++)
        {
            var (x, y) = (10 + (c * (Wide + Between)), 10d);
            foreach (var holder in columns[c])
            {
                var jacks = Jacks(holder, connections);
                cards.Add((holder, x, y, jacks));
                for (var i = 0; i < jacks.Count; i++)
                {
                    places[(holder.Key, jacks[i].Name)] = (x, x + Wide, y + Head + (i * Row) + (Row / 2));
                }

                y += Head + (Math.Max(1, jacks.Count) * Row) + 8 + Apart;
            }

            height = Math.Max(height, y);
        }

        var width = (columns.Count * (Wide + Between)) - Between + 20;
        var svg = new Svg();
        svg.Open("svg", "connections-drawing", [("viewBox", $"0 0 {Svg.Trim(Math.Max(width, 240))} {Svg.Trim(Math.Max(height, 60))}"), ("role", "group"), ("aria-label", "What plugs into what"), ("data-edits", edits ? "1" : "0")], close: false);
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
            svg.Group("cable " + (connection.Cable?.Carries.Word() ?? "unknown"), ("data-cable", connection.Id));
            svg.Path("cable-line", $"M{x1} {a.Y}C{x1 + (d1 * bow)} {a.Y} {x2 + (d2 * bow)} {b.Y} {x2} {b.Y}");
            svg.End();
            // Its tag at the end where it comes from, beside the card; where one is already, farther along.
            var (tx, ty) = (x1 + (d1 * 30), a.Y);
            while (tags.Any(t => Math.Abs(t.X - tx) < 38 && Math.Abs(t.Y - ty) < 19))
            {
                tx += d1 * 39;
            }

            tags.Add((tx, ty, connection.Says.Length > 5 ? connection.Says[..5] : connection.Says));
        }

        // A cable that passes a card runs behind it.
        foreach (var (holder, x, y, jacks) in cards)
        {
            svg.Group("card " + holder.Kind);
            svg.Rect("card-body", x, y, Wide, Head + (Math.Max(1, jacks.Count) * Row) + 8, 3);
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

        List<PortHolder> Of(Func<PortHolder, bool> which) => [.. holders.Where(which).OrderBy(h => h.Kind, StringComparer.Ordinal).ThenBy(h => h.Name, StringComparer.Ordinal)];
    }

    // What has no ports on the sheet has one for each cable that names one.
    private static IReadOnlyList<Jack> Jacks(PortHolder holder, IReadOnlyList<Connection> connections) => holder.Jacks.Items.Count > 0 ? holder.Jacks.Items
        : [.. connections.SelectMany(c => new (string Key, string Port, Cable? Cable)[] { (c.From, c.FromPort, c.Cable), (c.To, c.ToPort, c.Cable) }).Where(e => e.Key == holder.Key).Select(e => new Jack(e.Port.Length > 0 ? e.Port : "port", e.Cable?.Carries ?? Signal.Other, PortWay.Both, false, false)).DistinctBy(j => j.Name).DefaultIfEmpty(new Jack("port", Signal.Other, PortWay.Both, false, false))];

    private static (string, string)? End(IReadOnlyList<PortHolder> holders, string key, string port) => holders.FirstOrDefault(h => h.Key == key) is not { } holder ? null
        : (key, holder.Jack(port)?.Name ?? (holder.Jacks.Items.Count == 0 ? port.Length > 0 ? port : "port" : string.Empty));
}
