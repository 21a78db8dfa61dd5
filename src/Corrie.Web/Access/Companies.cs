using System.Collections.Concurrent;
using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>The companies whose files lie in the data folder: one file each.</summary>
/// <param name="folder">The data folder.</param>
/// <param name="time">The clock.</param>
public sealed class Companies(string folder, TimeProvider time) : IAsyncDisposable
{
    private readonly ConcurrentDictionary<string, Lazy<Company>> open = new();

    /// <summary>Short names of all companies.</summary>
    public IReadOnlyList<string> Keys => Directory.Exists(folder)
        ? [.. Directory.EnumerateFiles(folder, "*.corrie").Select(f => Path.GetFileNameWithoutExtension(f)!).Order(StringComparer.Ordinal)]
        : [];

    /// <summary>Raised after a job moved on: company, job, its last entry's place.</summary>
    public event Action<string, long, long>? Moved;

    /// <summary>A company's records; null where there is no such company.</summary>
    public Company? Find(string key) =>
        open.TryGetValue(key, out var company) ? company.Value
        : key.Length > 0 && key.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-') && File.Exists(PathOf(key)) ? OpenFile(key)
        : null;

    /// <summary>Makes a company's records, or opens them.</summary>
    public Company Create(string key) => OpenFile(key);

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        foreach (var company in open.Values)
        {
            await company.Value.DisposeAsync();
        }
    }

    private string PathOf(string key) => Path.Combine(folder, key + ".corrie");

    private Company OpenFile(string key) => open.GetOrAdd(key, k => new(() =>
    {
        var company = new Company(k, PathOf(k), time);
        company.Entries.Moved += (job, seq) => Moved?.Invoke(k, job, seq);
        return company;
    })).Value;
}
