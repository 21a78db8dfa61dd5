using Corrie.Core.Findings;

namespace Corrie.Core.Planning;

/// <summary>How a stage stands, on one wall or on the whole job.</summary>
public enum StageState
{
    /// <summary>The job has nothing that this stage is about: it holds nothing up.</summary>
    NotNeeded,

    /// <summary>Nothing is entered.</summary>
    Untouched,

    /// <summary>Something is missing.</summary>
    Open,

    /// <summary>Something stops it.</summary>
    Stopped,

    /// <summary>Nothing is missing and nothing stops it.</summary>
    Clear,
}

/// <summary>How a stage stands and what it still needs, before its findings are counted.</summary>
/// <param name="State">How it stands; a stage says <see cref="StageState.Clear"/> and the findings make it stopped.</param>
/// <param name="Says">Its main figure, or what it still needs.</param>
public sealed record StageReport(StageState State, Phrase Says)
{
    /// <summary>Nothing here is this stage's matter.</summary>
    public static StageReport NotNeeded { get; } = new(StageState.NotNeeded, "not needed here");

    /// <summary>Whether it is this stage's matter, and only later: nothing waits for it.</summary>
    public bool Later { get; init; }

    /// <summary>This stage's matter, and only later: it holds nothing up.</summary>
    /// <param name="says">What it waits for.</param>
    /// <returns>The report.</returns>
    public static StageReport NotBegun(Phrase says) => new(StageState.NotNeeded, says) { Later = true };

    /// <summary>Nothing is entered yet.</summary>
    /// <param name="needs">What it needs first.</param>
    /// <returns>The report.</returns>
    public static StageReport Untouched(Phrase needs) => new(StageState.Untouched, needs);

    /// <summary>Something is missing.</summary>
    /// <param name="needs">What it needs, in a few words.</param>
    /// <returns>The report.</returns>
    public static StageReport Open(Phrase needs) => new(StageState.Open, needs);

    /// <summary>Nothing is missing.</summary>
    /// <param name="says">Its main figure.</param>
    /// <returns>The report.</returns>
    public static StageReport Clear(Phrase says) => new(StageState.Clear, says);
}

/// <summary>How a stage stands on a wall, its findings counted.</summary>
/// <param name="Stage">Which one.</param>
/// <param name="Wall">The wall; empty where the job has none.</param>
/// <param name="State">How it stands.</param>
/// <param name="Says">Its main figure, or what it still needs.</param>
/// <param name="Stops">How many stops it has there.</param>
/// <param name="Cautions">How many cautions.</param>
public sealed record StageStatus(IStage Stage, string Wall, StageState State, Phrase Says, int Stops, int Cautions)
{
    /// <summary>Whether it is this stage's matter, and only later: nothing waits for it.</summary>
    public bool Later { get; init; }
}

/// <summary>
/// A part of the work, in one folder. It registers itself by its place in <c>Jobs/Stages.cs</c>: from it come its part of the file, its findings,
/// marks, results and status, on the pages, in the drawings, on paper, in files and in the tests.
/// </summary>
public interface IStage
{
    /// <summary>Its word and title.</summary>
    StageId Id { get; }

    /// <summary>The step of the page that it belongs to.</summary>
    WorkStep Step { get; }

    /// <summary>What it adds to the sheet.</summary>
    IReadOnlyList<Part> Parts { get; }

    /// <summary>What it can find.</summary>
    IReadOnlyList<FindingKind> Kinds { get; }

    /// <summary>How it stands on a wall.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">The wall; null where the job has none yet.</param>
    /// <returns>How it stands, findings not counted.</returns>
    StageReport Report(IHungResults plan, WallSheet? wall);

    /// <summary>Writes its results into the plan file.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="file">The file, by wall and by thing.</param>
    void Write(IHungResults plan, PlanWriter file);
}

/// <summary>A stage that plans before everything hangs: it knows where things are wanted, and not where they go.</summary>
public interface IEarlyStage : IStage
{
    /// <summary>Plans: reads the sheet and what earlier stages made of it, and adds its results, findings and marks.</summary>
    /// <param name="plan">The plan so far.</param>
    void Plan(PlanBuilder plan);

    /// <summary>What it makes once everything hangs; nothing, for most.</summary>
    /// <param name="plan">The plan so far, all early stages done.</param>
    void Settle(HungPlan plan)
    {
    }
}

/// <summary>A stage that plans once everything hangs.</summary>
public interface ILateStage : IStage
{
    /// <summary>Plans: reads the sheet and what earlier stages made of it, and adds its results, findings and marks.</summary>
    /// <param name="plan">The plan so far.</param>
    void Plan(HungPlan plan);
}
