using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Placement;

/// <summary>A thing with its outline on a wall.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Product">Its product.</param>
/// <param name="Choice">Where it is wanted.</param>
/// <param name="Carried">Whether it hangs on something else.</param>
/// <param name="Assembly">Key of the lowest thing that carries it.</param>
/// <param name="Outer">Its outer edges.</param>
internal sealed record PlacedThing(string Id, ProductKind Kind, string Name, Product Product, PlacementChoice Choice, bool Carried, string Assembly, Rect Outer)
{
    /// <summary>Whether it shows a picture that somebody watches.</summary>
    public bool IsDisplay => Product is Display;

    /// <summary>The thing on its wall.</summary>
    /// <param name="sheet">The job.</param>
    /// <param name="item">The thing.</param>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <param name="assembly">Key of the lowest thing that carries it.</param>
    /// <returns>Null as long as product or height lack.</returns>
    public static PlacedThing? Of(JobSheet sheet, Item item, Wall wall, string assembly)
    {
        if (item.Product is not ISized sized || (item.Get(PlacementChoice.Part) ?? Follows(sheet, item, wall)) is not { } choice)
        {
            return null;
        }

        var bottom = PlacementChoice.BottomOf(choice.Given, choice.Height, sized.Height);
        var across = CentreAcross(sheet, wall, choice);
        return new(item.Id, item.Kind, item.Name, item.Product, choice, item.SaidOn.Length > 0, assembly, new(across - sized.Width.Half, bottom, sized.Width, sized.Height)) { Detail = item.Get(PlacementChoice.Read)?.Detail, OverThing = sheet.Item(choice.Over)?.Name };
    }

    /// <summary>Name of the thing that it is centred on; null where it is centred on none.</summary>
    public string? OverThing { get; init; }

    /// <summary>How much higher it hangs than it was wanted, since holes are in the wall there.</summary>
    public Length Rise { get; init; }

    /// <summary>The smallest letter or line that has to be read in it, in per cent of the picture's height; null for none.</summary>
    public double? Detail { get; init; }

    /// <summary>Its body.</summary>
    /// <param name="name">What it is called in findings.</param>
    /// <param name="mount">The mount that it hangs on, where it does.</param>
    /// <returns>The body, parked.</returns>
    public Body Body(string name, Mount? mount)
    {
        var depth = ((ISized)Product).Depth;
        var (from, to) = Kind.Layer == WallLayer.Inside ? (-depth, Length.Zero) : (mount?.DepthParked ?? Length.Zero, (mount?.DepthParked ?? Length.Zero) + depth);
        return new("body", name, BodyRole.Thing, Outer, from, to) { Assembly = Assembly, Takes = Product is WallBox { Sort: BoxSort.Enclosure } box ? box.OpeningAt(Outer) : null };
    }

    // Centred on a thing: on where that is wanted, which is not itself centred on a thing.
    private static Length CentreAcross(JobSheet sheet, Wall wall, PlacementChoice choice) =>
        choice.Over is { } over && wall.Features.All(f => f.Id != over) && sheet.Item(over)?.Get(PlacementChoice.Part) is { } its && (its.Over is null || sheet.Item(its.Over) is null)
            ? CentreAcross(sheet, wall, its) + choice.Across
            : (PlacementChoice.CentreLine(wall, choice.Over) ?? Length.Zero) + choice.Across;

    // A bar that hangs on a display's mount has no height of its own: close under the display, in its middle (common practice).
    private static PlacementChoice? Follows(JobSheet sheet, Item item, Wall wall)
    {
        if (item.Kind != Thing.Soundbar || sheet.On(item) is not { } mount || sheet.Carried(mount).FirstOrDefault(i => i.Product is Display) is not { Product: Display display } hung || hung.Get(PlacementChoice.Part) is not { } choice)
        {
            return null;
        }

        var under = PlacementChoice.BottomOf(choice.Given, choice.Height, display.Height) - UnderDisplay;
        return new(choice.School, string.Empty, Edge.Top, under, null, CentreAcross(sheet, wall, choice), Length.Zero, Length.Zero, null, item.Here.To("place"));
    }

