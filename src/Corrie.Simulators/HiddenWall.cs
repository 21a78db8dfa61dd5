using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Simulators;

/// <summary>A member that stands in a hidden wall, in inches from the left corner.</summary>
/// <param name="Centre">Its centre.</param>
/// <param name="Width">Its face.</param>
public readonly record struct TrueMember(double Centre, double Width)
{
    /// <summary>Whether it covers a place.</summary>
    public bool Covers(double x) => Math.Abs(x - Centre) <= Width / 2;

    /// <summary>Its left edge.</summary>
    public double Left => Centre - (Width / 2);

    /// <summary>Its right edge.</summary>
    public double Right => Centre + (Width / 2);
}

/// <summary>What kind of wall is hidden.</summary>
public enum WallSort
{
    /// <summary>Wood at 16 or 24 in, here and there an opening, a strip behind a joint, a pipe.</summary>
    Ordinary,

    /// <summary>A metal strip of 1 1/2 to 2 in behind each joint of the boards.</summary>
    Strips,

    /// <summary>Upright pipes of 1/2 to 2 3/8 in between the studs.</summary>
    Pipes,

    /// <summary>Doubled members with 1/8 to 3/4 in between the two.</summary>
    Gaps,

    /// <summary>Wood at 19.2 in, which its sheet says is at 16 in.</summary>
    NineteenTwo,

    /// <summary>Wood at no spacing at all, which its sheet says is at 16 in.</summary>
    OldHouse,

    /// <summary>Light-gauge steel with flanges of 1 1/4 or 1 5/8 in.</summary>
    Steel,

    /// <summary>Plaster on laths: a scanner is three times as rough there and sees members where none is.</summary>
    Laths,
}

/// <summary>With what scanner the wall is searched.</summary>
public enum ScannerSort
{
    /// <summary>Good to about 1/10 in.</summary>
    Usual,

    /// <summary>The same, but for 3/8 in to one side everywhere.</summary>
    Biased,

    /// <summary>Shows half of the members only.</summary>
    Silent,

    /// <summary>Shows centres and no edges.</summary>
    CentreOnly,
}

/// <summary>What is hidden, and with what it is looked for.</summary>
/// <param name="Sort">The wall.</param>
/// <param name="Scanner">The scanner.</param>
/// <param name="Misread">Share of probes that are read wrongly.</param>
public sealed record HiddenKind(WallSort Sort, ScannerSort Scanner = ScannerSort.Usual, double Misread = 0)
{
    /// <summary>An ordinary wall, with tools that do what they should.</summary>
    public static HiddenKind Usual { get; } = new(WallSort.Ordinary);
}

/// <summary>What a bit did behind the layers.</summary>
public enum Met
{
    /// <summary>It fell through.</summary>
    Nothing,

    /// <summary>It stopped at once: a pipe, a metal strip.</summary>
    Stops,

    /// <summary>It went on biting.</summary>
    Bites,

    /// <summary>It brought metal chips and fell through.</summary>
    Chips,
}

/// <summary>
/// A wall that nobody can see into, and the tools to find its framing with: the same seed gives the same wall, and the same question the same
/// answer. Assumed of the wall, unless its kind says otherwise: a module of 16 or 24 in from an unknown start, framers up to half an inch off it,
/// here and there a member left out for an opening with doubled members at its sides, boards that meet on a strip between members. Assumed of
/// the scanner: each edge to 0.09 in with 0.05 in more that every pass over one member shares, one pass in twenty off by half an inch and more,
/// some members not seen at all at some heights, and strips, pipes and joints read as members.
/// </summary>
public sealed class HiddenWall
{
    private const double SharedNoise = 0.05;
    private const double ScrewEvery = 16;
    private const double OneToAScanner = 1.1;

    private readonly int seed;
    private readonly List<TrueMember> members = [];
    private readonly List<TrueMember> others = [];
    private readonly List<double> lives = [];
    private readonly double bias;
    private readonly double edgeNoise;
    private readonly double wildShare;
    private readonly double deadShare;

