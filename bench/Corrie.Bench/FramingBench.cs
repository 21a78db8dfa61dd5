using BenchmarkDotNet.Attributes;
using Corrie.Core.Catalogue;
using Corrie.Core.Measure;
using Corrie.Core.Survey;
using Corrie.Simulators;

namespace Corrie.Bench;

/// <summary>The framing of a wall with 60 pieces of evidence, and the next probe, beside the survey of the same wall without any.</summary>
public class FramingBench
{
    private static readonly Length Bolt = Length.Tape(0, 3, 8);
    private Wall bare = null!;
    private Wall wall = null!;
    private Surveyed surveyed = null!;

    [GlobalSetup]
    public void Find()
    {
        var hidden = new HiddenWall(1);
        var prospector = new Prospector(hidden, Bolt);
        prospector.Sweep();
        foreach (var member in hidden.Truth)
        {
            prospector.Probe(member.Centre - 0.6);
            prospector.Probe(member.Centre + 0.9);
            prospector.Magnet(member.Centre, 62);
        }

        bare = new(
            Length.FromInches(hidden.Width), Length.Tape(96), WallKind.WoodStuds, Length.Tape(hidden.Spacing), Length.Tape(3, 1, 2), false, [], [], [], null);
        wall = bare with { Evidence = [.. prospector.Evidence.Take(60)] };
        if (wall.Evidence.Count != 60)
        {
            throw new InvalidOperationException($"{wall.Evidence.Count} pieces of evidence.");
        }

        surveyed = Surveyor.Survey(wall);
    }

    [Benchmark(Baseline = true)]
    public Framed WithoutEvidence() => Surveyor.Survey(bare).For(Bolt);

    [Benchmark]
    public Framed Infer() => Surveyor.Survey(wall).For(Bolt);

    [Benchmark]
    public IReadOnlyList<Probe> NextProbe() => Probing.Confirm(surveyed, [surveyed.For(Bolt).Studs.First(s => s.State != StudState.Confirmed).Id], null, Bolt);
}
