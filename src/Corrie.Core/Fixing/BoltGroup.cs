using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>A force at a point in the room.</summary>
/// <param name="X">From the left corner.</param>
/// <param name="Y">Over the floor.</param>
/// <param name="Z">Out of the wall's face.</param>
/// <param name="Right">Its part to the right, seen from the front.</param>
/// <param name="Up">Its part upwards; a weight is below zero.</param>
/// <param name="Out">Its part out of the wall.</param>
public readonly record struct PointLoad(Length X, Length Y, Length Z, Force Right, Force Up, Force Out);

/// <summary>What a bolt has to take.</summary>
/// <param name="Pull">Straight out of the wall, not below zero; infinite where nothing keeps the plate in balance.</param>
/// <param name="Right">Across it, to the right.</param>
/// <param name="Up">Across it, upwards.</param>
public readonly record struct BoltLoad(Force Pull, Force Right, Force Up)
{
    /// <summary>All of it that goes across the bolt.</summary>
    public Force Across => new(Math.Sqrt((Right.Newtons * Right.Newtons) + (Up.Newtons * Up.Newtons)));

    /// <summary>How far the load across is turned from upright, 0 to 90 degrees; 0 without one.</summary>
    public Angle FromUpright => Across.Newtons == 0 ? default : new(Math.Atan2(Math.Abs(Right.Newtons), Math.Abs(Up.Newtons)) * 180 / Math.PI);
}

/// <summary>What a plate's bolts take, and how it bears on the wall.</summary>
/// <param name="Bolts">What each bolt takes, in their order.</param>
/// <param name="Corners">How the plate presses on the wall at its corners: bottom left, bottom right, top left, top right.</param>
public sealed record GroupLoads(IReadOnlyList<BoltLoad> Bolts, IReadOnlyList<Force> Corners);

/// <summary>
/// A stiff plate on equal bolts before a wall that presses and does not pull. Out of the wall bolts are equal springs and the plate bears on the wall at
/// its edges: of all ways in which it can tilt, each of which lifts it off an edge, a corner or all of the wall, the one is taken in which nothing pulls at
/// the wall and nothing sinks into it (there is one, since the work of the springs is least there). With one axis and contact at the bottom edge that is
/// <c>T_i = M h_i / Σ h_j²</c>. Across the bolts the load is shared equally, and its moment about their middle in proportion to their distance from it.
/// </summary>
/// <remarks>Common practice; inside, forces are in lbf and lengths in inches from the plate's bottom left corner.</remarks>
public sealed class BoltGroup
{
    private const double Tiny = 1e-9;
    private const double LeastTwist = 1;

    private readonly double[] x;
    private readonly double[] y;
    private readonly double left;
    private readonly double bottom;
    private readonly double width;
    private readonly double height;
    private readonly double middleX;
    private readonly double middleY;
    private readonly double polar;
    private readonly List<Contact> contacts = [];

    /// <summary>Prepares a plate.</summary>
    /// <param name="bolts">Its bolts on the wall.</param>
    /// <param name="plate">The outline in which it bears on the wall.</param>
    public BoltGroup(IReadOnlyList<(Length X, Length Y)> bolts, Rect plate)
    {
        (left, bottom, width, height) = (plate.Left.Inches, plate.Bottom.Inches, plate.Width.Inches, plate.Height.Inches);
        (x, y) = ([.. bolts.Select(b => b.X.Inches - left)], [.. bolts.Select(b => b.Y.Inches - bottom)]);
        if (bolts.Count == 0)
        {
            return;
        }

        (middleX, middleY) = (x.Average(), y.Average());
        polar = x.Zip(y, (a, b) => Square(a - middleX) + Square(b - middleY)).Sum();
        // Edges before corners: they are what a plate usually bears on.
        Add([[0, 0, 1]], [0, 1]);
        Add([[0, 1, 0]], [0, 2]);
        Add([[width, -1, 0]], [1, 3]);
        Add([[height, 0, -1]], [2, 3]);
        Add([[0, 1, 0], [0, 0, 1]], [0]);
        Add([[width, -1, 0], [0, 0, 1]], [1]);
        Add([[0, 1, 0], [height, 0, -1]], [2]);
        Add([[width, -1, 0], [height, 0, -1]], [3]);
        Add([[1, 0, 0], [0, 1, 0], [0, 0, 1]], []);
    }

    /// <summary>How many bolts it has.</summary>
    public int Count => x.Length;

