using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Feeds;

/// <summary>What is wrong with where a box is.</summary>
internal static class BoxCheck
{
    private static readonly Length InLine = Length.Tape(0, 1, 8);

    /// <summary>A plug before a cover that is flush with the wall (common practice).</summary>
    internal static readonly Length Plug = Length.Tape(1, 1, 2);

    /// <summary>Everything that is wrong.</summary>
    /// <param name="task">The box.</param>
    /// <param name="places">Where it may go.</param>
    /// <returns>The findings, parts named from the box on.</returns>
    public static IEnumerable<Finding> Of(BoxTask task, BoxPlaces places) => task is { Outer: { } outer, Cut: { } cut } ? [.. Place(task, places, outer, cut), .. InTheWall(task, outer), .. Looks(task, places, outer)] : [];

    private static Spot At(string part, Rect outer) => new(part, outer.CentreX, outer.CentreY);

    private static IEnumerable<Finding> Place(BoxTask task, BoxPlaces places, Rect outer, Rect cut)
    {
        var (name, box) = (task.Name, task.Box);
        var met = places.Blocked.Where(b => b.Centre.Holds(outer.CentreX, outer.CentreY)).ToList();
        var bay = task.Bays.At(outer.CentreX) is { } found && found.Clear < box.OpeningWidth ? found : null;
        if (met.Count == 0 && bay is null)
        {
            yield break;
        }

        var remedies = Remedies(task, places);
        if (bay is not null)
        {
            yield return FeedFindings.BayTooNarrow.At(
                At("bay", outer), $"Measure the bay and take a narrower box or another bay: the {name} wants an opening of {box.OpeningWidth:fine}, and the bay from {bay.Left:fine} to {bay.Right:fine} is {bay.Clear:fine} wide, {box.OpeningWidth - bay.Clear:fine} less.", remedies);
        }
        else if (met.Where(b => b.By is BlockedBy.Member or BlockedBy.Crossing).OrderBy(b => (b.Area.CentreX - outer.CentreX).Abs).FirstOrDefault() is { } member)
        {
            var upright = member.By == BlockedBy.Member;
            yield return FeedFindings.BoxOnMember.At(
                At("member", outer), upright
                    ? Phrase.Of($"Move the {name}: its opening is {cut.Left:fine} to {cut.Right:fine} across, and a {member.What} stands from {member.Area.Left:fine} to {member.Area.Right:fine}.")
                    : Phrase.Of($"Move the {name}: its opening is {cut.Bottom:fine} to {cut.Top:fine} up, and a {member.What} crosses the bay from {member.Area.Bottom:fine} to {member.Area.Top:fine}."),
                remedies);
        }
        else if (met.FirstOrDefault(b => b.By == BlockedBy.Wings) is { } wing)
        {
            var free = wing.Area.CentreX < outer.CentreX ? cut.Left - wing.Area.Right : wing.Area.Left - cut.Right;
            yield return FeedFindings.WingSpace.At(
                At("wings", outer), $"Move the {name}: its wings reach {box.Wings:fine} behind the board on each side of the opening, and to the stud at {wing.Area.CentreX:fine} are {free:fine}.", remedies);
        }

        // What is hit by the saw is hit as by a drill.
        foreach (var keep in task.Survey.KeepOuts(task.Policy).GroupBy(k => k.Id).Select(g => g.FirstOrDefault(k => k.Area.Overlaps(cut))).OfType<KeepOut>())
        {
            if (met.Any(b => b.By == BlockedBy.Kept && b.Area == keep.Area))
            {
                yield return SurveyFindings.LiveNearHole.At(
                    At("cut/" + keep.Id, outer), $"Move the {name}, or find out where it runs: the opening, {cut.Left} to {cut.Right} across and {cut.Bottom} to {cut.Top} up, reaches into what is kept free round the {keep.Name}, {keep.Area.Left} to {keep.Area.Right} across and {keep.Area.Bottom} to {keep.Area.Top} up: {keep.Why}.", remedies);
            }
        }

        if (met.FirstOrDefault(b => b.By == BlockedBy.Kept && task.Wall.Features.Any(f => f.Outline == b.Area && (f.Traits.OpensWall || f.Kind == FeatureKind.Flue))) is { } opening)
        {
            yield return FeedFindings.BoxOnMember.At(
                At("opening", outer), $"Move the {name}: at {outer.CentreX} across, {outer.CentreY} up it is in the {opening.What}, {opening.Area.Left} to {opening.Area.Right} across and {opening.Area.Bottom} to {opening.Area.Top} up.", remedies);
        }

        if (met.FirstOrDefault(b => b.By is BlockedBy.Plate or BlockedBy.Port) is { } under)
        {
            yield return FeedFindings.BoxUnderPlate.At(
                At("plate", outer), $"Move the {name}: its cover, {outer.Left} to {outer.Right} across and {outer.Bottom} to {outer.Top} up, lies behind the {under.What}, {under.Area.Left} to {under.Area.Right} across and {under.Area.Bottom} to {under.Area.Top} up.", remedies);
        }
    }

