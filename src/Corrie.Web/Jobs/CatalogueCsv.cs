using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Corrie.Core.Catalogue;
using Corrie.Core.Format;
using Corrie.Core.Measure;
using Corrie.Data;
using CsvHelper;
using CsvHelper.Configuration;

namespace Corrie.Web.Jobs;

/// <summary>What a line of a file would do to the catalogue.</summary>
public enum LineEffect
{
    /// <summary>A new item.</summary>
    New,

    /// <summary>Other figures for an item that is there.</summary>
    Changed,

    /// <summary>Nothing: the item is there, as it is.</summary>
    Same,

    /// <summary>It cannot be taken.</summary>
    Refused,
}

/// <summary>What is wrong in a line.</summary>
/// <param name="Column">The column's heading; empty for the line as a whole.</param>
/// <param name="Words">What was understood, and what is expected.</param>
public sealed record CsvProblem(string Column, string Words);

/// <summary>A line of a file.</summary>
/// <param name="Line">Its number in the file, from 1; of several lines in quotation marks the first.</param>
/// <param name="Name">What the item is called; empty where that is not to be read.</param>
/// <param name="Effect">What it would do.</param>
/// <param name="Differences">What it changes.</param>
/// <param name="Problems">What is wrong with it.</param>
/// <param name="Item">The item that is there; null for a new one.</param>
/// <param name="Document">The item as it would be; null for a line that is refused.</param>
public sealed record CsvLine(int Line, string Name, LineEffect Effect, IReadOnlyList<OlderFigure> Differences, IReadOnlyList<CsvProblem> Problems, CatalogueItem? Item, JsonObject? Document);

/// <summary>A file as it was read.</summary>
/// <param name="Problem">Why nothing of it could be read; null where something could.</param>
/// <param name="Says">How it was understood.</param>
/// <param name="Unknown">Columns that are not known, and left out.</param>
/// <param name="Lines">Its lines.</param>
public sealed record CsvPreview(string? Problem, IReadOnlyList<string> Says, IReadOnlyList<string> Unknown, IReadOnlyList<CsvLine> Lines);

/// <summary>The catalogue as a table in a file: read line by line, so that one bad line loses no other, and written so that it can be read again.</summary>
public static partial class CatalogueCsv
{
    /// <summary>The largest file that is taken.</summary>
    public const int MostBytes = 4_000_000;

    /// <summary>The most lines that are taken.</summary>
    public const int MostLines = 20_000;

    private const string IdColumn = "id";
    private const int LongestCell = 8_000;
    private static readonly System.Buffers.SearchValues<char> Quoted = System.Buffers.SearchValues.Create(",;\t\"\r\n");
    private static readonly char[] Separators = [',', ';', '\t', '|'];

