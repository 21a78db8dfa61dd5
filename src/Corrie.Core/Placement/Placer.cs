using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Core.Placement;

/// <summary>Works out where the display hangs and what is wrong with that place.</summary>
public static class Placer
{
    private static readonly Angle MostToCentre = new(15);
    private static readonly Angle MostToTop = new(35);
    private static readonly Angle LeastField = new(30);
    private static readonly Angle MostField = new(50);
    private static readonly Length OneInch = Length.Tape(1);
    private static readonly Length EighthInch = Length.Tape(0, 1, 8);

    /// <summary>Centre line of the display from the left corner.</summary>
    public static Length CentreAcross(Wall wall, PlacementChoice choice) => choice.Over switch
    {
        null => choice.Across,
        "wall" => wall.Centre + choice.Across,
        var id => (wall.Features.FirstOrDefault(f => f.Id == id)?.Centre ?? wall.Centre) + choice.Across,
    };

    /// <summary>The display's bottom edge from the height that is given.</summary>
    public static Length BottomOf(Edge given, Length height, Length outerHeight) => given switch
    {
        Edge.Bottom => height,
        Edge.Centre => height - outerHeight.Half,
        _ => height - outerHeight,
    };

    /// <summary>The line that is given, from the bottom edge: the other way round.</summary>
    public static Length GivenOf(Edge given, Length bottom, Length outerHeight) => given switch
    {
        Edge.Bottom => bottom,
        Edge.Centre => bottom + outerHeight.Half,
        _ => bottom + outerHeight,
    };

    /// <summary>The least height of a centre over something: <c>top + gap + outer height / 2</c>.</summary>
    public static Length LeastCentre(Length topBelow, Length gap, Length outerHeight) => topBelow + gap + outerHeight.Half;

    /// <summary>Places a display.</summary>
    public static Placed Place(Wall wall, PlacementChoice choice, Display display, Mount? mount)
    {
        var bottom = BottomOf(choice.Given, choice.Height, display.Height);
        var across = CentreAcross(wall, choice);
        var outer = new Box(across - display.Width.Half, bottom, display.Width, display.Height);
        var size = display.Picture;
        var picture = new Box(across - size.Width.Half, bottom + display.PictureUp, size.Width, size.Height);
        var below = Below(wall, outer);
        var leastBottom = below.Count == 0 ? Length.Zero : below.Max(f => f.Top) + choice.GapBelow;
        return new(
            outer,
            picture,
            [.. choice.Viewers.Select(v => See(v, picture, mount?.TiltDown ?? default))],
            Budget(wall, outer),
            Centres(wall, outer),
            leastBottom);
    }

    /// <summary>Everything that is wrong with a place.</summary>
    public static IEnumerable<Finding> Check(Wall wall, PlacementChoice choice, Display display, Mount? mount, Placed placed) =>
    [
        .. Room(wall, choice, placed),
        .. Eyes(choice, display, placed),
        .. Paths(wall, display, mount, placed),
        .. Centring(placed),
        .. Consent(choice, placed),
    ];

    // What stands before the wall under the display, or would be covered by it: its foot is below the display's middle.
    private static List<Feature> Below(Wall wall, Box outer) =>
        [.. wall.Features.Where(f => StandsBelow(f) && f.Overlaps(outer.Left, outer.Right) && f.Bottom < outer.CentreY)];

    private static bool StandsBelow(Feature f) =>
        f.Kind is FeatureKind.Furniture or FeatureKind.Soundbar or FeatureKind.Mantel or FeatureKind.Fireplace or FeatureKind.Other;

    private static View See(Viewer viewer, Box picture, Angle tiltDown)
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

    private static List<BudgetLine> Budget(Wall wall, Box outer)
    {
        var lines = new List<BudgetLine>();
        var at = Length.Zero;
        var first = true;
        foreach (var f in Below(wall, outer).OrderBy(f => f.Bottom).ThenBy(f => f.Top))
        {
            if (f.Bottom != at && (!first || f.Bottom > Length.Zero))
            {
                lines.Add(new(first ? "under it" : "gap", at, f.Bottom, true));
            }

            lines.Add(new(f.Name, f.Bottom, f.Top, false));
            at = f.Top;
            first = false;
        }

        lines.Add(new(first ? "floor to display" : "gap", at, outer.Bottom, true));
        lines.Add(new("display", outer.Bottom, outer.Top, false));
        var (above, name) = Above(wall, outer);
        lines.Add(new("to the " + name, outer.Top, above, true));
        return lines;
    }

    private static (Length At, string Name) Above(Wall wall, Box outer)
    {
        var beam = wall.Features.Where(f => f.Kind == FeatureKind.Beam && f.Overlaps(outer.Left, outer.Right)).MinBy(f => f.Bottom);
        return beam is null ? (wall.Height, "ceiling") : (beam.Bottom, beam.Name);
    }

