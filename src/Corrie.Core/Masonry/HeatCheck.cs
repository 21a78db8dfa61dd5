using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Masonry;

/// <summary>A display over or beside a fire, as the check sees it.</summary>
/// <param name="Name">What people call it.</param>
/// <param name="Outer">Its outline.</param>
/// <param name="Lowest">Its lower edge where it hangs lowest: pulled down, where its mount comes down.</param>
/// <param name="Depth">How far its front stands out of the wall.</param>
/// <param name="Limit">The warmest that it may have around it; null for the usual 40 °C.</param>
/// <param name="Raise">The change that puts its lower edge at a height.</param>
internal sealed record WarmDisplay(string Name, Rect Outer, Length Lowest, Length Depth, Temperature? Limit, Func<Length, Change> Raise)
{
    /// <summary>What a display may usually have around it (common practice; the maker's figure counts).</summary>
    public static readonly Temperature Usual = new(40);

    /// <summary>What is kept from that (common practice).</summary>
    public const double Margin = 5;

    /// <summary>What may be measured.</summary>
    public Temperature May => (Limit ?? Usual).Warmer(-Margin);
}

/// <summary>Whether a display stays cool over a fire, and what burns far enough from it.</summary>
internal static class HeatCheck
{
    // A thermometer held that much higher than a display's edge has still been held to it (own rule).
    private static readonly Length Held = Length.Tape(2);

    // No wall over a fire at full is colder (own rule): a unit was taken for the other.
    private static readonly Temperature Coldest = new(10);

