using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>How many people lift a thing to its place.</summary>
/// <param name="Count">How many; null where more would be needed than can stand round it, so that it is lifted by a machine.</param>
/// <param name="One">What one person may lift there.</param>
/// <param name="Platform">Whether they have to stand higher, since hands over 70 in lift nothing safely.</param>
/// <param name="Always">Whether it is two by the company's figures, whatever one may lift.</param>
public sealed record Lift(int? Count, Mass One, bool Platform, bool Always)
{
    /// <summary>What so many may lift together.</summary>
    /// <param name="people">How many, at least 1.</param>
    /// <returns>For two two thirds of their sum, for more half of it (HSE INDG143, from memory).</returns>
    public Mass Together(int people) => new(One.Kilograms * people * (people switch { 1 => 1, 2 => 2.0 / 3, _ => 0.5 }));
}

/// <summary>Who may lift what: the revised lifting equation of NIOSH (publication 94-110, from memory) and factors for teams.</summary>
public static class Lifting
{
    /// <summary>As many as can stand round a display.</summary>
    public const int Most = 4;

    /// <summary>Hands over this height lift nothing by the equation.</summary>
    public static readonly Length Highest = Length.Tape(70);

    private const double Fair = 0.95;
    private static readonly Mass Constant = Mass.FromPounds(51);
    private static readonly Length Nearest = Length.Tape(10);
    private static readonly Length Farthest = Length.Tape(25);

    // Laid ready at table height (own rule).
    private static readonly Length Table = Length.Tape(30);

    // From 30 in a fair grip is as good as a good one.
    private static readonly Length Knuckles = Length.Tape(30);

    /// <summary>What one person may lift.</summary>
    /// <param name="reach">Hands before the ankles, level; nearer than 10 in counts as 10, over 25 in nothing may be lifted.</param>
    /// <param name="height">Hands over the floor; over 70 in nothing may be lifted.</param>
    /// <param name="travel">How far it is lifted; less than 10 in counts as 10, over 70 in nothing may be lifted.</param>
    /// <param name="turn">How far the body is turned; over 135 degrees nothing may be lifted.</param>
    /// <param name="frequency">Factor for how often, 0 to 1; 1 for once.</param>
    /// <param name="coupling">Factor for the grip, 0.9 to 1.</param>
    /// <returns>The recommended weight limit.</returns>
    public static Mass Limit(Length reach, Length height, Length travel, Angle turn = default, double frequency = 1, double coupling = 1) =>
        reach > Farthest || height > Highest || travel > Highest || turn.Degrees > 135 ? default
            : new(Constant.Kilograms * (10 / Length.Max(reach, Nearest).Inches) * (1 - (0.0075 * Math.Abs(height.Inches - 30)))
                * (0.82 + (1.8 / Length.Max(travel, Nearest).Inches)) * (1 - (0.0032 * turn.Degrees)) * frequency * coupling);

    /// <summary>How many people lift something from a table to its place, held at half its height.</summary>
    /// <param name="mass">What it weighs.</param>
    /// <param name="sized">Its size; the hands are half its depth and 8 in before the ankles (NIOSH 94-110, from memory).</param>
    /// <param name="outer">Its place on the wall.</param>
    /// <param name="policy">The company's figures: from which size and weight there are always two.</param>
    /// <returns>The lift.</returns>
    public static Lift Of(Mass mass, ISized sized, Rect outer, Policy policy)
    {
        var reach = Length.Tape(8) + sized.Depth.Half;
        var (from, wanted) = (Table + sized.Height.Half, outer.CentreY);
        var to = Length.Min(wanted, Highest);
        var travel = (to - from).Abs;
        Mass At(Length height) => Limit(reach, Length.Min(height, Highest), travel, coupling: height < Knuckles ? Fair : 1);
        var one = At(from).Kilograms < At(to).Kilograms ? At(from) : At(to);
        var always = (sized is Display display && display.Diagonal > policy.TwoOver) || mass.Kilograms > policy.TwoOverMass.Kilograms;
        var lift = new Lift(null, one, wanted > Highest, always);
        var enough = Enumerable.Range(always ? 2 : 1, Most).Where(n => n <= Most && lift.Together(n).Kilograms >= mass.Kilograms).Select(n => (int?)n).FirstOrDefault();
        return lift with { Count = enough };
    }
}