    private static readonly Length UnderDisplay = Length.Tape(0, 1, 2);
}

/// <summary>Works out one thing's place on its wall, among everything else that is there.</summary>
internal sealed class Placing
{
    private readonly Wall wall;
    private readonly PlacedThing thing;
    private readonly PlacementChoice choice;
    private readonly Mount? mount;
    private const double FarthestShare = 200;

    // Own rules: a hand's breadth of warm air, and the room of a handle.
    private static readonly Length OverVent = Length.Tape(6);
    private static readonly Length BesideDoor = Length.Tape(2);

    // A tape is good to a sixteenth, half of one each way, and a centre within 1/8 in is where it was agreed (common practice).
    private static readonly Length AsAgreed = Length.Tape(0, 5, 32);

    // A pencilled cross is no more exact than that (own rule).
    private static readonly Length CrossGive = Length.Tape(1);

    private readonly IReadOnlyList<PlacedThing> others;
    private readonly IReadOnlyList<PlacedThing> displays;
    private readonly Policy policy;
    private readonly string what;

    /// <summary>Places a thing.</summary>
    /// <param name="wall">The wall, its readings worked in.</param>
    /// <param name="thing">The thing.</param>
    /// <param name="mount">The mount that it hangs on, where it does.</param>
    /// <param name="seats">Who watches it.</param>
    /// <param name="all">Everything that is placed on the wall, the thing itself too.</param>
    /// <param name="policy">The company's figures.</param>
    public Placing(Wall wall, PlacedThing thing, Mount? mount, IReadOnlyList<Viewer> seats, IReadOnlyList<PlacedThing> all, Policy policy)
    {
        (this.wall, this.thing, this.mount, this.policy, choice) = (wall, thing, mount, policy, thing.Choice);
        displays = [.. all.Where(o => o.IsDisplay)];
        others = [.. all.Where(o => o.Id != thing.Id && o.Kind.Layer == thing.Kind.Layer)];
        what = thing.IsDisplay && !all.Any(o => o.IsDisplay && o.Id != thing.Id) ? "display" : all.Any(o => o.Id != thing.Id && o.Name == thing.Name) ? $"{thing.Name} ({thing.Id})" : thing.Name;
        var outer = thing.Outer;
        Rect? picture = null;
        if (thing.Product is Display display)
        {
            var size = display.Picture;
            picture = new(outer.CentreX - size.Width.Half, outer.Bottom + display.PictureUp, size.Width, size.Height);
        }

        var below = Below(outer);
        var gap = choice.GapBelow ?? (thing.IsDisplay ? policy.GapBelow : Length.Zero);
        Result = new(
            outer,
            picture,
            picture is { } seen ? [.. seats.Select(v => See(v, seen, mount?.TiltDown ?? default))] : [],
            Budget(outer),
            Centres(outer),
            below.Count == 0 ? Length.Zero : below.Max(f => f.Top) + gap,
            gap,
            Above(outer).At)
        {
            Under = below.Count == 0 ? null : below.OrderByDescending(f => f.Top).Select(f => new StandsUnder(f.Name, f.Top)).First(),
        };
    }

    /// <summary>How far a detail of a picture is read, for basic decisions: 200 times the picture's height times the detail's share of it (ANSI/AVIXA V202.01, from memory).</summary>
    /// <param name="height">The picture's height.</param>
    /// <param name="share">The detail in per cent of it.</param>
    /// <returns>The distance.</returns>
    public static Length FarthestFor(Length height, double share) => height * (FarthestShare * share / 100);

    /// <summary>Where it goes.</summary>
    public PlacementResult Result { get; }

    /// <summary>Its body, parked.</summary>
    public Body Body => thing.Body(what, mount);

    /// <summary>Everything that is wrong with that place.</summary>
    /// <returns>The findings; none where all is well.</returns>
    public IEnumerable<Finding> Findings() => thing.Product is Display display && Result.Picture is { } picture
        ? [.. Room(), .. Eyes(display, picture), .. Protruding(display.Depth), .. Fires(), .. Centring(), .. Consent()]
        : [.. Room(), .. Protruding(((ISized)thing.Product).Depth)];

