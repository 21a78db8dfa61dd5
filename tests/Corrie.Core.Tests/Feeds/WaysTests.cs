using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using QuikGraph;
using QuikGraph.Algorithms;

namespace Corrie.Core.Tests.Feeds;

/// <summary>
/// Ways through framed walls, beside QuikGraph's Dijkstra over a grid that the test lays over the wall by itself, and beside every pair of ways
/// there is on small walls.
/// </summary>
public class WaysTests
{
    private const int PerInch = 2;
    private static readonly FeedFigures Figures = FeedFigures.Usual;

    // By the figures that Corrie comes with: 80 an hour; half a minute a foot; 45 minutes and 6 for a stud, 60 and 9 for a noggin, 25 and 4 for the
    // top plate, 20 and 4 for the bottom one, 20 minutes for the attic and 10 for the basement.
    private const double Hour = 80d / 60, AlongInch = 0.5 * Hour / 12, Stud = (45 * Hour) + 6, Noggin = (60 * Hour) + 9, Top = (25 * Hour) + 4 + (10 * Hour), Below = (20 * Hour) + 4 + (5 * Hour);

    [Fact]
    public void The_cheapest_way_is_the_cheapest()
    {
        var random = new Random(1501);
        var (none, attic, basement, round) = (0, 0, 0, 0);
        var walls = Study.Size(2000, 400);
        for (var n = 0; n < walls; n++)
        {
            var plan = Sketch.Random(random, random.Next(2, 8), random.Next(50, 90), 30);
            var (from, to) = (plan.End(random), plan.End(random));
            var found = WayFinder.One(new(plan.Wall, from, to, Sketch.Hole, true, null), Figures).Best[0];
            var (cost, path) = plan.ByGrid(from, to);
            Assert.Equal(cost is null, found is null);
            if (found is null || cost is not { } least)
            {
                none++;
                continue;
            }

            Assert.True(Math.Abs(found.Cost - least) < 1e-6, $"wall {n}: {found.Cost} found, {least} on the grid; {string.Join(", ", found.Moves.Select(m => $"{m.Kind} {m.Index}"))} | {path}");
            plan.Keeps(found, from, to);
            attic += found.Holes.Any(h => h.Kind == WayMoveKind.TopPlate) ? 1 : 0;
            basement += found.Holes.Any(h => h.Kind == WayMoveKind.BottomPlate) ? 1 : 0;
            round += found.Moves.Count(m => m.Kind == WayMoveKind.AlongBay) > 2 ? 1 : 0;
        }

        Assert.True(none > walls / 100 && attic > walls / 14 && basement > walls / 14 && round > walls / 20, $"{none}, {attic}, {basement}, {round}");
    }

