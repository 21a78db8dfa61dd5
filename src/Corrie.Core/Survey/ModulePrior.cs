using System.Numerics.Tensors;

namespace Corrie.Core.Survey;

/// <summary>
/// What the nominal spacing has to say: members repeat from a start that nobody knows, and framers miss by up to half an inch. Every start is
/// weighed by how well the members that are known fit it; a place is weighed by the others alone, so that none speaks for itself.
/// </summary>
internal sealed class ModulePrior
{
    private const int Starts = 128;
    private const double Framers = 0.22;
    private const double OnModule = 0.85;

    private readonly double spacing;
    private readonly IReadOnlyList<(double Mark, double Presence)> known;
    private readonly double[][] logs;
    private readonly double[] kernel;

    /// <summary>Makes the prior of a line.</summary>
    /// <param name="spacing">Nominal spacing, in inches.</param>
    /// <param name="known">Members that are known so far: where, and how surely.</param>
    public ModulePrior(double spacing, IReadOnlyList<(double Mark, double Presence)> known)
    {
        this.spacing = spacing;
        this.known = known;
        // How a member off its module by a step, and the start of the module, look from each other: once for all places, and twice round so that
        // a stretch of it begins at any start.
        kernel = new double[2 * Starts];
        Density([.. Enumerable.Range(0, 2 * Starts).Select(i => Off(spacing * (i % Starts) / Starts))], Framers, kernel);
        logs = [.. known.Select(k =>
        {
            var log = new double[Starts];
            var off = Off(k.Mark);
            for (var s = 0; s < Starts; s++)
            {
                log[s] = off;
                off -= spacing / Starts;
                off += off < -spacing / 2 ? spacing : 0;
            }

            Density(log, Framers + 0.08, log);
            TensorPrimitives.Log(log, log);
            TensorPrimitives.Multiply(log, k.Presence, log);
            return log;
        })];
    }

    /// <summary>How dense members are at each point of a grid, by the inch, from all that is known farther than 2 in from a mark.</summary>
    /// <param name="mark">The mark, in inches.</param>
    /// <param name="start">The first point of the grid, in inches.</param>
    /// <param name="points">How many points it has.</param>
    /// <returns>The density at each point.</returns>
    public double[] Around(double mark, double start, int points)
    {
        var table = Table(k => Math.Abs(k.Mark - mark) > 2);
        var density = new double[points];
        var at = start / spacing * Starts;
        at -= Math.Floor(at / Starts) * Starts;
        for (var i = 0; i < points; i++, at += Belief.Step / spacing * Starts)
        {
            at -= at >= Starts ? Starts : 0;
            var low = (int)at;
            var share = at - low;
            density[i] = (table[low] * (1 - share)) + (table[(low + 1) % Starts] * share);
        }

        return density;
    }

    /// <summary>Where the module has members between two ends that nobody knows of; none while fewer than three are known.</summary>
    /// <param name="from">The left end, in inches.</param>
    /// <param name="to">The right end, in inches.</param>
    /// <returns>Their centres, in inches.</returns>
    public IEnumerable<double> Missing(double from, double to)
    {
        if (known.Count < 3)
        {
            yield break;
        }

        var table = Table(_ => true);
        var best = spacing * Array.IndexOf(table, table.Max()) / Starts;
        // Ends of the wall have members of their own.
        for (var x = best + (Math.Ceiling((from + 1 - best) / spacing) * spacing); x < to - 1; x += spacing)
        {
            if (known.All(k => Math.Abs(k.Mark - x) > 3))
            {
                yield return x;
            }
        }
    }

    private double[] Table(Func<(double Mark, double Presence), bool> counts)
    {
        var weights = new double[Starts];
        for (var k = 0; k < known.Count; k++)
        {
            if (counts(known[k]))
            {
                TensorPrimitives.Add(weights, logs[k], weights);
            }
        }

        TensorPrimitives.Subtract(weights, TensorPrimitives.Max<double>(weights), weights);
        TensorPrimitives.Exp(weights, weights);
        TensorPrimitives.Divide(weights, TensorPrimitives.Sum<double>(weights), weights);

        var table = new double[Starts];
        for (var s = 0; s < Starts; s++)
        {
            if (weights[s] > 1e-3)
            {
                TensorPrimitives.MultiplyAdd(kernel.AsSpan((Starts - s) % Starts, Starts), weights[s], table, table);
            }
        }

        return table;
    }

    // How dense members are by how far they are off the module, by the inch.
    private void Density(ReadOnlySpan<double> off, double spread, Span<double> density)
    {
        TensorPrimitives.Multiply(off, off, density);
        TensorPrimitives.Multiply(density, -0.5 / (spread * spread), density);
        TensorPrimitives.Exp<double>(density, density);
        TensorPrimitives.Multiply(density, OnModule / (spread * Math.Sqrt(2 * Math.PI)), density);
        TensorPrimitives.Add(density, (1 - OnModule) / spacing, density);
    }

    // How far a distance is off a whole number of spacings, to the nearer side.
    private double Off(double distance)
    {
        var off = distance % spacing;
        return off > spacing / 2 ? off - spacing : off < -spacing / 2 ? off + spacing : off;
    }
}
