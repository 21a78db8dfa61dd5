using System.Text.Json.Nodes;

namespace Corrie.Core.Jobs;

/// <summary>One small change to a job sheet: append-only, with who and when.</summary>
/// <param name="Id">Unique name, made where it was entered, so that sending it twice does nothing twice.</param>
/// <param name="Seq">Its place in the job's order of receipt, from 1; 0 until it is received.</param>
/// <param name="Path">JSON Pointer into the sheet; empty for the whole sheet.</param>
/// <param name="Value">The new value; null takes the part away.</param>
/// <param name="Replaces">The entries that it replaces, which its author had before them.</param>
/// <param name="Undoes">The batch that it takes back; null for an ordinary entry.</param>
/// <param name="Batch">Entries of one submit, undone together.</param>
/// <param name="Author">Name that its author signs in with.</param>
/// <param name="TakenAt">When it was entered, by the device's clock.</param>
/// <param name="ReceivedAt">When it was received.</param>
/// <param name="Device">On which device.</param>
public sealed record Entry(
    string Id,
    long Seq,
    string Path,
    JsonNode? Value,
    IReadOnlyList<string> Replaces,
    string? Undoes,
    string Batch,
    string Author,
    DateTimeOffset TakenAt,
    DateTimeOffset ReceivedAt,
    string Device)
{
    /// <summary>The place of a damaged entry that this one sets aside, so that the rest can be read without it; null for every other kind.</summary>
    public long? SetsAside { get; init; }
}

/// <summary>Two values for one thing, of which neither author had seen the other's.</summary>
/// <param name="Path">The part.</param>
/// <param name="InForce">The one that the sheet shows until somebody chooses.</param>
/// <param name="Others">The others.</param>
public sealed record Rivals(string Path, Entry InForce, IReadOnlyList<Entry> Others);