    [Fact]
    public void Power_and_signal_together_bends_and_the_next_best_are_the_cheapest()
    {
        var random = new Random(1502);
        var (apart, met, none, other, bent) = (2 + 0.5, 0, 0, 0, 0);
        var walls = Study.Size(500, 100);
        for (var n = 0; n < walls; n++)
        {
            var plan = Sketch.Random(random, 4, random.Next(13, 16), 6);
            var (a, b) = ((From: plan.End(random), To: plan.End(random)), (From: plan.End(random), To: plan.End(random)));
            WayAsked Asked((WayEnd From, WayEnd To) ends, int? bends = null) => new(plan.Wall, ends.From, ends.To, Sketch.Hole, true, bends);

            var found = WayFinder.Two(Asked(a), Asked(b), Figures);
            Assert.True(found.Proven);
            var (alone, its) = (WayFinder.One(Asked(a), Figures).Best[0], WayFinder.One(Asked(b), Figures).Best[0]);
            var claimed = found.Best[0] is { } p && found.Best[1] is { } s ? p.Cost + s.Cost : 0;
            if (alone is null || its is null)
            {
                Assert.Null(found.Best[0]);
                none++;
                continue;
            }

            // Every way that could be part of a cheaper pair, and every pair of them; where none was found, every pair that drills one stud more.
            claimed = claimed > 0 ? claimed : alone.Cost + its.Cost + 70;
            var (mine, others) = (plan.Every(a.From, a.To, claimed - its.Cost), plan.Every(b.From, b.To, claimed - alone.Cost));
            var best = mine.SelectMany(x => others.Where(y => x.Cost + y.Cost < claimed + 1e-6 && !plan.Meet(x, y, apart)).Select(y => x.Cost + y.Cost)).DefaultIfEmpty(double.PositiveInfinity).Min();
            if (found.Best[0] is null)
            {
                Assert.Equal(double.PositiveInfinity, best);
                none++;
                continue;
            }

            Assert.True(Math.Abs(best - claimed) < 1e-6, $"wall {n}: {claimed} found, {best} by trying all");
            met += claimed > alone.Cost + its.Cost + 1e-6 ? 1 : 0;

            var (signal, kept) = (found.Best[1]!, others.Where(y => Math.Abs(y.Cost - found.Best[1]!.Cost) < 1e-6).Where(y => Sketch.Same(y, found.Best[1]!)).ToList());
            Assert.NotEmpty(kept);
            var most = found.Next[0]?.Cost ?? found.Best[0]!.Cost + 70;
            var next = plan.Every(a.From, a.To, most).Where(x => !plan.Meet(x, kept[0], apart) && Sketch.Differs(x, found.Best[0]!)).Select(x => (double?)x.Cost).Min();
            Assert.True(found.Next[0] is { } said ? next is { } least && Math.Abs(said.Cost - least) < 1e-6 && said.DiffersFrom(found.Best[0]!) : next is null, $"wall {n}: next {found.Next[0]?.Cost}, by trying all {next}");
            other += next is null ? 0 : 1;

            var bends = random.Next(5);
            var bending = WayFinder.One(Asked(a, bends), Figures).Best[0];
            var straight = plan.Every(a.From, a.To, bending?.Cost ?? 150).Where(x => x.Bends <= bends).Select(x => (double?)x.Cost).Min();
            Assert.True(bending is null ? straight is null : straight is { } cheapest && Math.Abs(cheapest - bending.Cost) < 1e-6 && bending.Bends <= bends, $"wall {n}, {bends} bends: {bending?.Cost}, by trying all {straight}");
            bent += bending is null || bending.Cost > alone.Cost + 1e-6 ? 1 : 0;
        }

        Assert.True(met > walls / 25 && none > walls / 25 && other > walls / 4 && bent > walls / 9, $"{met}, {none}, {other}, {bent}");
    }

    /// <summary>A way as the test tries it: what it goes through at which height, and where it runs up and down.</summary>
    private sealed record Tried(double Cost, IReadOnlyList<(char What, int Index, double Y)> Through, IReadOnlyList<(int Bay, double From, double To)> Upright, int Bends);

    /// <summary>A wall as the test knows it: whole inches, noggins 1 1/2 in thick from a whole inch up.</summary>
    private sealed record Sketch(WayWall Wall, IReadOnlyList<(double Left, double Right)> Bays, IReadOnlyList<int> Plies, int Height, IReadOnlyList<(int Bay, int Bottom)> Noggins, IReadOnlyList<(double Left, double Bottom, double Right, double Top)> Closed, bool Attic, bool Basement)
    {
        public static readonly Length Hole = Length.Tape(0, 1, 2);

