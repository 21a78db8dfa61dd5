using System.Text;
using System.Text.Json.Nodes;

namespace Corrie.Simulators;

/// <summary>A request that nobody in their senses would send.</summary>
/// <param name="Method">Its method.</param>
/// <param name="Address">Path and query.</param>
/// <param name="Headers">Its headers.</param>
/// <param name="Body">Its body; null for none.</param>
/// <param name="ContentType">What it says its body is; null for nothing.</param>
public sealed record FuzzRequest(string Method, string Address, IReadOnlyList<(string Name, string Value)> Headers, byte[]? Body, string? ContentType)
{
    /// <summary>The request for a client of the framework's.</summary>
    /// <param name="server">Where it goes.</param>
    /// <returns>The request; null where the client itself refuses such an address.</returns>
    public HttpRequestMessage? To(string server)
    {
        if (!Uri.TryCreate(server.TrimEnd('/') + Address, UriKind.Absolute, out var address))
        {
            return null;
        }

        var request = new HttpRequestMessage(new(Method), address);
        if (Body is not null)
        {
            request.Content = new ByteArrayContent(Body);
            if (ContentType is not null)
            {
                request.Content.Headers.TryAddWithoutValidation("Content-Type", ContentType);
            }
        }

        foreach (var (name, value) in Headers)
        {
            request.Headers.TryAddWithoutValidation(name, value);
        }

        return request;
    }
}

/// <summary>Makes requests with wrong bodies, queries, headers, content types and ids for every address of Corrie, the same ones for the same seed.</summary>
/// <param name="seed">The seed.</param>
/// <param name="file">A job file to spoil.</param>
public sealed class RequestFuzz(int seed, string file)
{
    private static readonly string[] Steps = ["survey", "place", "hang", "fix", "feed", "nowhere", "survey%00", "PLACE"];

    private static readonly string[] Handlers =
    [
        "AddItem", "AddWall", "Answer", "Approve", "Bring", "BuildUp", "Change", "Drag", "Evidence", "Gaps", "Heat", "Measure", "Override", "Photo", "Probed", "Redo", "Scan", "Settle", "Stone", "Submit", "Tap", "TestHole", "Undo", "Board", "Picture", "Wall", "HandlerExecuting", "nothing", "%5B", "",
    ];