    /// <summary>What the bolts take under loads.</summary>
    /// <param name="loads">The loads, acting together.</param>
    /// <returns>What each bolt takes, and how the plate bears on the wall.</returns>
    public GroupLoads Solve(params IReadOnlyList<PointLoad> loads)
    {
        var sum = default(Resultant);
        foreach (var load in loads)
        {
            sum = sum.With(At(load));
        }

        var bolts = new BoltLoad[Count];
        var corners = Solve(sum, bolts);
        return new(bolts, [.. corners.Select(Force.FromPoundsForce)]);
    }

    /// <summary>A load as the plate feels it.</summary>
    /// <param name="load">The load.</param>
    /// <returns>Its force, and its moments about the plate's bottom left corner.</returns>
    internal Resultant At(PointLoad load)
    {
        var (px, py, pz) = (load.X.Inches - left, load.Y.Inches - bottom, load.Z.Inches);
        var (r, u, o) = (load.Right.PoundsForce, load.Up.PoundsForce, load.Out.PoundsForce);
        return new(r, u, o, (px * o) - (pz * r), (py * o) - (pz * u), (px * u) - (py * r));
    }

    /// <summary>What the bolts take.</summary>
    /// <param name="load">All loads together.</param>
    /// <param name="bolts">Gets what each takes.</param>
    /// <returns>How the plate presses on the wall at its four corners, in lbf.</returns>
    internal double[] Solve(Resultant load, BoltLoad[] bolts)
    {
        var corners = Pulls(load, bolts);
        var twist = load.Turn - (middleX * load.Up) + (middleY * load.Right);
        for (var i = 0; i < bolts.Length; i++)
        {
            // A single bolt keeps a plate from turning by friction alone.
            var (right, up) = polar > Tiny ? (-(y[i] - middleY) * twist / polar, (x[i] - middleX) * twist / polar)
                : Math.Abs(twist) > LeastTwist ? (double.PositiveInfinity, 0) : (0, 0);
            bolts[i] = bolts[i] with { Right = Force.FromPoundsForce((load.Right / bolts.Length) + right), Up = Force.FromPoundsForce((load.Up / bolts.Length) + up) };
        }

        return corners;
    }

    private static double Square(double a) => a * a;

    private double[] Pulls(Resultant load, BoltLoad[] bolts)
    {
        var corners = new double[4];
        // Pushed against the wall somewhere on the plate: no bolt is pulled.
        if (load.Out <= 0 && load.Along >= load.Out * width && load.Along <= 0 && load.Over >= load.Out * height && load.Over <= 0)
        {
            if (load.Out < 0)
            {
                var (shareX, shareY) = (load.Along / load.Out / width, load.Over / load.Out / height);
                corners = [-load.Out * (1 - shareX) * (1 - shareY), -load.Out * shareX * (1 - shareY), -load.Out * (1 - shareX) * shareY, -load.Out * shareX * shareY];
            }

            Array.Clear(bolts);
            return corners;
        }

        var scale = Math.Abs(load.Out) + (Math.Abs(load.Along) / width) + (Math.Abs(load.Over) / height);
        Contact? best = null;
        var least = Tiny * scale;
        foreach (var contact in contacts)
        {
            var violated = contact.Violated(load);
            if (violated <= least)
            {
                (best, least) = (contact, violated);
                break;
            }
        }

        // What is true but for rounding; beyond that nothing keeps the plate in balance.
        best ??= contacts.MinBy(c => c.Violated(load)) is { } nearest && nearest.Violated(load) <= 1e-6 * scale ? nearest : null;
        for (var i = 0; i < bolts.Length; i++)
        {
            bolts[i] = new(best is null ? new(double.PositiveInfinity) : Force.FromPoundsForce(Math.Max(0, Dot(best.Pulls[i], load))), default, default);
        }

        for (var c = 0; best is not null && c < best.Corners.Length; c++)
        {
            corners[best.Corners[c]] = Math.Max(0, Dot(best.Presses[c], load));
        }

        return corners;
    }