        public static Sketch Random(Random random, int bays, int height, int most)
        {
            var (clear, members, plies, x) = (new List<(double, double)>(), new List<BayMember>(), new List<int>(), 0d);
            for (var i = 0; i < bays; i++)
            {
                var width = random.Next(4) == 0 ? random.Next(3, 7) : random.Next(8, 24);
                clear.Add((x, x + width));
                x += width;
                if (i + 1 < bays)
                {
                    var ply = random.Next(5) == 0 ? 2 : 1;
                    members.Add(new(In(x), In(x + (1.5 * ply)), ply, true));
                    plies.Add(ply);
                    x += 1.5 * ply;
                }
            }

            var noggins = Enumerable.Range(0, bays).SelectMany(b => Enumerable.Range(0, random.Next(3)).Select(_ => (Bay: b, Bottom: random.Next(5, Math.Max(6, height - 8))))).DistinctBy(n => (n.Bay, n.Bottom / 6)).ToList();
            var features = new List<Feature>();
            for (var i = random.Next(3); i > 0; i--)
            {
                var kind = new[] { FeatureKind.Window, FeatureKind.Fireplace, FeatureKind.Pipe, FeatureKind.Duct }[random.Next(4)];
                var wide = kind is FeatureKind.Pipe ? 1 : random.Next(6, 30);
                var high = kind is FeatureKind.Pipe ? height : random.Next(6, most);
                features.Add(new($"f{i}", kind, kind.ToString(), new(In(random.Next(0, (int)x)), In(kind is FeatureKind.Pipe or FeatureKind.Fireplace ? 0 : random.Next(0, height - 6)), In(wide), In(high)), default, true));
            }

            var wall = new Wall(In(x), In(height), WallKind.WoodStuds, In(16), In(3.5), false, [], [], features, null);
            var made = new Core.Feeds.Bays(new(members), new([.. clear.Select((c, i) => new Bay(i, In(c.Item1), In(c.Item2)))]), new([.. noggins.Select(n => new CrossMember(In(clear[n.Bay].Item1), In(clear[n.Bay].Item2), In(n.Bottom), In(n.Bottom + 1.5), true))]));
            var (attic, basement) = (random.Next(2) == 0, random.Next(2) == 0);
            var feeds = new WallFeeds(null, attic, basement, string.Empty, new([]), new([]), Core.Format.Place.Nowhere);
            // What stands round openings: 3 in beside and below, 10 in above; 2 in round what lies in the wall.
            var closed = features.Select(f => f.Kind is FeatureKind.Window or FeatureKind.Fireplace
                ? (f.Left.Inches - 3, f.Bottom.Inches - 3, f.Right.Inches + 3, f.Top.Inches + 10)
                : (f.Left.Inches - 2, f.Bottom.Inches - 2, f.Right.Inches + 2, f.Top.Inches + 2)).ToList();
            return new(WayWall.Of(Surveyor.Survey(wall), made, feeds, Hole, Policy.Usual), clear, plies, height, noggins, closed, attic, basement);
        }

        public WayEnd End(Random random)
        {
            // A small wall may be shut from end to end: then the end is in what shuts it, and no way leads there.
            for (var tries = 0; ; tries++)
            {
                var bay = random.Next(Bays.Count);
                var y = random.Next(3, Height - 4);
                if (tries > 200 || (Open(bay, y, 0) && !Noggins.Any(n => n.Bay == bay && y >= n.Bottom - 1 && y <= n.Bottom + 3)))
                {
                    return new(In(Math.Round(Bays[bay].Left + ((Bays[bay].Right - Bays[bay].Left) * (0.1 + (random.NextDouble() * 0.8))), 1)), In(y));
                }

            }
        }

