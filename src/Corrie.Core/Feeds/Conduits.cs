using Corrie.Core.Measure;

namespace Corrie.Core.Feeds;

/// <summary>What cables run in.</summary>
public enum ConduitKind
{
    /// <summary>Nothing: they lie free in the bay.</summary>
    None,

    /// <summary>Thin-walled steel tube.</summary>
    Emt,

    /// <summary>Corrugated plastic tube.</summary>
    Ent,

    /// <summary>A raceway on the surface.</summary>
    Raceway,
}

/// <summary>A tube of a trade size.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Trade">Its trade size in words, such as <c>1 1/2</c>.</param>
/// <param name="Bore">Inside diameter.</param>
/// <param name="Area">Area inside, in square inches.</param>
/// <param name="Bend">Radius of a factory or one-shot bend.</param>
public sealed record Conduit(ConduitKind Kind, string Trade, Length Bore, double Area, Length Bend)
{
    /// <summary>Play round a plug in a tube or a hole (common practice).</summary>
    public static readonly Length Play = Length.Tape(0, 1, 8);

    /// <summary>Trade sizes, the smallest first.</summary>
    public static IReadOnlyList<string> Trades { get; } = ["1/2", "3/4", "1", "1 1/4", "1 1/2", "2"];

    // NFPA 70 chapter 9, table 4 (bores and areas) and table 2 (bends): from memory; the local edition prevails.
    private static readonly (double Emt, double EmtArea, double Ent, double EntArea, Length Bend)[] Sizes =
    [
        (0.622, 0.304, 0.560, 0.246, Length.Tape(4)), (0.824, 0.533, 0.760, 0.454, Length.Tape(4, 1, 2)), (1.049, 0.864, 1.000, 0.785, Length.Tape(5, 3, 4)),
        (1.380, 1.496, 1.340, 1.410, Length.Tape(7, 1, 4)), (1.610, 2.036, 1.570, 1.936, Length.Tape(8, 1, 4)), (2.067, 3.356, 2.020, 3.205, Length.Tape(9, 1, 2)),
    ];

    /// <summary>The tubes of a kind, the smallest first.</summary>
    /// <param name="kind">The kind: steel or plastic tube; anything else has no sizes.</param>
    /// <returns>The tubes.</returns>
    public static IReadOnlyList<Conduit> Of(ConduitKind kind) => kind is ConduitKind.Emt or ConduitKind.Ent
        ? [.. Sizes.Select((s, i) => kind == ConduitKind.Emt ? new Conduit(kind, Trades[i], Length.FromInches(s.Emt), s.EmtArea, s.Bend) : new Conduit(kind, Trades[i], Length.FromInches(s.Ent), s.EntArea, s.Bend))] : [];

    /// <summary>Share of its area that cables may take: NFPA 70 chapter 9, table 1, from memory.</summary>
    /// <param name="cables">How many there are.</param>
    /// <returns>The share.</returns>
    public static double Share(int cables) => cables switch { <= 1 => 0.53, 2 => 0.31, _ => 0.40 };

    /// <summary>How much of it cables take.</summary>
    /// <param name="bundle">The cables.</param>
    /// <returns>Share of its area, over 1 where they do not go in.</returns>
    public double Fill(Bundle bundle) => bundle.Area / Area;

    /// <summary>Whether the cables fill no more of it than they may.</summary>
    /// <param name="bundle">The cables.</param>
    /// <returns>Whether they do.</returns>
    public bool Holds(Bundle bundle) => Fill(bundle) <= Share(bundle.Cables.Count);
}

/// <summary>A cable on its way: its diameter, and the plug that is pulled through with it.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Diameter">Its outer diameter.</param>
/// <param name="Wide">Width of the plug at the end that is pulled; the diameter for none.</param>
/// <param name="High">Height of that plug.</param>
public sealed record Strand(string Name, Length Diameter, Length Wide, Length High)
{
    /// <summary>Diagonal of the plug.</summary>
    public Length Plug => Length.FromInches(Math.Sqrt((Wide.Inches * Wide.Inches) + (High.Inches * High.Inches)));

