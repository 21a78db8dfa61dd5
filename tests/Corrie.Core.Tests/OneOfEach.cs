using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;

namespace Corrie.Core.Tests;

/// <summary>Short ways to the results of a job with one wall, one display and one mount, as most jobs of the tests are.</summary>
internal static class OneOfEach
{
    extension(JobPlan plan)
    {
        public Surveyed Surveyed => plan.Survey("w1")!;

        public Wall Wall => plan.Surveyed.Wall;

        public FramingMap Framing => plan.Surveyed.For(plan.ShownBolt("w1")).Map;

        public IReadOnlyList<Stud> Studs => plan.Surveyed.For(plan.ShownBolt("w1")).Studs;

        public IReadOnlyList<Probe> NextProbes => plan.Probes("w1");

        public Datum Across => plan.Tapes("w1")!.Across;

        public Datum Up => plan.Tapes("w1")!.Up;

        public PlacementResult Placed => plan.Placement("d1")!;

        public PlateLayout Hung => plan.Layout("m1")!;

        public FixingResult Bolted => plan.Fixing("m1")!;
    }
}
