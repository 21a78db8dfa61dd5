using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Hanging;

/// <summary>Works out the chain of heights and the plate's place.</summary>
internal static class PlateLayer
{
    // Between two lag screws in a row: NDS-2018 12.5.1, from memory.
    private const int ClearOfBolts = 4;
    private static readonly Length InRow = Length.Tape(0, 1, 8);
    private static readonly Length ArmWidth = Length.Tape(1);

    /// <summary>Lays out a plate.</summary>
    /// <param name="input">All that it follows from.</param>
    /// <returns>The layout.</returns>
    public static PlateLayout Lay(Hanging input)
    {
        var (display, mount, choice, outer) = (input.Display, input.Mount, input.Choice, input.Outer);
        var hole = choice.ArmHoleLeft ?? choice.ArmHoleRight ?? BestArmHole(display, mount.Arms);
        // A reading off the real display, arms on, counts more than the catalogue's sum.
        var bottomToHook = choice.MeasuredBottomToHook ?? (choice.MeasuredTopToHook is { } t ? display.Height - t : ByCatalogue(display, mount, hole));
        var topToHook = choice.MeasuredTopToHook ?? (display.Height - bottomToHook);
        var chains = new[] { Edge.Bottom, Edge.Centre, Edge.Top }.Select(e => HeightChain.Carry(e, outer, bottomToHook, topToHook)).ToList();
        var planned = chains.Single(c => c.From == choice.Reference).Result;
        // Holes that are in the wall stay, and the plate hangs by the first of them.
        var hookLine = HookLine(input) ?? planned;

        var question = input.Question with { Spent = Spent(input, hookLine) };
        var position = choice.PlateCentre is { } fixedAt ? PlateSearch.At(fixedAt, question) : PlateSearch.Best(question);
        BackingPlan? backing = null;
        if (input.Support is { Backing: not null } support)
        {
            // On a backing the plate goes where the display is wanted: no stud decides it.
            var (from, to) = input.Question.Window;
            var at = choice.PlateCentre ?? Length.Min(Length.Max(input.ArmsAt, from), to);
            var (made, bolts) = SupportPlanner.Back(input.Question, support, at, hookLine);
            (backing, position) = (made, new(at, input.ArmsAt - at, bolts, bolts.Count, input.Question.LeastApart));
        }

        else if (!input.Wall.Kind.Framed() || input.Support is { BoardOnly: true })
        {
            // Where the face itself holds the plate goes where the display is wanted.
            var (from, to) = input.Question.Window;
            var at = choice.PlateCentre ?? (question.Made.Count > 0 && question.Covers(position.Plate) ? position.Plate : Length.Min(Length.Max(input.ArmsAt, from), to));
            var bolts = SupportPlanner.Anywhere(question, at, input.Wall.Kind.Framed() ? input.Studs : []);
            position = new(at, input.ArmsAt - at, bolts, bolts.Count, input.Question.LeastApart);
        }

        var (numbered, spent) = HoleNumbers.Give(input, position, hookLine, planned);
        position = position with { Bolts = numbered };
        var plate = new Rect(position.Plate - mount.PlateWidth.Half, hookLine - mount.HookUp, mount.PlateWidth, mount.PlateHeight);
        var armBottom = hookLine + mount.Arms.TopAboveHook - mount.Arms.Length;
        return new(
            hole,
            bottomToHook,
            topToHook,
            chains,
            hookLine,
            position,
            plate,
            [.. new[] { -display.VesaWidth.Half, display.VesaWidth.Half }
                .Select(x => new Rect(input.ArmsAt + x - ArmWidth.Half, armBottom, ArmWidth, mount.Arms.Length))],
            mount.TemplateHeight > Length.Zero
                ? new Rect(plate.Left, hookLine - mount.TemplateHeight.Half, mount.PlateWidth, mount.TemplateHeight)
                : null,
            mount.Slide + position.Slide,
            mount.Slide - position.Slide,
            position.Slide - display.VesaCentreRight,
            input.Weight)
        {
            Backing = backing,
            Rise = hookLine - planned,
            Spent = spent,
            Toggles = input.Support is { Toggles: true, Backing: null } ? SupportPlanner.Toggles(input.Question, position, hookLine) : [],
            Drilled = input.Question.Drilled ?? [],
        };
    }

    private static Length? HookLine(Hanging input) => input.Made.Items.Where(h => h.Holds).Select(h => (Hole: h, Row: input.Mount.Rows.FirstOrDefault(r => r.Id == h.Row)))
        .Where(h => h.Row is not null && Reached(input.Question, h.Hole)).Select(h => (Length?)(h.Hole.Up - h.Row!.AboveHook)).FirstOrDefault();

    // Whether the plate can come over a hole at all: one that it cannot moves nothing.
    private static bool Reached(PlateQuestion question, MadeHole hole)
    {
        var (from, to) = question.Window;
        return question.Rows.Where(r => r.Id == hole.Row).SelectMany(r => r.Slots).Any(s => hole.Across - s.To <= to + PlateQuestion.AtTheEnd && hole.Across - s.From >= from - PlateQuestion.AtTheEnd);
    }

    // Three diameters from what is spent and four from a bolt that is in, as far as that reaches into a row.
    private static List<(string Row, Length From, Length To)> Spent(Hanging input, Length hookLine) =>
    [
        .. from hole in input.Made.Items
           from row in input.Mount.Rows
           let up = (hookLine + row.AboveHook - hole.Up).Inches
           let room = (input.Bolt * (hole.Holds ? ClearOfBolts : HoleCheck.ClearOfOld)).Inches
           // A bolt stands in its own row at its own place.
           where !hole.Holds || Math.Abs(up) > InRow.Inches || row.Id == hole.Row
           where Math.Abs(up) < room
           let beside = Length.FromInches(Math.Sqrt((room * room) - (up * up)))
           select (row.Id, hole.Across - beside, hole.Across + beside),
    ];

    /// <summary>The display's bottom edge up to the hook, by the catalogue's figures.</summary>
    /// <param name="display">The display.</param>
    /// <param name="mount">The mount.</param>
    /// <param name="armHole">The arm hole that is used.</param>
    /// <returns>The height.</returns>
    public static Length ByCatalogue(Display display, Mount mount, int armHole) => display.UpperRowUp + mount.Arms.HookAbove(armHole);

    // The hole that keeps the arm inside the outline with the most to spare at its nearer end; the display's lower row must still meet the arm.
    private static int BestArmHole(Display display, Arms arms) =>
        Enumerable.Range(1, arms.Holes).MaxBy(hole =>
        {
            var hook = display.UpperRowUp + arms.HookAbove(hole);
            var top = hook + arms.TopAboveHook;
            var bottom = top - arms.Length;
            var meetsLowerRow = display.UpperRowUp - display.VesaHeight >= bottom;
            return (meetsLowerRow, Length.Min(display.Height - top, bottom).Units);
        });
}