        // Every half inch of every bay; moves from the rules as they are written, and nothing from the program.
        public (double? Cost, string Path) ByGrid(WayEnd from, WayEnd to)
        {
            var (start, goal) = (BayOf(from), BayOf(to));
            var line = Bays.Select((b, i) => i == start ? from.X.Inches : i == goal ? to.X.Inches : (b.Left + b.Right) / 2).ToList();
            var graph = new UndirectedGraph<(int, int), TaggedUndirectedEdge<(int, int), double>>(false);
            var rows = Height * PerInch;
            graph.AddVertexRange(Enumerable.Range(0, Bays.Count).SelectMany(b => Enumerable.Range(-1, rows + 2).Select(r => (b, r))));
            void Edge((int, int) a, (int, int) b, double cost) => graph.AddEdge(a.CompareTo(b) < 0 ? new(a, b, cost) : new(b, a, cost));
            for (var b = 0; b < Bays.Count; b++)
            {
                // Row -1 is the basement and the last one the attic.
                for (var r = 2 * PerInch / 2; r < rows; r++)
                {
                    var y = r / (double)PerInch;
                    var above = y + (1d / PerInch);
                    if (above > Height - 3 || y < 1.5 || Closed.Any(c => Shuts(c, b) && y < c.Top && above > c.Bottom))
                    {
                        continue;
                    }

                    Edge((b, r), (b, r + 1), (AlongInch / PerInch) + (Noggin * Noggins.Count(n => n.Bay == b && n.Bottom + 0.75 > y && n.Bottom + 0.75 <= above)));
                }

                var (lowest, highest) = (3, (Height - 3) * PerInch);
                if (Attic && !Closed.Any(c => Shuts(c, b) && c.Top > Height - 4))
                {
                    Edge((b, highest), (b, rows), Top + (3 * AlongInch));
                }

                if (Basement && !Closed.Any(c => Shuts(c, b) && c.Bottom < 2.5))
                {
                    Edge((b, lowest), (b, -1), Below + (1.5 * AlongInch));
                }

                if (b + 1 == Bays.Count)
                {
                    continue;
                }

                var across = Math.Abs(line[b + 1] - line[b]);
                for (var r = 5; r <= (Height - 4) * PerInch; r++)
                {
                    var y = r / (double)PerInch;
                    var (left, right) = (Bays[b].Right, Bays[b + 1].Left);
                    if (Open(b, y, 1) && Open(b + 1, y, 1) && !Noggins.Any(n => (n.Bay == b || n.Bay == b + 1) && y > n.Bottom - 1 && y < n.Bottom + 2.5)
                        && !Closed.Any(c => c.Left < right && c.Right > left && y > c.Bottom - 1 && y < c.Top + 1))
                    {
                        Edge((b, r), (b + 1, r), (Stud * Plies[b]) + (AlongInch * across));
                    }
                }

                if (Attic)
                {
                    Edge((b, rows), (b + 1, rows), AlongInch * across);
                }

                if (Basement)
                {
                    Edge((b, -1), (b + 1, -1), AlongInch * across);
                }
            }

            var (first, last) = ((start, (int)(from.Y.Inches * PerInch)), (goal, (int)(to.Y.Inches * PerInch)));
            // Where both are in one bay, the stretch across it comes on top.
            var rest = start == goal ? AlongInch * Math.Abs(to.X.Inches - from.X.Inches) : 0;
            if (first == last)
            {
                return (rest, "there");
            }

            return graph.ShortestPathsDijkstra(e => e.Tag, first)(last, out var path) ? (path.Sum(e => e.Tag) + rest, string.Join(' ', path.Select(e => e.Target))) : (null, "none");
        }

