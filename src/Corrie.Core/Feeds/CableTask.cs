using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A cable and what it runs between.</summary>
/// <param name="Connection">The cable.</param>
/// <param name="From">Where it begins; null as long as that has no place.</param>
/// <param name="To">Where it ends.</param>
/// <param name="FromJack">The port there; null where it has none of that name.</param>
/// <param name="ToJack">The port at the other end.</param>
/// <param name="Arm">The arm that its display hangs on; null where nothing moves.</param>
/// <param name="ArmAtEnd">Whether the arm is at its far end; else at its near one.</param>
/// <param name="Route">Its way through a wall; null for none.</param>
/// <param name="Bends">Room in which it turns between a box and the display before it: the parked gap and the box's depth; null where it does not.</param>
internal sealed record CableAsked(Connection Connection, PortPlace? From, PortPlace? To, Jack? FromJack, Jack? ToJack, ArmPath? Arm, bool ArmAtEnd, RoutePlan? Route, Length? Bends);

/// <summary>How long cables are.</summary>
internal static class CablePlanner
{
    /// <summary>Plans a cable.</summary>
    /// <param name="asked">The cable.</param>
    /// <param name="policy">The company's figures.</param>
    /// <param name="units">The units in which it is cut.</param>
    /// <returns>Its plan.</returns>
    public static CablePlan Of(CableAsked asked, Policy policy, UnitSystem units)
    {
        var (connection, figures) = (asked.Connection, policy.Feeds);
        var limit = connection.Cable is { } known ? CablePlan.LimitOf(known, asked.FromJack?.Fast == true && asked.ToJack?.Fast == true) : null;
        var parts = new List<LengthPart>();
        var slack = Length.Zero;
        // What is on another wall than its way, or than its other end, is as far from there as somebody has measured.
        var on = connection.Via.Length > 0 ? connection.Via.Split('/')[0] : asked.From?.Wall;
        if (asked is not { From: { } from, To: { } to } || (connection.Via.Length > 0 && asked.Route is not { Chosen: not null, From: not null, To: not null }) || ((from.Wall != on || to.Wall != on) && connection.Between is null))
        {
            return new(connection, asked.From, asked.To, [], null, slack, null, null, limit);
        }

        if (asked.Route is { Chosen: { } way, From: { } a, To: { } b })
        {
            // From whichever end of the way is nearer, by what is on its wall.
            var swapped = (from.Wall == on ? Far(from, b) - Far(from, a) : Length.Zero) + (to.Wall == on ? Far(to, a) - Far(to, b) : Length.Zero) < Length.Zero;
            var (near, far) = swapped ? (b, a) : (a, b);
            Rise(from, near, asked.Arm is not null && !asked.ArmAtEnd);
            parts.Add(new("along its way", way.Run));
            Rise(to, far, asked.Arm is not null && asked.ArmAtEnd);
        }
        else if (to.Wall != from.Wall)
        {
            // Measured parked; out, the whole arm comes to it.
            AddArm(asked.Arm?.Long ?? Length.Zero);
        }
        else
        {
            var open = (from.X - to.X).Abs + (from.Y - to.Y).Abs + from.Out + to.Out;
            parts.Add(new($"{from.Name} to {to.Name}", open));
            if (asked.Arm is { } arm)
            {
                var (still, moving) = asked.ArmAtEnd ? (from, to) : (to, from);
                AddArm(arm.To(new(still.X, still.Y), new(moving.X, moving.Y)) + still.Out - open);
            }
        }

        if (from.Wall != on || to.Wall != on)
        {
            parts.Add(new("from wall to wall, measured", connection.Between!.Value));
        }

        parts.Add(new("two service loops", figures.Loop * 2));
        var sum = parts.Aggregate(Length.Zero, (s, p) => s + p.Length);
        var spare = sum * figures.Spare;
        parts.Add(new("spare", spare));
        return new(connection, from, to, parts, sum, slack, sum + spare, connection.Cable is { } cable ? CablePlan.Sold(cable, sum + spare, units) : null, limit)
        {
            // From where it leaves the wall on the display's side.
            Ties = asked.Arm is { } tied ? tied.Ties(asked.Route is { From: { } one, To: { } other } ? (Far(asked.ArmAtEnd ? to : from, one) < Far(asked.ArmAtEnd ? to : from, other) ? one : other) : asked.ArmAtEnd ? new(from.X, from.Y) : new(to.X, to.Y)) : [],
        };

        void Rise(PortPlace port, WayEnd end, bool moves)
        {
            if (port.Wall != on)
            {
                AddArm(moves ? asked.Arm!.Long : Length.Zero);
                return;
            }

            var parked = Far(port, end) + port.Out;
            parts.Add(new($"{port.Name} to the wall", parked));
            if (moves)
            {
                AddArm(asked.Arm!.To(end, new(port.X, port.Y)) - parked);
            }
        }

        void AddArm(Length more)
        {
            if (more > Length.Zero)
            {
                slack = more;
                parts.Add(new("along the arm at its farthest", more));
            }
        }
    }

