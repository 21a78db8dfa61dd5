using System.Numerics.Tensors;
using Corrie.Core.Findings;
using Corrie.Core.Measure;

namespace Corrie.Core.Survey;

/// <summary>
/// Which spacing the members of a wall have: every usual one, and none, is weighed by how well the members that are known fit it from any start;
/// and a single step that is an inch off is a slip of the tape. Doubled members stand at openings and say nothing of a module.
/// </summary>
internal static class SpacingCheck
{
    // Framers miss a mark by up to half an inch, so that two neighbours are seldom an inch off each other (own rule: 15/16 in).
    private static readonly Length StepGive = Length.Tape(0, 15, 16);
    private static readonly Length HalfInch = Length.Tape(0, 1, 2);
    private static readonly Length Doubled = Length.Tape(2, 1, 2);
    private static readonly Length SameStep = Length.Tape(1, 1, 2);

    private const int Starts = 96;
    private const int Together = 64;
    private const int FewMembers = 6;
    private const double OnModule = 0.9;
    private const double Framers = 0.25;
    private const double MuchLikelier = 3;

    // Every place along the wall as likely as any other: what the rest is measured against.
    private const double ByChance = 2;

    private static readonly (Length Spacing, string Words, int Group)[] Usual =
    [
        (Length.Tape(12), "12 in", 0), (Length.Tape(16), "16 in", 1), (Length.FromMillimetres(400), "400 mm", 1), (Length.FromMillimetres(450), "450 mm", 2), (Length.FromInches(19.2), "19.2 in", 3),
        (Length.Tape(24), "24 in", 4), (Length.FromMillimetres(600), "600 mm", 4),
    ];

    /// <summary>What the members say of the spacing that is told.</summary>
    /// <param name="wall">The wall.</param>
    /// <param name="known">Its members as they are known.</param>
    /// <returns>A finding where another spacing is far likelier, or one step is off; none else.</returns>
    public static IEnumerable<Finding> Check(Wall wall, IReadOnlyList<Stud> known)
    {
        var studs = known.Where(s => s.State != StudState.Suspected && !known.Any(o => !ReferenceEquals(o, s) && (o.Centre - s.Centre).Abs < Doubled)).ToList();
        if (studs.Count < 3 || wall.Spacing <= Length.Zero)
        {
            return [];
        }

        if (Likelier(wall.Spacing.Inches, [.. studs.Select(s => s.Centre.Inches)]) is (_, var words))
        {
            return [SurveyFindings.SpacingBroken.At(
                new($"studs/{studs[0].Id}", studs[0].Centre, wall.Height.Half),
                $"Ask how this wall is framed: {studs.Count} members do not stand at {wall.Spacing}, as told; likeliest is {words}. Probe wherever a bolt goes, and count no studs.")];
        }

        return Step(wall, studs) is { } slip ? [slip] : [];
    }

    /// <summary>The spacing that members have, by likelihood.</summary>
    /// <param name="centres">Their centres, in inches, without doubled ones.</param>
    /// <returns>The spacing's words; <c>no module</c> where none explains them better than chance.</returns>
    public static string Likeliest(IReadOnlyList<double> centres) =>
        Usual.Select(u => (u.Words, Log: Log(centres, u.Spacing.Inches))).Append((Words: "no module", Log: ByChance)).MaxBy(u => u.Log).Words;

    /// <summary>The spacing to reckon with: the told one, unless the members say that it is far likelier another one, or none.</summary>
    /// <param name="told">The told spacing, in inches.</param>
    /// <param name="centres">Centres of the members, in inches and in order, without doubled ones.</param>
    /// <returns>The spacing in inches; 0 for none.</returns>
    public static double Believed(double told, IReadOnlyList<double> centres) => Likelier(told, centres) is { } better ? better.Spacing : told;

    // The usual case, told in a moment: all of them on one module, and two of them one step apart.
    private static bool Fits(IReadOnlyList<double> centres, double spacing)
    {
        var (first, stepped) = (centres[centres.Count / 2], false);
        for (var i = 0; i < centres.Count; i++)
        {
            if (Math.Abs(Math.IEEERemainder(centres[i] - first, spacing)) > HalfInch.Inches)
            {
                return false;
            }

            stepped |= i > 0 && Math.Abs(centres[i] - centres[i - 1] - spacing) <= StepGive.Inches;
        }

        return stepped;
    }

