using System.Collections.Concurrent;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>A wall with its readings worked in. It knows no bolt: how sure a stud is, is asked for one.</summary>
public sealed class Surveyed
{
    private readonly FramingBasis basis;
    private readonly ConcurrentDictionary<Length, Framed> framed = new();
    private readonly ConcurrentDictionary<(Length KeepOut, Length FromBuried), IReadOnlyList<KeepOut>> kept = new();

    internal Surveyed(Wall wall, AdjustedNetwork across, AdjustedNetwork up, IReadOnlyList<MeasuredReading> unclear, FramingBasis basis, IReadOnlyList<Evidence> unplaced)
    {
        Wall = wall;
        Across = across;
        Up = up;
        Unclear = unclear;
        Unplaced = unplaced;
        this.basis = basis;
    }

    /// <summary>The wall: positions that readings fix are the adjusted ones. Its studs are those that somebody put on the sheet.</summary>
    public Wall Wall { get; }

    /// <summary>Width and height as somebody had entered them, before the readings had their say.</summary>
    public (Length Width, Length Height) EnteredSize { get; init; }

    /// <summary>The sideways network.</summary>
    public AdjustedNetwork Across { get; }

    /// <summary>The network of heights.</summary>
    public AdjustedNetwork Up { get; }

    /// <summary>Readings whose point or edge is not named; they are left out of the networks.</summary>
    public IReadOnlyList<MeasuredReading> Unclear { get; }

    /// <summary>Evidence whose datum is not known; it is left out of the map.</summary>
    public IReadOnlyList<Evidence> Unplaced { get; }

    /// <summary>All evidence where it lies.</summary>
    public IReadOnlyList<Sounding> Soundings => basis.Soundings;

    /// <summary>The framing as a bolt sees it.</summary>
    /// <param name="boltDiameter">Shank diameter of the bolt that is to hold in it.</param>
    /// <returns>Studs and map; worked out once for each diameter.</returns>
    public Framed For(Length boltDiameter) => framed.GetOrAdd(boltDiameter, d => FramingMapper.For(basis, d));

    /// <summary>Where no hole may go, seen from the front; the planner's and the drawing's.</summary>
    /// <param name="policy">The company's figures.</param>
    /// <returns>The areas; a thing may have several. Worked out once for each pair of distances.</returns>
    public IReadOnlyList<KeepOut> KeepOuts(Policy policy) => kept.GetOrAdd((policy.KeepOut, policy.KeepFromBuried), f => HoleCheck.KeepOuts(this, f.KeepOut, f.FromBuried));
}

/// <summary>Works out where everything is from what was measured, and what does not fit.</summary>
public static class Surveyor
{
    private const string Origin = "";
    private static readonly Length EighthInch = Length.Tape(0, 1, 8);

    // More than any tape or corner is off by (own rule).
    private static readonly Length OtherWall = Length.Tape(1);

