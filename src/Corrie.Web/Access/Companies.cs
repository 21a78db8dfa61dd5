using System.Collections.Concurrent;
using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>The companies whose files lie in the data folder: one file each.</summary>
/// <param name="folder">The data folder.</param>
/// <param name="time">The clock.</param>
public sealed class Companies(string folder, TimeProvider time) : IAsyncDisposable
{
    private readonly ConcurrentDictionary<string, Lazy<Company>> open = new();
    private readonly ConcurrentDictionary<string, string> refused = new();

    /// <summary>Short names of all companies.</summary>
    public IReadOnlyList<string> Keys => Directory.Exists(folder)
        ? [.. Directory.EnumerateFiles(folder, "*.corrie").Select(f => Path.GetFileNameWithoutExtension(f)!).Order(StringComparer.Ordinal)]
        : [];

    /// <summary>Raised after a job moved on: company, job, its last entry's place.</summary>
    public event Action<string, long, long>? Moved;

    /// <summary>A company's records; null where there is no such company.</summary>
    public Company? Find(string key)
    {
        try
        {
            return open.TryGetValue(key, out var company) ? company.Value
                : key.Length > 0 && key.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-') && File.Exists(PathOf(key)) ? OpenThere(key)
                : null;
        }
        catch (CompanyFileException e)
        {
            // Nobody works with a file that is not understood; whoever signs in is told why.
            refused[key] = e.Message;
            open.TryRemove(key, out _);
            return null;
        }
    }

    /// <summary>Why a company's file is not opened: it is newer than this program, of an earlier form, or no company's file; null where it is.</summary>
    public string? Refusal(string key)
    {
        refused.TryRemove(key, out _);
        return Find(key) is null && refused.TryGetValue(key, out var words) ? words : null;
    }

    /// <summary>Makes a company's records, or opens them.</summary>
    public Company Create(string key) => OpenFile(key);

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        foreach (var company in open.Values.Where(c => c.IsValueCreated))
        {
            await company.Value.DisposeAsync();
        }
    }

    /// <summary>Where a company's file lies.</summary>
    public string PathOf(string key) => Path.Combine(folder, key + ".corrie");

    // A file is empty where a disk was full when it was copied, and never where Corrie has begun it: what was begun lies beside it at first.
    private Company OpenThere(string key) => new FileInfo(PathOf(key)).Length > 0 || File.Exists(PathOf(key) + "-wal")
        ? OpenFile(key)
        : throw new CompanyFileException($"'{key}.corrie' is empty. Put a backup back, or take the file away to begin anew.");

    private Company OpenFile(string key) => open.GetOrAdd(key, k => new(() =>
    {
        var company = new Company(k, PathOf(k), time);
        company.Entries.Moved += (job, seq) => Moved?.Invoke(k, job, seq);
        return company;
    })).Value;
}
