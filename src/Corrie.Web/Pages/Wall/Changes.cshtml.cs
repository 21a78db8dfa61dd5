using System.Globalization;
using System.Text.Json.Nodes;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.SiteDay;
using Corrie.Web.Access;
using Corrie.Web.Jobs;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Corrie.Web.Pages.Wall;

/// <summary>Work beyond what was agreed: put to the client, and signed or refused on the spot.</summary>
[Authorize(nameof(Permission.EditJobs))]
public sealed class ChangesModel(CurrentUser user, TimeProvider time) : WallPageModel(user)
{
    private OneSend? send;

    /// <summary>The change orders, in the order in which they were found.</summary>
    public IReadOnlyList<ChangeOrder> Orders => Job.Plan.Sheet.Get(ChangeOrder.Part) ?? [];

    /// <summary>Key of the order whose answer was refused; null for none.</summary>
    public string? Of { get; private set; }

    /// <summary>The name that was typed where it was refused.</summary>
    public string Typed { get; private set; } = string.Empty;

    private OneSend Send => send ??= OneSend.Of(Request);

    private string Here => $"/jobs/{Id}/changes";

    /// <summary>What was typed of a new one where it was refused.</summary>
    /// <param name="name">Name of the field.</param>
    public string Asked(string name) => Problem is not null && Of is null && Request.HasFormContentType ? Request.Form[name].ToString() : string.Empty;

    /// <summary>Shows them.</summary>
    public IActionResult OnGet() => Open() ? Page() : NotFound();

    /// <summary>Says what was found.</summary>
    /// <param name="says">What was found, and what is to be done.</param>
    /// <param name="hours">More hours; empty where nobody knows.</param>
    /// <param name="price">What it costs; empty where nobody knows.</param>
    /// <param name="isUnsafe">Whether it is unsafe as it is.</param>
    public async Task<IActionResult> OnPostFoundAsync(string? says, string? hours, string? price, [FromForm(Name = "unsafe")] string? isUnsafe)
    {
        if (!Open())
        {
            return NotFound();
        }

        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go(Here);
        }

        var order = new JsonObject { ["says"] = says?.Trim() };
        if (string.IsNullOrWhiteSpace(says))
        {
            Problem = "Nothing was said of what was found. Expected: what it is, and what is to be done.";
        }
        else if (Figure(hours, "hours", order) is { } wrong)
        {
            Problem = wrong;
        }
        else
        {
            Problem = Figure(price, "price", order);
        }

        if (isUnsafe == "yes")
        {
            order["unsafe"] = true;
        }

        var change = new Change($"/{ChangeOrder.Part.Name}/c{Send.Key[..12]}", order);
        if ((Problem ?? WrongWith([change])) is { } problem)
        {
            return Refuse(problem);
        }

        await Send.Append(Reader.Company, Id, Reader.SignIn, "day", Job.Ledger, [change]);
        return Send.Go($"{Here}#change-c{Send.Key[..12]}");
    }

    /// <summary>The client's answer, signed.</summary>
    /// <param name="order">Key of the order.</param>
    /// <param name="offer">What the client was shown.</param>
    /// <param name="signed">Their name.</param>
    /// <param name="drawn">Their signature as it was drawn; empty for the typed name alone.</param>
    /// <param name="answer">Whether they agree.</param>
    public async Task<IActionResult> OnPostSignAsync(string? order, string? offer, string? signed, string? drawn, string? answer)
    {
        if (!Open())
        {
            return NotFound();
        }

        if (Send.IsKnown(Job.Ledger))
        {
            return Send.Go(Here);
        }

        if (Orders.FirstOrDefault(o => o.Id == order) is not { } found || answer is not ("yes" or "no"))
        {
            return BadRequest();
        }

        (Of, Typed) = (found.Id, signed ?? string.Empty);
        Problem = found.Approved ? "It is approved already."
            : offer != found.Offer ? "It says something else now than what the client was shown. Expected: that they read it again, and sign that."
            : !Licences.Given(signed ?? string.Empty) ? "No name is signed. Expected: the client's name, with or without a drawn signature."
            : answer == "yes" && found.Hours is null && found.Price is null ? "Neither hours nor a price are said, and nobody can agree to that. Expected: one of them first."
            : !string.IsNullOrEmpty(drawn) && DrawnSignature.Read(drawn) is null ? "What was drawn is no signature. Expected: a name in strokes, or the typed name alone."
            : null;
        var path = $"/{ChangeOrder.Part.Name}/{found.Id}";
        Change[] changes =
        [
            new($"{path}/state", answer == "yes" ? "approved" : "refused"), new($"{path}/signed", signed?.Trim()), new($"{path}/signedFor", found.Offer),
            new($"{path}/on", (Send.At ?? time.GetUtcNow()).ToString("yyyy-MM-dd HH:mm 'UTC'", CultureInfo.InvariantCulture)), new($"{path}/drawn", string.IsNullOrEmpty(drawn) ? null : drawn),
        ];
        if ((Problem ?? WrongWith(changes)) is { } problem)
        {
            return Refuse(problem);
        }

        await Send.Append(Reader.Company, Id, Reader.SignIn, "day", Job.Ledger, changes);
        return Send.Go($"{Here}#change-{found.Id}");
    }

    private static string? Figure(string? typed, string name, JsonObject order)
    {
        if (string.IsNullOrWhiteSpace(typed))
        {
            return null;
        }

        if (!double.TryParse(typed.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var figure))
        {
            return $"The {name}, '{typed.Trim()}', are not understood. Expected: a number such as 1.5, or nothing.";
        }

        order[name] = figure;
        return null;
    }
}
