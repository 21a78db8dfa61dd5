using Dapper;

namespace Corrie.Data;

/// <summary>A client's site.</summary>
/// <param name="Id">Key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Client">Whose it is.</param>
/// <param name="Address">Where it is.</param>
public sealed record Site(long Id, string Name, string Client, string Address);

/// <summary>What a list shows of a job, as of one entry.</summary>
/// <param name="Seq">The last entry it takes in.</param>
/// <param name="Number">The company's number.</param>
/// <param name="Title">The wall.</param>
/// <param name="State"><c>stopped</c>, <c>open</c> or <c>clear</c>.</param>
/// <param name="Stops">How many stops.</param>
/// <param name="Cautions">How many cautions.</param>
/// <param name="NextStep">What should be done next.</param>
/// <param name="Worst">The gravest finding's title; empty for none.</param>
/// <param name="DisplayItem">Catalogue key of the display; empty for none.</param>
/// <param name="MountItem">Catalogue key of the mount.</param>
/// <param name="FastenerItem">Catalogue key of the bolt.</param>
public sealed record JobSummary(
    long Seq,
    string Number,
    string Title,
    string State,
    int Stops,
    int Cautions,
    string NextStep,
    string Worst,
    string DisplayItem,
    string MountItem,
    string FastenerItem);

/// <summary>A job in a list.</summary>
/// <param name="Id">Key.</param>
/// <param name="Site">Where it is.</param>
/// <param name="Seq">Its last entry.</param>
/// <param name="MovedAt">When it last moved on.</param>
/// <param name="Summary">What the list shows, which may be of an earlier entry.</param>
public sealed record JobRow(long Id, Site Site, long Seq, DateTimeOffset MovedAt, JobSummary Summary);

/// <summary>Which jobs a list shows.</summary>
/// <param name="Search">Words in title, number, site or client; empty for all.</param>
/// <param name="State">A state, or null for all.</param>
/// <param name="SiteId">One site only: what a client may see.</param>
/// <param name="Item">A catalogue key that the job uses.</param>
/// <param name="Page">Which page, from 1.</param>
/// <param name="PerPage">Jobs on a page.</param>
public sealed record JobFilter(string Search = "", string? State = null, long? SiteId = null, string? Item = null, int Page = 1, int PerPage = 40);

/// <summary>Sites and jobs.</summary>
/// <param name="file">The company's file.</param>
/// <param name="time">The clock.</param>
public sealed class JobStore(CompanyFile file, TimeProvider time)
{
    private const string Columns =
        """
        jobs.id Id, jobs.seq Seq, jobs.moved_at MovedAt, summary_seq SummarySeq, number Number, title Title, state State,
        stops Stops, cautions Cautions, next_step NextStep, worst Worst, display_item DisplayItem, mount_item MountItem,
        fastener_item FastenerItem, sites.id SiteId, sites.name SiteName, sites.client Client, sites.address Address
        """;

    /// <summary>Adds a site.</summary>
    public long AddSite(string name, string client, string address)
    {
        using var connection = file.Connect();
        return connection.ExecuteScalar<long>(
            "insert into sites (name, client, address) values (@name, @client, @address) returning id", new { name, client, address });
    }

    /// <summary>Every site, by name.</summary>
    public IReadOnlyList<Site> Sites()
    {
        using var connection = file.Connect();
        return [.. connection.Query<Site>("select id Id, name Name, client Client, address Address from sites order by name")];
    }

    /// <summary>Adds a job without entries.</summary>
    public long Add(long siteId)
    {
        using var connection = file.Connect();
        var now = Text.Of(time.GetUtcNow());
        return connection.ExecuteScalar<long>(
            "insert into jobs (site_id, created_at, moved_at) values (@siteId, @now, @now) returning id", new { siteId, now });
    }

    /// <summary>One job; null where there is none.</summary>
    public JobRow? Find(long id)
    {
        using var connection = file.Connect();
        return connection.Query<Row>($"select {Columns} from jobs join sites on sites.id = jobs.site_id where jobs.id = @id", new { id })
            .Select(r => r.ToJob()).SingleOrDefault();
    }

    /// <summary>A page of jobs, the last moved first, and how many there are in all.</summary>
    public (IReadOnlyList<JobRow> Jobs, int Total) List(JobFilter filter)
    {
        var arguments = new
        {
            like = "%" + filter.Search.Trim().Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%",
            filter.State,
            filter.SiteId,
            filter.Item,
            skip = (Math.Max(1, filter.Page) - 1) * filter.PerPage,
            filter.PerPage,
        };
        const string where =
            """
            from jobs join sites on sites.id = jobs.site_id
            where (title like @like escape '\' or number like @like escape '\' or sites.name like @like escape '\' or sites.client like @like escape '\')
              and (@State is null or state = @State)
              and (@SiteId is null or jobs.site_id = @SiteId)
              and (@Item is null or @Item in (display_item, mount_item, fastener_item))
            """;
        using var connection = file.Connect();
        var total = connection.ExecuteScalar<int>("select count(*) " + where, arguments);
        var jobs = connection.Query<Row>(
            $"select {Columns} {where} order by moved_at desc, jobs.id desc limit @PerPage offset @skip", arguments);
        return ([.. jobs.Select(r => r.ToJob())], total);
    }

    /// <summary>Jobs whose summary is of an earlier entry.</summary>
    public IReadOnlyList<long> Stale(int most)
    {
        using var connection = file.Connect();
        return [.. connection.Query<long>("select id from jobs where summary_seq < seq limit @most", new { most })];
    }

    /// <summary>Keeps what lists show of a job, unless a later one is kept already.</summary>
    public void Summarise(long id, JobSummary summary)
    {
        using var connection = file.Connect();
        connection.Execute(
            """
            update jobs set summary_seq = @Seq, number = @Number, title = @Title, state = @State, stops = @Stops, cautions = @Cautions,
              next_step = @NextStep, worst = @Worst, display_item = @DisplayItem, mount_item = @MountItem, fastener_item = @FastenerItem
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
                summary.DisplayItem,
                summary.MountItem,
                summary.FastenerItem,
            });
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

        public string DisplayItem { get; init; } = string.Empty;

        public string MountItem { get; init; } = string.Empty;

        public string FastenerItem { get; init; } = string.Empty;

        public long SiteId { get; init; }

        public string SiteName { get; init; } = string.Empty;

        public string Client { get; init; } = string.Empty;

        public string Address { get; init; } = string.Empty;

        public JobRow ToJob() => new(
            Id,
            new(SiteId, SiteName, Client, Address),
            Seq,
            Text.Time(MovedAt),
            new(SummarySeq, Number, Title, State, Stops, Cautions, NextStep, Worst, DisplayItem, MountItem, FastenerItem));
    }
}
