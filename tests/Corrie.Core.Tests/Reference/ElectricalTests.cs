using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Reference;

/// <summary>Fills, bores, box volumes, voltage drop, bored studs and pair orders as published. All values were written down from memory; the local edition prevails.</summary>
public class ElectricalTests
{
    /// <summary>NFPA 70 chapter 9, table 4, from memory: inside diameter and area of steel and plastic tube.</summary>
    [Theory]
    [InlineData("1/2", 0.622, 0.304, 0.560, 0.246)]
    [InlineData("3/4", 0.824, 0.533, 0.760, 0.454)]
    [InlineData("1", 1.049, 0.864, 1.000, 0.785)]
    [InlineData("1 1/4", 1.380, 1.496, 1.340, 1.410)]
    [InlineData("1 1/2", 1.610, 2.036, 1.570, 1.936)]
    [InlineData("2", 2.067, 3.356, 2.020, 3.205)]
    public void Bores_and_areas_of_tubes(string trade, double emt, double emtArea, double ent, double entArea)
    {
        foreach (var (kind, bore, area) in new[] { (ConduitKind.Emt, emt, emtArea), (ConduitKind.Ent, ent, entArea) })
        {
            var tube = Conduit.Of(kind).Single(c => c.Trade == trade);
            Assert.Equal((bore, area), (Math.Round(tube.Bore.Inches, 4), tube.Area));
            // The two columns belong together: an area is a quarter of pi times the bore squared, to what the table is rounded to.
            Assert.Equal(area, Math.PI / 4 * bore * bore, 0.003);
        }
    }

    /// <summary>NFPA 70 chapter 9, table 1, from memory: 53, 31, 40 %.</summary>
    [Theory]
    [InlineData(1, 0.53)]
    [InlineData(2, 0.31)]
    [InlineData(3, 0.40)]
    [InlineData(9, 0.40)]
    public void Share_of_a_tube_that_cables_may_take(int cables, double share) => Assert.Equal(share, Conduit.Share(cables));

    /// <summary>Common practice: a plug of 1 1/4 by 0.45 in wants 1 1/2 in of tube. Its diagonal is the root of 1.5625 + 0.2025; 1/8 in of play.</summary>
    [Fact]
    public void A_plug_of_one_and_a_quarter_wants_one_and_a_half_although_the_fill_would_allow_less()
    {
        var bundle = new Bundle([new("thin display cable", Length.FromInches(0.2), Length.Tape(1, 1, 4), Length.FromInches(0.45))]);
        Assert.Equal(Math.Sqrt(1.5625 + 0.2025) + 0.125, bundle.Bore.Inches, 0.0001);
        Assert.True(Conduit.Of(ConduitKind.Emt)[0].Holds(bundle));
        Assert.Equal("1 1/2", bundle.Smallest(ConduitKind.Emt)!.Trade);
        Assert.Equal("1 1/2", bundle.Smallest(ConduitKind.Ent)!.Trade);
        // Beside two cables of 1/4 in that are through already it is more, and never less than either alone.
        var beside = new Bundle([.. bundle.Cables, new("a", Length.Tape(0, 1, 4), default, default), new("b", Length.Tape(0, 1, 4), default, default)]);
        Assert.InRange(beside.Bore.Inches, bundle.Bore.Inches, 1.3285 + 0.5 + 0.125);
    }

    /// <summary>The least circle round a plug with a round bundle on it, beside a search over a grid of middles.</summary>
    [Fact]
    public void A_plug_lies_flat_beside_what_is_through_already()
    {
        var random = new Random(1504);
        for (var n = 0; n < 200; n++)
        {
            var (w, h, d) = (0.3 + random.NextDouble(), 0.1 + (0.3 * random.NextDouble()), random.NextDouble() * 0.8);
            var (wide, high) = (Math.Max(w, h), Math.Min(w, h));
            var least = Enumerable.Range(-500, 3000).Select(i => i / 1000d).Min(c => Math.Max(
                Math.Max(Math.Sqrt((wide * wide / 4) + (c * c)), Math.Sqrt((wide * wide / 4) + ((high - c) * (high - c)))), d == 0 ? 0 : Math.Abs(high + (d / 2) - c) + (d / 2)));
            Assert.Equal(2 * least, Bundle.Beside(Length.FromInches(w), Length.FromInches(h), Length.FromInches(d)).Inches, 0.004);
        }
    }