    // What stands before the wall under the thing, or would be covered by it: its foot is below the thing's middle. What is in the wall or
    // close behind something else has nothing under it.
    private List<(string Name, Length Bottom, Length Top)> Below(Rect outer) => thing.Kind.Layer != WallLayer.Front ? [] :
    [
        .. wall.Features.Where(f => StandsBelow(f) && f.Overlaps(outer.Left, outer.Right) && f.Bottom < outer.CentreY).Select(f => (f.Name, f.Bottom, f.Top)),
        .. others.Where(o => o.Outer.Overlaps(outer.Left, outer.Right) && o.Outer.Top <= outer.Bottom).Select(o => (o.Name, o.Outer.Bottom, o.Outer.Top)),
    ];

    private static bool StandsBelow(Feature f) => f.Traits.Role == BodyRole.Solid && f.Kind != FeatureKind.Beam;

    private static View See(Viewer viewer, Rect picture, Angle tiltDown)
    {
        var toCentre = Angle.OfSlope(picture.CentreY - viewer.Eye, viewer.Distance);
        var tilt = new Angle(Math.Clamp(toCentre.Degrees, 0, tiltDown.Degrees));
        return new(
            viewer,
            toCentre,
            Angle.OfSlope(picture.Top - viewer.Eye, viewer.Distance),
            new(2 * Angle.OfSlope(picture.Width.Half, viewer.Distance).Degrees),
            tilt,
            new(toCentre.Degrees - tilt.Degrees));
    }

    private List<BudgetLine> Budget(Rect outer)
    {
        var lines = new List<BudgetLine>();
        var at = Length.Zero;
        var first = true;
        foreach (var f in Below(outer).OrderBy(f => f.Bottom).ThenBy(f => f.Top))
        {
            if (f.Bottom != at && (!first || f.Bottom > Length.Zero))
            {
                lines.Add(new(first ? "under it" : "gap", at, f.Bottom, true));
            }

            lines.Add(new(f.Name, f.Bottom, f.Top, false));
            at = f.Top;
            first = false;
        }

        lines.Add(new(first ? $"floor to {what}" : "gap", at, outer.Bottom, true));
        lines.Add(new(what, outer.Bottom, outer.Top, false));
        var (above, name) = Above(outer);
        lines.Add(new("to the " + name, outer.Top, above, true));
        return lines;
    }

    private (Length At, string Name) Above(Rect outer)
    {
        var over = wall.Features.Where(f => f.Traits.Role == BodyRole.Solid && (f.Kind == FeatureKind.Beam || f.Bottom >= outer.CentreY) && f.Overlaps(outer.Left, outer.Right)).Select(f => (At: f.Bottom, f.Name))
            .Concat(others.Where(o => thing.Kind.Layer == WallLayer.Front && o.Outer.Overlaps(outer.Left, outer.Right) && o.Outer.Bottom >= outer.Top).Select(o => (At: o.Outer.Bottom, o.Name)))
            .OrderBy(o => o.At).ToList();
        return over.Count == 0 ? (wall.Height, "ceiling") : over[0];
    }

    private List<CentreLine> Centres(Rect outer)
    {
        var centres = new List<CentreLine> { new("wall", wall.Centre) };
        centres.AddRange(wall.Features
            .Where(f => f.Kind is FeatureKind.Furniture or FeatureKind.Mantel or FeatureKind.Fireplace && f.Overlaps(outer.Left, outer.Right))
            .Select(f => new CentreLine(f.Name, f.Centre)));
        return centres;
    }