    private static IEnumerable<Finding> InTheWall(BoxTask task, Rect outer)
    {
        var (name, box) = (task.Name, task.Box);
        if (task.Room is { } room && box.Depth > room)
        {
            yield return FeedFindings.BoxTooDeep.At(
                At("depth", outer), room == Length.Zero ? Phrase.Of($"Put the {name} on the surface, or into a void that is there: it goes {box.Depth} deep, and behind the face of this wall is no cavity.")
                    : Phrase.Of($"Take a shallower box: the {name} goes {box.Depth:fine} deep, and layers and cavity are {room:fine} together, {box.Depth - room:fine} less."));
        }

        if (task.Wall.Questions.MayCut == false)
        {
            yield return FeedFindings.Tenant.At(At("tenant", outer), $"Put it on the surface: the {name} wants an opening of {box.OpeningWidth} by {box.OpeningHeight}, and this wall may not be cut.");
        }

        if (task.Wall.Questions.FireRated == true && task.Feeds.Seal.Length == 0)
        {
            yield return FeedFindings.FireRated.At(At("fire", outer), $"Record the listed seal and who puts it there, or stay on the surface: the {name} opens {box.OpeningWidth} by {box.OpeningHeight} of a fire-rated wall.");
        }
    }

    private static IEnumerable<Finding> Looks(BoxTask task, BoxPlaces places, Rect outer)
    {
        var name = task.Name;
        if (task.Behind is { } display)
        {
            var inside = display.Outer.Grown(-task.Policy.Feeds.InsideDisplay);
            var over = new[] { (By: inside.Left - outer.Left, Side: "left"), (By: outer.Right - inside.Right, Side: "right"), (By: inside.Bottom - outer.Bottom, Side: "lower"), (By: outer.Top - inside.Top, Side: "upper") }.MaxBy(o => o.By);
            if (over.By > Length.Zero)
            {
                yield return FeedFindings.BoxShows.At(
                    At("shows", outer), $"Move the {name} {over.By:fine} inwards: it is to stay {task.Policy.Feeds.InsideDisplay} inside the {display.Name}, and passes that on the {over.Side} side.", Remedies(task, places));
            }
            else if (task.LowThird is { } low && outer.CentreY < low)
            {
                yield return FeedFindings.Droop.At(At("droop", outer), $"Higher is better: the {name} is at {outer.CentreY}, in the lower third of the {display.Name}, which ends at {low}. Cables hang down from it.", Remedies(task, places));
            }

            if (task.Box.HasPower && task.Box.Sort != BoxSort.Recessed && display.Gap < Plug)
            {
                yield return FeedFindings.DeviceBehind.At(
                    At("plug", outer), $"Take a box that sets its plug back into the wall, or a mount that stands out more: the {name} is flush, its plug stands {Plug} out, and behind the parked {display.Name} are {display.Gap}.");
            }

            if (display.Folds && task.Box.HasSignal)
            {
                foreach (var (arm, area) in display.Before.Items.Where(b => b.Area.Grown(Length.Tape(1)).Overlaps(outer) && !b.Area.Overlaps(outer)).Take(1))
                {
                    yield return FeedFindings.Pinch.At(At("fold", outer), $"Keep cables out of the fold: the {name} is within 1 in of the {arm}, {area.Left} to {area.Right} across and {area.Bottom} to {area.Top} up, and the arm folds there each time that it closes.");
                }
            }
        }
        else if (task.Old is { } old && (old.Outline.CentreY - outer.CentreY).Abs is var off && off > InLine)
        {
            yield return FeedFindings.HeightsDiffer.At(
                At("height", outer), $"The {name} is at {outer.CentreY}, {off} {(outer.CentreY > old.Outline.CentreY ? "higher" : "lower")} than the {old.Name} at {old.Outline.CentreY}.",
                places.Centres.At(outer.CentreX, old.Outline.CentreY) is not null && task.Choice is { } choice
                    ? [new Remedy($"Put it at {old.Outline.CentreY}", $"in line with the {old.Name}", [choice.BottomAt(old.Outline.CentreY - outer.Height.Half, outer.Height)])] : []);
        }
    }

    private static IReadOnlyList<Remedy> Remedies(BoxTask task, BoxPlaces places) => task is { Choice: { } choice, Outer: { } outer }
        ? [.. places.All.Where(p => p.X != outer.CentreX || p.Y != outer.CentreY).Take(3).Select(p => new Remedy(
            $"Put it at {p.X} across, {p.Y} up", $"its centre; {(p.Window == places.All[0].Window ? "the best place" : "another place")} that is left", [.. choice.CentreAt(p.X), choice.BottomAt(p.Y - outer.Height.Half, outer.Height)]))]
        : [];
}
