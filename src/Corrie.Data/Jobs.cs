using Dapper;

namespace Corrie.Data;

/// <summary>A client's site.</summary>
/// <param name="Id">Its key, unique in the company.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Client">Whose it is.</param>
/// <param name="Address">Where it is.</param>
public sealed record Site(long Id, string Name, string Client, string Address);

/// <summary>What a list shows of a job, as of one entry.</summary>
/// <param name="Seq">The last entry it takes in.</param>
/// <param name="Number">The company's number.</param>
/// <param name="Title">What the crew calls it.</param>
/// <param name="State"><c>stopped</c>, <c>open</c>, <c>clear</c>, <c>archived</c> or <c>damaged</c>.</param>
/// <param name="Stops">How many stops.</param>
/// <param name="Cautions">How many cautions.</param>
/// <param name="NextStep">What should be done next.</param>
/// <param name="Worst">The gravest finding's title; empty for none.</param>
public sealed record JobSummary(
    long Seq,
    string Number,
    string Title,
    string State,
    int Stops,
    int Cautions,
    string NextStep,
    string Worst)
{
    /// <summary>State of a job that cannot be read: it is listed, and its history can be seen.</summary>
    public const string Damaged = "damaged";

    /// <summary>State of a job that was put away: it is listed among its like, and where it is searched for.</summary>
    public const string Archived = "archived";
}

/// <summary>A job in a list.</summary>
/// <param name="Id">Its key, unique in the company.</param>
/// <param name="Site">Where it is.</param>
/// <param name="Seq">Its last entry.</param>
/// <param name="MovedAt">When it last moved on.</param>
/// <param name="Summary">What the list shows, which may be of an earlier entry.</param>
public sealed record JobRow(long Id, Site Site, long Seq, DateTimeOffset MovedAt, JobSummary Summary);

/// <summary>Which jobs a list shows.</summary>
/// <param name="Search">Words in title, number, site or client; empty for all.</param>
/// <param name="State">A state; null for all, but for archived jobs where nothing else is asked for.</param>
/// <param name="SiteId">One site only: what a client may see.</param>
/// <param name="Item">A catalogue key that the job uses.</param>
/// <param name="Page">Which page, from 1.</param>
/// <param name="PerPage">Jobs on a page.</param>
/// <param name="Archived">Whether archived jobs are among all: a program asks for everything, a person for what is worked on.</param>
public sealed record JobFilter(string Search = "", string? State = null, long? SiteId = null, string? Item = null, int Page = 1, int PerPage = 40, bool Archived = false);

