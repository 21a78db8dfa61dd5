using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Data;

namespace Corrie.Web.Jobs;

/// <summary>Starts jobs.</summary>
public static class JobStart
{
    /// <summary>Starts a job whose first entry is a whole sheet. It takes a copy of the company's figures, unless it brings its own.</summary>
    /// <returns>The job's key.</returns>
    public static async Task<long> StartAsync(Company company, long siteId, JsonObject document, string author, string device)
    {
        var site = company.Jobs.Sites().Single(s => s.Id == siteId);
        Pointer.Set(document, "/job/site", JsonValue.Create(site.Name));
        var policy = company.Policies.Read();
        if (policy.Version > 0 && document["policy"] is null)
        {
            document["policy"] = policy.Document.DeepClone();
        }

        var id = company.Jobs.Add(siteId);
        await company.Entries.Append(id, author, device, [new(Guid.NewGuid().ToString("N"), string.Empty, document, [])]);
        return id;
    }
}
