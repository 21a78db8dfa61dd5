using System.Diagnostics;
using Corrie.Core.Catalogue;
using Corrie.Core.Hanging;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Survey;

namespace Corrie.Bench;

/// <summary>How long the plate's place takes, on walls full of studs and plates full of holes, beside sorting ten thousand numbers in the same run.</summary>
internal static class PlateBench
{
    /// <summary>Runs it and says the mean and the slowest.</summary>
    /// <param name="count">How many searches.</param>
    public static void Run(int count)
    {
        using var reader = new StreamReader(typeof(PlateBench).Assembly.GetManifestResourceStream("map-room.json")!);
        var mount = JobForm.Read(JobFile.Parse(reader.ReadToEnd()).Document!).Sheet.Items.Select(i => i.Product).OfType<Mount>().First();
        var random = new Random(1);
        var questions = Enumerable.Range(0, count).Select(_ => Question(mount, random)).ToList();
        foreach (var question in questions.Take(count / 2))
        {
            PlateSearch.Best(question);
        }

        var times = questions.Select(q => Time(() => PlateSearch.Best(q))).Order().ToList();
        var baseline = Enumerable.Range(0, 200).Select(_ => Time(() => _ = Enumerable.Range(0, 10_000).Select(_ => random.Next()).Order().Last())).Order().ToList()[100];
        Console.WriteLine(FormattableString.Invariant(
            $"{count} plates: median {times[count / 2]:0.000} ms, 99 of 100 under {times[count * 99 / 100]:0.000} ms, slowest {times[^1]:0.000} ms; sorting ten thousand numbers {baseline:0.000} ms; ratio of the median {times[count / 2] / baseline:0.00}"));
    }

    private static double Time(Action work)
    {
        var from = Stopwatch.GetTimestamp();
        work();
        return Stopwatch.GetElapsedTime(from).TotalMilliseconds;
    }

    private static PlateQuestion Question(Mount mount, Random random)
    {
        Length In(double inches) => Length.Tape(0, (long)(inches * 64), 64);
        var rows = Enumerable.Range(0, 3).Select(r => new PlateRow($"r{r}", In(-r * 2), [.. Enumerable.Range(0, 20).Select(i => In(-15 + (i * 1.5) + random.NextDouble())).Select(from => new Slot(from, random.Next(2) == 0 ? from : from + In(.5)))])).ToList();
        var studs = Enumerable.Range(0, 12).Select(i => new Stud($"s{i}", In(8 + (i * 16) + random.NextDouble()), In(1.5), StudState.Confirmed, In(random.NextDouble() / 4))).ToList();
        return new(mount with { Rows = rows, PlateWidth = In(34), PlateHeight = In(20), HookUp = In(15), Slide = In(6) }, studs, In(60 + (random.NextDouble() * 80)), In(.3125), WallKind.WoodStuds, In(200), In(15.75));
    }
}
