using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;

namespace Corrie.Core.Feeds;

/// <summary>A way that would be cheaper and is not allowed.</summary>
/// <param name="Why">What is in its way, and what would be saved.</param>
/// <param name="Saves">How much cheaper it would be, in the company's money.</param>
public sealed record RefusedWay(Phrase Why, double Saves);

/// <summary>A bay of which nobody knows whether a noggin crosses it, where a way leads along it.</summary>
/// <param name="Bay">The bay.</param>
/// <param name="From">Lower end of what nobody has seen.</param>
/// <param name="To">Upper end.</param>
/// <param name="More">What the way costs more if there is one, in the company's money.</param>
/// <param name="Elsewhere">Whether another way is cheaper then.</param>
/// <param name="Probe">The cheapest way to find out.</param>
/// <param name="Minutes">How long that takes.</param>
public sealed record BayQuestion(Bay Bay, Length From, Length To, double More, bool Elsewhere, Phrase Probe, double Minutes);

/// <summary>What a way is compared with.</summary>
/// <param name="Others">Other ways that are allowed, the cheapest first.</param>
/// <param name="Refused">What would be cheaper and is not allowed.</param>
public sealed record RivalWays(IReadOnlyList<Way> Others, IReadOnlyList<RefusedWay> Refused);

/// <summary>What has been made of a cable's way.</summary>
/// <param name="Route">What is wanted.</param>
/// <param name="From">Where it begins; null as long as that has no place.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Bundle">What runs in it.</param>
/// <param name="Hole">Diameter of the holes.</param>
/// <param name="Conduit">The tube that it runs in; null for none.</param>
/// <param name="Chosen">The way that is taken; null where there is none.</param>
/// <param name="Questions">Bays that nobody has looked into.</param>
/// <param name="NailPlates">How many nail plates its holes need.</param>
/// <param name="Rivals">What else it could be: looked for when somebody wants to compare.</param>
public sealed record RoutePlan(
    CableRoute Route, WayEnd? From, WayEnd? To, Bundle Bundle, Length Hole, Conduit? Conduit, Way? Chosen, IReadOnlyList<BayQuestion> Questions, int NailPlates, Lazy<RivalWays> Rivals)
{
    /// <summary>The next best way that differs from the one that is taken; null where there is none.</summary>
    public Way? Next => Rivals.Value.Others is [var next, ..] ? next : null;

    /// <summary>Seals for holes through noggins and plates, which may be fire blocks.</summary>
    public int Seals => Chosen?.Holes.Count(h => h.Kind != WayMoveKind.Stud) ?? 0;

    /// <summary>Openings in the board that are closed and painted again.</summary>
    public int Patches => Chosen?.Holes.Count(h => h.Kind is WayMoveKind.Stud or WayMoveKind.Noggin) ?? 0;
}

/// <summary>The ways of a wall.</summary>
/// <param name="All">Each way.</param>
/// <param name="Proven">Whether it is certain that no pair of power and signal is cheaper.</param>
public sealed record WallRoutes(IReadOnlyList<RoutePlan> All, bool Proven)
{
    /// <summary>A way.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>The way; null where there is none.</returns>
    public RoutePlan? Of(string id) => All.FirstOrDefault(r => r.Route.Id == id);

    /// <summary>Raceways beside which another one lies, since both follow one line of the wall: each is put up after those before it.</summary>
    /// <param name="route">The one that is put up later.</param>
    /// <returns>Those before it, each with how far they run together.</returns>
    public IReadOnlyList<(RoutePlan Other, Length For)> Beside(RoutePlan route) =>
        [.. All.TakeWhile(r => r != route).Where(r => r.Route.Shares != route.Route.Id && route.Route.Shares != r.Route.Id)
            .Select(r => (r, For: Together(r.Chosen, route.Chosen))).Where(r => r.For > Length.Zero)];

    /// <summary>What is done with a raceway where others lie on its line.</summary>
    /// <param name="route">The raceway's way.</param>
    /// <returns>A sentence for each of them.</returns>
    public IReadOnlyList<Phrase> BesideSays(RoutePlan route) =>
        [.. Beside(route).Select(b => Phrase.Of($"For {b.For} it follows the line of the raceway for {b.Other.Route.Called}: put it beside that, edge to edge, on the side away from the edge that both follow."))];

    private static Length Together(Way? a, Way? b)
    {
        var sum = Length.Zero;
        foreach (var x in a?.Moves.Where(m => m.Kind == WayMoveKind.Surface) ?? [])
        {
            foreach (var y in b?.Moves.Where(m => m.Kind == WayMoveKind.Surface) ?? [])
            {
                sum += x.From.X == x.To.X && y.From.X == x.From.X && y.To.X == x.From.X ? Shared(x.From.Y, x.To.Y, y.From.Y, y.To.Y)
                    : x.From.Y == x.To.Y && y.From.Y == x.From.Y && y.To.Y == x.From.Y ? Shared(x.From.X, x.To.X, y.From.X, y.To.X)
                    : Length.Zero;
            }
        }

        return sum;
    }

    private static Length Shared(Length a, Length b, Length c, Length d) => Length.Max(Length.Zero, Length.Min(Length.Max(a, b), Length.Max(c, d)) - Length.Max(Length.Min(a, b), Length.Min(c, d)));
}