    private IEnumerable<Finding> Room()
    {
        var outer = Result.Outer;
        var (ceiling, ceilingName) = Above(outer);
        foreach (var f in Below(outer).OrderByDescending(f => f.Top).Take(1))
        {
            var gap = outer.Bottom - f.Top;
            // Where it stands in one place with that, the whole plan says so.
            if (gap >= Result.GapBelow || gap < Length.Zero)
            {
                continue;
            }

            var raise = Result.LeastBottom - outer.Bottom;
            Remedy[] remedies = outer.Top + raise > ceiling - choice.GapAbove ? [] :
            [
                new(
                    $"Raise it {raise}",
                    $"bottom at {Result.LeastBottom}, {Result.GapBelow} over the {f.Name}; centre at {outer.CentreY + raise}",
                    [choice.BottomAt(Result.LeastBottom, outer.Height)]),
            ];
            yield return PlacementFindings.GapTooSmall.At(
                new("bottom", outer.CentreX, outer.Bottom), $"The gap over the {f.Name} is {gap}; at least {Result.GapBelow:least} is asked for.", remedies);
        }

        if (thing.Kind.Layer == WallLayer.Front)
        {
            // Warm air rises along a wall, and a door has a handle and a leaf that swings.
            foreach (var vent in wall.Features.Where(f => f.Kind == FeatureKind.Vent && f.Overlaps(outer.Left, outer.Right) && f.Top <= outer.Bottom && outer.Bottom - f.Top < OverVent))
            {
                yield return PlacementFindings.GapTooSmall.At(
                    new($"vents/{vent.Id}", outer.CentreX, outer.Bottom), $"Raise the {what}, or have the {vent.Name} turned aside: it is {outer.Bottom - vent.Top} over it, and what blows or warms there rises into it; at least {OverVent:least} are kept.");
            }

            foreach (var door in wall.Features.Where(f => f.Kind == FeatureKind.Door && f.Bottom < outer.Top && f.Top > outer.Bottom && !f.Overlaps(outer.Left, outer.Right)))
            {
                var beside = Length.Max(door.Left - outer.Right, outer.Left - door.Right);
                if (beside < BesideDoor)
                {
                    yield return PlacementFindings.GapTooSmall.At(
                        new($"doors/{door.Id}", door.Centre < outer.CentreX ? outer.Left : outer.Right, outer.CentreY), $"Move the {what}: it is {beside:fine} beside the {door.Name}, whose leaf, handle and hand need {BesideDoor:least}.");
                }
            }
        }

        if (outer.Top > wall.Height)
        {
            var bottom = ceiling - choice.GapAbove - outer.Height;
            yield return PlacementFindings.OutOfRoom.At(
                new("top", outer.CentreX, outer.Top),
                $"The {what}'s top at {outer.Top} is {outer.Top - wall.Height} above the ceiling at {wall.Height}.",
                bottom < Result.LeastBottom ? [] :
                    [new Remedy($"Lower it {outer.Bottom - bottom}", $"bottom at {bottom}", [choice.BottomAt(bottom, outer.Height)])]);
        }
        else if (ceiling >= outer.Top && ceiling - outer.Top < choice.GapAbove)
        {
            yield return PlacementFindings.GapTooSmall.At(
                new("top", outer.CentreX, outer.Top),
                $"The gap up to the {ceilingName} is {ceiling - outer.Top}; at least {choice.GapAbove:least} is asked for.");
        }

        if (outer.Bottom < Length.Zero)
        {
            yield return PlacementFindings.OutOfRoom.At(
                new("floor", outer.CentreX, outer.Bottom), $"The {what}'s bottom lies {-outer.Bottom} under the floor.");
        }

        foreach (var (edge, over, name) in new[]
        {
            (outer.Left, -outer.Left, "left corner"),
            (outer.Right, outer.Right - wall.Width, "right corner"),
        })
        {
            if (over > Length.Zero)
            {
                yield return PlacementFindings.OutOfRoom.At(
                    new(name, edge, outer.CentreY), $"The {what} passes the {name} by {over}.");
            }
        }
    }