    /// <summary>Solves both networks, puts the positions that they fix on the wall, and infers its framing.</summary>
    /// <param name="wall">The wall as entered.</param>
    /// <param name="budget">What the work may cost; null for no limit.</param>
    /// <returns>The wall as surveyed.</returns>
    public static Surveyed Survey(Wall wall, WorkBudget? budget = null)
    {
        wall = BuildUpFound.Taken(wall);
        var clear = wall.Readings.Select(r => (Told: r, Seen: Faces.Seen(wall, r))).Where(p => p.Seen is not null).ToList();
        var told = clear.ToDictionary(p => p.Told.Id, p => p.Told);
        AdjustedNetwork Solve(Axis axis, Length size)
        {
            var readings = clear.Where(p => AxisOf(wall, p.Seen!.To) == axis).Select(p => (p.Told, p.Seen!)).ToList();
            var solved = Network.Solve(Directions.Of(readings, axis, size, p => Entered(wall, p)), Terms, p => Entered(wall, p), budget).As(told);
            return solved.On(At(solved, axis == Axis.Across ? "right-corner" : "ceiling") ?? size);
        }

        var (across, up) = (Solve(Axis.Across, wall.Width), Solve(Axis.Up, wall.Height));
        var carried = clear.SelectMany(p => new[] { (Point: p.Seen!.From, p.Told.OtherFace), (Point: p.Seen.To, p.Told.OtherFace) })
            .GroupBy(p => p.Point).Where(g => g.All(p => p.OtherFace)).Select(g => g.Key).ToHashSet();
        var measured = wall with
        {
            Width = At(across, "right-corner") ?? wall.Width,
            Height = At(up, "ceiling") ?? wall.Height,
            Layers = [.. wall.Layers.Select((l, i) => Confirmed(wall, l, i))],
            Studs =
            [
                .. wall.Studs.Select(s => Placed(s, across, carried))
                    .Concat(wall.Unplaced.Where(u => across.Points.ContainsKey("studs/" + u.Id)).Select(u => Placed(new(u.Id, default, u.Width, u.State, u.Uncertainty), across, carried)))
                    .OrderBy(s => s.Centre).ThenBy(s => s.Id, StringComparer.Ordinal),
            ],
            Features = [.. wall.Features.Select(f => Placed(f, across, up)).OrderBy(f => f.Left).ThenBy(f => f.Id, StringComparer.Ordinal)],
        };
        var (basis, unplaced) = FramingMapper.Infer(measured, across, up, budget);
        return new(measured, across, up, [.. wall.Readings.Where(r => !told.ContainsKey(r.Id))], basis, unplaced) { EnteredSize = (wall.Width, wall.Height) };
    }

    /// <summary>Everything that does not fit.</summary>
    /// <param name="surveyed">The wall as surveyed.</param>
    /// <param name="site">What is known of the house.</param>
    /// <param name="bolt">The bolt that members are shown for.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Check(Surveyed surveyed, SiteFacts site, Length bolt) =>
    [
        .. surveyed.Unclear.Select(r => SurveyFindings.DatumUnclear.At(
            new("readings/" + r.Id),
            $"{Name(surveyed.Wall, r.From)} to {Name(surveyed.Wall, r.To)}, {r.Value}{(r.OtherFace ? " on the other face" : string.Empty)}: which edge or face was measured is not named, or one of them is not on the sheet.")),
        .. surveyed.Unplaced.Select(e => SurveyFindings.DatumUnclear.At(
            new("evidence/" + e.Id),
            $"Evidence of framing at {e.At} from {Name(surveyed.Wall, e.From)}{(e.OtherFace ? " on the other face" : string.Empty)}: which edge or face that is is not named, or it is not on the sheet.")),
        .. FramingCheck.Check(surveyed, surveyed.For(bolt).Map, site),
        .. Misfits(surveyed.Wall, surveyed.Across, Axis.Across),
        .. Misfits(surveyed.Wall, surveyed.Up, Axis.Up),
        .. Twice(surveyed),
        .. Resized(surveyed),
        .. OffTheWall(surveyed),
        .. SpacingCheck.Check(surveyed.Wall, surveyed.For(bolt).Studs),
        .. MemberCheck.Check(surveyed, bolt),
    ];

    /// <summary>Which tape a point of this face belongs to.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="point">The point's name, such as <c>f1/left</c> or <c>studs/s1</c>.</param>
    /// <returns>The axis; null where the point, or its edge, is not known.</returns>
    public static Axis? AxisOf(Wall wall, string point) => Faces.Resolve(wall, point, otherFace: false)?.Axis;

    /// <summary>What a crew calls a point.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="point">The point's name.</param>
    /// <returns>Its name in words; the point itself where nothing is called so.</returns>
    public static Phrase Name(Wall wall, string point) => point.Split('/') switch
    {
        // Nobody has named it: where it stands tells it from the others.
        ["studs", var id] => wall.Studs.FirstOrDefault(s => s.Id == id) is { } stud ? Phrase.Of($"stud at {stud.Centre}") : "a stud that is gone",
        [var id] when wall.Features.FirstOrDefault(f => f.Id == id) is { } feature => feature.Name,
        _ => Datum.Of(wall).FirstOrDefault(d => d.Id == point)?.Name ?? point,
    };

