using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Survey;

namespace Corrie.Core.Jobs;

/// <summary>The marks to put on the wall, in the order in which they are made.</summary>
public static class SetOut
{
    /// <summary>Marks of a plan: centre line, hook line, bolts from the first stud on, then what the crew checks itself by.</summary>
    public static IReadOnlyList<Mark> Marks(JobSheet sheet, Placed? placed, Hung? hung, Fixed? bolts)
    {
        if (placed is null)
        {
            return [];
        }

        var marks = new List<Mark> { new("centre", "Centre line", placed.Outer.CentreX, null, OverWhat(sheet)) };
        if (hung is not null)
        {
            marks.Add(new("hook-line", "Hook line", null, hung.HookLine, hung.Chains.Single(c => c.From == sheet.Hanging.Reference).Say()));
            marks.AddRange(Lines(hung, bolts?.Bolts ?? []));
            marks.Add(new("plate", "Plate centre", hung.Position.Plate, null, SlideWords(hung.Position.Slide - (sheet.Display?.VesaCentreRight ?? Length.Zero))));
            marks.Add(new("plate-top", "Plate top", null, hung.Plate.Top, $"{hung.Plate.Top - hung.HookLine} over the hook line"));
            if (hung.Template is { } template)
            {
                marks.Add(new("template-top", "Template top", null, template.Top, $"{template.Height} high, its middle on the hook line"));
            }
        }

        marks.Add(new("bottom", "Display bottom", null, placed.Outer.Bottom, "check once it hangs"));
        marks.Add(new("top", "Display top", null, placed.Outer.Top, "check once it hangs"));
        return marks;
    }

    /// <summary>Which way the display slides on its plate, from the front and from its back: everybody gets this wrong once.</summary>
    public static Phrase SlideWords(Length slide) => slide == Length.Zero
        ? Phrase.Of("the display's centre is on the plate's")
        : Phrase.Of($"the display slides {slide.Abs} to the {Hanger.Side(slide)} seen from the front, {Hanger.Side(-slide)} seen from its back");

    private static Phrase OverWhat(JobSheet sheet)
    {
        var choice = sheet.Placement!;
        var name = choice.Over switch
        {
            null => null,
            "wall" => "wall",
            var id => sheet.Wall!.Features.FirstOrDefault(f => f.Id == id)?.Name ?? "wall",
        };
        return name is null ? Phrase.Of("by reading")
            : choice.Across == Length.Zero ? Phrase.Of($"centre of the {name}")
            : Phrase.Of($"{choice.Across.Abs} {Hanger.Side(choice.Across)} of the centre of the {name}");
    }

    // A crew snaps the rows and plumbs the studs: one figure a line, and the bolts are where they cross.
    private static IEnumerable<Mark> Lines(Hung hung, IReadOnlyList<Bolt> bolts)
    {
        foreach (var row in bolts.GroupBy(b => (b.Row, b.Y)))
        {
            var under = hung.HookLine - row.Key.Y;
            yield return new(
                $"row/{row.Key.Row}",
                row.Key.Row.Length == 0 ? "Row" : $"{char.ToUpperInvariant(row.Key.Row[0])}{row.Key.Row[1..]} row",
                null,
                row.Key.Y,
                $"{under.Abs} {(under < Length.Zero ? "over" : "under")} the hook line, {row.Count()} bolts");
        }

        Length? before = null;
        foreach (var line in bolts.GroupBy(b => b.X).OrderBy(g => g.Key))
        {
            var (bolt, numbers) = (line.First(), string.Join(", ", line.Select(b => b.Number)));
            Phrase how = $"stud {StateWord(bolt.Stud.State)}, {(bolt.OffCentre == Length.Zero ? Phrase.Of("dead centre") : Phrase.Of($"{bolt.OffCentre:fine} off its centre"))}";
            if (before is { } last)
            {
                how.AppendFormatted($"; {line.Key - last} on");
            }

            yield return new($"bolts/{numbers.Replace(", ", "+")}", $"{(line.Count() == 1 ? "Bolt" : "Bolts")} {numbers}", line.Key, null, how);
            before = line.Key;
        }
    }

    private static string StateWord(StudState state) => state switch
    {
        StudState.Confirmed => "confirmed",
        StudState.Found => "found",
        _ => "suspected",
    };
}
