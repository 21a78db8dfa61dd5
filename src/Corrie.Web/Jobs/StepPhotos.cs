using Corrie.Core.Planning;
using Corrie.Core.SiteDay;

namespace Corrie.Web.Jobs;

/// <summary>Photos of a step, with the form that adds one.</summary>
/// <param name="Job">The job's key.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Photos">Its photos.</param>
/// <param name="Asks">Whether photos may be added.</param>
/// <param name="First">Whether a photo is the first thing that the step asks for.</param>
public sealed record StepPhotos(long Job, string Step, IReadOnlyList<DayPhoto> Photos, bool Asks, bool First)
{
    /// <summary>The photos of a step.</summary>
    /// <param name="job">The job's key.</param>
    /// <param name="sheet">The job's sheet.</param>
    /// <param name="step">Key of the step.</param>
    /// <param name="first">Whether a photo is the first thing that the step asks for.</param>
    public static StepPhotos Of(long job, JobSheet sheet, string step, bool first = false) => new(job, step, [.. (sheet.Get(DayPhoto.Part) ?? []).Where(p => p.Step == step)], true, first);

    /// <summary>The address of a photo.</summary>
    /// <param name="photo">The photo.</param>
    /// <param name="size">In which size.</param>
    public string Picture(DayPhoto photo, string size) => $"/jobs/{Job}/survey?handler=Picture&name={photo.Picture}&size={size}";
}
