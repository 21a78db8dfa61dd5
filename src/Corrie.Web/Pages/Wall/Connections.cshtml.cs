using System.Text.Json.Nodes;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;
using Corrie.Simulators;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Corrie.Web.Pages.Wall;

/// <summary>What plugs into what, from port to port: drawn, listed so that a stranger can follow, tested.</summary>
[Authorize(nameof(Permission.ReadJobs))]
public sealed class ConnectionsModel(CurrentUser user) : WallPageModel(user)
{
    /// <summary>Whether the reader may change the sheet.</summary>
    public bool Edits => Reader.May(Permission.EditJobs);

    /// <summary>The cables.</summary>
    public IReadOnlyList<Connection> All => Job.Plan.Sheet.Get(Connection.Part) ?? [];

    /// <summary>All that has ports and is to be seen: what is on no cable and has no ports is left out.</summary>
    public IReadOnlyList<PortHolder> Holders => [.. Job.Plan.PortHolders().Where(h => h.Sort is not (PortSort.Outlet or PortSort.Plate or PortSort.Box) || All.Any(c => c.From == h.Key || c.To == h.Key)).Where(h => h.Jacks.Items.Count > 0 || All.Any(c => c.From == h.Key || c.To == h.Key))];

    /// <summary>What each cable asks for.</summary>
    public CablePlan? Of(Connection connection) => Job.Plan.Sheet.Walls.SelectMany(w => Job.Plan.Cables(w.Id)?.All ?? []).FirstOrDefault(c => c.Connection.Id == connection.Id);

    /// <summary>Cables that are not there yet, by what and how long.</summary>
    public IReadOnlyList<CableToTake> ToTake => Connecting.ToTake(Job.Plan);

    /// <summary>What is wrong with them.</summary>
    public IReadOnlyList<Finding> Wrong => [.. Job.Plan.Findings.Where(f => f.Where.Part.Split('/') is [_, "cables" or "ports" or "sources", ..])];

    /// <summary>Cables of the catalogue, and typical ones.</summary>
    public IReadOnlyList<(string Id, string Name)> Cables => Parts.Names(Reader.Company, Cable.Kind);

    /// <summary>What was typed, where it was refused.</summary>
    public string Typed(string name) => Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>What somebody who has never seen the job does with a cable.</summary>
    /// <param name="connection">The cable.</param>
    public Phrase Follow(Connection connection)
    {
        var plan = Of(connection);
        Phrase says = Phrase.Of($"Take {connection.Says}, the {connection.Cable?.Name ?? "cable that is not chosen yet"}");
        if ((connection.Bought ?? plan?.Buys) is { } length)
        {
            says.AppendFormatted($" of {length}");
        }

        // An active cable works one way round: the end that goes to what gives the picture is marked on it.
        var gives = connection.Cable is { Active: true, Carries: Signal.Picture };
        var (one, other) = !gives ? ("One end", "The other end") : Gives(connection.From, connection.FromPort) ? ("The end marked 'source'", "The end marked 'display'") : ("The end marked 'display'", "The end marked 'source'");
        says.AppendFormatted($". {one} into {Port(connection.From, connection.FromPort)}.");
        if (connection.Via.Split('/') is [var wall, var id] && Job.Plan.Routes(wall)?.Of(id) is { } route)
        {
            // From the end of the way that is nearer.
            var (first, last) = plan?.From is { } near && route is { From: { } a, To: { } b } && Far(near, b) < Far(near, a) ? (route.Route.To, route.Route.From) : (route.Route.From, route.Route.To);
            says.AppendFormatted($" Through the {Stages.Feeds.FeedWords.End(Job.Plan, wall, first)}, and out at the {Stages.Feeds.FeedWords.End(Job.Plan, wall, last)}.");
        }

        says.AppendFormatted($" {other} into {Port(connection.To, connection.ToPort)}.");
        return says;
    }

    private bool Gives(string key, string port) => Job.Plan.PortHolders().FirstOrDefault(h => h.Key == key)?.Jack(port) is { GivesOut: true };

    private static Length Far(PortPlace at, WayEnd end) => (at.X - end.X).Abs + (at.Y - end.Y).Abs;

    private string Port(string key, string port)
    {
        var holder = Job.Plan.PortHolders().FirstOrDefault(h => h.Key == key);
        var name = holder?.Jack(port)?.Name ?? port;
        return $"{(name.Length > 0 ? $"'{name}' of " : string.Empty)}the {holder?.Name ?? "place that nobody has said"}";
    }

    /// <summary>Shows them.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();

    /// <summary>Connects two ports.</summary>
    /// <param name="from">What it comes from.</param>
    /// <param name="fromPort">The port there.</param>
    /// <param name="to">What it goes to.</param>
    /// <param name="toPort">The port there.</param>
    public async Task<IActionResult> OnPostConnectAsync(string? from, string? fromPort, string? to, string? toPort)
    {
        if (Closed() is { } no)
        {
            return no;
        }

        var (change, problem) = Connecting.Connect(Job.Plan, from ?? string.Empty, fromPort ?? string.Empty, to ?? string.Empty, toPort ?? string.Empty);
        return change is null ? Refuse(problem) : await Append(Here, change);
    }

    /// <summary>Chooses a cable from the catalogue.</summary>
    /// <param name="cable">Which connection.</param>
    /// <param name="product">Key of the catalogue's item.</param>
    public async Task<IActionResult> OnPostChooseAsync(string? cable, string? product) => Closed() is { } no ? no
        : All.FirstOrDefault(c => c.Id == cable) is not { } connection ? NotFound()
        : Parts.Copy(Reader.Company, product ?? string.Empty) is not { } copy || copy.Kind != Cable.Kind.Word ? Refuse("That cable is not in the catalogue any more. Expected: one of the list.")
        : await Append(Here, new Change($"{connection.Here.Pointer}/cable", copy.Document));

    /// <summary>Takes a cable away.</summary>
    /// <param name="cable">Which connection.</param>
    public async Task<IActionResult> OnPostUnplugAsync(string? cable) => Closed() is { } no ? no
        : All.FirstOrDefault(c => c.Id == cable) is { } connection ? await Append(Here, new Change(connection.Here.Pointer, null)) : NotFound();

    /// <summary>Takes what the cable tester shows; no tester is connected here, so a stand-in shows what one would.</summary>
    /// <param name="cable">Which connection.</param>
    /// <param name="fault">The fault that the stand-in's cable has; none for a good one.</param>
    public async Task<IActionResult> OnPostTestAsync(string? cable, string? fault)
    {
        if (Closed() is { } no)
        {
            return no;
        }

        if (All.FirstOrDefault(c => c.Id == cable) is not { } connection)
        {
            return NotFound();
        }

        var known = Choices.Of<WireFault>(fault);
        if (!string.IsNullOrEmpty(fault) && known is null)
        {
            return BadRequest();
        }

        var test = CableTester.Test(known, new Random(connection.Tests.Items.Count + 1), Of(connection)?.Way is { } way ? LengthText.Exact(way, Job.Plan.Sheet.Head.Units) : null);
        test["by"] = Reader.Name;
        return await Append(Here, new Change($"{connection.Here.Pointer}/tests/t{connection.Tests.Items.Count + 1:00}", test));
    }

    private string Here => $"/jobs/{Id}/connections";

    private IActionResult? Closed() => !Open() ? NotFound() : !Edits ? Forbid() : null;
}
