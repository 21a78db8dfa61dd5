using Dapper;

namespace Corrie.Data;

/// <summary>A company's records, opened.</summary>
public sealed class Company : IAsyncDisposable
{
    private readonly CompanyFile file;
    private readonly TimeProvider time;

    /// <summary>Opens a company's file.</summary>
    /// <param name="key">Short name of the company, which is its file's.</param>
    /// <param name="path">The file.</param>
    /// <param name="time">The clock.</param>
    /// <exception cref="CompanyFileException">The file cannot be opened.</exception>
    public Company(string key, string path, TimeProvider time)
    {
        Key = key;
        this.time = time;
        file = CompanyFile.Open(path);
        Sessions = new(file, time);
        People = new(file, time, Sessions);
        Tokens = new(file, time);
        Invitations = new(file, time);
        ClientLinks = new(file, time);
        Retention = new(file, time);
        Jobs = new(file, time);
        Entries = new(file, time);
        Catalogue = new(file, time);
        Policies = new(file, time);
        Photos = new(PhotosOf(path));
        Pieces = new(PhotosOf(path), time);
    }

    /// <summary>Where the photos of a company lie.</summary>
    /// <param name="path">The company's file.</param>
    /// <returns>The folder.</returns>
    public static string PhotosOf(string path) => System.IO.Path.ChangeExtension(path, null) + "-photos";

    /// <summary>Short name.</summary>
    public string Key { get; }

    /// <summary>The company's people.</summary>
    public PeopleStore People { get; }

    /// <summary>The sign-ins that count.</summary>
    public SessionStore Sessions { get; }

    /// <summary>What lets programs in.</summary>
    public TokenStore Tokens { get; }

    /// <summary>Who is asked to come in.</summary>
    public InvitationStore Invitations { get; }

    /// <summary>Links by which clients read their hand-over.</summary>
    public ClientLinkStore ClientLinks { get; }

    /// <summary>How long photos are kept.</summary>
    public Retention Retention { get; }

    /// <summary>Sites and jobs.</summary>
    public JobStore Jobs { get; }

    /// <summary>Entries of the jobs.</summary>
    public EntryStore Entries { get; }

    /// <summary>The products.</summary>
    public CatalogueStore Catalogue { get; }

    /// <summary>The company's own figures.</summary>
    public PolicyStore Policies { get; }

    /// <summary>Photos of the jobs.</summary>
    public PhotoStore Photos { get; }

    /// <summary>Photos that are on their way, piece by piece.</summary>
    public PhotoPieces Pieces { get; }

    /// <summary>What the company is called; null until it has been named.</summary>
    public string? Name
    {
        get
        {
            using var connection = file.Connect();
            return connection.ExecuteScalar<string?>("select name from company");
        }
    }

    /// <summary>Names the company.</summary>
    /// <param name="name">What it is called.</param>
    public void SetName(string name)
    {
        using var connection = file.Connect();
        connection.Execute(
            "insert into company (id, name, created_at) values (1, @name, @now) on conflict (id) do update set name = @name",
            new { name, now = SqliteTime.Of(time.GetUtcNow()) });
    }

    /// <inheritdoc/>
    public ValueTask DisposeAsync() => Entries.DisposeAsync();
}
