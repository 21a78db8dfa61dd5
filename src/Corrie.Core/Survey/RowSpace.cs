using System.Numerics.Tensors;

namespace Corrie.Core.Survey;

/// <summary>Which unknowns a set of equations fixes, whatever their right sides are: their rows in reduced echelon form.</summary>
/// <param name="unknowns">How many unknowns there are.</param>
internal sealed class RowSpace(int unknowns)
{
    private const double Nothing = 1e-9;

    // For each unknown the row that it leads; null for one that is left free.
    private readonly double[]?[] led = new double[unknowns][];

    /// <summary>How many of the equations so far are independent.</summary>
    public int Rank { get; private set; }

    /// <summary>Adds an equation.</summary>
    /// <param name="row">Its share of each unknown; is changed.</param>
    public void Add(double[] row)
    {
        for (var i = 0; i < unknowns; i++)
        {
            if (row[i] != 0 && led[i] is { } known)
            {
                TensorPrimitives.MultiplyAdd(known, -row[i], row, row);
                row[i] = 0;
            }
        }

        var lead = TensorPrimitives.IndexOfMaxMagnitude<double>(row);
        if (lead < 0 || Math.Abs(row[lead]) < Nothing)
        {
            return;
        }

        TensorPrimitives.Divide(row, row[lead], row);
        foreach (var other in led)
        {
            if (other is not null && other[lead] != 0)
            {
                TensorPrimitives.MultiplyAdd(row, -other[lead], other, other);
                other[lead] = 0;
            }
        }

        led[lead] = row;
        Rank++;
    }

    /// <summary>Whether an unknown leads a row: the others follow once the rest is chosen.</summary>
    /// <param name="unknown">The unknown.</param>
    /// <returns>Whether it does.</returns>
    public bool Leads(int unknown) => led[unknown] is not null;

    /// <summary>Whether the equations fix an unknown.</summary>
    /// <param name="unknown">The unknown.</param>
    /// <returns>Whether they do.</returns>
    public bool Fixes(int unknown)
    {
        if (led[unknown] is not { } row)
        {
            return false;
        }

        for (var i = 0; i < row.Length; i++)
        {
            if (i != unknown && Math.Abs(row[i]) > Nothing)
            {
                return false;
            }
        }

        return true;
    }
}