    private static readonly string[] Addresses =
    [
        "/", "/jobs", "/jobs/new", "/jobs?handler=Rename", "/jobs?handler=Archive", "/jobs/new?handler=Import", "/jobs/new?handler=Like", "/jobs/ID", "/jobs/ID/history", "/jobs/ID/history?handler=SetAside", "/jobs/ID/sheet", "/people", "/people?handler=Left",
        "/people?handler=Password", "/people?handler=Role", "/people?handler=Seen", "/people?handler=Token", "/people?handler=Revoke", "/people?handler=SignOutAll", "/account", "/account?handler=SignOutAll", "/guide", "/guide/ODD", "/figures", "/catalogue", "/catalogue/KIND", "/catalogue/KIND/m-tilt24", "/catalogue/mount/m-tilt24?handler=Draw", "/catalogue/KIND/new?from=ODD", "/catalogue/KIND/ODD?handler=Draw", "/catalogue/KIND/ODD",
        "/practice/ID", "/practice/2?did=ODD&tool=ODD&at=ODD&done=ODD", "/units", "/sign-in", "/setup", "/error", "/not-allowed", "/health/live", "/health/ready", "/openapi/v1.json", "/api/v1/job.schema.json", "/api/v1/plan", "/api/v1/jobs",
        "/api/v1/jobs/ID/file", "/api/v1/jobs/ID/plan", "/api/v1/jobs/ID/entries", "/api/v1/sign-in", "/api/v1/nothing", "/css/corrie.css", "/ODD", "/jobs/ID/ODD", "/jobs/ID/events/ODD",
        "/jobs/ID/photo?wall=ODD&photo=ODD", "/jobs/ID/photo?handler=Composed", "/jobs/ID/photo?handler=Squared", "/jobs/ID/throw?by=points&a0=ODD&u0=ODD", "/jobs/ID/ways?item=ODD", "/jobs/ID/calculation?item=ODD", "/jobs/ID/trip", "/jobs/ID/trip?handler=Add", "/jobs/ID/trip?handler=Remove", "/jobs/ID/packing?item=ODD", "/jobs/ID/labels?wall=ODD", "/jobs/ID/labels?handler=Paper", "/jobs/ID/enclosure?item=ODD", "/jobs/ID/share", "/jobs/ID/share?handler=Care", "/jobs/ID/share?handler=Done", "/jobs/ID/share?handler=Link", "/jobs/ID/share?handler=Revoke", "/invitation/ODD", "/handed-over/ODD", "/handed-over/ODD?handler=Paper", "/handed-over/ODD?handler=File", "/people?handler=Invite", "/people?handler=Uninvite", "/people?handler=Keep", "/jobs/ID/day?handler=Chain", "/jobs/ID/day?handler=Signed", "/jobs/ID/photo?handler=Holes", "/jobs/ID/events?at=ODD", "/jobs/ID/in-wall?wall=ODD", "/jobs/ID/routes?wall=ODD", "/jobs/ID/electrician", "/jobs/ID/hand-over", "/jobs/ID/day?step=ODD", "/jobs/ID/day?handler=Done", "/jobs/ID/day?handler=Open", "/jobs/ID/day?handler=Photo", "/mine?who=ODD", "/jobs/ID/changes", "/jobs/ID/history?handler=Csv", "/jobs/ID/history?handler=Json", "/jobs/ID/changes?handler=Found", "/jobs/ID/changes?handler=Sign", "/jobs/ID/picture?photo=ODD", "/jobs/ID/picture?photo=ODD&handler=Note", "/jobs/ID/picture?photo=ODD&handler=Gone", "/jobs/ID/day?handler=Piece", "/jobs/ID/day?handler=Piece&once=ODD", "/jobs/ID/connections", "/jobs/ID/connections?handler=Connect", "/jobs/ID/connections?handler=Choose", "/jobs/ID/connections?handler=Unplug", "/jobs/ID/connections?handler=Test", "/jobs/ID/template?item=ODD&sheet=board", "/jobs/ID/field?step=test-hole&handler=TestHole", "/jobs/ID/field?step=test-hole&handler=AsFound", "/jobs/ID/field?step=gaps&handler=Gaps", "/jobs/ID/template?item=ODD", "/jobs/ID/template?paper=ODD&handler=Pdf", "/jobs/ID/template?item=ODD&handler=Svg", "/jobs/ID/sheet?wall=ODD&handler=Pdf", "/jobs/ID/field?item=ODD&step=ODD&since=ODD", "/jobs/ID/field?handler=Done", "/jobs/ID/field?step=ODD&handler=Hole", "/jobs/ID/field?step=level&handler=Level", "/jobs/ID/field?step=checks&handler=Checks", "/jobs/ID/field?step=proof&handler=Proof", "/jobs/ID/field?step=hang&handler=Hung", "/catalogue/KIND?handler=Csv", "/catalogue/mount/m-tilt24?handler=Manual", "/catalogue/KIND/ODD?handler=Manual&name=ODD", "/catalogue/KIND/import", "/catalogue/KIND/import?handler=Keep",
    ];

    private static readonly string[] Fields =
    [
        "id", "seq", "seen", "in", "add", "remove", "changes", "path", "entry", "line", "kind", "at", "to", "by", "x", "y", "item", "across", "bottom", "of", "says", "name", "password", "Title", "Width", "Height", "SiteId", "SiteName", "Role", "PersonName",
        "SignInName", "left", "change", "tokenName", "units", "answer", "what", "on", "up", "state", "higher", "side", "pull", "held", "code", "about", "reason", "answers", "question", "row-0-id", "row-0-aboveHook", "row-0-0-from", "archived", "title", "back", "like", "Version", "m.anchorFactor", "m.width", "text", "p1-across", "p1-up", "p1-x", "/items/d1/place/height", "/walls/w1/features/_/name", "/walls/w1/layers/l1/order", "a[0]", "[", "]", "a.b[c].d", "", "\0", "__proto__",
    ];

