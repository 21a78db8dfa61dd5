using System.Text.Encodings.Web;
using System.Text.RegularExpressions;
using Corrie.Data;
using Microsoft.AspNetCore.Html;

namespace Corrie.Web.Jobs;

/// <summary>
/// Keeps the large pieces of a board, its wall and its questions, as they were written once: for readers of one kind they are the same but for the
/// token in their forms, however many people look at the job.
/// </summary>
/// <remarks>Whoever asks for a piece says in its key all that it depends on, the job's last entry among it; a piece that is no longer asked for falls out.</remarks>
public sealed partial class BoardPieces
{
    // Of about 50,000 characters each.
    private const int Most = 64;
    private readonly RecentlyUsed<string, string[]> pieces = new(Most);

    /// <summary>A piece as it was kept, or written now and kept.</summary>
    /// <param name="key">All that it depends on but the token.</param>
    /// <param name="token">The reader's token.</param>
    /// <param name="write">Writes it for this reader.</param>
    /// <returns>The piece with the reader's own token in it.</returns>
    public async Task<IHtmlContent> Get(string key, string token, Func<Task<IHtmlContent>> write)
    {
        if (pieces.Find(key) is not { } parts)
        {
            using var text = new StringWriter();
            (await write()).WriteTo(text, HtmlEncoder.Default);
            pieces.Set(key, parts = Indent().Replace(text.ToString(), "\n<").Split(token));
        }

        return new Piece(parts, token);
    }

    // Before a tag alone: what somebody has typed has its own tags written out, and keeps its spaces.
    [GeneratedRegex(@"\s*\n\s+<")]
    private static partial Regex Indent();

    private sealed class Piece(string[] parts, string token) : IHtmlContent
    {
        public void WriteTo(TextWriter writer, HtmlEncoder encoder)
        {
            writer.Write(parts[0]);
            foreach (var part in parts.AsSpan(1))
            {
                writer.Write(token);
                writer.Write(part);
            }
        }
    }
}