    private IEnumerable<Finding> Eyes(Display display, Rect picture)
    {
        foreach (var view in Result.Views.Where(v => v.Viewer.Seated))
        {
            var viewer = view.Viewer;
            var limit = policy.UpToCentre.Degrees + viewer.Recline.Degrees;
            if (view.ToCentre.Degrees > limit || view.ToTop.Degrees > policy.UpToTop.Degrees)
            {
                var byCentre = viewer.Eye + (viewer.Distance * Math.Tan(limit * Math.PI / 180));
                var byTop = viewer.Eye + (viewer.Distance * Math.Tan(policy.UpToTop.Radians)) - picture.Height.Half;
                var drop = picture.CentreY - Length.Min(byCentre, byTop);
                // Rounded outwards to a sixteenth, so that the remedy is a tape reading and clears the finding.
                drop = (drop + Length.Tape(0, 1, 32)).RoundedTo(Length.Tape(0, 1, 16));
                var lowest = Length.Max(Result.LeastBottom, Result.Outer.Bottom - drop);
                var by = Result.Outer.Bottom - lowest;
                var after = Angle.OfSlope(picture.CentreY - by - viewer.Eye, viewer.Distance);
                yield return PlacementFindings.TooHigh.At(
                    new($"views/{viewer.Id}", Result.Outer.CentreX, Result.Outer.Top),
                    $"From the {viewer.Name} it is {view.ToCentre} up to the picture's centre (at most {new Angle(limit):most}) and {view.ToTop} to its top (at most {policy.UpToTop:most}).",
                    by <= Length.Zero ? [] :
                        [new Remedy($"Lower it {by}", $"bottom at {lowest}, {after} up to the centre", [choice.BottomAt(lowest, Result.Outer.Height)])]);
            }

            if (thing.Detail is { } share && FarthestFor(picture.Height, share) is var farthest && viewer.Distance > farthest)
            {
                yield return PlacementFindings.TooSmall.At(
                    new($"views/{viewer.Id}/detail"),
                    $"From the {viewer.Name} at {viewer.Distance} a detail of {share:0.#} % of the picture's height is not read any more: at this size it is read up to {farthest:most}, and at this seat the picture has to be {viewer.Distance * (100 / (FarthestShare * share)):least} high.");
            }

            if (view.Field.Degrees < policy.LeastField.Degrees)
            {
                var seat = picture.Width.Half * (1 / Math.Tan(policy.LeastField.Radians / 2));
                var diagonal = display.Diagonal * (viewer.Distance / seat);
                yield return PlacementFindings.TooSmall.At(
                    new($"views/{viewer.Id}"),
                    $"From the {viewer.Name} at {viewer.Distance} the picture fills {view.Field}; {policy.LeastField} is reached at {seat:most}, or at this seat with a diagonal of {diagonal:least}.");
            }
            else if (view.Field.Degrees > policy.MostField.Degrees)
            {
                var seat = picture.Width.Half * (1 / Math.Tan(policy.MostField.Radians / 2));
                yield return PlacementFindings.TooNear.At(
                    new($"views/{viewer.Id}"),
                    $"From the {viewer.Name} at {viewer.Distance} the picture fills {view.Field}; {policy.MostField} is reached at {seat:least}.");
            }
        }
    }

    private IEnumerable<Finding> Protruding(Length own)
    {
        var outer = Result.Outer;
        var out4 = Length.Tape(4);
        var depth = own + (mount?.DepthParked ?? Length.Zero);
        if (wall.Circulation && thing.Kind.Layer == WallLayer.Front && outer.Bottom > Length.Tape(27) && outer.Bottom <= Length.Tape(80) && depth > out4)
        {
            yield return PlacementFindings.Protrudes.At(
                new("outline", outer.CentreX, outer.Bottom),
                $"The {what} stands {depth} out of the wall ({mount?.DepthParked ?? Length.Zero} for the mount, {own} for the {(thing.IsDisplay ? "display" : what)}); at a bottom edge of {outer.Bottom} at most {out4:most} is allowed beside a path.");
        }
    }

