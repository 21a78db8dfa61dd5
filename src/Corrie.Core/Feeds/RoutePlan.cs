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

/// <summary>What has been made of a cable's way.</summary>
/// <param name="Route">What is wanted.</param>
/// <param name="From">Where it begins; null as long as that has no place.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Bundle">What runs in it.</param>
/// <param name="Hole">Diameter of the holes.</param>
/// <param name="Conduit">The tube that it runs in; null for none.</param>
/// <param name="Chosen">The way that is taken; null where there is none.</param>
/// <param name="Next">The next best that differs.</param>
/// <param name="Others">Further ways that were looked at.</param>
/// <param name="Refused">What would be cheaper and is not allowed.</param>
/// <param name="Questions">Bays that nobody has looked into.</param>
/// <param name="NailPlates">How many nail plates its holes need.</param>
public sealed record RoutePlan(
    CableRoute Route, WayEnd? From, WayEnd? To, Bundle Bundle, Length Hole, Conduit? Conduit, Way? Chosen, Way? Next, IReadOnlyList<Way> Others, IReadOnlyList<RefusedWay> Refused, IReadOnlyList<BayQuestion> Questions, int NailPlates)
{
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
}