    /// <summary>A cable with its smaller plug, which is the one that is pulled.</summary>
    /// <param name="cable">The cable.</param>
    /// <param name="name">What it is called.</param>
    /// <returns>The strand.</returns>
    public static Strand Of(Catalogue.Cable cable, string name)
    {
        var (one, other) = ((W: cable.PlugWidth, H: cable.PlugHeight), (W: cable.OtherWidth, H: cable.OtherHeight));
        var small = (one.W.Inches * one.W.Inches) + (one.H.Inches * one.H.Inches) <= (other.W.Inches * other.W.Inches) + (other.H.Inches * other.H.Inches) ? one : other;
        return small.W <= Length.Zero || small.H <= Length.Zero ? new(name, cable.Diameter, Length.Zero, Length.Zero) : new(name, cable.Diameter, small.W, small.H);
    }
}

/// <summary>Cables that go through one tube or one hole. The largest plug goes last, beside the cables that are already through.</summary>
/// <param name="Cables">The cables.</param>
public sealed record Bundle(IReadOnlyList<Strand> Cables)
{
    // Least circle round n circles of one size, in their diameters (published packings, from memory); beyond, by the area that seven fill.
    private static readonly double[] Round = [0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3];

    /// <summary>Area of all of them in square inches.</summary>
    public double Area => Cables.Sum(c => Math.PI / 4 * c.Diameter.Inches * c.Diameter.Inches);

    /// <summary>The cable with the largest plug; null where none has one.</summary>
    public Strand? Last => Cables.Where(c => c.Plug > c.Diameter).MaxBy(c => c.Plug.Units);

    /// <summary>Diameter of a circle round all of them, without plugs.</summary>
    public Length Diameter => Circle([.. Cables.Select(c => c.Diameter)]);

    /// <summary>The least bore that everything passes: the largest plug lying flat beside the others, and an eighth of play.</summary>
    public Length Bore
    {
        get
        {
            if (Last is not { } last)
            {
                return Cables.Count == 0 ? Length.Zero : Diameter + Conduit.Play;
            }

            var others = Cables.ToList();
            others.Remove(last);
            return Length.Max(Beside(last.Wide, last.High, Circle([.. others.Select(c => c.Diameter)])), Diameter) + Conduit.Play;
        }
    }

    /// <summary>The smallest tube of a kind that everything passes and that is not too full.</summary>
    /// <param name="kind">The kind.</param>
    /// <returns>The tube; null where there is none.</returns>
    public Conduit? Smallest(ConduitKind kind) => Conduit.Of(kind).FirstOrDefault(c => c.Holds(this) && c.Bore >= Bore);

    /// <summary>The least circle round a plug that lies flat with a round bundle on it.</summary>
    /// <param name="wide">The plug's width.</param>
    /// <param name="high">Its height.</param>
    /// <param name="round">Diameter of the bundle; zero for none.</param>
    /// <returns>The circle's diameter.</returns>
    public static Length Beside(Length wide, Length high, Length round)
    {
        if (wide < high)
        {
            (wide, high) = (high, wide);
        }

        var (w, h, d) = (wide.Inches / 2, high.Inches, round.Inches);
        // The circle's middle somewhere over the plug's lower side: what is below grows with its height, what is above shrinks. It is best where both are equal, and never under the plug's own middle.
        var middle = d <= 0 ? h / 2 : Math.Max(h / 2, (h + d - (w * w / (h + d))) / 2);
        return Length.FromInches(2 * Math.Sqrt((w * w) + (middle * middle)));
    }

    private static Length Circle(IReadOnlyList<Length> diameters)
    {
        if (diameters.Count == 0)
        {
            return Length.Zero;
        }

        if (diameters.Count == 2)
        {
            return diameters[0] + diameters[1];
        }

        // Round as many of the thickest one: never too small.
        var thickest = diameters.Max();
        return thickest * (diameters.Count < Round.Length ? Round[diameters.Count] : 3 * Math.Sqrt(diameters.Count / 7d) * 1.1);
    }
}
