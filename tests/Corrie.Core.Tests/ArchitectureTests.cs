using System.Reflection;
using NetArchTest.Rules;

namespace Corrie.Core.Tests;

/// <summary>The arrows between the rooms of the core: a step may use earlier steps, Measure, Findings and Catalogue, and nothing else.</summary>
public class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Corrie.Core.Jobs.Planner).Assembly;
    private static readonly string[] Order = ["Measure", "Findings", "Catalogue", "Survey", "Placement", "Hanging", "Fixing", "Jobs"];

    public static TheoryData<string> Rooms => [.. Order];

    [Theory]
    [MemberData(nameof(Rooms))]
    public void A_room_knows_only_the_rooms_before_it(string room)
    {
        var later = Order.SkipWhile(r => r != room).Skip(1).Select(r => "Corrie.Core." + r).ToArray();
        var result = Types.InAssembly(Core).That().ResideInNamespace("Corrie.Core." + room).ShouldNot().HaveDependencyOnAny(later).GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Every_type_of_the_core_is_in_a_room() =>
        Assert.All(Core.GetTypes().Where(t => t.Namespace?.StartsWith("Corrie") == true), t => Assert.Contains(t.Namespace!.Split('.')[2], Order));

    [Fact]
    public void The_core_has_no_io_no_clock_and_no_chance()
    {
        var result = Types.InAssembly(Core).ShouldNot().HaveDependencyOnAny(
            "System.IO.File", "System.IO.Stream", "System.Net", "System.Random", "System.DateTime", "System.TimeProvider", "Microsoft", "Dapper").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }
}
