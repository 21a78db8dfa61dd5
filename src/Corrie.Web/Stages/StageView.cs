using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Web.Drawing;

namespace Corrie.Web.Stages;

/// <summary>What a stage shows besides its form: layers of the drawing, readings at the tapes, results in the side pane. All of it can be left out.</summary>
public abstract class StageView
{
    /// <summary>The stage.</summary>
    public abstract StageId Stage { get; }

    /// <summary>The parts of the sheet that its form asks for.</summary>
    public virtual IReadOnlyList<Part> Parts => Core.Jobs.Stages.Of(Stage).Parts;

    /// <summary>Layers of the drawing.</summary>
    public virtual IReadOnlyList<DrawingLayer> Layers => [];

    /// <summary>The partial view with its results; null for none.</summary>
    public virtual string? Results => null;

    /// <summary>The partial view that stands before the form, because work begins there: what is asked, with answers to press; null for none.</summary>
    public virtual string? Prompt => null;

    /// <summary>Whether the drawing shows the wall itself while this stage is worked on.</summary>
    public virtual bool Surveys => false;

    /// <summary>Whether it has anything to show or to ask on a wall.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall; empty where the job has none.</param>
    public virtual bool ShownOn(JobPlan plan, string wall) => true;

    /// <summary>Tools that are taken in hand on the wall while this stage is worked on: their words for the address, and what they are called.</summary>
    /// <param name="wall">The wall.</param>
    public virtual IReadOnlyList<(string Word, string Says)> Tools(Wall wall) => [];

    /// <summary>Readings at the tapes that are no marks.</summary>
    public virtual IEnumerable<Reading> Readings(Canvas canvas) => [];

    /// <summary>What the drawing shows of this stage, in sentences for those who do not see it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    public virtual IEnumerable<Phrase> Sentences(JobPlan plan, string wall) => [];

    /// <summary>Whether the form leaves a member out, because the results have it, or it is no question of this thing.</summary>
    /// <param name="part">The part.</param>
    /// <param name="member">Its member.</param>
    /// <param name="item">The thing that it is asked of; null for the wall and the job.</param>
    public virtual bool LeavesOut(Part part, Member member, Item? item) => false;

    /// <summary>Whether a part of the wall or the job is asked for on a wall: what that wall has not is no question.</summary>
    /// <param name="part">The part.</param>
    /// <param name="wall">The wall as surveyed; null as long as it has no size.</param>
    public virtual bool Asks(Part part, Wall? wall) => true;

    /// <summary>The words under which the questions of a part are folded away; empty for open ones.</summary>
    /// <param name="part">The part.</param>
    public virtual string Fold(Part part) => string.Empty;

    /// <summary>The question that clears a finding, where it is not among those of what the finding is about.</summary>
    /// <param name="kind">The finding's kind.</param>
    /// <returns>The name of its field, or what that begins with; null where nothing is known.</returns>
    public virtual string? Question(FindingKind kind) => null;

    private sealed class Plain(StageId stage) : StageView
    {
        public override StageId Stage => stage;
    }

    /// <summary>A stage without a view of its own.</summary>
    public static StageView Of(IStage stage) => new Plain(stage.Id);
}
