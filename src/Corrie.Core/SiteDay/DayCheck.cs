using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>A display of a wall as the day sees it.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Place">Its outline.</param>
/// <param name="Hangs">Whether it hangs.</param>
/// <param name="Begun">Whether a bolt for it is in.</param>
/// <param name="Unwired">Name of a way behind it that brings mains and is not wired yet; empty for none.</param>
internal sealed record DayDisplay(string Key, string Name, Rect Place, bool Hangs, bool Begun, string Unwired);

/// <summary>Something that is still to be lifted to a wall.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Place">Its outline.</param>
/// <param name="Lift">Who lifts it.</param>
/// <param name="Mass">What it weighs.</param>
internal sealed record DayLift(string Key, string Name, Rect Place, Lift Lift, Mass Mass);

/// <summary>A thing of a wall that came in a box.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Receipt">How it came out.</param>
/// <param name="Earlier">For a mount that somebody else put up: what is known of it.</param>
internal sealed record DayThing(string Key, string Name, Receipt Receipt, EarlierInstall? Earlier);

/// <summary>All that the records of a day on a wall follow from.</summary>
/// <param name="Wall">Key of the wall.</param>
/// <param name="First">Whether it is the job's first wall, which also says what is about no wall.</param>
/// <param name="Displays">Its displays.</param>
/// <param name="Lifts">What is still to be lifted.</param>
/// <param name="Things">Its things that came in boxes.</param>
/// <param name="Unplaced">Boxes of the wall without a place.</param>
/// <param name="Visits">The job's visits.</param>
/// <param name="Changes">Its change orders.</param>
/// <param name="Incidents">Its incidents.</param>
/// <param name="Supplied">What its client supplies.</param>
/// <param name="Done">What has been done.</param>
/// <param name="Photos">Photos of steps.</param>
/// <param name="Drying">What dries on the wall.</param>
/// <param name="Inspected">What was said of an inspection before a wall is closed; empty for nothing.</param>
internal sealed record DayTask(
    string Wall, bool First, Same<DayDisplay> Displays, Same<DayLift> Lifts, Same<DayThing> Things, Same<string> Unplaced, Same<Visit> Visits, Same<ChangeOrder> Changes, Same<Incident> Incidents, Same<ClientSupplied> Supplied, Same<DayTick> Done, Same<DayPhoto> Photos, Same<Drying> Drying, string Inspected);

/// <summary>What is wrong with the day by its records.</summary>
internal static class DayCheck
{
    private static readonly TimeOnly Morning = new(8, 0);

    /// <summary>Everything that is wrong.</summary>
    /// <param name="task">All that it follows from.</param>
    /// <returns>The findings, parts named from the wall on.</returns>
    public static IEnumerable<Finding> Of(DayTask task) => [.. Lifts(task), .. Received(task), .. InOrder(task), .. Dries(task), .. task.First ? OfJob(task) : []];

    private static IEnumerable<Finding> Lifts(DayTask task)
    {
        var installs = task.Visits.Items.Where(v => v.For == VisitFor.Install && v.People.Items.Count > 0).ToList();
        foreach (var thing in installs.Count == 0 ? [] : task.Lifts.Items)
        {
            var (lift, spot) = (thing.Lift, new Spot($"lift/{thing.Key}", thing.Place.CentreX, thing.Place.CentreY));
            // The equation knows weight, reach and height: who comes has to be enough for that, or a machine comes.
            bool Enough(Visit v) => v.Machine || (lift.Count <= v.People.Items.Count && (!lift.Platform || v.Platform));
            bool Stands(Visit v) => v.Machine || (v.Platform ? lift.FromPlatform : lift.OnFoot) <= v.People.Items.Count;
            var most = installs.OrderByDescending(v => v.People.Items.Count).First();
            Phrase weighs = $"the {thing.Name} weighs {thing.Mass}, one may lift {lift.One} there";
            if (!installs.Any(Enough))
            {
                yield return SiteFindings.Lift.At(spot, lift.Count is not { } needed
                    ? Phrase.Of($"Bring a lifting machine and say so on the visit, or hang it lower: {weighs}, and {Lifting.Most} no more than {lift.Together(Lifting.Most)} together; those who come on {most.On} are {most.People.Items.Count}.")
                    : lift.Platform && needed <= most.People.Items.Count
                    ? Phrase.Of($"Bring a platform and say so on the visit: {weighs}, its middle at {thing.Place.CentreY}, and over {Lifting.Highest} hands lift nothing safely.")
                    : Phrase.Of($"Send {needed} people to install: {weighs}, and the most that come are {most.People.Items.Count}, on {most.On}."));
            }
            else if (!installs.Any(v => Enough(v) && Stands(v)))
            {
                var harder = lift.Footing.Items.Select(f => f.Says()).Concat(lift.Turns > 0 ? [$"up stairs with {lift.Turns} {(lift.Turns == 1 ? "turn" : "turns")}"] : []).ToList();
                yield return SiteFindings.Footing.At(spot with { Part = $"footing/{thing.Key}" }, lift.OnFoot is { } more
                    ? Phrase.Of($"Send {more} people{(lift.Footing.Items.Count > 0 ? ", or bring a platform to lift from" : string.Empty)}: {weighs}, so that {lift.Count!.Value} would do on firm, level ground, and it is lifted {string.Join(", ", harder)}. The most that come are {most.People.Items.Count}, on {most.On}.")
                    : Phrase.Of($"Bring a lifting machine{(lift.Footing.Items.Count > 0 && lift.FromPlatform is not null ? " or a platform to lift from" : string.Empty)}: {weighs}, so that {lift.Count!.Value} would do on firm, level ground, and it is lifted {string.Join(", ", harder)}, which takes more than the {Lifting.Most} that can stand round it."));
            }
        }
    }

