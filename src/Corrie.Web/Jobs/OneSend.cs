using System.Globalization;
using System.Text.RegularExpressions;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Data;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Jobs;

/// <summary>
/// A submit from a field page. A phone that had no signal sends it later, and sends it again where it heard no answer: by the key that it carries it
/// counts once, and with the time at which it was made.
/// </summary>
/// <param name="Key">Its key: 32 hexadecimal figures.</param>
/// <param name="At">When it was made, by the device's clock; null for now.</param>
/// <param name="Queued">Whether a queue sent it, which wants an answer and no page.</param>
/// <param name="Shown">Up to which entry the page showed the job on which it was entered; null for as it is now.</param>
public sealed partial record OneSend(string Key, DateTimeOffset? At, bool Queued, long? Shown)
{
    /// <summary>What a queue says of itself in a header.</summary>
    public const string Header = "X-Queue";

    /// <summary>Reads it from a request.</summary>
    /// <param name="request">The request.</param>
    public static OneSend Of(HttpRequest request)
    {
        var key = request.HasFormContentType ? request.Form["once"].ToString() : string.Empty;
        var at = request.HasFormContentType && DateTimeOffset.TryParse(request.Form["at"], CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var made) && made.Year is >= 2000 and < 2200 ? made : (DateTimeOffset?)null;
        return new(
            IsKey(key) ? key : Guid.NewGuid().ToString("N"), at, request.Headers.ContainsKey(Header),
            request.HasFormContentType && long.TryParse(request.Form["shown"], NumberStyles.None, CultureInfo.InvariantCulture, out var shown) ? shown : null);
    }

    /// <summary>Whether something is a key.</summary>
    /// <param name="key">What came.</param>
    public static bool IsKey(string? key) => key is not null && KeyForm().IsMatch(key);

    /// <summary>A short name for what it makes: the same each time that it is sent.</summary>
    public string Short => Key[..6];

    /// <summary>Whether a job has it already.</summary>
    /// <param name="ledger">The job's entries.</param>
    public bool IsKnown(Ledger ledger) => ledger.Find(IdOf(0)) is not null;

    /// <summary>Appends its changes, once.</summary>
    /// <param name="company">The company.</param>
    /// <param name="job">The job.</param>
    /// <param name="author">Name that its author signs in with.</param>
    /// <param name="device">On which device.</param>
    /// <param name="ledger">The job's entries.</param>
    /// <param name="changes">The changes.</param>
    public async Task Append(Company company, long job, string author, string device, Ledger ledger, IReadOnlyList<Change> changes)
    {
        try
        {
            await company.Entries.Append(job, author, device, [.. changes.Select((c, i) => new NewEntry(IdOf(i), c.Path, c.Value?.DeepClone(), [.. ledger.HoldersOf(c.Path).Where(h => Knew(ledger, h, author))], TakenAt: At))]);
        }
        catch (EntryIdTakenException) when (company.Entries.Read(job) is { } now && IsKnown(now))
        {
            // The same submit came twice at the same moment, and the other one was first.
        }
    }

    /// <summary>Says where to go on.</summary>
    /// <param name="address">The address.</param>
    public IActionResult Go(string address) => Queued ? new JsonResult(new { next = address }) : new RedirectResult(address);

    // What somebody else has entered since the page was shown is not replaced: both stand side by side until somebody decides.
    private bool Knew(Ledger ledger, string holder, string author) => Shown is not { } shown || ledger.Find(holder) is not { } entry || entry.Seq <= shown || entry.Author == author;

    private string IdOf(int number) => $"{Key}-{number.ToString(CultureInfo.InvariantCulture)}";

    [GeneratedRegex(@"\A[0-9a-f]{32}\z")]
    private static partial Regex KeyForm();
}
