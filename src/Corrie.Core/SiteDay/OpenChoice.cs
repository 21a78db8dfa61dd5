using Corrie.Core.Format;
using Corrie.Core.Planning;

namespace Corrie.Core.SiteDay;

/// <summary>Something that nobody knows before the visit.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Says">What people call it.</param>
/// <param name="Path">JSON Pointer of what is not known.</param>
/// <param name="Answers">What it may be, as the file has it.</param>
public sealed record OpenChoice(string Id, string Says, string Path, IReadOnlyList<string> Answers)
{
    /// <summary>What is open before the visit.</summary>
    public static Part<IReadOnlyList<OpenChoice>> Part { get; } = new(Holder.Job, "open", new MapShape<OpenChoice>("what nobody knows before the visit", new GroupShape<OpenChoice>("an open question", m => new OpenChoice(
        m.Key,
        m.Need("says", new TextShape("what people call it", 120)),
        m.Need("path", new TextShape("the part of the sheet that it decides", 200)),
        m.Need("answers", new ListShape<string>("what it may be", new TextShape("an answer", 60), 6)))), 6));
}