        // Every way there is up to a cost: what is gone through, and at which half inch; straight up or down between.
        public List<Tried> Every(WayEnd from, WayEnd to, double most)
        {
            var (start, goal) = (BayOf(from), BayOf(to));
            var line = Bays.Select((b, i) => i == start ? from.X.Inches : i == goal ? to.X.Inches : (b.Left + b.Right) / 2).ToList();
            var found = new List<Tried>();
            var rest = start == goal ? AlongInch * Math.Abs(to.X.Inches - from.X.Inches) : 0;
            void Go(int bay, double y, double cost, List<(char What, int Index, double Y)> through, List<(int Bay, double From, double To)> upright, int bends, char way, char level)
            {
                if (cost > most + 1e-6)
                {
                    return;
                }

                // In the attic or the basement: along, or back into the bay.
                if (level != ' ')
                {
                    foreach (var next in new[] { bay - 1, bay + 1 }.Where(b => b >= 0 && b < Bays.Count && !through.Contains((level, Math.Min(b, bay), 0))))
                    {
                        Go(next, y, cost + (AlongInch * Math.Abs(line[next] - line[bay])), [.. through, (level, Math.Min(next, bay), 0)], upright, bends + (way == 'u' ? 1 : 0), 'l', level);
                    }

                    var (edge, piece) = level == 'a' ? (Height - 3d, 'T') : (1.5, 'B');
                    if (!through.Contains((piece, bay, 0)))
                    {
                        Leave(bay, edge, level, piece, cost, through, upright, bends + (way == 'l' ? 1 : 0));
                    }

                    return;
                }

                bool Along(double to, out double price)
                {
                    var (low, high) = (Math.Min(y, to), Math.Max(y, to));
                    price = (AlongInch * (high - low)) + (Noggin * Noggins.Count(n => n.Bay == bay && n.Bottom + 0.75 > low && n.Bottom + 0.75 <= high));
                    return !Closed.Any(c => Shuts(c, bay) && low < c.Top && high > c.Bottom);
                }

                List<(char, int, double)> With(double to, params (char, int, double)[] more) =>
                    [.. through, .. Noggins.Where(n => n.Bay == bay && n.Bottom + 0.75 > Math.Min(y, to) && n.Bottom + 0.75 <= Math.Max(y, to)).Select(n => ('N', bay, n.Bottom + 0.75)), .. more];
                List<(int, double, double)> Up(double to) => to == y ? upright : [.. upright, (bay, Math.Min(y, to), Math.Max(y, to))];
                int Turns(double to, char then) => bends + (to != y && way == 'l' ? 1 : 0) + (then == 'l' && (to != y || way == 'u') ? 1 : 0);

                if (bay == goal && Along(to.Y.Inches, out var down))
                {
                    if (cost + down + rest <= most + 1e-6)
                    {
                        found.Add(new(cost + down + rest, With(to.Y.Inches), Up(to.Y.Inches), Turns(to.Y.Inches, 'u')));
                    }
                }

                foreach (var next in new[] { bay - 1, bay + 1 }.Where(b => b >= 0 && b < Bays.Count))
                {
                    var stud = Math.Min(bay, next);
                    for (var row = 2.5; row <= Height - 4; row += 0.5)
                    {
                        if (Crosses(stud, row) && Along(row, out var price) && !through.Contains(('S', stud, row)))
                        {
                            Go(next, row, cost + price + (Stud * Plies[stud]) + (AlongInch * Math.Abs(line[next] - line[bay])), With(row, ('S', stud, row)), Up(row), Turns(row, 'l'), 'l', ' ');
                        }
                    }
                }

                foreach (var (open, edge, piece, into, price) in new[] { (Attic, Height - 3d, 'T', 'a', Top + (3 * AlongInch)), (Basement, 1.5, 'B', 'b', Below + (1.5 * AlongInch)) })
                {
                    if (open && Along(edge, out var along) && !Closed.Any(c => Shuts(c, bay) && (piece == 'T' ? c.Top > Height - 3 : c.Bottom < 1.5)) && !through.Contains((piece, bay, 0)))
                    {
                        Go(bay, edge, cost + along + price, With(edge, (piece, bay, 0)), [.. Up(edge)], bends + (way == 'l' ? 1 : 0), 'u', into);
                    }
                }
            }

            void Leave(int bay, double edge, char level, char piece, double cost, List<(char, int, double)> through, List<(int, double, double)> upright, int bends)
            {
                if (!Closed.Any(c => Shuts(c, bay) && (piece == 'T' ? c.Top > Height - 3 : c.Bottom < 1.5)))
                {
                    Go(bay, edge, cost + (piece == 'T' ? Top + (3 * AlongInch) : Below + (1.5 * AlongInch)), [.. through, (piece, bay, 0)], upright, bends, 'u', ' ');
                }
            }

            Go(start, from.Y.Inches, 0, [], [], 0, ' ', ' ');
            return found;
        }

        public bool Meet(Tried a, Tried b, double apart) =>
            a.Through.Any(x => b.Through.Any(y => x.Index == y.Index && x.What == y.What && (x.What == 'S' ? Math.Abs(x.Y - y.Y) < apart - 1e-9 : x.What is 'T' or 'B' && Narrow(x.Index, apart))))
            || a.Upright.Any(x => b.Upright.Any(y => x.Bay == y.Bay && Narrow(x.Bay, apart) && x.From < y.To && y.From < x.To));

