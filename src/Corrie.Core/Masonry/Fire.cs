using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Masonry;

/// <summary>What burns in a fireplace or stove.</summary>
public enum FireFuel
{
    /// <summary>Wood or other solid fuel.</summary>
    Wood,

    /// <summary>Gas.</summary>
    Gas,

    /// <summary>Nothing: electric heat, without a flue.</summary>
    Electric,
}

/// <summary>How often it is lit.</summary>
public enum FireUse
{
    /// <summary>Most evenings in the season.</summary>
    Often,

    /// <summary>A few times a year.</summary>
    Seldom,

    /// <summary>Never any more; it could be.</summary>
    Never,
}

/// <summary>What a thermometer was held to.</summary>
public enum HeatOf
{
    /// <summary>The air, as far from the wall as the display hangs.</summary>
    Air,

    /// <summary>The wall itself.</summary>
    Wall,
}

/// <summary>A temperature at the wall with the fire on.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Of">What the thermometer was held to.</param>
/// <param name="Up">Where, over the floor.</param>
/// <param name="Across">From the left corner; null for over the middle of the fire.</param>
/// <param name="Warm">What it showed.</param>
/// <param name="Minutes">How many minutes the fire had been at full.</param>
/// <param name="By">Who measured.</param>
/// <param name="On">When.</param>
public sealed record HeatReading(string Id, HeatOf Of, Length Up, Length? Across, Temperature Warm, int Minutes, string By, string On)
{
    /// <summary>How long a fire has to be at full before what is measured counts as cool: an hour (common practice).</summary>
    public const int LongEnough = 60;

    /// <summary>Whether it had been at full for long enough.</summary>
    public bool Full => Minutes >= LongEnough;
}

/// <summary>What is known of the fireplace or stove of a wall.</summary>
/// <param name="Fuel">What burns; null where nobody has asked.</param>
/// <param name="Use">How often it is lit.</param>
/// <param name="Vented">Whether it has a flue of its own.</param>
/// <param name="Fan">Whether a fan blows warm air out.</param>
/// <param name="Controls">Where its gas valve and controls are; empty where nobody has asked.</param>
/// <param name="Listed">Least distance of what burns over the opening, by the appliance's own papers; null where nobody has read them.</param>
/// <param name="Readings">Temperatures with the fire on.</param>
/// <param name="Here">Where it stands in the document.</param>
public sealed record Fire(FireFuel? Fuel, FireUse? Use, bool? Vented, bool? Fan, string Controls, Length? Listed, Same<HeatReading> Readings, Place Here)
{
    private static readonly GroupShape<HeatReading> ReadingForm = new("a temperature with the fire on", m => new HeatReading(
        m.Key,
        m.Need("of", new ChoiceShape<HeatOf>("what the thermometer was held to")),
        m.Length("up", "where, over the floor", LengthRange.Along),
        m.MaybeLength("across", "from the left corner, unless over the middle of the fire", LengthRange.Along),
        m.Need("warm", new TemperatureShape("what it showed")),
        m.Need("minutes", new WholeShape("how many minutes the fire had been at full", 0, 10_000)),
        m.Text("by", "who measured", 80),
        m.Text("on", "when", 40)));

    /// <summary>What is known of a wall's fire.</summary>
    public static Part<Fire> Part { get; } = new(Holder.Wall, "fire", new GroupShape<Fire>("fireplace or stove", m => new Fire(
        m.Maybe("fuel", new ChoiceShape<FireFuel>("what burns")),
        m.Maybe("use", new ChoiceShape<FireUse>("how often it is lit")),
        m.Maybe("vented", new YesNoShape("whether it has a flue of its own")),
        m.Maybe("fan", new YesNoShape("whether a fan blows warm air out")),
        m.Text("controls", "where its gas valve and controls are", 120),
        m.MaybeLength("listed", "least distance of what burns over the opening, by the appliance's own papers", LengthRange.Distance),
        new(m.Map("readings", "temperatures with the fire on", ReadingForm, 60)),
        m.Here)));

    /// <summary>What the questions about it leave open.</summary>
    /// <returns>Each in a few words.</returns>
    public IEnumerable<string> Open()
    {
        if (Fuel is null)
        {
            yield return "what burns";
        }

        if (Use is null)
        {
            yield return "how often it is lit";
        }

        if (Vented is null && Fuel != FireFuel.Electric)
        {
            yield return "whether it is vented";
        }

        if (Fan is null)
        {
            yield return "whether a fan blows warm air out";
        }

        if (Fuel == FireFuel.Gas && Controls.Length == 0)
        {
            yield return "where its gas valve and controls are";
        }
    }
}

/// <summary>A distance that what burns keeps from an opening with a fire in it.</summary>
public static class Combustibles
{
    /// <summary>Nothing that burns nearer than this: IRC R1001.11, from memory.</summary>
    public static readonly Length Nothing = Length.Tape(6);

    /// <summary>Up to here it stands out by no more than an eighth of its distance: IRC R1001.11, from memory. NFPA 211 asks the same 12 in of what stands out over 1 1/2 in.</summary>
    public static readonly Length Limited = Length.Tape(12);

    /// <summary>How far something may stand out of the wall at a distance from the opening.</summary>
    /// <param name="away">Its distance from the opening.</param>
    /// <param name="listed">Least distance by the appliance's own papers; null where nobody has read them.</param>
    /// <returns>The most; null for as far as one likes.</returns>
    public static Length? MayStandOut(Length away, Length? listed) =>
        away < Nothing || (listed is { } least && away < least) ? Length.Zero
        : away < Limited ? Length.FromUnits(away.Units / 8)
        : null;

    /// <summary>How far away something has to be that stands out of the wall.</summary>
    /// <param name="depth">How far it stands out.</param>
    /// <param name="listed">Least distance by the appliance's own papers.</param>
    /// <returns>The distance.</returns>
    public static Length AwayFor(Length depth, Length? listed) => Length.Max(Length.Min(Limited, Length.Max(Nothing, depth * 8)), listed ?? Length.Zero);
}
