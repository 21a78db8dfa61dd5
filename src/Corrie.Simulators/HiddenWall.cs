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
}

/// <summary>
/// A wall that nobody can see into, and the tools to find its framing with: the same seed gives the same wall, and the same question the same
/// answer. Assumed of the wall: a module of 16 or 24 in from an unknown start, framers up to half an inch off it, here and there a member
/// left out for an opening with doubled members at its sides, boards that meet on a strip between members. Assumed of the scanner: each edge
/// to 0.09 in with 0.05 in more that every pass over one member shares, one pass in twenty off by half an inch and more, some members not
/// seen at all at some heights, and strips, pipes and joints read as members.
/// </summary>
public sealed class HiddenWall
{
    private const double EdgeNoise = 0.09;
    private const double SharedNoise = 0.05;
    private const double WildShare = 0.05;
    private const double DeadShare = 0.06;
    private const double ScrewEvery = 16;

    private readonly int seed;
    private readonly List<TrueMember> members = [];
    private readonly List<double> strips = [];
    private readonly List<double> lives = [];

    /// <summary>Hides a wall.</summary>
    /// <param name="seed">Seed.</param>
    /// <param name="width">How wide, in inches.</param>
    public HiddenWall(int seed, double width = 168)
    {
        this.seed = seed;
        Width = width;
        var random = new Random(seed);
        Spacing = random.Next(10) < 7 ? 16 : 24;
        var start = random.NextDouble() * Spacing;
        var opening = random.Next(3) == 0 ? 30 + (random.NextDouble() * (width - 90)) : double.NaN;
        for (var x = start; x < width - 1; x += Spacing)
        {
            var centre = x + Framer(random);
            if (!double.IsNaN(opening) && centre > opening - 3 && centre < opening + 39)
            {
                continue;
            }

            if (centre > 1.5)
            {
                members.Add(new(centre, 1.5));
            }
        }

        if (!double.IsNaN(opening))
        {
            // King and jack at both sides of what was an opening once.
            foreach (var side in new[] { opening, opening + 36 })
            {
                members.Add(new(side - 0.75, 1.5));
                members.Add(new(side + 0.75, 1.5));
            }
        }

        members.RemoveAll(m => members.Any(o => o.Centre < m.Centre && m.Centre - o.Centre < 1.45));
        members.Sort((a, b) => a.Centre.CompareTo(b.Centre));
        // Boards of 48 in meet on a member, or on a strip behind the joint.
        for (var joint = 20 + (random.NextDouble() * 28); joint < width - 4; joint += 48)
        {
            if (random.Next(4) == 0 && members.All(m => Math.Abs(m.Centre - joint) > 3))
            {
                strips.Add(joint);
            }
        }

        if (random.Next(4) == 0)
        {
            var pipe = 8 + (random.NextDouble() * (width - 16));
            if (members.All(m => Math.Abs(m.Centre - pipe) > 3))
            {
                strips.Add(pipe);
            }
        }

        if (random.Next(2) == 0)
        {
            lives.Add(members[random.Next(members.Count)].Centre + 0.75 + random.NextDouble());
        }
    }

    /// <summary>Its width in inches.</summary>
    public double Width { get; }

    /// <summary>Its nominal spacing in inches.</summary>
    public int Spacing { get; }

    /// <summary>What stands in it: for the end of the game.</summary>
    public IReadOnlyList<TrueMember> Truth => members;

    /// <summary>Where strips and pipes are: they look like members to a scanner.</summary>
    public IReadOnlyList<double> Strips => strips;

    /// <summary>A pass of the scanner at one height: pairs of edges, left to right, in inches.</summary>
    /// <param name="height">Height of the pass over the floor.</param>
    public IReadOnlyList<(double Left, double Right)> Sweep(int height)
    {
        var seen = new List<(double, double)>();
        var i = 0;
        // Members that touch are one to a scanner.
        while (i < members.Count)
        {
            var last = i;
            while (last + 1 < members.Count && members[last + 1].Centre - members[last].Centre < 1.6)
            {
                last++;
            }

            var random = At(Mix(1, i, height));
            var shared = Gauss(At(Mix(2, i))) * SharedNoise;
            if (random.NextDouble() >= DeadShare)
            {
                var wild = random.NextDouble() < WildShare ? (random.Next(2) == 0 ? -1 : 1) * (0.3 + (random.NextDouble() * 0.7)) : 0;
                seen.Add((
                    members[i].Centre - (members[i].Width / 2) + shared + wild + (Gauss(random) * EdgeNoise),
                    members[last].Centre + (members[last].Width / 2) + shared + wild + (Gauss(random) * EdgeNoise)));
            }

            i = last + 1;
        }

        for (var s = 0; s < strips.Count; s++)
        {
            var random = At(Mix(3, s, height));
            if (random.NextDouble() < 0.6)
            {
                var middle = strips[s] + (Gauss(random) * 0.15);
                var half = 0.4 + (random.NextDouble() * 0.5);
                seen.Add((middle - half, middle + half));
            }
        }

        return [.. seen.OrderBy(p => p.Item1)];
    }

    /// <summary>Where the scanner shows live wiring, in inches.</summary>
    public IReadOnlyList<double> Live => lives;

    /// <summary>Whether the bit meets something, and what a pencil then writes down: true to 1/32 in.</summary>
    /// <param name="x">Where, in inches.</param>
    public bool Probe(double x)
    {
        var off = Math.Clamp(Gauss(At(Mix(4, (int)Math.Round(x * 1000)))) / 96, -1 / 32d, 1 / 32d);
        return members.Any(m => m.Covers(x + off));
    }

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
        foreach (var strip in strips)
        {
            if (Math.Abs(strip - x) <= 1 && At(Mix(6, (int)strip, row)).NextDouble() < 0.35)
            {
                return strip;
            }
        }

        return null;
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