    /// <summary>Every handler that requests are made for: a handler of Corrie that is not among them is not tried.</summary>
    public static IReadOnlyList<string> HandlersTried => [.. Handlers, .. Addresses.Where(a => a.Contains("handler=", StringComparison.Ordinal)).Select(a => a[(a.IndexOf("handler=", StringComparison.Ordinal) + 8)..])];

    private static readonly string[] Odd =
    [
        "", "0", "-1", "6", "99999999999999999999", "9", "NaN", "1e309", "x", "\0", "%", "%%", "[", "]", "{}", "[]", "null", "true", "'", "\"", "<b>", "/", "//", "/items/d1/place/height", "/items/d1/place/height \"40 in\"", "/walls/w1", "/ 1", "54 1/4",
        "5//8", "40 in", "\ufffe", "\u202e", "é", "𝟙", "left corner to mantel 44", "stud 23 1/4", "scanner 5 to 6", "d1", "w1", "m1", "wall", "f1", "evidence/e1", "2026-99-99", "in16", "mm", "Client", "17",
    ];

    private static readonly string[] Members = ["id", "path", "value", "replaces", "undoes", "takenAt", "company", "name", "password", "format", "job", "walls", "items"];

    private static readonly string[] Types =
    [
        "application/x-www-form-urlencoded", "application/json", "multipart/form-data; boundary=b", "multipart/form-data", "text/plain", "application/json; charset=utf-16", "application/x-www-form-urlencoded; charset=nonsense", "x", "*/*", "application/problem+json",
    ];

    private readonly Random random = new(seed);

    /// <summary>The next request.</summary>
    /// <param name="token">A form token of who will send it, so that some get past that door.</param>
    /// <returns>The request.</returns>
    public FuzzRequest Next(string token)
    {
        var address = Chance(2) ? $"/jobs/ID/{Any(Steps)}?view={Word()}&handler={Any(Handlers)}" : Any(Addresses);
        while (address.IndexOf("ODD", StringComparison.Ordinal) is >= 0 and var odd)
        {
            address = address[..odd] + Word() + address[(odd + 3)..];
        }

        address = address.Replace("ID", Chance(4) ? Word() : random.Next(1, 9).ToString(), StringComparison.Ordinal).Replace("KIND", Chance(4) ? Word() : Any(["display", "mount", "bolt"]), StringComparison.Ordinal);
        for (var n = random.Next(4) - 1; n > 0; n--)
        {
            address += $"{(address.Contains('?') ? '&' : '?')}{Uri.EscapeDataString(Sound(Any(Fields)))}={Word()}";
        }

        var method = random.Next(20) switch { 0 => "PUT", 1 => "DELETE", 2 => "HEAD", 3 => "OPTIONS", 4 => "PAGE", < 12 => "GET", _ => "POST" };
        var (body, type) = method is "GET" or "HEAD" or "OPTIONS" ? (null, null) : Body(token, address.StartsWith("/api", StringComparison.Ordinal));
        var headers = new List<(string, string)>();
        if (Chance(3))
        {
            headers.Add(Any<(string, string)>(
            [
                ("HX-Request", "true"), ("Accept", "x/y"), ("Accept-Encoding", "br;q=x"), ("Range", "bytes=9-1"), ("If-None-Match", "\"\""), ("If-Modified-Since", "yesterday"), ("Authorization", "Bearer x"), ("Authorization", "Basic eDp5"),
                ("X-Forwarded-For", "1.2.3.4, x"), ("X-Forwarded-Proto", "gopher"), ("RequestVerificationToken", token), ("RequestVerificationToken", "x"), ("Content-Encoding", "gzip"), ("X-HTTP-Method-Override", "DELETE"), ("Origin", "null"),
            ]));
        }

        return new(method, address, headers, body, type);
    }