    private IEnumerable<Finding> Fires()
    {
        var outer = Result.Outer;
        foreach (var fire in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace && f.Overlaps(outer.Left, outer.Right) && f.Top <= outer.CentreY))
        {
            yield return PlacementFindings.OverFireplace.At(
                new($"features/{fire.Id}", outer.CentreX, outer.Bottom),
                $"The {what}'s bottom is {outer.Bottom - fire.Top} over the {fire.Name}, in its warmth: see what was measured with the fire on{(Result.Views.MaxBy(v => v.ToCentre.Degrees) is { ToCentre.Degrees: > 0 } steepest ? Phrase.Of($"; from the {steepest.Viewer.Name} one looks up {steepest.ToCentre} to its centre") : string.Empty)}.");
        }
    }

    private IEnumerable<Finding> Centring()
    {
        var off = Result.Centres.Where(c => (c.At - Result.Outer.CentreX).Abs > policy.CentresApart).ToList();
        if (off.Count > 0)
        {
            Phrase message = $"The {what}'s centre is at {Result.Outer.CentreX}";
            foreach (var centre in off)
            {
                var by = centre.At - Result.Outer.CentreX;
                message.AppendFormatted($"; the centre of the {centre.Name} is {by.Abs} to the {by.Side()}");
            }

            message.AppendLiteral(".");
            yield return PlacementFindings.CentresDiffer.At(
                new("outline", Result.Outer.CentreX, Result.Outer.Top),
                message,
                [.. off.Take(2).Select(c => new Remedy($"Centre on the {c.Name}", $"centre at {c.At}", choice.CentreAt(c.At)))]);
        }
    }

    private IEnumerable<Finding> Consent()
    {
        var spot = new Spot("outline", Result.Outer.CentreX, Result.Outer.CentreY);
        foreach (var cross in wall.Crosses.Where(Mine))
        {
            var (dx, dy) = Off(cross);
            var off = Length.Max(dx?.Abs ?? Length.Zero, dy?.Abs ?? Length.Zero);
            if (off > CrossGive)
            {
                yield return PlacementFindings.NotApproved.At(
                    new($"crosses/{cross.Id}", cross.X, cross.Y),
                    $"Ask the client which holds: the cross at {cross.X} across, {cross.Y} up stands for the {cross.StandsFor!.Replace('-', ' ')}, and the {what} is planned {off} away from it, its centre at {Result.Outer.CentreX} across, {Result.Outer.CentreY} up.");
            }
        }

        if (choice.Approval is not { } approval || string.IsNullOrWhiteSpace(approval.By))
        {
            yield return PlacementFindings.NotApproved.At(
                spot, $"Nobody has consented to a centre at {Result.Outer.CentreX} across, {Result.Outer.CentreY} up.");
        }
        else if ((approval.Centre - BroughtBack).Abs > policy.ConsentGive || (approval.Across - Result.Outer.CentreX).Abs > policy.ConsentGive)
        {
            yield return PlacementFindings.NotApproved.At(
                spot,
                $"{approval.By} consented to a centre at {approval.Across} across, {approval.Centre} up; it is now at {Result.Outer.CentreX} across, {Result.Outer.CentreY} up.");
        }
    }

    // Where the mount brings the middle of a display whose holes came out elsewhere: consent is to what hangs in the end.
    private Length BroughtBack => Result.Outer.CentreY - (thing.Rise.Abs <= AsAgreed ? thing.Rise : thing.Rise > Length.Zero ? Length.Min(thing.Rise, mount?.LowerBy ?? Length.Zero) : Length.Max(thing.Rise, -(mount?.RaiseBy ?? Length.Zero)));

    // A cross is about the display that is nearest to it.
    private bool Mine(ClientCross cross)
    {
        double Far(Rect outer) => Math.Pow((outer.CentreX - cross.X).Inches, 2) + Math.Pow((outer.CentreY - cross.Y).Inches, 2);
        return cross.StandsFor is not null && displays.MinBy(d => Far(d.Outer))?.Id == thing.Id;
    }

    // How far the point that a cross stands for is off it, sideways and in height; null where the point says nothing of that.
    private (Length? Across, Length? Up) Off(ClientCross cross) => cross.StandsFor switch
    {
        "centre" => (Result.Outer.CentreX - cross.X, Result.Outer.CentreY - cross.Y),
        "bottom-edge" => (null, Result.Outer.Bottom - cross.Y),
        "top-edge" => (null, Result.Outer.Top - cross.Y),
        "left-corner" => (Result.Outer.Left - cross.X, null),
        _ => (Result.Outer.Right - cross.X, null),
    };
}