    private static IEnumerable<Finding> Received(DayTask task)
    {
        foreach (var thing in task.Things.Items)
        {
            Spot at = new($"receipt/{thing.Key}");
            if (thing.Receipt.Missing.Trim().Length > 0)
            {
                yield return SiteFindings.PartsMissing.At(at, $"Get it before the visit, or put the visit off: of the {thing.Name} 1 thing is missing, {thing.Receipt.Missing.Trim()}.");
            }

            if (thing.Receipt.Works == false)
            {
                yield return SiteFindings.PartsMissing.At(at with { Part = at.Part + "/works" }, $"Send it back: the {thing.Name} did not work when it was powered on, and 0 of 1 is there to be hung.");
            }

            if (thing.Earlier is { } earlier && !(earlier.Held == EarlierHold.InMembers && earlier.Moves == false && Licences.Given(earlier.By)))
            {
                yield return SiteFindings.Earlier.At(new($"earlier/{thing.Key}"), earlier.Held == EarlierHold.InBoard || earlier.Moves == true
                    ? Phrase.Of($"Take it down first, and put it up properly: the {thing.Name} of somebody else {(earlier.Held == EarlierHold.InBoard ? "is held by anchors in the board alone" : "moves")}, with 0 bolts in a member that anybody has seen.")
                    : Phrase.Of($"Look behind before anybody touches it: how the {thing.Name} of somebody else is held, and whether anything moves, is not on record by name; 0 of 1 looks."));
            }
        }

        foreach (var display in task.Displays.Items.Where(d => d.Hangs))
        {
            if (task.Things.Items.FirstOrDefault(t => t.Key == display.Key) is { Receipt.Works: null })
            {
                yield return SiteFindings.NotTested.At(
                    new($"tested/{display.Key}", display.Place.CentreX, display.Place.CentreY), $"Power it on now: the {display.Name} hangs, and 0 of 1 tests while it could still be returned are on record.");
            }
        }
    }

    private static IEnumerable<Finding> InOrder(DayTask task)
    {
        bool Done(string step) => task.Done.Items.Any(d => d.Id == step);
        if (task.Unplaced.Items.Count > 0 && task.Displays.Items.FirstOrDefault(d => d.Begun) is { } begun)
        {
            yield return SiteFindings.Order.At(
                new("order/layout", begun.Place.CentreX, begun.Place.CentreY), $"Give {(task.Unplaced.Items.Count == 1 ? "it its place" : "them their places")} before the next hole: {task.Unplaced.Items.Count} {(task.Unplaced.Items.Count == 1 ? "box has" : "boxes have")} none, {string.Join(", ", task.Unplaced.Items)}, and the first bolt for the {begun.Name} is in.");
        }

        var seen = task.Photos.Items.Any(p => p.Step == DaySteps.Photo(task.Wall));
        if (Done(DaySteps.Close(task.Wall)) && (!seen || (task.Inspected.Trim().Length > 0 && !Done(DaySteps.Inspect(task.Wall)))))
        {
            yield return SiteFindings.Order.At(
                new("order/closed"), $"Open it again, or find the record: the wall is closed, and 0 of 1 {(seen ? "inspections" : "photos of what is inside")} came before.");
        }

        foreach (var display in task.Displays.Items.Where(d => d.Hangs && d.Unwired.Length > 0))
        {
            yield return SiteFindings.Order.MildAt(
                new($"order/{display.Key}", display.Place.CentreX, display.Place.CentreY), $"Have {display.Unwired} wired with the display off the wall, or say that it is: the {display.Name} hangs, and of 1 way of mains behind it nobody has recorded who wired it.");
        }
    }