    private static Length? Entered(Wall wall, string point)
    {
        var keys = point.Split('/');
        var feature = wall.Features.FirstOrDefault(f => f.Id == keys[0]);
        return keys switch
        {
            ["right-corner"] => wall.Width,
            ["ceiling"] => wall.Height,
            ["studs", var id] => wall.Studs.FirstOrDefault(s => s.Id == id)?.Centre,
            [_, "left"] => feature?.Left,
            [_, "right"] => feature?.Right,
            [_, "bottom"] => feature?.Bottom,
            [_, "top"] => feature?.Top,
            _ => null,
        };
    }

    // A centre is never a point of its own: it is half of two edges, typed in by nobody.
    private static (string, double)[] Terms(string point) => point switch
    {
        Datum.LeftCorner or Datum.Floor or Origin => [],
        "wall-centre" => [("right-corner", 0.5)],
        _ when point.EndsWith("/centre", StringComparison.Ordinal) => [(point[..^7] + "/left", 0.5), (point[..^7] + "/right", 0.5)],
        _ => [(point, 1)],
    };

    // What a test hole has gone through is confirmed by it.
    private static Layer Confirmed(Wall wall, Layer layer, int place) =>
        !layer.Confirmed && wall.TestHoles.FirstOrDefault(h => !h.Struck && h.Shows(layer, place)) is { } hole
            ? layer with { Confirmed = true, By = $"test hole by {hole.By}" }
            : layer;

    private static Length? At(AdjustedNetwork network, string point) => network.Points.TryGetValue(point, out var at) ? at.Position : null;

    private static Stud Placed(Stud stud, AdjustedNetwork across, HashSet<string> carried) => across.Points.TryGetValue("studs/" + stud.Id, out var at)
        // Two standard deviations of the chain come on top of what the probing leaves open.
        ? stud with { Centre = at.Position, Uncertainty = Length.Max(stud.Uncertainty, at.Deviation * 2), Carried = carried.Contains("studs/" + stud.Id) }
        : stud;

    private static Feature Placed(Feature f, AdjustedNetwork across, AdjustedNetwork up)
    {
        var (left, right) = (At(across, f.Id + "/left"), At(across, f.Id + "/right"));
        var (bottom, top) = (At(up, f.Id + "/bottom"), At(up, f.Id + "/top"));
        return f with
        {
            Outline = new(
                left ?? (right is { } r ? r - f.Width : f.Left),
                bottom ?? (top is { } t ? Length.Max(Length.Zero, t - f.Height) : f.Bottom),
                left is { } l && right is { } e && e > l ? e - l : f.Width,
                bottom is { } b && top is { } h && h > b ? h - b : f.Height),
        };
    }

    private static IEnumerable<Finding> Misfits(Wall wall, AdjustedNetwork network, Axis axis)
    {
        foreach (var worst in network.Readings.Where(r => r.Suspects.Count > 0))
        {
            var reading = worst.Reading;
            var at = At(network, reading.To);
            var spot = axis == Axis.Across ? new Spot("readings/" + reading.Id, at, wall.Height.Half) : new Spot("readings/" + reading.Id, wall.Width.Half, at);
            // What the loop fails to close by: the residual, spread over its share of the redundancy.
            var off = Length.FromInches(Math.Abs(worst.Residual.Inches) / worst.Share);
            if (worst.Suspects.Count == 1)
            {
                yield return SurveyFindings.ReadingsDisagree.At(
                    spot,
                    $"{Words(wall, reading)} by {reading.By} does not fit the others by {off}: its residual is {Math.Abs(worst.Normalised):0.0} times what is to be expected (limit {Network.Limit:0}). Measure it again.");
                continue;
            }

            var again = Deciding(network, worst.Suspects);
            yield return SurveyFindings.ReadingsDisagree.At(
                spot,
                $"A loop of {worst.Suspects.Count} readings does not close by {off}, and each is equally suspect. Measure {Name(wall, again.From)} to {Name(wall, again.To)} again: if it comes out {off} different, it was the one; if not, it is right and the fault lies in the others.") with
            {
                Parts = [.. worst.Suspects.OrderBy(s => s != again).Select(s => Phrase.Of($"{Words(wall, s)}, by {s.By}"))],
            };
        }
    }

