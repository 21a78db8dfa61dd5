using System.Reflection;
using Corrie.Core.Catalogue;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using NetArchTest.Rules;

namespace Corrie.Core.Tests;

/// <summary>The arrows between the folders of the core: a stage may use earlier stages and what all stages stand on, and nothing else.</summary>
public class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Corrie.Core.Jobs.Planner).Assembly;
    private static readonly string[] Order = ["Measure", "Findings", "Format", "Catalogue", "Planning", .. Stages.All.Select(s => s.GetType().Namespace!.Split('.')[2]), "Consistency", "Jobs"];

    private static readonly Comparer<Type> ByName = Comparer<Type>.Create((a, b) => string.CompareOrdinal(a.Name, b.Name));

    public static TheoryData<string> Folders => [.. Order];

    [Theory]
    [MemberData(nameof(Folders))]
    public void A_folder_knows_only_the_folders_before_it(string folder)
    {
        var later = Order.SkipWhile(f => f != folder).Skip(1).Select(f => "Corrie.Core." + f).ToArray();
        var result = Types.InAssembly(Core).That().ResideInNamespace("Corrie.Core." + folder).ShouldNot().HaveDependencyOnAny(later).GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Every_type_of_the_core_is_in_a_folder() =>
        Assert.All(Core.GetTypes().Where(t => t.Namespace?.StartsWith("Corrie") == true), t => Assert.Contains(t.Namespace!.Split('.')[2], Order));

    /// <summary>What is listed once is listed once: steps, stages and kinds of product.</summary>
    [Fact]
    public void Every_stage_has_its_step_its_kinds_and_its_own_folder()
    {
        Assert.All(Stages.All, s =>
        {
            Assert.Contains(s.Step, WorkStep.All);
            Assert.All(s.Kinds, k => Assert.Equal(s.Id, k.Stage));
            Assert.All(s.Kinds, k => Assert.StartsWith(s.Id.Word + ".", k.Code));
        });
        Assert.Equal(FindingCatalogue.All.Count, FindingCatalogue.All.Select(k => k.Code).Distinct().Count());
        Assert.Equal(Stages.Parts.Count, Stages.Parts.Select(p => (p.Holder, p.Name)).Distinct().Count());
        Assert.Equal(ProductKinds.All.Count, ProductKinds.All.Select(k => k.Word).Distinct().Count());
        // A stage's kinds are all that its folder defines: one that is forgotten in the list would be found here.
        var listed = FindingCatalogue.All.ToHashSet();
        var defined = Core.GetTypes().SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public)).Where(f => f.FieldType == typeof(FindingKind)).Select(f => (FindingKind)f.GetValue(null)!);
        Assert.All(defined, k => Assert.Contains(k, listed));
        // So is every stage and every part of the sheet.
        Assert.Equal(Core.GetTypes().Where(t => t is { IsClass: true, IsAbstract: false } && t.IsAssignableTo(typeof(IStage))).Order(ByName), Stages.All.Select(s => s.GetType()).Order(ByName));
        var parts = Core.GetTypes().SelectMany(t => t.GetProperties(BindingFlags.Static | BindingFlags.Public)).Where(p => p.PropertyType.IsAssignableTo(typeof(Part))).Select(p => (Part)p.GetValue(null)!);
        Assert.All(parts, p => Assert.Contains(p, Stages.Parts));
    }

    [Fact]
    public void The_core_has_no_io_no_clock_and_no_chance()
    {
        var result = Types.InAssembly(Core).ShouldNot().HaveDependencyOnAny(
            "System.IO.File", "System.IO.Stream", "System.Net", "System.Random", "System.DateTime", "System.TimeProvider", "Microsoft", "Dapper").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }
}