    // Another spacing, or none, that explains the members far better than the told one; null where there is none.
    private static (double Spacing, string Words)? Likelier(double told, IReadOnlyList<double> centres)
    {
        if (centres.Count <= 3 || Fits(centres, told))
        {
            return null;
        }

        bool Same(Length spacing) => Math.Abs(spacing.Inches - told) < 1d / 16;
        var mine = Usual.Where(u => Same(u.Spacing)).Select(u => (int?)u.Group).FirstOrDefault();
        // Few members cannot tell 16 in from 400 mm.
        var usual = Usual.Select(u => (Spacing: u.Spacing.Inches, u.Words, Log: Log(centres, u.Spacing.Inches), Near: u.Group == mine && (centres.Count < FewMembers || Same(u.Spacing)))).ToList();
        var near = usual.Where(u => u.Near).Select(u => u.Log).Append(Log(centres, told)).Max();
        var best = usual.Append((Spacing: 0, Words: "no module at all", Log: ByChance, Near: false)).MaxBy(u => u.Log);
        return best.Log > near + Math.Log(MuchLikelier) ? (best.Spacing, best.Words) : null;
    }

    // Density of the members along the wall, over all starts: a wider spacing explains the same members with fewer places left empty.
    private static double Log(IReadOnlyList<double> centres, double spacing)
    {
        Span<double> logs = stackalloc double[Starts];
        Span<double> one = stackalloc double[Starts];
        Span<double> all = stackalloc double[Starts];
        all.Fill(1);
        for (var i = 0; i < centres.Count; i++)
        {
            var centre = centres[i];
            for (var s = 0; s < Starts; s++)
            {
                var steps = (centre / spacing) - ((double)s / Starts);
                one[s] = spacing * (steps - Math.Round(steps));
            }

            TensorPrimitives.Multiply(one, one, one);
            TensorPrimitives.Multiply(one, -0.5 / (Framers * Framers), one);
            TensorPrimitives.Exp<double>(one, one);
            TensorPrimitives.Multiply(one, OnModule * spacing / (Framers * Math.Sqrt(2 * Math.PI)), one);
            TensorPrimitives.Add(one, 1 - OnModule, one);
            TensorPrimitives.Multiply(all, one, all);
            // One logarithm for many: none of them is less than a tenth, so that so many stay far from what a double can no longer hold.
            if (i % Together == Together - 1 || i == centres.Count - 1)
            {
                TensorPrimitives.Log<double>(all, all);
                TensorPrimitives.Add(logs, all, logs);
                all.Fill(1);
            }
        }

        var most = TensorPrimitives.Max<double>(logs);
        TensorPrimitives.Subtract(logs, most, logs);
        TensorPrimitives.Exp<double>(logs, logs);
        return most + Math.Log(TensorPrimitives.Sum<double>(logs) / Starts);
    }

    private static Finding? Step(Wall wall, List<Stud> studs)
    {
        if (!studs.Zip(studs.Skip(1)).Any(p => (p.Second.Centre - p.First.Centre - wall.Spacing).Abs is var off && off >= StepGive && off <= SameStep))
        {
            return null;
        }

        var groups = new List<List<Stud>>();
        foreach (var stud in studs)
        {
            var group = groups.FirstOrDefault(g => OffModule(g[0].Centre, stud.Centre, wall.Spacing).Abs <= HalfInch);
            if (group is null)
            {
                groups.Add([stud]);
            }
            else
            {
                group.Add(stud);
            }
        }

        if (groups.Count != 2)
        {
            return null;
        }

        var (few, many) = groups[0].Count <= groups[1].Count ? (groups[0], groups[1]) : (groups[1], groups[0]);
        var by = OffModule(many[0].Centre, few[0].Centre, wall.Spacing);
        Phrase message = $"At {wall.Spacing} spacing the members do not fit one module: either ";
        List(message, few);
        message.AppendFormatted($" {(few.Count == 1 ? "is" : "are")} {by.Abs} {(by < Length.Zero ? "low" : "high")}, or ");
        List(message, many);
        message.AppendFormatted($" {(many.Count == 1 ? "is" : "are")} {by.Abs} {(by < Length.Zero ? "high" : "low")}. {studs.Count} marks cannot tell: measure ");
        List(message, few);
        message.AppendLiteral(" again, before the holes go in.");
        return SurveyFindings.SpacingBroken.At(new($"studs/{few[0].Id}", few[0].Centre, wall.Height.Half), message);
    }

    private static void List(Phrase message, List<Stud> studs)
    {
        for (var i = 0; i < studs.Count; i++)
        {
            message.AppendFormatted($"{(i == 0 ? string.Empty : i == studs.Count - 1 ? " and " : ", ")}{studs[i].Centre}");
        }
    }

    // How far a position is off the module of another, to the nearer side.
    private static Length OffModule(Length from, Length at, Length spacing)
    {
        var rest = (at - from).Units % spacing.Units;
        return Length.FromUnits(rest > spacing.Units / 2 ? rest - spacing.Units : rest < -spacing.Units / 2 ? rest + spacing.Units : rest);
    }
}