    // Of the suspects the shortest one is measured again most surely; it is told from the rest by one tape reading.
    private static MeasuredReading Deciding(AdjustedNetwork network, IReadOnlyList<MeasuredReading> suspects) =>
        suspects.OrderBy(s => network.Readings.Count(r => r.Reading.From == s.From && r.Reading.To == s.To)).ThenBy(s => s.Value.Abs).ThenBy(s => s.Id, StringComparer.Ordinal).First();

    private static Phrase Words(Wall wall, MeasuredReading r) => $"{Name(wall, r.From)} to {Name(wall, r.To)} = {r.Value}{(r.OtherFace ? " on the other face" : string.Empty)}";

    // A tape read a foot short makes another wall of it, and everything else may still fit.
    private static IEnumerable<Finding> Resized(Surveyed surveyed)
    {
        var (wall, entered) = (surveyed.Wall, surveyed.EnteredSize);
        foreach (var (network, member, name, read, was) in new[] { (surveyed.Across, "width", "wide", wall.Width, entered.Width), (surveyed.Up, "height", "high", wall.Height, entered.Height) })
        {
            // Where the readings do not fit each other that is said already, and comes first.
            if ((read - was).Abs > OtherWall && network.Readings.All(r => r.Suspects.Count == 0))
            {
                yield return SurveyFindings.ReadingsDisagree.At(
                    new(member, wall.Width.Half, wall.Height.Half),
                    $"By the readings the wall is {read} {name}, and {was} was entered: {(read - was).Abs} apart. Measure it again; it is planned as it was read.",
                    new Remedy($"It is {read} {name}", "what was entered is replaced by what was read", [wall.Here.Set(member, read)]));
            }
        }
    }

    // From so many entries on the wall's own size is the likelier slip.
    private const int WallItself = 3;

    // One cause, one finding: a reading that puts several points off the wall is one, and what lies off one end in numbers speaks against the wall.
    private static IEnumerable<Finding> OffTheWall(Surveyed surveyed)
    {
        var wall = surveyed.Wall;
        foreach (var (network, axis) in new[] { (surveyed.Across, Axis.Across), (surveyed.Up, Axis.Up) })
        {
            var off = new List<(MeasuredReading Reading, string Point, Length At)>();
            foreach (var (point, at) in network.Beyond.OrderBy(p => p.Key, StringComparer.Ordinal))
            {
                // The reading that put it there is named; where several did, the longest.
                if (network.Readings.Select(r => r.Reading).Where(r => r.From == point || r.To == point).MaxBy(r => (r.Value.Abs, r.Id)) is { } reading)
                {
                    off.Add((reading, point, at.Position));
                }
            }

            foreach (var of in off.GroupBy(o => o.Reading))
            {
                var (reading, point, at) = of.MaxBy(o => Beyond(o.At, Size(wall, axis)));
                yield return SurveyFindings.OffTheWall.At(
                    new("readings/" + reading.Id),
                    $"Measure {Words(wall, reading)} again: it puts the {Name(wall, point)} {Beyond(at, Size(wall, axis))} {Side(axis, at)}. Until then it stays where it was entered.",
                    new Remedy("Take the reading away", "what it was measured to stays where it was entered", [wall.Here.Clear("readings/" + reading.Id)]));
            }
        }

        foreach (var end in EnteredOff(surveyed).GroupBy(o => (o.Axis, Low: o.At < Length.Zero)))
        {
            if (end.Key.Low || end.Count() < WallItself)
            {
                foreach (var one in end)
                {
                    yield return SurveyFindings.OffTheWall.At(new(one.Part), one.Says);
                }

                continue;
            }

            var (size, farthest) = (Size(wall, end.Key.Axis), end.MaxBy(o => o.At));
            yield return SurveyFindings.OffTheWall.At(
                new(end.Key.Axis == Axis.Across ? "width" : "height"),
                $"Measure the wall again: {end.Count()} entries lie {Side(end.Key.Axis, farthest.At)}, the farthest at {farthest.At}, and the wall is {size} {(end.Key.Axis == Axis.Across ? "wide" : "high")}.") with
            {
                Parts = [.. end.OrderByDescending(o => o.At).Select(o => o.Says)],
            };
        }
    }