    /// <summary>NFPA 70 314.16(B), from memory: 2.00, 2.25, 2.50 cubic inches a conductor; two for a yoke, one for clamps, one for grounds up to four. A box of 3 x 2 x 2 1/2 in has 12.5, one of 4 x 1 1/2 in 21.0 (314.16(A)).</summary>
    [Theory]
    [InlineData(2, 14, 1, false, 1, 10.0)]
    [InlineData(4, 12, 1, true, 2, 18.0)]
    [InlineData(6, 10, 2, true, 4, 30.0)]
    [InlineData(4, 14, 1, true, 6, 17.0)]
    public void Room_that_wires_take_in_a_box(int conductors, int gauge, int devices, bool clamps, int grounds, double room) => Assert.Equal(room, new BoxWires(conductors, gauge, devices, clamps, grounds).Room!.Value, 9);

    /// <summary>NFPA 70 chapter 9, table 8, from memory, and the two worked drops: 60 ft at 8 A.</summary>
    [Theory]
    [InlineData(12, 1.93, 1.85)]
    [InlineData(14, 3.07, 2.95)]
    [InlineData(10, 1.21, 1.16)]
    public void Voltage_drop_of_two_wires(int gauge, double ohms, double drop)
    {
        Assert.Equal(ohms, Circuit.Ohms(gauge));
        Assert.Equal(drop, Circuit.Drop(Length.Tape(720), 8, gauge)!.Value, 0.005);
    }

    /// <summary>IRC R602.6, from memory: 40 % of a stud that carries or stands outside, 60 % of another, and 5/8 in of wood on both sides. What nobody has said carries.</summary>
    [Theory]
    [InlineData(3.5, true, 1.4)]
    [InlineData(3.5, null, 1.4)]
    [InlineData(3.5, false, 2.1)]
    [InlineData(5.5, true, 2.2)]
    [InlineData(5.5, false, 3.3)]
    [InlineData(2.5, true, 1.0)]
    [InlineData(2.5, false, 1.25)]
    [InlineData(7.25, false, 4.35)]
    public void Largest_hole_in_a_stud(double depth, bool? bearing, double most) => Assert.Equal(most, RouteTask.MostIn(Length.FromInches(depth), bearing).Inches, 0.0001);

    /// <summary>What an electrician is asked for follows from who lives there, from the code, and from what is on record.</summary>
    [Fact]
    public void An_electrician_is_asked_by_the_code_that_holds()
    {
        var job = System.Text.Json.Nodes.JsonNode.Parse(File.ReadAllText(Repository.File("src/Corrie.Web/Demo/map-room.json")))!.AsObject();
        IReadOnlyList<ElectricianAsk> Asks(params (string Path, System.Text.Json.Nodes.JsonNode? Value)[] changes)
        {
            foreach (var (path, value) in changes)
            {
                Corrie.Core.Format.Pointer.Set(job, path, value);
            }

            return ElectricianAsks.Of(Corrie.Core.Jobs.Planner.Plan(Corrie.Core.Jobs.JobForm.Read(job).Sheet)).Asks;
        }

        Assert.Contains(Asks(("/electrics/code", "nfpa70"), ("/electrics/dwelling", true)), a => a.Source == "NFPA 70 210.12" && a.Met == true);
        Assert.Contains(Asks(("/electrics/circuits/c1/arcProtected", false)), a => a.Source == "NFPA 70 210.12" && a.Met is null);
        Assert.DoesNotContain(Asks(("/electrics/dwelling", false)), a => a.Source == "NFPA 70 210.12");
        Assert.Equal("P-11, by Ines", Asks(("/electrics/permit", "P-11, by Ines"))[0].On);
        // Another code: none of its figures are known, so each is asked of the licensed person.
        Assert.All(Asks(("/electrics/code", "other"), ("/electrics/codeName", "the valley's code")), a => Assert.DoesNotContain("NFPA", a.Source));
        Assert.Empty(ElectricianAsks.Of(Sheets.Plan()).Asks);
    }

    /// <summary>TIA-568, from memory: the two pair orders.</summary>
    [Fact]
    public void Pair_orders()
    {
        Assert.Equal(["white-green", "green", "white-orange", "blue", "white-blue", "orange", "white-brown", "brown"], WireTest.Colours(PairOrder.A));
        Assert.Equal(["white-orange", "orange", "white-green", "blue", "white-blue", "green", "white-brown", "brown"], WireTest.Colours(PairOrder.B));
        // In both orders the wires of a pair share their colour.
        Assert.All(Enum.GetValues<PairOrder>(), o => Assert.All(WireTest.Pairs, p => Assert.Equal(WireTest.Colours(o)[p.A - 1].Replace("white-", string.Empty), WireTest.Colours(o)[p.B - 1].Replace("white-", string.Empty))));
    }
}