/// <summary>Sites and jobs.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class JobStore(CompanyFile file, TimeProvider time)
{
    // Summaries are written when somebody reads, who does not wait long for that.
    private const int BesideReading = 250;

    private const string Columns =
        """
        jobs.id Id, jobs.seq Seq, jobs.moved_at MovedAt, summary_seq SummarySeq, number Number, title Title, state State,
        stops Stops, cautions Cautions, next_step NextStep, worst Worst, sites.id SiteId, sites.name SiteName, sites.client Client, sites.address Address
        """;

    /// <summary>Adds a site.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="client">Whose it is; may be empty.</param>
    /// <param name="address">Where it is; may be empty.</param>
    /// <returns>Its key.</returns>
    public long AddSite(string name, string client, string address)
    {
        using var connection = file.Connect();
        return connection.ExecuteScalar<long>(
            "insert into sites (name, client, address) values (@name, @client, @address) returning id", new { name, client, address });
    }

    /// <summary>Every site, by name.</summary>
    /// <returns>The sites.</returns>
    public IReadOnlyList<Site> Sites()
    {
        using var connection = file.Connect();
        return [.. connection.Query<Site>("select id Id, name Name, client Client, address Address from sites order by name")];
    }

    /// <summary>Adds a job without entries.</summary>
    /// <param name="siteId">Key of its site.</param>
    /// <returns>Its key.</returns>
    public long Add(long siteId)
    {
        using var connection = file.Connect();
        var now = SqliteTime.Of(time.GetUtcNow());
        return connection.ExecuteScalar<long>(
            "insert into jobs (site_id, created_at, moved_at) values (@siteId, @now, @now) returning id", new { siteId, now });
    }

    /// <summary>One job.</summary>
    /// <param name="id">Its key.</param>
    /// <returns>The job; null where there is none.</returns>
    public JobRow? Find(long id)
    {
        using var connection = file.Connect();
        return connection.Query<Row>($"select {Columns} from jobs join sites on sites.id = jobs.site_id where jobs.id = @id", new { id })
            .Select(r => r.ToJob()).SingleOrDefault();
    }

    /// <summary>A page of jobs, the last moved first, and how many there are in all.</summary>
    /// <param name="filter">Which jobs.</param>
    /// <returns>The jobs of the page, and the number of all.</returns>
    public (IReadOnlyList<JobRow> Jobs, int Total) List(JobFilter filter)
    {
        var arguments = new
        {
            like = "%" + filter.Search.Trim().Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%",
            filter.State,
            filter.SiteId,
            filter.Item,
            narrowed = filter.Archived || filter.Item is not null || !string.IsNullOrWhiteSpace(filter.Search),
            skip = (Math.Max(1, filter.Page) - 1) * filter.PerPage,
            filter.PerPage,
        };
        const string where =
            """
            from jobs join sites on sites.id = jobs.site_id
            where (title like @like escape '\' or number like @like escape '\' or sites.name like @like escape '\' or sites.client like @like escape '\')
              and (state = @State or (@State is null and (@narrowed or state <> 'archived')))
              and (@SiteId is null or jobs.site_id = @SiteId)
              and (@Item is null or exists (select 1 from job_items where job = jobs.id and item = @Item))
            """;
        using var connection = file.Connect();
        var total = connection.ExecuteScalar<int>("select count(*) " + where, arguments);
        var jobs = connection.Query<Row>(
            $"select {Columns} {where} order by moved_at desc, jobs.id desc limit @PerPage offset @skip", arguments);
        return ([.. jobs.Select(r => r.ToJob())], total);
    }

    /// <summary>Jobs whose summary is of an earlier entry.</summary>
    /// <param name="most">How many at the most.</param>
    /// <returns>Their keys.</returns>
    public IReadOnlyList<long> Stale(int most)
    {
        using var connection = file.Connect();
        return [.. connection.Query<long>("select id from jobs where summary_seq < seq limit @most", new { most })];
    }

    /// <summary>Keeps what lists show of a job, unless a later one is kept already.</summary>
    /// <param name="id">The job's key.</param>
    /// <param name="summary">What lists show.</param>
    /// <param name="items">Keys of the catalogue's items that it uses.</param>
    public void Summarise(long id, JobSummary summary, IReadOnlyCollection<string> items)
    {
        using var connection = file.Connect(BesideReading);
        using var transaction = connection.BeginTransaction();
        var kept = connection.Execute(
            """
            update jobs set summary_seq = @Seq, number = @Number, title = @Title, state = @State, stops = @Stops, cautions = @Cautions,
              next_step = @NextStep, worst = @Worst
            where id = @id and summary_seq < @Seq
            """,
            new
            {
                id,
                summary.Seq,
                summary.Number,
                summary.Title,
                summary.State,
                summary.Stops,
                summary.Cautions,
                summary.NextStep,
                summary.Worst,
            },
            transaction);
        if (kept == 1)
        {
            connection.Execute("delete from job_items where job = @id", new { id }, transaction);
            connection.Execute("insert into job_items (job, item) values (@id, @item)", items.Distinct().Select(item => new { id, item }), transaction);
        }

        transaction.Commit();
    }

    /// <summary>Notes that a job cannot be read, as of its last entry: its number and title stay those that were known last.</summary>
    /// <param name="id">The job's key.</param>
    /// <param name="words">Why it is damaged, in a sentence.</param>
    public void SetDamaged(long id, string words)
    {
        using var connection = file.Connect(BesideReading);
        connection.Execute(
            "update jobs set summary_seq = seq, state = @state, stops = 0, cautions = 0, next_step = @words, worst = '' where id = @id", new { id, words, state = JobSummary.Damaged });
    }

    private sealed class Row
    {
        public long Id { get; init; }

        public long Seq { get; init; }

        public string MovedAt { get; init; } = string.Empty;

        public long SummarySeq { get; init; }

        public string Number { get; init; } = string.Empty;

        public string Title { get; init; } = string.Empty;

        public string State { get; init; } = string.Empty;

        public int Stops { get; init; }

        public int Cautions { get; init; }

        public string NextStep { get; init; } = string.Empty;

        public string Worst { get; init; } = string.Empty;

        public long SiteId { get; init; }

        public string SiteName { get; init; } = string.Empty;

        public string Client { get; init; } = string.Empty;

        public string Address { get; init; } = string.Empty;

        public JobRow ToJob() => new(
            Id,
            new(SiteId, SiteName, Client, Address),
            Seq,
            SqliteTime.Time(MovedAt),
            new(SummarySeq, Number, Title, State, Stops, Cautions, NextStep, Worst));
    }
}
