using System.Text.Json.Nodes;
using Corrie.Core.Findings;
using Corrie.Core.Format;

namespace Corrie.Core.Jobs;

/// <summary>What changes make of a document, before anybody makes them.</summary>
public static class SheetChanges
{
    /// <summary>A document after some changes.</summary>
    /// <param name="document">The document; not changed.</param>
    /// <param name="changes">The changes, in their order.</param>
    /// <returns>The document then.</returns>
    public static JsonObject After(JsonObject document, IEnumerable<Change> changes)
    {
        var after = (JsonObject)document.DeepClone();
        foreach (var change in changes)
        {
            Pointer.Set(after, change.Path, change.Value?.DeepClone());
        }

        return after;
    }

    /// <summary>What would be wrong with a sheet after some changes and was not before.</summary>
    /// <param name="document">The document.</param>
    /// <param name="changes">The changes.</param>
    /// <returns>The problems, also references to what is not there.</returns>
    public static IReadOnlyList<SheetProblem> WouldBeWrong(JsonObject document, IEnumerable<Change> changes)
    {
        var known = JobForm.Read(document).Problems.ToHashSet();
        return [.. JobForm.Read(After(document, changes)).Problems.Where(p => !known.Contains(p))];
    }

    /// <summary>
    /// What could not be read after some changes and could before: a map that would be too full, a group that would lack something, or a
    /// whole that is longer than a job file may be. What nobody could import again is not taken in the first place.
    /// </summary>
    /// <param name="document">The document.</param>
    /// <param name="changes">The changes.</param>
    /// <returns>The problems; references to what is not there are none of these.</returns>
    public static IReadOnlyList<SheetProblem> WouldBeLeftOut(JsonObject document, IReadOnlyList<Change> changes)
    {
        var after = After(document, changes);
        var unread = JobForm.Read(after).Sheet.LeftOut;
        List<SheetProblem> wrong = [];
        if (unread.Count > 0)
        {
            var known = JobForm.Read(document).Sheet.LeftOut.Select(l => l.Problem).ToHashSet();
            wrong.AddRange(unread.Select(l => l.Problem).Where(p => !known.Contains(p)));
        }

        if (JobFile.Write(after).Length is > JobFile.Longest and var length)
        {
            wrong.Add(new(string.Empty, string.Empty, $"The job would have {length} characters", $"at most {JobFile.Longest}"));
        }

        return wrong;
    }
}