    // What was entered off the wall, by the axis and the point where it is so.
    private static IEnumerable<(Axis Axis, Length At, string Part, Phrase Says)> EnteredOff(Surveyed surveyed)
    {
        var wall = surveyed.Wall;
        foreach (var stud in wall.Studs.Where(s => !Directions.OnWall(s.Centre, wall.Width)))
        {
            yield return (Axis.Across, stud.Centre, "studs/" + stud.Id, $"Measure the stud at {stud.Centre} again: it lies {Beyond(stud.Centre, wall.Width)} beyond the wall, which is {wall.Width} wide.");
        }

        foreach (var f in wall.Features)
        {
            var worst = new[] { (Axis.Across, At: f.Left), (Axis.Across, At: f.Right), (Axis.Up, At: f.Bottom), (Axis.Up, At: f.Top) }.FirstOrDefault(e => !Directions.OnWall(e.At, Size(wall, e.Item1)));
            if (worst != default)
            {
                yield return (worst.Item1, worst.At, "features/" + f.Id,
                    $"Measure the {f.Name} again: it stands from {f.Left} to {f.Right} across and from {f.Bottom} to {f.Top} up, and the wall is {wall.Width} wide and {wall.Height} high.");
            }
        }

        foreach (var sounding in surveyed.Soundings.Where(s => !s.Evidence.Struck))
        {
            var size = Size(wall, sounding.Evidence.Axis);
            var worst = Directions.OnWall(sounding.Low, size) ? sounding.High : sounding.Low;
            if (!Directions.OnWall(worst, size))
            {
                yield return (sounding.Evidence.Axis, worst, "evidence/" + sounding.Evidence.Id,
                    $"Measure evidence of framing at {sounding.Evidence.At} from {Name(wall, sounding.Evidence.From)} again: it lies {Beyond(worst, size)} beyond the wall.");
            }
        }
    }

    private static Length Size(Wall wall, Axis axis) => axis == Axis.Across ? wall.Width : wall.Height;

    private static string Side(Axis axis, Length at) => (axis, at < Length.Zero) switch
    {
        (Axis.Across, true) => "left of the wall's left end",
        (Axis.Across, false) => "right of its right end",
        (_, true) => "below the floor",
        _ => "above the ceiling",
    };

    private static Length Beyond(Length at, Length size) => at < Length.Zero ? -at : at - size;

    private static IEnumerable<Finding> Twice(Surveyed surveyed)
    {
        var wall = surveyed.Wall;
        foreach (var same in surveyed.Across.Readings.Concat(surveyed.Up.Readings).Select(r => r.Reading).GroupBy(r => (r.From, r.To, r.OtherFace)).Where(g => g.Count() > 1))
        {
            var (least, most) = (same.MinBy(r => r.Value)!, same.MaxBy(r => r.Value)!);
            if (most.Value - least.Value > EighthInch)
            {
                yield return SurveyFindings.ReadingsDisagree.At(
                    new($"readings/{least.Id}/{most.Id}"),
                    $"{Name(wall, same.Key.From)} to {Name(wall, same.Key.To)} is {least.Value} by {least.By} and {most.Value} by {most.By}: {most.Value - least.Value} apart.");
            }
        }
    }
}