    /// <summary>Hides a wall.</summary>
    /// <param name="seed">Seed.</param>
    /// <param name="width">How wide, in inches.</param>
    /// <param name="kind">What kind; an ordinary one where nothing is said.</param>
    public HiddenWall(int seed, double width = 168, HiddenKind? kind = null)
    {
        this.seed = seed;
        Width = width;
        Kind = kind ?? HiddenKind.Usual;
        var random = new Random(seed);
        (edgeNoise, wildShare, deadShare) = Kind.Sort == WallSort.Laths ? (0.27, 0.15, 0.15) : (0.09, 0.05, 0.06);
        deadShare = Kind.Scanner == ScannerSort.Silent ? 0.5 : deadShare;
        bias = Kind.Scanner == ScannerSort.Biased ? (random.Next(2) == 0 ? -0.375 : 0.375) : 0;
        TrueSpacing = Kind.Sort switch { WallSort.NineteenTwo => 19.2, WallSort.OldHouse => 0, _ => random.Next(10) < 7 ? 16 : 24 };
        Frame(random);
        Fill(random);
        if (random.Next(2) == 0)
        {
            lives.Add(members[random.Next(members.Count)].Centre + 0.75 + random.NextDouble());
        }
    }

    /// <summary>What kind of wall it is, and what scanner it is searched with.</summary>
    public HiddenKind Kind { get; }

    /// <summary>Its spacing in truth, in inches; 0 for none.</summary>
    public double TrueSpacing { get; }

    /// <summary>Its width in inches.</summary>
    public double Width { get; }

    /// <summary>The spacing that its sheet says, in inches.</summary>
    public int Spacing => TrueSpacing is 16 or 24 ? (int)TrueSpacing : 16;

    /// <summary>What stands in it: for the end of the game.</summary>
    public IReadOnlyList<TrueMember> Truth => members;

    /// <summary>Where strips and pipes are: they look like members to a scanner.</summary>
    public IReadOnlyList<double> Strips => [.. others.Select(o => o.Centre)];

    /// <summary>A pass of the scanner at one height: pairs of edges, left to right, in inches; twice the same where it shows centres only.</summary>
    /// <param name="height">Height of the pass over the floor.</param>
    public IReadOnlyList<(double Left, double Right)> Sweep(int height)
    {
        var seen = new List<(double Left, double Right)>();
        var i = 0;
        // Members that all but touch are one to a scanner.
        while (i < members.Count)
        {
            var last = i;
            while (last + 1 < members.Count && members[last + 1].Left - members[last].Right < OneToAScanner)
            {
                last++;
            }

            var random = At(Mix(1, i, height));
            var shared = bias + (Gauss(At(Mix(2, i))) * SharedNoise);
            if (random.NextDouble() >= deadShare)
            {
                var wild = random.NextDouble() < wildShare ? (random.Next(2) == 0 ? -1 : 1) * (0.3 + (random.NextDouble() * 0.7)) : 0;
                seen.Add((members[i].Left + shared + wild + (Gauss(random) * edgeNoise), members[last].Right + shared + wild + (Gauss(random) * edgeNoise)));
            }

            i = last + 1;
        }

        for (var s = 0; s < others.Count; s++)
        {
            var random = At(Mix(3, s, height));
            if (random.NextDouble() < 0.6)
            {
                var middle = others[s].Centre + bias + (Gauss(random) * 0.15);
                var half = 0.4 + (random.NextDouble() * 0.5);
                seen.Add((middle - half, middle + half));
            }
        }

        return [.. seen.Select(p => Kind.Scanner == ScannerSort.CentreOnly ? ((p.Left + p.Right) / 2, (p.Left + p.Right) / 2) : p).OrderBy(p => p.Item1)];
    }

    /// <summary>Where the scanner shows live wiring, in inches.</summary>
    public IReadOnlyList<double> Live => lives;

    /// <summary>What the bit meets, and what somebody then writes down: the place is true to 1/32 in.</summary>
    /// <param name="x">Where, in inches.</param>
    public Met Probe(double x)
    {
        var at = x + Math.Clamp(Gauss(At(Mix(4, (int)Math.Round(x * 1000)))) / 96, -1 / 32d, 1 / 32d);
        var member = Kind.Sort == WallSort.Steel ? Met.Chips : Met.Bites;
        var met = members.Any(m => m.Covers(at)) ? member : others.Any(o => o.Width > 0 && o.Covers(at)) ? Met.Stops : Met.Nothing;
        return !Misreads(x) ? met : met == Met.Nothing ? member : Met.Nothing;
    }