    // A day of work begins at eight (own rule); a visit that only looks needs nothing dry.
    private static IEnumerable<Finding> Dries(DayTask task)
    {
        var visits = task.Visits.Items.Where(v => v.For is VisitFor.Install or VisitFor.HandOver or VisitFor.Electrician)
            .Select(v => (Visit: v, Begins: DayTime.Read(v.On) is { } day ? new DayTime(day, Morning) : (DayTime?)null)).ToList();
        foreach (var drying in task.Drying.Items)
        {
            var what = drying.Kind switch { DryingKind.Paint => "paint", DryingKind.Plaster => "plaster", DryingKind.Adhesive => "adhesive", _ => "filler" };
            if (drying.Dry is not { } dry)
            {
                yield return SiteFindings.DryTime.MildAt(
                    new($"drying/{drying.Id}"), $"Look it up before anybody goes on: when the {what} is dry nobody can tell from '{drying.Since}' and {(drying.Hours is { } told ? Phrase.Of($"{told:0.#} hours") : "no hours")}. It takes a day with its time, such as 2026-11-27 15:30, and the hours of its maker's sheet.");
                continue;
            }

            foreach (var (visit, begins) in visits.Where(v => v.Begins is { } at && dry.After(at) > 0 && at.Day >= drying.Begins!.Value.Day))
            {
                yield return SiteFindings.DryTime.At(
                    new($"drying/{drying.Id}/{visit.Id}"), $"Put the visit off or let it dry first: the {what} is dry at {dry.ToString()}, after {drying.Hours.GetValueOrDefault():0.#} hours, and the visit of {visit.On} begins {dry.After(begins!.Value):0.#} hours before that.");
            }

            foreach (var (visit, _) in visits.Where(v => v.Begins is null))
            {
                yield return SiteFindings.DryTime.MildAt(
                    new($"drying/{drying.Id}/{visit.Id}"), $"Give the visit its day, such as 2026-11-27: whether it begins before the {what} is dry, at {dry.ToString()}, nobody can tell from '{visit.On}'.");
            }
        }
    }

    private static IEnumerable<Finding> OfJob(DayTask task)
    {
        foreach (var order in task.Changes.Items.Where(c => c.Begun && !c.Approved))
        {
            yield return SiteFindings.ChangeNotApproved.At(
                new($"changes/{order.Id}"), $"Stop, and have it approved by name: '{order.Says}' has begun, {(order.Hours is { } hours ? Phrase.Of($"{hours:0.#} hours") : "its hours not said")}, and {(order.State == Agreed.Refused ? "the client refused it" : order.Stale ? Phrase.Of($"what the client signed was another offer, '{order.SignedFor}', so that 0 of 1 approvals hold") : "0 of 1 approvals are on record")}.");
        }

        foreach (var order in task.Changes.Items.Where(c => c.Unsafe && c.State == Agreed.Refused && !c.Begun))
        {
            yield return SiteFindings.ChangeNotApproved.MildAt(
                new($"changes/{order.Id}/unsafe"), $"Leave it out of use and say so in the hand-over: '{order.Says}' is unsafe as it is, and 1 client refused to have it put right.");
        }

        foreach (var incident in task.Incidents.Items.Where(i => !i.Closed))
        {
            yield return SiteFindings.IncidentOpen.At(
                new($"incidents/{incident.Id}"), $"Find the cause and look over what it may have hurt before work goes on: '{incident.Says}', and of 3 things {new[] { incident.Cause, incident.Checked, incident.By }.Count(t => !Licences.Given(t))} are not on record: cause, what was checked, and who.");
        }

        foreach (var thing in task.Supplied.Items.Where(s => !s.There && task.Displays.Items.Any(d => d.Begun)))
        {
            yield return SiteFindings.PartsMissing.At(new($"supplied/{thing.Id}"), $"Ask the client for it: 1 thing that they supply is not there, {thing.Name}{(thing.Long is { } length ? Phrase.Of($", {length} long") : string.Empty)}, and work has begun.");
        }
    }
}