    /// <summary>A file's text: with or without a mark at its beginning, in UTF-8, UTF-16 or the western code page.</summary>
    /// <param name="bytes">The file.</param>
    /// <param name="says">How it was understood, where that is not UTF-8.</param>
    /// <returns>The text.</returns>
    public static string Text(byte[] bytes, List<string> says)
    {
        switch (bytes)
        {
            case [0xFF, 0xFE, ..]:
                says.Add("the file is in UTF-16");
                return Encoding.Unicode.GetString(bytes, 2, bytes.Length - 2);
            case [0xFE, 0xFF, ..]:
                says.Add("the file is in UTF-16");
                return Encoding.BigEndianUnicode.GetString(bytes, 2, bytes.Length - 2);
            case [0xEF, 0xBB, 0xBF, ..]:
                bytes = bytes[3..];
                break;
        }

        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes);
        }
        catch (DecoderFallbackException)
        {
            says.Add("the file is not in UTF-8 and was read as Latin-1: look at letters with accents");
            return Encoding.Latin1.GetString(bytes);
        }
    }

    /// <summary>Reads a file, and says line by line what it would do.</summary>
    /// <param name="text">The file's text.</param>
    /// <param name="kind">The kind of product.</param>
    /// <param name="have">The items that are there.</param>
    /// <param name="units">The units of lengths without any.</param>
    /// <param name="says">How its bytes were understood.</param>
    /// <returns>The preview.</returns>
    public static CsvPreview Read(string text, ProductKind kind, IReadOnlyList<CatalogueItem> have, UnitSystem units, IReadOnlyList<string>? says = null)
    {
        var understood = new List<string>(says ?? []);
        if (text.Contains('\0'))
        {
            return new("This is not a text file. Expected: lines of text, with a heading over each column.", understood, [], []);
        }

        var said = SeparatorLine().Match(text);
        text = text[said.Length..];

        var separator = said.Success ? said.Groups[1].Value[0] : SeparatorOf(text);
        understood.Add($"columns are parted by {separator switch { ',' => "commas", ';' => "semicolons", '\t' => "tabs", _ => "upright strokes" }}");
        var first = said.Success ? 1 : 0;
        using var parser = new CsvParser(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            Delimiter = separator.ToString(),
            BadDataFound = null,
            TrimOptions = TrimOptions.Trim,
            IgnoreBlankLines = true,
            MaxFieldSize = 0,
        });
        if (!parser.Read() || parser.Record is not { } head || head.All(string.IsNullOrWhiteSpace))
        {
            return new("The file is empty. Expected: a heading over each column, and a line for each item.", understood, [], []);
        }

        var columns = head.Select(h => ColumnOf(h, kind)).ToList();
        if (columns.All(c => c.Member?.Name != "name"))
        {
            return new($"No column is called name. Understood are these: {string.Join(", ", columns.Where(c => c.Member is not null || c.IsId).Select(c => c.Heading).DefaultIfEmpty("none"))}. Expected: a first line with headings such as {string.Join(separator, new[] { IdColumn }.Concat(MembersOf(kind).Take(5).Select(m => m.Name)))}.", understood, [], []);
        }

        if (columns.Where(c => c.Member is not null).GroupBy(c => c.Member!.Name).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            return new($"Two columns are for the same figure, {twice.First().Heading} and {twice.Last().Heading}. Expected: one.", understood, [], []);
        }

        var lines = new List<CsvLine>();
        var taken = new Dictionary<string, int>(StringComparer.Ordinal);
        var (byId, byName) = (have.ToDictionary(i => i.Id), have.GroupBy(i => i.Name, StringComparer.Ordinal).ToDictionary(g => g.Key, g => g.ToList(), StringComparer.Ordinal));
        while (true)
        {
            var line = parser.RawRow + 1 + first;
            if (!parser.Read())
            {
                break;
            }

            if (lines.Count == MostLines)
            {
                return new($"The file has more than {MostLines:N0} lines. Expected: several files.", understood, [], []);
            }

            // Blank lines before it belong to what the parser counts.
            line += parser.RawRecord.TakeWhile(c => c is '\r' or '\n').Count(c => c == '\n');
            lines.Add(Line(line, parser.Record ?? [], parser.RawRecord, columns, kind, byId, byName, taken, units));
        }

        return new(lines.Count == 0 ? "There is a heading, and no line under it." : null, understood, [.. columns.Where(c => c.Member is null && !c.IsId && c.Heading.Length > 0).Select(c => c.Heading)], lines);
    }

    /// <summary>The catalogue's items of a kind as a file, with a mark at its beginning so that office programs read its letters.</summary>
    /// <param name="kind">The kind of product.</param>
    /// <param name="items">The items.</param>
    /// <param name="style">Units and fractions.</param>
    /// <returns>The file.</returns>
    public static byte[] Write(ProductKind kind, IReadOnlyList<CatalogueItem> items, LengthStyle style)
    {
        using var memory = new MemoryStream();
        using (var writer = new StreamWriter(memory, new UTF8Encoding(encoderShouldEmitUTF8Identifier: true), leaveOpen: true))
        using (var csv = new CsvWriter(writer, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n", ShouldQuote = args => args.Field?.AsSpan().ContainsAny(Quoted) == true }))
        {
            var members = MembersOf(kind);
            foreach (var heading in members.Select(m => m.Name).Prepend(IdColumn))
            {
                csv.WriteField(heading);
            }

            csv.NextRecord();
            foreach (var item in items)
            {
                csv.WriteField(item.Id);
                foreach (var member in members)
                {
                    csv.WriteField(Disarmed(item.Document[member.Name] is not { } value ? string.Empty : Exact(member.Shape, value, style)));
                }

                csv.NextRecord();
            }
        }

        return memory.ToArray();
    }

    private static string Exact(Shape shape, JsonNode value, LengthStyle style) => shape is IListed ? shape.Text(value, style) : value is JsonValue text && text.TryGetValue<string>(out var said) ? said : value.ToJsonString();

    // What begins like a formula is one for an office program: a name may not be run.
    private static string Disarmed(string cell) => cell is ['=' or '+' or '@' or '\t' or '\r', ..] || (cell is ['-', var next, ..] && !char.IsAsciiDigit(next)) ? "'" + cell : cell;

    private static IReadOnlyList<Member> MembersOf(ProductKind kind) => [.. ((IGroup)kind.Form).Members.Where(m => !Product.Besides.Contains(m.Name) && m.Name != "typical")];

    private static Column ColumnOf(string heading, ProductKind kind)
    {
        var (name, unit) = UnitOfHeading().Match(heading) is { Success: true } match ? (match.Groups[1].Value, match.Groups[2].Value) : (heading, string.Empty);
        var plain = Plain(name);
        return new(heading.Trim(), unit, plain == IdColumn, plain.Length == 0 ? null : MembersOf(kind).FirstOrDefault(m => Plain(m.Name) == plain || Plain(m.Shape.Says) == plain));
    }

    private static string Plain(string heading) => new([.. heading.Where(char.IsLetterOrDigit).Select(char.ToLowerInvariant)]);

    // The separator that the first line has most of, outside of quotation marks.
    private static char SeparatorOf(string text)
    {
        var (quoted, counts) = (false, new int[Separators.Length]);
        foreach (var c in text)
        {
            quoted ^= c == '"';
            if (!quoted && c is '\r' or '\n' && counts.Sum() > 0)
            {
                break;
            }

            if (!quoted && Array.IndexOf(Separators, c) is >= 0 and var at)
            {
                counts[at]++;
            }
        }

        return Separators[Array.IndexOf(counts, counts.Max())];
    }

    private static CsvLine Line(
        int line, string[] cells, string raw, IReadOnlyList<Column> columns, ProductKind kind, Dictionary<string, CatalogueItem> byId, Dictionary<string, List<CatalogueItem>> byName, Dictionary<string, int> taken, UnitSystem units)
    {
        var problems = new List<CsvProblem>();
        if (raw.Count(c => c == '"') % 2 != 0)
        {
            problems.Add(new(string.Empty, "A quotation mark is not closed, and what follows was taken for part of it. Expected: marks in pairs, and two for one that is meant (65\"\")"));
        }
        else if (cells.Length > columns.Count && cells.Skip(columns.Count).Any(c => c.Length > 0))
        {
            problems.Add(new(string.Empty, $"It has {cells.Length} fields, and the heading has {columns.Count}. Expected: a value with a comma in it in quotation marks"));
        }

        var document = new JsonObject();
        string id = string.Empty, name = string.Empty;
        // One wrong figure does not hide the next; of a line that falls apart nothing is looked at.
        for (var i = 0; problems.All(p => p.Column.Length > 0) && i < columns.Count && i < cells.Length; i++)
        {
            var (column, cell) = (columns[i], cells[i]);
            if (column.IsId)
            {
                id = cell;
            }
            else if (column.Member is { } member && cell.Length > 0)
            {
                if (Taken(member.Shape, column, cell, units, out var node) is { } problem)
                {
                    problems.Add(problem);
                }
                else
                {
                    document[member.Name] = node;
                    name = member.Name == "name" ? node!.ToString() : name;
                }
            }
        }

        var item = id.Length > 0 ? byId.GetValueOrDefault(id) : name.Length > 0 && byName.TryGetValue(name, out var called) && called.Count == 1 ? called[0] : null;
        if (id.Length > 0 && item is null && problems.Count == 0)
        {
            problems.Add(new(IdColumn, $"No item of the catalogue has the key '{Short(id)}'. Expected: a key of this list, or nothing for a new item"));
        }
        else if (id.Length == 0 && name.Length > 0 && byName.TryGetValue(name, out var several) && several.Count > 1)
        {
            problems.Add(new("name", $"{several.Count} items of the catalogue are called '{Short(name)}'. Expected: the key of the one that is meant, in a column id"));
        }

        var key = item?.Id ?? name;
        if (problems.Count == 0 && !taken.TryAdd(key, line))
        {
            problems.Add(new("name", $"Line {taken[key]} is the same item. Expected: one line an item"));
        }

        if (problems.Count == 0)
        {
            // What the file has no column for stays as it is.
            var whole = item is null ? document : Over(item.Document, document, columns);
            var wrong = new List<SheetProblem>();
            kind.Form.Check(whole, string.Empty, wrong);
            problems.AddRange(wrong.Select(w => new CsvProblem(Missing().Match(w.Understood) is { Success: true } missing ? missing.Groups[1].Value : w.Path.TrimStart('/').Split('/')[0], $"{w.Understood}. Expected: {w.Expected}")));
            if (problems.Count == 0)
            {
                var differences = item is null ? [] : Differences(kind, item.Document, whole);
                return new(line, name, item is null ? LineEffect.New : differences.Count == 0 ? LineEffect.Same : LineEffect.Changed, differences, [], item, whole);
            }
        }

        return new(line, name, LineEffect.Refused, [], problems, item, null);
    }

    private static JsonObject Over(JsonObject before, JsonObject document, IReadOnlyList<Column> columns)
    {
        var whole = (JsonObject)before.DeepClone();
        foreach (var name in columns.Select(c => c.Member?.Name).OfType<string>())
        {
            var was = before[name];
            whole.Remove(name);
            if (document[name] is { } value)
            {
                // The same figure in other words stays in its own.
                whole[name] = was is not null && JsonNode.DeepEquals(Retaken(columns.First(c => c.Member?.Name == name).Member!.Shape, was), value) ? was.DeepClone() : value.DeepClone();
            }
        }

        return whole;
    }

    private static JsonNode? Retaken(Shape shape, JsonNode was) => shape.Take(Exact(shape, was, LengthStyle.Inches with { Denominator = 64 }), UnitSystem.Inches, out _);

    private static List<OlderFigure> Differences(ProductKind kind, JsonObject before, JsonObject after) =>
    [
        .. from member in MembersOf(kind)
           let was = before[member.Name]
           let becomes = after[member.Name]
           where !JsonNode.DeepEquals(was, becomes)
           let style = LengthStyle.Inches with { Denominator = 64 }
           let here = was is null ? "nothing" : Exact(member.Shape, was, style)
           let there = becomes is null ? "nothing" : Exact(member.Shape, becomes, style)
           where here != there
           select new OlderFigure(member.Shape.Says, here, there),
    ];

    private static CsvProblem? Taken(Shape shape, Column column, string cell, UnitSystem units, out JsonNode? node)
    {
        node = null;
        if (cell.Length > LongestCell)
        {
            return new(column.Heading, $"It has {cell.Length} signs. Expected: {shape.Expected}");
        }

        if (cell is ['=' or '@', ..] || (cell is ['+', ..] && shape is TextShape))
        {
            return new(column.Heading, $"'{Short(cell)}' is a formula of an office program, and not its value. Expected: {shape.Expected}");
        }

        cell = cell is ['\'', '=' or '+' or '-' or '@', ..] ? cell[1..] : cell;
        if (shape is not TextShape and not IListed && DecimalComma().Match(cell) is { Success: true } comma)
        {
            if (comma.Groups[2].Value.Length == 3 && comma.Groups[1].Value.TrimStart('-').Length is > 0 and < 4)
            {
                return new(column.Heading, $"'{Short(cell)}' may be thousands or a fraction. Expected: {cell.Replace(",", string.Empty, StringComparison.Ordinal)} or {cell.Replace(',', '.')}");
            }

            cell = cell.Replace(',', '.');
        }

        cell = column.Unit.Length > 0 && BareNumber().IsMatch(cell) ? $"{cell} {column.Unit}" : cell;
        node = shape.Take(cell, units, out var problem);
        return problem is null ? null : new(column.Heading, $"{problem.Understood}. Expected: {problem.Expected}");
    }

    private static string Short(string text) => text.Length > 60 ? text[..60] + "…" : text;

    [GeneratedRegex(@"^'(\w+)' is missing")]
    private static partial Regex Missing();

    [GeneratedRegex(@"^sep=([,;|\t])\r?\n", RegexOptions.IgnoreCase)]
    private static partial Regex SeparatorLine();

    [GeneratedRegex(@"^\s*(.+?)\s*[\[(]\s*(mm|in|lb|kg|deg)\s*[\])]\s*$")]
    private static partial Regex UnitOfHeading();

    [GeneratedRegex(@"^(-?[0-9]+),([0-9]+)(\s*[a-zA-Z""°]*)?$")]
    private static partial Regex DecimalComma();

    [GeneratedRegex(@"^[-+]?[0-9][0-9./ ]*$")]
    private static partial Regex BareNumber();

    private sealed record Column(string Heading, string Unit, bool IsId, Member? Member);
}
