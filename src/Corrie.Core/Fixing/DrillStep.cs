using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Masonry;
using Corrie.Core.Measure;

namespace Corrie.Core.Fixing;

/// <summary>One bit of a hole's sequence, to one depth.</summary>
/// <param name="For">What it drills.</param>
/// <param name="Diameter">Its diameter.</param>
/// <param name="To">How deep it goes, from the wall's face.</param>
/// <param name="Small">Whether it goes first, so that the next does not wander.</param>
public sealed record DrillStep(BitFor For, Length Diameter, Length To, bool Small)
{
    // What goes first in stone (common practice: 1/4 in first, then 3/8 in).
    private static readonly Length[] Smalls = [Length.Tape(0, 1, 4), Length.Tape(0, 3, 16), Length.Tape(0, 1, 8)];
    private const double MostOfFull = 0.7;

    // A screw goes through stone without touching it (common practice).
    private static readonly Length Clearance = Length.Tape(0, 1, 16);

    // Setting up, then minutes for each inch of depth with a rotary hammer, small and full size together (own rule; a crew's own times are better).
    private const double SetUpMinutes = 30;
    private const double MinutesPerInch = 3;

    /// <summary>The sequence of a plate's holes: stone with a small bit first and then full size, wood behind it with the pilot bit.</summary>
    /// <param name="fixing">What holds the plate.</param>
    /// <param name="depth">How deep the hole is, from the wall's face.</param>
    /// <returns>The steps, in working order; none where no bit is known.</returns>
    public static IReadOnlyList<DrillStep> Of(FixingResult fixing, Length depth)
    {
        var (input, steps) = (fixing.Input, new List<DrillStep>());
        var stone = input.Layout.Backing is { Kind: Planning.BackingKind.Board } ? Length.Zero : Length.Min(depth, input.Wall.Depth());
        if (fixing.Ground == Ground.Units)
        {
            stone = depth;
        }

        if (stone > Length.Zero)
        {
            var full = fixing.Ground == Ground.Units || fixing.Input.Fastener.Sort == FastenerKind.Toggle ? fixing.Pilot ?? input.Fastener.Diameter : input.Fastener.Diameter + Clearance;
            if (Smalls.Where(s => s.Units <= full.Units * MostOfFull).Select(s => (Length?)s).FirstOrDefault() is { } small)
            {
                steps.Add(new(BitFor.Masonry, small, stone, true));
            }

            steps.Add(new(BitFor.Masonry, full, stone, false));
        }

        if (fixing.Ground != Ground.Units && fixing.Pilot is { } pilot)
        {
            steps.Add(new(fixing.Ground == Ground.Flange ? BitFor.Metal : BitFor.Wood, pilot, depth, false));
        }

        return steps;
    }

    /// <summary>For how long a rotary hammer is hired.</summary>
    /// <param name="fixing">What holds the plate.</param>
    /// <returns>The hours, in halves; zero where no stone is drilled.</returns>
    public static double HireHours(FixingResult fixing)
    {
        var inches = fixing.Bolts.Sum(b => Of(fixing, b.DrillDepth).Where(s => s.For == BitFor.Masonry).Select(s => s.To.Inches).DefaultIfEmpty().Max());
        return inches <= 0 ? 0 : Math.Ceiling((SetUpMinutes + (inches * MinutesPerInch)) / 30) / 2;
    }

    /// <summary>What is done, in a few words.</summary>
    /// <returns>Such as <c>1/4 in masonry bit first, 4 deep</c>.</returns>
    public Phrase Says() => Phrase.Of($"{Diameter:fine} {For switch { BitFor.Masonry => "masonry bit", BitFor.Metal => "bit for metal", _ => "wood bit" }}{(Small ? " first" : string.Empty)}, {To} deep");
}
