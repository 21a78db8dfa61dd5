using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>How a thing is gripped (NIOSH 94-110, from memory).</summary>
public enum Grip
{
    /// <summary>By its edges: fair, and as good as a good grip from 30 in up.</summary>
    Edges,

    /// <summary>By handles or cut-outs.</summary>
    Handles,

    /// <summary>It is slippery, sags or has nothing to hold: poor at every height.</summary>
    Slippery,
}

/// <summary>What makes a lift harder than the equation knows.</summary>
public enum Footing
{
    /// <summary>In a corner, where one side cannot be stood at.</summary>
    Corner,

    /// <summary>From a ladder.</summary>
    Ladder,

    /// <summary>Over or round furniture.</summary>
    FurnitureInFront,

    /// <summary>On covers that slide.</summary>
    Covers,

    /// <summary>On soft ground.</summary>
    SoftGround,

    /// <summary>On a slope.</summary>
    Slope,

    /// <summary>On wet ground.</summary>
    WetGround,
}

/// <summary>Where lifters stand at a wall, and how things come there.</summary>
/// <param name="On">What makes the lift harder; each takes one person more, or a platform.</param>
/// <param name="Turns">How many turns of stairs are on the way; each takes one person more.</param>
public sealed record LiftWay(Same<Footing> On, int Turns)
{
    /// <summary>Where lifters stand at a wall.</summary>
    public static Part<LiftWay> Part { get; } = new(Holder.Wall, "lifting", new GroupShape<LiftWay>("where people stand who lift, and the way there", m => new LiftWay(
        new([.. (m.Part("on", new ListShape<Footing>("what makes it harder", new ChoiceShape<Footing>("what makes it harder"), 7, ListText.Commas($"One or more of {string.Join(", ", Choices.All<Footing>())}, with commas"))) ?? []).Distinct().Order()]),
        m.Or("turns", new WholeShape("turns of the stairs on the way", 0, 40), 0))));
}

/// <summary>How a thing is gripped.</summary>
/// <param name="Grip">How.</param>
public sealed record Handling(Grip Grip)
{
    /// <summary>How a thing is gripped.</summary>
    public static Part<Handling> Part { get; } = new(Holder.Item, "handling", new GroupShape<Handling>("how it is lifted", m => new Handling(m.Choice("grip", "held by", Grip.Edges))), kind => kind.Layer == WallLayer.Front);
}

/// <summary>How many people lift a thing to its place.</summary>
/// <param name="Count">How many; null where more would be needed than can stand round it, so that it is lifted by a machine.</param>
/// <param name="One">What one person may lift there.</param>
/// <param name="Platform">Whether they have to stand higher, since hands over 70 in lift nothing safely.</param>
/// <param name="Always">Whether it is two by the company's figures, whatever one may lift.</param>
public sealed record Lift(int? Count, Mass One, bool Platform, bool Always)
{
    /// <summary>What makes it harder than the equation knows: each takes one person more, or a platform.</summary>
    public Same<Footing> Footing { get; init; } = new([]);

    /// <summary>Turns of the stairs on the way there.</summary>
    public int Turns { get; init; }

    /// <summary>How many it takes where no platform stands there; null where that is more than can stand round it.</summary>
    public int? OnFoot => With(Footing.Items.Count + Turns);

    /// <summary>How many it takes from a platform, which makes up for the footing and not for the stairs; null where that is more than can stand round it.</summary>
    public int? FromPlatform => With(Turns);

    /// <summary>What so many may lift together.</summary>
    /// <param name="people">How many, at least 1.</param>
    /// <returns>For two two thirds of their sum, for more half of it (HSE INDG143, from memory).</returns>
    public Mass Together(int people) => new(One.Kilograms * people * (people switch { 1 => 1, 2 => 2.0 / 3, _ => 0.5 }));

    private int? With(int more) => Count is { } count && count + more <= Lifting.Most ? count + more : null;
}

/// <summary>Who may lift what: the revised lifting equation of NIOSH (publication 94-110, from memory) and factors for teams.</summary>
public static class Lifting
{
    /// <summary>As many as can stand round a display.</summary>
    public const int Most = 4;

    /// <summary>Hands over this height lift nothing by the equation.</summary>
    public static readonly Length Highest = Length.Tape(70);

    private const double Fair = 0.95;
    private const double Poor = 0.9;

    // What is lighter is put up from a step with one hand at the wall (own rule).
    private static readonly Mass FromAStep = Mass.FromPounds(10);
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