    private (byte[]? Body, string? Type) Body(string token, bool json)
    {
        var type = Chance(5) ? Any(Types) : json ? "application/json" : Chance(6) ? "multipart/form-data; boundary=b" : "application/x-www-form-urlencoded";
        if (Chance(12))
        {
            return (Chance(2) ? null : Bytes(random.Next(2000)), Chance(2) ? null : type);
        }

        return (Encoding.UTF8.GetBytes(json ? Json() : type.StartsWith("multipart", StringComparison.Ordinal) ? Parts(token) : Form(token)), type);
    }

    private string Form(string token)
    {
        var form = new StringBuilder();
        if (!Chance(8))
        {
            form.Append("__RequestVerificationToken=").Append(Uri.EscapeDataString(token));
        }

        for (var n = random.Next(6); n > 0; n--)
        {
            form.Append('&').Append(Chance(5) ? Any(Fields) : Uri.EscapeDataString(Sound(Any(Fields)))).Append('=').Append(Word());
        }

        return form.ToString();
    }

    private string Parts(string token)
    {
        var form = new StringBuilder($"--b\r\nContent-Disposition: form-data; name=\"__RequestVerificationToken\"\r\n\r\n{token}\r\n");
        for (var n = random.Next(4); n > 0; n--)
        {
            form.Append("--b\r\nContent-Disposition: form-data; name=\"").Append(Any(["picture", "file", .. Fields])).Append(Chance(2) ? "\"; filename=\"x.png" : string.Empty).Append("\"\r\n\r\n").Append(Chance(3) ? Json() : Sound(Any(Odd))).Append("\r\n");
        }

        return form.Append(Chance(6) ? "--b" : "--b--\r\n").ToString();
    }

    private string Json()
    {
        switch (random.Next(6))
        {
            case 0:
                var bytes = Encoding.UTF8.GetBytes(file);
                for (var n = random.Next(1, 6); n > 0; n--)
                {
                    bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
                }

                return Encoding.UTF8.GetString(bytes);
            case 1:
                return string.Concat(Enumerable.Repeat(Any(["[", "{\"a\":"]), random.Next(1, 300)));
            case 2:
                return $"[{{\"id\":\"fuzz-{random.Next():x8}\",\"path\":{Quoted()},\"value\":{Quoted()}}}]";
            default:
                var members = Enumerable.Range(0, random.Next(6)).Select(_ => $"\"{Any(Members)}\":{Quoted()}");
                var group = $"{{{string.Join(',', members)}}}";
                return Chance(2) ? $"[{group},{group}]" : group;
        }
    }

    private string Quoted() => random.Next(8) switch
    {
        0 => "null",
        1 => "[null]",
        2 => "\"\\ud800\"",
        3 => "1e308",
        4 => "{\"a\":1,\"a\":2}",
        5 => "\"/items/d1/place/height\"",
        _ => JsonValue.Create(Sound(Any(Odd)))!.ToJsonString(),
    };

    // As it stands in an address or a form.
    private string Word() => random.Next(12) switch
    {
        0 => "%00",
        1 => "%ED%A0%80",
        2 => new string('a', random.Next(3000)),
        3 => "%5B%5D",
        4 => "%",
        _ => Uri.EscapeDataString(Sound(Any(Odd))),
    };

    private byte[] Bytes(int count)
    {
        var bytes = new byte[count];
        random.NextBytes(bytes);
        return bytes;
    }

    private bool Chance(int oneIn) => random.Next(oneIn) == 0;

    private T Any<T>(IReadOnlyList<T> all) => all[random.Next(all.Count)];

    // A character cut in half cannot be written as bytes.
    private static string Sound(string text) => text.Any(char.IsSurrogate) && !char.IsSurrogatePair(text, 0) ? "?" : text;
}