    private static List<CentreLine> Centres(Wall wall, Box outer)
    {
        var centres = new List<CentreLine> { new("wall", wall.Centre) };
        centres.AddRange(wall.Features
            .Where(f => f.Kind is FeatureKind.Furniture or FeatureKind.Mantel or FeatureKind.Fireplace && f.Overlaps(outer.Left, outer.Right))
            .Select(f => new CentreLine(f.Name, f.Centre)));
        return centres;
    }

    private static IEnumerable<Finding> Room(Wall wall, PlacementChoice choice, Placed placed)
    {
        var outer = placed.Outer;
        var (ceiling, ceilingName) = Above(wall, outer);
        foreach (var f in Below(wall, outer).OrderByDescending(f => f.Top).Take(1))
        {
            var gap = outer.Bottom - f.Top;
            if (gap >= choice.GapBelow)
            {
                continue;
            }

            var raise = placed.LeastBottom - outer.Bottom;
            Fix[] fixes = outer.Top + raise > ceiling - choice.GapAbove ? [] :
            [
                new(
                    $"Raise it {raise}",
                    $"bottom at {placed.LeastBottom}, {choice.GapBelow} over the {f.Name}; centre at {outer.CentreY + raise}",
                    [HeightChange(choice, placed.LeastBottom, outer.Height)]),
            ];
            yield return gap < Length.Zero
                ? PlacementFindings.BehindFurniture.At(
                    new("display/bottom", outer.CentreX, outer.Bottom),
                    $"The display's bottom at {outer.Bottom} lies {-gap} below the top of the {f.Name} at {f.Top}.", fixes)
                : PlacementFindings.GapTooSmall.At(
                    new("display/bottom", outer.CentreX, outer.Bottom),
                    $"The gap over the {f.Name} is {gap}; at least {choice.GapBelow} is asked for.", fixes);
        }

        if (outer.Top > ceiling)
        {
            var bottom = ceiling - choice.GapAbove - outer.Height;
            yield return PlacementFindings.OutOfRoom.At(
                new("display/top", outer.CentreX, outer.Top),
                $"The display's top at {outer.Top} is {outer.Top - ceiling} above the {ceilingName} at {ceiling}.",
                bottom < placed.LeastBottom ? [] :
                    [new Fix($"Lower it {outer.Bottom - bottom}", $"bottom at {bottom}", [HeightChange(choice, bottom, outer.Height)])]);
        }
        else if (ceiling - outer.Top < choice.GapAbove)
        {
            yield return PlacementFindings.GapTooSmall.At(
                new("display/top", outer.CentreX, outer.Top),
                $"The gap up to the {ceilingName} is {ceiling - outer.Top}; at least {choice.GapAbove} is asked for.");
        }

        if (outer.Bottom < Length.Zero)
        {
            yield return PlacementFindings.OutOfRoom.At(
                new("display/floor", outer.CentreX, outer.Bottom), $"The display's bottom lies {-outer.Bottom} under the floor.");
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
                    new($"display/{name}", edge, outer.CentreY), $"The display passes the {name} by {over}.");
            }
        }

        foreach (var f in wall.Features.Where(f => f.Kind is FeatureKind.Window or FeatureKind.Door
            && f.Overlaps(outer.Left, outer.Right) && f.Bottom < outer.Top && f.Top > outer.Bottom))
        {
            var over = Length.Min(outer.Right - f.Left, f.Right - outer.Left);
            yield return PlacementFindings.OutOfRoom.At(
                new($"features/{f.Id}", f.Centre < outer.CentreX ? f.Right : f.Left, outer.CentreY),
                $"The display covers the {f.Name} by {over}.",
                new Fix(
                    $"Move it {over} to the {(f.Centre < outer.CentreX ? "right" : "left")}",
                    $"clear of the {f.Name}, centre at {outer.CentreX + (f.Centre < outer.CentreX ? over : -over)}",
                    AcrossChanges(outer.CentreX + (f.Centre < outer.CentreX ? over : -over))));
        }
    }

    private static IEnumerable<Finding> Eyes(PlacementChoice choice, Display display, Placed placed)
    {
        foreach (var view in placed.Views.Where(v => v.Viewer.Seated))
        {
            var viewer = view.Viewer;
            var limit = MostToCentre.Degrees + viewer.Recline.Degrees;
            if (view.ToCentre.Degrees > limit || view.ToTop.Degrees > MostToTop.Degrees)
            {
                var byCentre = viewer.Eye + (viewer.Distance * Math.Tan(limit * Math.PI / 180));
                var byTop = viewer.Eye + (viewer.Distance * Math.Tan(MostToTop.Radians)) - placed.Picture.Height.Half;
                var drop = placed.Picture.CentreY - Length.Min(byCentre, byTop);
                // Rounded outwards to a sixteenth, so that the fix is a tape reading and clears the finding.
                drop = (drop + Length.Tape(0, 1, 32)).RoundedTo(Length.Tape(0, 1, 16));
                var lowest = Length.Max(placed.LeastBottom, placed.Outer.Bottom - drop);
                var by = placed.Outer.Bottom - lowest;
                var after = Angle.OfSlope(placed.Picture.CentreY - by - viewer.Eye, viewer.Distance);
                yield return PlacementFindings.TooHigh.At(
                    new($"views/{viewer.Id}", placed.Outer.CentreX, placed.Outer.Top),
                    $"From the {viewer.Name} it is {view.ToCentre} up to the picture's centre (at most {new Angle(limit)}) and {view.ToTop} to its top (at most {MostToTop}).",
                    by <= Length.Zero ? [] :
                        [new Fix($"Lower it {by}", $"bottom at {lowest}, {after} up to the centre", [HeightChange(choice, lowest, display.Height)])]);
            }

            if (view.Field.Degrees < LeastField.Degrees)
            {
                var seat = placed.Picture.Width.Half * (1 / Math.Tan(LeastField.Radians / 2));
                var diagonal = display.Diagonal * (viewer.Distance / seat);
                yield return PlacementFindings.TooSmall.At(
                    new($"views/{viewer.Id}"),
                    $"From the {viewer.Name} at {viewer.Distance} the picture fills {view.Field}; {LeastField} is reached at {seat}, or at this seat with a diagonal of {diagonal}.");
            }
            else if (view.Field.Degrees > MostField.Degrees)
            {
                var seat = placed.Picture.Width.Half * (1 / Math.Tan(MostField.Radians / 2));
                yield return PlacementFindings.TooNear.At(
                    new($"views/{viewer.Id}"),
                    $"From the {viewer.Name} at {viewer.Distance} the picture fills {view.Field}; {MostField} is reached at {seat}.");
            }
        }
    }

    private static IEnumerable<Finding> Paths(Wall wall, Display display, Mount? mount, Placed placed)
    {
        var outer = placed.Outer;
        var out4 = Length.Tape(4);
        var depth = display.Depth + (mount?.DepthParked ?? Length.Zero);
        if (wall.Circulation && outer.Bottom > Length.Tape(27) && outer.Bottom <= Length.Tape(80) && depth > out4)
        {
            yield return PlacementFindings.Protrudes.At(
                new("display", outer.CentreX, outer.Bottom),
                $"The display stands {depth} out of the wall ({mount?.DepthParked ?? Length.Zero} for the mount, {display.Depth} for the display); at a bottom edge of {outer.Bottom} at most {out4} is allowed beside a path.");
        }

        foreach (var fire in wall.Features.Where(f => f.Kind == FeatureKind.Fireplace && f.Overlaps(outer.Left, outer.Right) && f.Top <= outer.CentreY))
        {
            yield return PlacementFindings.OverFireplace.At(
                new($"features/{fire.Id}", outer.CentreX, outer.Bottom),
                $"The display's bottom is {outer.Bottom - fire.Top} over the {fire.Name}; the air there has not been measured with the fire on.");
        }
    }

    private static IEnumerable<Finding> Centring(Placed placed)
    {
        var off = placed.Centres.Where(c => (c.At - placed.Outer.CentreX).Abs > OneInch).ToList();
        if (off.Count > 0)
        {
            Phrase message = $"The display's centre is at {placed.Outer.CentreX}";
            foreach (var centre in off)
            {
                var by = centre.At - placed.Outer.CentreX;
                message.AppendFormatted($"; the centre of the {centre.Name} is {by.Abs} to the {(by > Length.Zero ? "right" : "left")}");
            }

            message.AppendLiteral(".");
            yield return PlacementFindings.CentresDiffer.At(
                new("display", placed.Outer.CentreX, placed.Outer.Top),
                message,
                [.. off.Take(2).Select(c => new Fix($"Centre on the {c.Name}", $"centre at {c.At}", AcrossChanges(c.At)))]);
        }
    }

    private static IEnumerable<Finding> Consent(PlacementChoice choice, Placed placed)
    {
        var spot = new Spot("display", placed.Outer.CentreX, placed.Outer.CentreY);
        if (choice.Approval is not { } approval)
        {
            yield return PlacementFindings.NotApproved.At(
                spot, $"Nobody has consented to a centre at {placed.Outer.CentreX} across, {placed.Outer.CentreY} up.");
        }
        else if ((approval.Centre - placed.Outer.CentreY).Abs > EighthInch || (approval.Across - placed.Outer.CentreX).Abs > EighthInch)
        {
            yield return PlacementFindings.NotApproved.At(
                spot,
                $"{approval.By} consented to a centre at {approval.Across} across, {approval.Centre} up; it is now at {placed.Outer.CentreX} across, {placed.Outer.CentreY} up.");
        }
    }

    /// <summary>The entry that puts the bottom edge at a height, whichever line is given.</summary>
    public static Change HeightChange(PlacementChoice choice, Length bottom, Length outerHeight) =>
        new("/placement/height", LengthText.Exact(GivenOf(choice.Given, bottom, outerHeight), UnitSystem.Inches));

    /// <summary>The entries that put the display's centre at a reading from the left corner.</summary>
    public static IReadOnlyList<Change> AcrossChanges(Length centre) =>
        [new("/placement/over", null), new("/placement/across", LengthText.Exact(centre, UnitSystem.Inches))];
}