        public static bool Same(Tried tried, Way way) => tried.Through.Where(t => t.What == 'S').Select(t => (t.Index, t.Y)).SequenceEqual(way.Holes.Where(h => h.Kind == WayMoveKind.Stud).Select(h => (h.Index, h.From.Y.Inches)))
            && Pieces(tried).SetEquals(Pieces(way));

        public static bool Differs(Tried tried, Way way) => Pieces(way).Any(p => !Pieces(tried).Contains(p));

        private static HashSet<(char, int, double)> Pieces(Tried tried) => [.. tried.Through.Where(t => t.What is not ('a' or 'b')).Select(t => (t.What, t.Index, t.What == 'N' ? t.Y : 0))];

        private static HashSet<(char, int, double)> Pieces(Way way) =>
            [.. way.Holes.Select(h => (h.Kind switch { WayMoveKind.Stud => 'S', WayMoveKind.TopPlate => 'T', WayMoveKind.BottomPlate => 'B', _ => 'N' }, h.Index, h.Kind == WayMoveKind.Noggin ? h.From.Y.Inches : 0))];

        private bool Narrow(int bay, double apart) => Bays[bay].Right - Bays[bay].Left < apart + 1;

        private bool Crosses(int stud, double y) => Open(stud, y, 1) && Open(stud + 1, y, 1) && !Noggins.Any(n => (n.Bay == stud || n.Bay == stud + 1) && y > n.Bottom - 1 && y < n.Bottom + 2.5)
            && !Closed.Any(c => c.Left < Bays[stud + 1].Left && c.Right > Bays[stud].Right && y > c.Bottom - 1 && y < c.Top + 1);

        // The rules once more, asked of what was found.
        public void Keeps(Way way, WayEnd from, WayEnd to)
        {
            var at = from;
            foreach (var move in way.Moves)
            {
                Assert.Equal(at, move.From);
                at = move.To;
                var (low, high) = (Math.Min(move.From.Y.Inches, move.To.Y.Inches), Math.Max(move.From.Y.Inches, move.To.Y.Inches));
                switch (move.Kind)
                {
                    case WayMoveKind.AlongBay:
                        Assert.InRange(move.From.X.Inches, Bays[move.Index].Left, Bays[move.Index].Right);
                        Assert.DoesNotContain(Closed, c => Shuts(c, move.Index) && low < c.Top - 1e-6 && high > c.Bottom + 1e-6);
                        break;
                    case WayMoveKind.Stud:
                        Assert.Equal(low, high);
                        Assert.InRange(low, 2.5, Height - 4);
                        Assert.DoesNotContain(Noggins, n => (n.Bay == move.Index || n.Bay == move.Index + 1) && low > n.Bottom - 1 && low < n.Bottom + 2.5);
                        break;
                    case WayMoveKind.TopPlate or WayMoveKind.Attic:
                        Assert.True(Attic);
                        break;
                    case WayMoveKind.BottomPlate or WayMoveKind.Basement:
                        Assert.True(Basement);
                        break;
                }
            }

            Assert.Equal(to, at);
        }

        // A bay is shut where less than the hole and an inch is left beside what is there.
        private bool Shuts((double Left, double Bottom, double Right, double Top) c, int b) =>
            c.Left < Bays[b].Right && c.Right > Bays[b].Left && Math.Max(c.Left - Bays[b].Left, Bays[b].Right - c.Right) < 1.5;

        private bool Open(int bay, double y, double margin) => !Closed.Any(c => Shuts(c, bay) && y > c.Bottom - margin && y < c.Top + margin);

        private int BayOf(WayEnd end) => Enumerable.Range(0, Bays.Count).First(b => end.X.Inches > Bays[b].Left && end.X.Inches < Bays[b].Right);

        private static Length In(double inches) => Length.FromInches(inches);
    }
}
