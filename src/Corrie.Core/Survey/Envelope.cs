using System.Numerics.Tensors;
using Corrie.Core.Planning;

namespace Corrie.Core.Survey;

/// <summary>
/// Normal equations by their Cholesky factor, of which each row is kept from its first number on. A general library keeps the zeros before as
/// well: for five hundred readings in a chain that is a thousand times the work.
/// </summary>
/// <remarks>Method from the literature (George and Liu on sparse systems), from memory.</remarks>
internal sealed class Envelope
{
    private readonly int[] first;
    private readonly double[][] rows;

    private Envelope(int[] first, double[][] rows)
    {
        this.first = first;
        this.rows = rows;
    }

    /// <summary>Factors the normal equations of independent observations.</summary>
    /// <param name="unknowns">How many unknowns there are.</param>
    /// <param name="observations">The observations, weighted: which unknowns each has, and by how much. They fix all unknowns.</param>
    /// <param name="budget">What the work may cost; null for no limit.</param>
    /// <returns>The factor.</returns>
    public static Envelope Factor(int unknowns, IReadOnlyList<IReadOnlyList<(int At, double Value)>> observations, WorkBudget? budget)
    {
        var first = Enumerable.Range(0, unknowns).ToArray();
        foreach (var observation in observations)
        {
            foreach (var (at, _) in observation)
            {
                first[at] = Math.Min(first[at], observation.Min(t => t.At));
            }
        }

        var rows = new double[unknowns][];
        for (var i = 0; i < unknowns; i++)
        {
            rows[i] = new double[i - first[i] + 1];
        }

        foreach (var observation in observations)
        {
            foreach (var (i, one) in observation)
            {
                foreach (var (j, other) in observation)
                {
                    if (j <= i)
                    {
                        rows[i][j - first[i]] += one * other;
                    }
                }
            }
        }

        for (var i = 0; i < unknowns; i++)
        {
            budget?.Spend((long)rows[i].Length * rows[i].Length);
            for (var j = first[i]; j <= i; j++)
            {
                var from = Math.Max(first[i], first[j]);
                var left = rows[i][j - first[i]] - TensorPrimitives.Dot<double>(rows[i].AsSpan(from - first[i], j - from), rows[j].AsSpan(from - first[j], j - from));
                rows[i][j - first[i]] = j < i ? left / rows[j][^1] : Math.Sqrt(left);
            }
        }

        return new(first, rows);
    }

    /// <summary>Solves the normal equations.</summary>
    /// <param name="right">Their right side.</param>
    /// <returns>The unknowns.</returns>
    public double[] Solve(double[] right)
    {
        var solution = Forward([.. right.Select((v, i) => (i, v))]).Values;
        for (var i = rows.Length - 1; i >= 0; i--)
        {
            solution[i] /= rows[i][^1];
            var before = solution.AsSpan(first[i], i - first[i]);
            TensorPrimitives.MultiplyAdd(rows[i].AsSpan(0, before.Length), -solution[i], before, before);
        }

        return solution;
    }

    /// <summary>
    /// A vector under the factor. The square of a unit vector's is that unknown's variance; the product of two observations' is what one
    /// counts in the other's adjusted value.
    /// </summary>
    /// <param name="vector">The vector's numbers.</param>
    /// <returns>The vector under the factor.</returns>
    public Tail Forward(IReadOnlyList<(int At, double Value)> vector)
    {
        if (vector.Count == 0)
        {
            return new(rows.Length, []);
        }

        var start = vector.Min(v => v.At);
        var values = new double[rows.Length - start];
        foreach (var (at, value) in vector)
        {
            values[at - start] += value;
        }

        for (var i = start; i < rows.Length; i++)
        {
            var from = Math.Max(first[i], start);
            values[i - start] = (values[i - start] - TensorPrimitives.Dot<double>(rows[i].AsSpan(from - first[i], i - from), values.AsSpan(from - start, i - from))) / rows[i][^1];
        }

        return new(start, values);
    }

    /// <summary>A vector that is zero up to a place.</summary>
    /// <param name="Start">The place.</param>
    /// <param name="Values">Its numbers from there on.</param>
    internal readonly record struct Tail(int Start, double[] Values)
    {
        /// <summary>Its product with itself.</summary>
        public double Square => Dot(this);

        /// <summary>Its product with another one of the same length.</summary>
        /// <param name="other">The other one.</param>
        /// <returns>The product.</returns>
        public double Dot(Tail other)
        {
            var from = Math.Max(Start, other.Start);
            return from - Start >= Values.Length || from - other.Start >= other.Values.Length ? 0
                : TensorPrimitives.Dot<double>(Values.AsSpan(from - Start), other.Values.AsSpan(from - other.Start));
        }
    }
}