    private static Length Far(PortPlace port, WayEnd end) => (port.X - end.X).Abs + (port.Y - end.Y).Abs;

    /// <summary>What is wrong with a cable.</summary>
    /// <param name="asked">The cable.</param>
    /// <param name="plan">Its plan.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Check(CableAsked asked, CablePlan plan)
    {
        var connection = asked.Connection;
        var spot = new Spot($"cables/{connection.Id}", plan.To?.X, plan.To?.Y);
        if (plan is { Way: { } way, Asked: { } needs })
        {
            var has = connection.Bought ?? plan.Buys;
            if (connection.Cable is { Sold.Count: > 0 } cable && has is null)
            {
                yield return FeedFindings.TooShort.At(spot, $"Take another cable: from port to port are {way}, with what is spare {needs}, and the {cable.Name} is sold up to {cable.Sold[^1]}.");
            }
            else if (has is { } length && length < needs)
            {
                var arm = plan.Slack > Length.Zero && length >= needs - plan.Slack;
                var kind = arm ? FeedFindings.ArmSlack : FeedFindings.TooShort;
                yield return kind.At(spot, arm
                    ? Phrase.Of($"Take a longer cable: {connection.Says} is {length}; parked that does, and at its farthest the arm asks for {plan.Slack} more, {needs} together.")
                    : Phrase.Of($"Take a longer cable: {connection.Says} is {length}, and from port to port with loops and what is spare are {needs:least}, {needs - length:least} more."));
            }

            if (plan.Limit is { } limit && (has ?? needs) > limit)
            {
                yield return FeedFindings.TooFar.At(spot, $"Take an active or optical cable, or an extender over network: {connection.Says} is {has ?? needs} long, and by an ordinary cable its signal goes {limit}.");
            }
        }

        if (asked.Bends is { } room && connection.Cable is { } bent && bent.Bend > room)
        {
            yield return FeedFindings.BendRadius.At(
                spot with { Part = $"cables/{connection.Id}/bend" }, $"Take an angled plug, a deeper box or a mount that stands out more: {connection.Says} turns from its box to the port within {room:fine}, the gap behind the display and the box's depth, and takes a bend of {bent.Bend:fine}.");
        }

        if (connection.Tests.Items.OrderBy(t => t.Id, StringComparer.Ordinal).LastOrDefault() is { } test && test.Faults() is { Count: > 0 } faults)
        {
            yield return FeedFindings.WireMap.At(spot, $"Mend it and test again: the tester shows {faults.Count} {(faults.Count == 1 ? "fault" : "faults")} on {connection.Says}{(test.Length is { } shown ? Phrase.Of($" of {shown}") : string.Empty)}: {faults[0].Says}.") with { Parts = [.. faults.Select(f => f.Says)] };
        }
    }
}
