using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>What keeps a thing from falling that hangs on no mount.</summary>
public enum HeldBy
{
    /// <summary>It stands on something.</summary>
    Stands,

    /// <summary>Brackets, hooks or adhesive of its own.</summary>
    Own,

    /// <summary>It lies where it cannot fall: on a floor, in a tray.</summary>
    Lies,

    /// <summary>Somebody else fixes it.</summary>
    Others,
}

/// <summary>What keeps a thing from falling. What has weight and says nothing of it is not held.</summary>
/// <param name="By">What.</param>
/// <param name="On">For what stands: key of what it stands on.</param>
/// <param name="Number">For fixings of its own: how many.</param>
/// <param name="Rated">For fixings of its own: what they are rated for together.</param>
/// <param name="Who">Who says so, or who fixes it.</param>
/// <param name="How">For what somebody else fixes: how.</param>
/// <param name="Day">For what somebody else fixes: on which day, as year, month and day.</param>
public sealed record Held(HeldBy By, string On, int? Number, Mass? Rated, string Who, string How, string Day)
{
    /// <summary>Lighter things hurt nobody (own rule).</summary>
    public static readonly Mass Light = Mass.FromPounds(1);

    /// <summary>From here on nobody passes it.</summary>
    public static readonly Mass Heavy = Mass.FromPounds(10);

    /// <summary>What keeps a thing from falling; null where nobody has said.</summary>
    public static Part<Held?> Part { get; } = new(Holder.Item, "held", new GroupShape<Held?>("what keeps it from falling, where it hangs on nothing", m =>
    {
        var by = m.Maybe("by", new ChoiceShape<HeldBy>("it is held by"));
        var (on, number, rated) = (m.Part("on", new TextShape("for what stands: on what", 32, Names.FeedEnd)) ?? string.Empty, m.Maybe("number", new WholeShape("for brackets, hooks or pads of its own: how many", 1, 99)), m.Maybe("rated", new MassShape("what they are rated for together", overZero: true)));
        var (who, how, day) = (m.Text("who", "who says so, or who fixes it", 80), m.Text("how", "for what somebody else fixes: how", 120), m.Text("day", "for what somebody else fixes: on which day, such as 2026-11-27", 20));
        return by is { } what ? new(what, on, number, rated, who.Trim(), how.Trim(), day.Trim()) : null;
    }), kind => kind != Display.Kind && kind != Mount.Kind && kind.Layer == WallLayer.Front);

    /// <summary>What is wrong with how the things of a wall are held.</summary>
    /// <param name="sheet">The job.</param>
    /// <param name="wall">The wall.</param>
    /// <param name="features">What is on the wall.</param>
    /// <returns>The findings, each with the thing that it is about.</returns>
    internal static IEnumerable<(Item Item, Finding Finding)> Check(JobSheet sheet, WallSheet wall, IReadOnlyList<Feature> features)
    {
        foreach (var item in sheet.ThingsOn(wall).Where(i => i.Kind != Display.Kind && i.Kind != Mount.Kind && i.Kind.Layer == WallLayer.Front && sheet.On(i) is null))
        {
            if (item.Product is not { } product || product.Mass.Kilograms <= Light.Kilograms || item.Get(Stands.Part) is { In.Length: > 0 } || Lacks(sheet, item, features) is not { } lacks)
            {
                continue;
            }

            Spot spot = new("held");
            yield return (item, product.Mass.Kilograms >= Heavy.Kilograms ? HangingFindings.NotHeld.At(spot, lacks) : HangingFindings.NotHeld.MildAt(spot, lacks));
        }
    }

    // What is missing for it to be held; null where nothing is.
    private static Phrase? Lacks(JobSheet sheet, Item item, IReadOnlyList<Feature> features)
    {
        Phrase weighs = $"the {sheet.NameOf(item)} weighs {item.Product!.Mass}";
        return item.Get(Part) switch
        {
            null => Phrase.Of($"Say what holds it: {weighs}, hangs on nothing that is planned, and 0 fixings are. It stands on something, hangs on a mount, has brackets of its own, lies, or is fixed by others."),
            { By: HeldBy.Stands, On: var on } when features.All(f => f.Id != on || f.Role != BodyRole.Solid) && (sheet.Item(on) is not { } under || under == item) => Phrase.Of($"Say on what it stands: {weighs}, and '{on}' is nothing of this wall's {features.Count} things that bears anything."),
            { By: HeldBy.Own, Number: null } or { By: HeldBy.Own, Rated: null } or { By: HeldBy.Own, Who.Length: 0 } => Phrase.Of($"Say how many brackets, hooks or pads hold it, what they are rated for together, and who says so: {weighs}."),
            { By: HeldBy.Own, Rated: { } rated } when rated.Kilograms < item.Product.Mass.Kilograms * sheet.Policy.RatingMargin => Phrase.Of($"Take stronger ones: {weighs}, and what holds it is rated for {rated}; with the company's margin {new Mass(item.Product.Mass.Kilograms * sheet.Policy.RatingMargin):least} are wanted."),
            { By: HeldBy.Others, Who: var who, How: var how, Day: var day } when who.Length == 0 || how.Length == 0 || day.Length == 0 => Phrase.Of($"Say who fixes it, how, and on which day: {weighs}, and of 3 answers {new[] { who, how, day }.Count(t => t.Length > 0)} are there."),
            _ => null,
        };
    }
}