    /// <summary>The plate of a mount is held over the shoulders from here on (common practice): two lift it, whatever it weighs.</summary>
    public static readonly Length Shoulders = Length.Tape(60);

    /// <summary>Factor of a grip at a height: handles 1.00, edges 0.95 below 30 in and 1.00 from there, slippery 0.90 (NIOSH 94-110, from memory).</summary>
    /// <param name="grip">How it is held.</param>
    /// <param name="height">Hands over the floor.</param>
    /// <returns>The factor.</returns>
    public static double Coupling(Grip grip, Length height) => grip switch
    {
        Grip.Handles => 1,
        Grip.Slippery => Poor,
        _ => height < Knuckles ? Fair : 1,
    };

    /// <summary>How many people lift something from a table to its place, held at half its height.</summary>
    /// <param name="mass">What it weighs.</param>
    /// <param name="depth">Its depth; the hands are half of it and 8 in before the ankles (NIOSH 94-110, from memory).</param>
    /// <param name="outer">Its place on the wall.</param>
    /// <param name="always">Whether there are always two, whatever one may lift.</param>
    /// <param name="grip">How it is held.</param>
    /// <returns>The lift.</returns>
    public static Lift Of(Mass mass, Length depth, Rect outer, bool always, Grip grip = Grip.Edges)
    {
        var reach = Length.Tape(8) + depth.Half;
        var (from, wanted) = (Table + outer.Height.Half, outer.CentreY);
        var to = Length.Min(wanted, Highest);
        var travel = (to - from).Abs;
        Mass At(Length height) => Limit(reach, Length.Min(height, Highest), travel, coupling: Coupling(grip, height));
        var one = At(from).Kilograms < At(to).Kilograms ? At(from) : At(to);
        var lift = new Lift(null, one, wanted > Highest && mass.Kilograms > FromAStep.Kilograms, always);
        var enough = Enumerable.Range(always ? 2 : 1, Most).Where(n => n <= Most && lift.Together(n).Kilograms >= mass.Kilograms).Select(n => (int?)n).FirstOrDefault();
        return lift with { Count = enough };
    }

    /// <summary>How many people lift a thing of a job to its place: a display, a bar, a board, or the plate of a mount by itself.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">The thing.</param>
    /// <returns>The lift, with what is lifted and where; null where it has no place, or is not lifted to the wall.</returns>
    public static (Lift Lift, Mass Mass, Rect Place)? For(IHungResults plan, Item item)
    {
        if (plan.Sheet.WallOf(item) is not { } wall || item.Kind.Layer != WallLayer.Front)
        {
            return null;
        }

        var (policy, grip) = (plan.Sheet.Policy, item.Get(Handling.Part)?.Grip ?? Grip.Edges);
        (Lift, Mass, Rect)? lift = item.Product switch
        {
            Mount mount when plan.Layout(item.Id) is { Plate: var plate } => (Of(mount.Mass, mount.PlateThickness, plate, mount.Mass.Kilograms > policy.TwoOverMass.Kilograms || plate.CentreY > Shoulders, grip), mount.Mass, plate),
            ISized sized when plan.Placement(item.Id) is { Outer: var outer } && item.Get(Stands.Part) is not { In.Length: > 0 } =>
                (Of(item.Product.Mass, sized.Depth, outer, (sized is Display display && display.Diagonal > policy.TwoOver) || item.Product.Mass.Kilograms > policy.TwoOverMass.Kilograms, grip), item.Product.Mass, outer),
            _ => null,
        };
        return lift is var (found, mass, place) && wall.Get(LiftWay.Part) is { } way ? (found with { Footing = way.On, Turns = way.Turns }, mass, place) : lift;
    }

    /// <summary>Who lifts it, in a word.</summary>
    /// <param name="lift">The lift.</param>
    /// <returns>Such as <c>two</c>, or a machine.</returns>
    public static string Who(this Lift lift) => lift.OnFoot switch { null => "a lifting machine", 1 => "one", 2 => "two", 3 => "three", _ => "four" };

    /// <summary>What makes a lift harder, in words.</summary>
    /// <param name="footing">What it is.</param>
    /// <returns>Such as <c>from a ladder</c>.</returns>
    public static string Says(this Footing footing) => footing switch
    {
        Footing.Corner => "in a corner",
        Footing.Ladder => "from a ladder",
        Footing.FurnitureInFront => "over furniture",
        Footing.Covers => "on covers",
        Footing.SoftGround => "on soft ground",
        Footing.Slope => "on a slope",
        _ => "on wet ground",
    };
}