    /// <summary>What is wrong with a display over a fire.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="fire">What is known of the fire; null where nothing is.</param>
    /// <param name="display">The display.</param>
    /// <returns>The findings, parts named from the display on.</returns>
    public static IEnumerable<Finding> Display(Wall wall, Fire? fire, WarmDisplay display)
    {
        foreach (var opening in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace && f.Overlaps(display.Outer.Left, display.Outer.Right) && f.Top <= display.Outer.CentreY))
        {
            var spot = new Spot($"heat/{opening.Id}", display.Outer.CentreX, display.Outer.Bottom);
            if (!wall.Features.Any(f => Deflects(f, opening, display)))
            {
                yield return MasonryFindings.RisingAir.At(
                    spot with { Part = $"air/{opening.Id}" },
                    $"Put a mantel or a shelf between: the {display.Name} is {display.Outer.Bottom - opening.Top} over the {opening.Name} in its rising air, {opening.Left} to {opening.Right} across.");
                // Its case burns as well as a shelf does, and nothing is between.
                foreach (var near in Near(wall with { Features = [opening] }, fire, [(display.Name, "outline", display.Outer, display.Depth)]))
                {
                    yield return near;
                }
            }

            var several = wall.Features.Count(f => f.Kind == FeatureKind.Fireplace) > 1;
            foreach (var finding in Readings(opening, fire, display, spot, several))
            {
                yield return finding;
            }
        }
    }

    /// <summary>What is wrong with a display beside a fire, at its height: a stove warms to all sides.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="fire">What is known of the fire; null where nothing is.</param>
    /// <param name="display">The display.</param>
    /// <returns>The findings, parts named from the display on.</returns>
    public static IEnumerable<Finding> Beside(Wall wall, Fire? fire, WarmDisplay display)
    {
        if (fire is { Fuel: FireFuel.Electric } or { Use: FireUse.Never })
        {
            yield break;
        }

        var outer = display.Outer;
        foreach (var opening in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace && !f.Overlaps(outer.Left, outer.Right) && f.Top > outer.Bottom - Held))
        {
            var apart = Length.Max(opening.Left - outer.Right, outer.Left - opening.Right);
            if (apart >= FarBeside)
            {
                continue;
            }

            var spot = new Spot($"heat/{opening.Id}/beside", opening.Centre < outer.CentreX ? outer.Left : outer.Right, outer.CentreY);
            var there = (fire?.Readings.Items ?? []).Where(r => r.Full && r.Across is { } across && outer.Grown(Held).Holds(across, r.Up)).ToList();
            if (there.MaxBy(r => r.Warm.Celsius) is not { } warmest)
            {
                yield return MasonryFindings.HeatUnknown.At(
                    spot, $"Light the {opening.Name}, leave it at full for {HeatReading.LongEnough} minutes and measure at the {display.Name}'s edge, saying where across: it hangs {apart:fine} beside it, and what is nearer than {FarBeside} is warmed from the side.");
            }
            else if (warmest.Warm.Celsius > display.May.Celsius)
            {
                yield return MasonryFindings.TooHot.At(
                    spot, $"Move it farther away: {Word(warmest).ToLowerInvariant()} at the {display.Name} had {warmest.Warm} after {warmest.Minutes} minutes at full, {apart:fine} beside the {opening.Name}, and it may have {display.May}.");
            }
        }
    }

    // What burns keeps so far from a stove without papers of its own (NFPA 211, from memory).
    private static readonly Length FarBeside = Length.Tape(36);

    /// <summary>What burns too near an opening: features, and boards that are planned.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="fire">What is known of the fire.</param>
    /// <param name="planned">Boards that are planned: name, part, outline and how far they stand out.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> OfWall(Wall wall, Fire? fire, IEnumerable<(string Name, string Part, Rect Outline, Length Depth)> planned)
    {
        return Near(wall, fire, [.. wall.Features.Where(f => f.Combustible && f.Kind != FeatureKind.Fireplace).Select(f => (f.Name, Part: $"features/{f.Id}", f.Outline, f.Depth)), .. planned]);
    }

    /// <summary>Boards that are planned too near an opening.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="fire">What is known of the fire.</param>
    /// <param name="things">Name, part, outline and how far they stand out.</param>
    /// <returns>The findings, with the parts as they are named here.</returns>
    public static IEnumerable<Finding> Near(Wall wall, Fire? fire, IReadOnlyList<(string Name, string Part, Rect Outline, Length Depth)> things)
    {
        foreach (var opening in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace))
        {
            foreach (var (name, part, outline, depth) in things)
            {
                // What lies on the hearth before it is another matter.
                if (outline.Top <= opening.Bottom)
                {
                    continue;
                }

                var (across, up) = (Length.Max(Length.Zero, Length.Max(opening.Left - outline.Right, outline.Left - opening.Right)), Length.Max(Length.Zero, outline.Bottom - opening.Top));
                var away = Length.FromInches(Math.Sqrt((across.Inches * across.Inches) + (up.Inches * up.Inches)));
                if (depth == Length.Zero && away < Combustibles.Limited)
                {
                    yield return MasonryFindings.CombustibleNear.At(
                        new($"{part}/{opening.Id}", outline.CentreX, outline.Bottom), $"Measure how far the {name} stands out: it is {away:fine} from the {opening.Name}, and within {Combustibles.Limited} only an eighth of that is allowed.");
                    continue;
                }

                if (Combustibles.MayStandOut(away, fire?.Listed) is not { } may || (depth <= may && may > Length.Zero))
                {
                    continue;
                }

                var least = Combustibles.AwayFor(depth, fire?.Listed);
                yield return MasonryFindings.CombustibleNear.At(
                    new($"{part}/{opening.Id}", outline.CentreX, outline.Bottom),
                    may > Length.Zero
                        ? Phrase.Of($"Take the {name} back to {may} or move it {least - away} farther: {away:fine} from the {opening.Name} it may stand out {may}, an eighth of that, and it stands out {depth}.")
                        : Phrase.Of($"Move the {name} {least - away} farther{(part.StartsWith("features/", StringComparison.Ordinal) ? ", or make it of what does not burn" : string.Empty)}: it is {away:fine} from the {opening.Name}, and nothing that burns may be nearer than {Length.Max(Combustibles.Nothing, fire?.Listed ?? Length.Zero)}."));
            }
        }
    }

    private static bool Deflects(Feature feature, Feature opening, WarmDisplay display) =>
        feature.Kind is FeatureKind.Mantel or FeatureKind.Shelf or FeatureKind.Beam && feature.Bottom >= opening.Top && feature.Top <= display.Outer.Bottom + Held
        && feature.Left <= opening.Left && feature.Right >= opening.Right && feature.Depth > Length.Zero;

    private static IEnumerable<Finding> Readings(Feature opening, Fire? fire, WarmDisplay display, Spot spot, bool several)
    {
        // With several fires a reading belongs to the one that it was taken over; a wall over a fire that is colder than any lived-in room was misread.
        var readings = (fire?.Readings.Items ?? []).Where(r => r.Across is { } x ? x >= display.Outer.Left && x <= display.Outer.Right && (!several || (x >= opening.Left && x <= opening.Right)) : !several).ToList();
        var cold = readings.FirstOrDefault(r => r.Warm.Celsius < Coldest.Celsius);
        readings.RemoveAll(r => r.Warm.Celsius < Coldest.Celsius);
        // Warm air is warmer farther down: what was measured lower counts for what is higher, and never the other way.
        var hot = readings.Where(r => r.Up >= display.Lowest - Held && r.Up <= display.Outer.Top + Held && r.Warm.Celsius > display.May.Celsius).OrderByDescending(r => r.Warm.Celsius).ToList();
        if (hot.Count > 0)
        {
            Phrase message = $"{Word(hot[0])} at {hot[0].Up} up had {hot[0].Warm} after {hot[0].Minutes} minutes at full; the {display.Name} may have {display.Limit ?? WarmDisplay.Usual} around it, {(display.Limit is null ? "as is usual, since its maker's figure is not entered" : "by its maker")}, less {WarmDisplay.Margin.ToString("0", System.Globalization.CultureInfo.InvariantCulture)} °C: {display.May}.";
            if (Cool(readings, hot[0].Of, display) is { } height)
            {
                yield return MasonryFindings.TooHot.At(
                    spot, Phrase.Of($"{message} Between the readings it comes down to that {height} up."),
                    new Remedy($"Raise the {display.Name} {height - display.Outer.Bottom}", $"its lower edge at {height}, where it was cool enough", [display.Raise(height)]));
            }
            else
            {
                yield return MasonryFindings.TooHot.At(spot, Phrase.Of($"{message} Another place, a deeper mantel, a shield, or a mount that keeps it higher; then measure again."));
            }

            yield break;
        }

        // The lower edge, and where it hangs lowest.
        var full = readings.Where(r => r.Full).ToList();
        var air = full.Where(r => r.Of == HeatOf.Air && r.Up <= display.Lowest + Held && r.Up >= opening.Top - Held).ToList();
        var outer = display.Outer;
        var around = outer.Height * 0.25;
        bool Wall(Length from, Length to) => full.Any(r => r.Of == HeatOf.Wall && r.Up >= from && r.Up <= to);
        var missing = new List<Phrase>();
        if (air.Count == 0)
        {
            missing.Add(Phrase.Of($"the air at {display.Lowest} up"));
        }

        if (!Wall(opening.Top, outer.Bottom + Held))
        {
            missing.Add(Phrase.Of($"the wall at {outer.Bottom}"));
        }

        if (!Wall(outer.CentreY - around, outer.CentreY + around))
        {
            missing.Add(Phrase.Of($"the wall at {outer.CentreY}"));
        }

        if (!Wall(outer.Top - around, outer.Top + around))
        {
            missing.Add(Phrase.Of($"the wall at {outer.Top}"));
        }

        if (missing.Count == 0)
        {
            yield break;
        }

        var early = readings.Where(r => !r.Full).MaxBy(r => r.Minutes);
        var high = full.Where(r => r.Of == HeatOf.Air && r.Up > display.Lowest).MinBy(r => r.Up);
        var low = full.Where(r => r.Of == HeatOf.Air && r.Up < opening.Top).MaxBy(r => r.Up);
        Phrase what = missing[0];
        foreach (var more in missing.Skip(1))
        {
            what.AppendFormatted($", {more}");
        }

        yield return MasonryFindings.HeatUnknown.At(
            spot,
            $"Light the {opening.Name}, leave it at full for {HeatReading.LongEnough} minutes and measure {what}: the {display.Name}'s lower edge {(display.Lowest < display.Outer.Bottom ? "comes down to" : "is")} {display.Lowest - opening.Top} over it{(high is not null && air.Count == 0 ? Phrase.Of($"; the air was measured at {high.Up}, higher than that") : low is not null && air.Count == 0 ? Phrase.Of($"; the air at {low.Up} up, under the opening's top at {opening.Top}, says nothing of what rises") : cold is not null ? Phrase.Of($"; {cold.Warm} was read at {cold.Up}, which is colder than a room: was it the other unit?") : early is not null && full.Count == 0 ? Phrase.Of($"; {early.Minutes} minutes are too short") : several && (fire?.Readings.Items ?? []).Any(r => r.Across is null) ? Phrase.Of($"; with several fires say over which a temperature was taken: air 57 at 86, 86 F, 75 min") : string.Empty)}.");
    }

    private static string Word(HeatReading reading) => reading.Of == HeatOf.Air ? "The air" : "The wall";

    // The lowest height over a hot reading at which a straight line between two readings of one kind is cool enough. Nobody is told what lies beyond the readings.
    private static Length? Cool(List<HeatReading> readings, HeatOf of, WarmDisplay display)
    {
        var own = readings.Where(r => r.Of == of && r.Full).OrderBy(r => r.Up).ToList();
        for (var i = own.Count - 2; i >= 0; i--)
        {
            var (low, high) = (own[i], own[i + 1]);
            if (high.Warm.Celsius <= display.May.Celsius && low.Warm.Celsius > display.May.Celsius && high.Up > low.Up)
            {
                var share = (low.Warm.Celsius - display.May.Celsius) / (low.Warm.Celsius - high.Warm.Celsius);
                // Up to the next inch: a thermometer is no rule.
                var height = Length.Tape((long)Math.Ceiling((low.Up + ((high.Up - low.Up) * share)).Inches));
                return height > display.Outer.Bottom ? height : null;
            }
        }

        return null;
    }
}