    /// <summary>Whether a probe is read wrongly at a place.</summary>
    /// <param name="x">Where, in inches.</param>
    public bool Misreads(double x) => Kind.Misread > 0 && At(Mix(7, (int)Math.Round(x * 1000))).NextDouble() < Kind.Misread;

    /// <summary>Where, within an inch of a place, a magnet holds on a screw head; null where it does not.</summary>
    /// <param name="x">Where, in inches.</param>
    /// <param name="height">At which height.</param>
    public double? Magnet(double x, int height)
    {
        var row = (int)Math.Round(height / ScrewEvery);
        for (var i = 0; i < members.Count; i++)
        {
            var random = At(Mix(5, i, row));
            var screw = members[i].Centre + ((random.NextDouble() - 0.5) * 1.1);
            if (random.NextDouble() < 0.92 && Math.Abs(screw - x) <= 1)
            {
                return screw;
            }
        }

        // A strip has its screws too.
        foreach (var other in others)
        {
            if (Math.Abs(other.Centre - x) <= 1 && At(Mix(6, (int)other.Centre, row)).NextDouble() < 0.35)
            {
                return other.Centre;
            }
        }

        return null;
    }

    private void Frame(Random random)
    {
        var face = Kind.Sort == WallSort.Steel ? (random.Next(3) < 2 ? 1.25 : 1.625) : 1.5;
        var start = random.NextDouble() * (TrueSpacing > 0 ? TrueSpacing : 16);
        var opening = Kind.Sort == WallSort.Gaps || random.Next(3) == 0 ? 30 + (random.NextDouble() * (Width - 90)) : double.NaN;
        for (var x = start; x < Width - 1; x += TrueSpacing > 0 ? TrueSpacing : 11 + (random.NextDouble() * 14))
        {
            var centre = x + Framer(random);
            if (!double.IsNaN(opening) && centre > opening - 3 && centre < opening + 39)
            {
                continue;
            }

            if (centre > 1.5)
            {
                members.Add(new(centre, face));
            }
        }

        if (!double.IsNaN(opening))
        {
            // King and jack at both sides of what was an opening once.
            foreach (var side in new[] { opening, opening + 36 })
            {
                var apart = face + (Kind.Sort == WallSort.Gaps ? 0.125 + (random.NextDouble() * 0.625) : 0);
                members.Add(new(side - (apart / 2), face));
                members.Add(new(side + (apart / 2), face));
            }
        }

        members.RemoveAll(m => members.Any(o => o.Centre < m.Centre && m.Left - o.Right < -0.05));
        members.Sort((a, b) => a.Centre.CompareTo(b.Centre));
    }

    private void Fill(Random random)
    {
        // Boards of 48 in meet on a member, or on a strip behind the joint.
        for (var joint = 20 + (random.NextDouble() * 28); joint < Width - 4; joint += 48)
        {
            if (Kind.Sort == WallSort.Strips)
            {
                Add(joint, 1.5 + (random.NextDouble() / 2));
            }
            else if (random.Next(4) == 0)
            {
                Add(joint, 1.25);
            }
        }

        if (Kind.Sort == WallSort.Pipes || random.Next(4) == 0)
        {
            for (var n = Kind.Sort == WallSort.Pipes ? 5 : 1; n > 0; n--)
            {
                Add(8 + (random.NextDouble() * (Width - 16)), 0.5 + (random.NextDouble() * 1.875));
            }
        }

        // Keys of plaster between laths: a scanner shows what no bit meets.
        for (var n = Kind.Sort == WallSort.Laths ? 4 : 0; n > 0; n--)
        {
            Add(8 + (random.NextDouble() * (Width - 16)), 0);
        }

        void Add(double at, double wide)
        {
            if (members.Concat(others).All(m => Math.Abs(m.Centre - at) > 3))
            {
                others.Add(new(at, wide));
            }
        }
    }

    // Half of all members stand where they should; the rest are off by as much as half an inch.
    private static double Framer(Random random) => Math.Clamp(Gauss(random) * 0.2, -0.5, 0.5);

    // The same in every process, which the runtime's own hash is not.
    private static int Mix(params ReadOnlySpan<int> parts)
    {
        var hash = 2166136261u;
        foreach (var part in parts)
        {
            hash = (hash ^ (uint)part) * 16777619u;
            hash ^= hash >> 15;
        }

        return (int)hash;
    }

    private Random At(int question) => new(Mix(seed, question));

    private static double Gauss(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