    // A way to tilt: how the plate moves out is a sum of the given plane functions (each: constant, along, up); it rests on the given corners.
    private void Add(double[][] planes, int[] rests)
    {
        var order = planes.Length;
        var shape = new double[Count][];
        var stiff = new double[order, order];
        for (var i = 0; i < Count; i++)
        {
            shape[i] = Array.ConvertAll(planes, p => p[0] + (p[1] * x[i]) + (p[2] * y[i]));
            for (var a = 0; a < order; a++)
            {
                for (var b = 0; b < order; b++)
                {
                    stiff[a, b] += shape[i][a] * shape[i][b];
                }
            }
        }

        if (Inverse(stiff) is not { } soft)
        {
            return;
        }

        // Every result is linear in the load (out, along, over): a row of three numbers.
        var moves = new double[order][];
        for (var a = 0; a < order; a++)
        {
            moves[a] = new double[3];
            for (var b = 0; b < order; b++)
            {
                AddTo(moves[a], planes[b], soft[a, b]);
            }
        }

        double[] On(double px, double py)
        {
            var row = new double[3];
            for (var a = 0; a < order; a++)
            {
                AddTo(row, moves[a], planes[a][0] + (planes[a][1] * px) + (planes[a][2] * py));
            }

            return row;
        }

        var pulls = new double[Count][];
        double[][] spare = [[-1, 0, 0], [0, -1, 0], [0, 0, -1]];
        for (var i = 0; i < Count; i++)
        {
            pulls[i] = On(x[i], y[i]);
            AddTo(spare[0], pulls[i], 1);
            AddTo(spare[1], pulls[i], x[i]);
            AddTo(spare[2], pulls[i], y[i]);
        }

        double[][] presses = rests switch
        {
            [] => [],
            [_] => [spare[0]],
            [0, 1] or [2, 3] => Shared(spare[0], spare[1], width),
            _ => Shared(spare[0], spare[2], height),
        };
        contacts.Add(new(pulls, presses, rests, [On(0, 0), On(width, 0), On(0, height), On(width, height)]));
    }

    private static void AddTo(double[] row, double[] other, double times)
    {
        for (var k = 0; k < row.Length; k++)
        {
            row[k] += other[k] * times;
        }
    }

    // Between two corners: by its moment about the first, over how far apart they are.
    private static double[][] Shared(double[] all, double[] moment, double apart)
    {
        var (first, second) = ((double[])all.Clone(), new double[3]);
        AddTo(first, moment, -1 / apart);
        AddTo(second, moment, 1 / apart);
        return [first, second];
    }

    private static double Dot(double[] row, in Resultant load) => (row[0] * load.Out) + (row[1] * load.Along) + (row[2] * load.Over);

    // Of a symmetric matrix of up to three rows, by Gauss and Jordan; null where it has none.
    private static double[,]? Inverse(double[,] matrix)
    {
        var n = matrix.GetLength(0);
        var (a, inverse) = ((double[,])matrix.Clone(), new double[n, n]);
        var largest = 0d;
        for (var i = 0; i < n; i++)
        {
            inverse[i, i] = 1;
            largest = Math.Max(largest, Math.Abs(a[i, i]));
        }

        for (var i = 0; i < n; i++)
        {
            var pivot = i;
            for (var r = i + 1; r < n; r++)
            {
                pivot = Math.Abs(a[r, i]) > Math.Abs(a[pivot, i]) ? r : pivot;
            }

            if (Math.Abs(a[pivot, i]) <= largest * 1e-12)
            {
                return null;
            }

            for (var c = 0; c < n; c++)
            {
                (a[i, c], a[pivot, c]) = (a[pivot, c], a[i, c]);
                (inverse[i, c], inverse[pivot, c]) = (inverse[pivot, c], inverse[i, c]);
            }

            var by = a[i, i];
            for (var c = 0; c < n; c++)
            {
                a[i, c] /= by;
                inverse[i, c] /= by;
            }

            for (var r = 0; r < n; r++)
            {
                var times = a[r, i];
                for (var c = 0; r != i && c < n; c++)
                {
                    a[r, c] -= times * a[i, c];
                    inverse[r, c] -= times * inverse[i, c];
                }
            }
        }

        return inverse;
    }

    /// <summary>Loads together, as the plate feels them: force, and moments about its bottom left corner.</summary>
    /// <param name="Right">To the right.</param>
    /// <param name="Up">Upwards.</param>
    /// <param name="Out">Out of the wall.</param>
    /// <param name="Along">What tilts its right side out, in lbf in.</param>
    /// <param name="Over">What tilts its top out, in lbf in.</param>
    /// <param name="Turn">What turns it in the wall's plane, anticlockwise seen from the front, in lbf in.</param>
    internal readonly record struct Resultant(double Right, double Up, double Out, double Along, double Over, double Turn)
    {
        /// <summary>Together with another.</summary>
        /// <param name="other">The other.</param>
        /// <returns>The sum.</returns>
        public Resultant With(in Resultant other) => new(Right + other.Right, Up + other.Up, Out + other.Out, Along + other.Along, Over + other.Over, Turn + other.Turn);
    }

    private sealed record Contact(double[][] Pulls, double[][] Presses, int[] Corners, double[][] Moves)
    {
        // How far it would pull at the wall, or sink into it.
        public double Violated(in Resultant load)
        {
            var most = 0d;
            foreach (var press in Presses)
            {
                most = Math.Max(most, -Dot(press, load));
            }

            foreach (var move in Moves)
            {
                most = Math.Max(most, -Dot(move, load));
            }

            return most;
        }
    }
}
