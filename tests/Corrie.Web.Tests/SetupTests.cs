using System.Net;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Corrie.Web.Tests;

public sealed class SetupTests
{
    [Fact]
    public async Task A_company_without_records_begins_with_a_lead_and_an_empty_list()
    {
        var folder = Directory.CreateTempSubdirectory("corrie-setup-").FullName;
        await using (var empty = new WebApplicationFactory<Program>().WithWebHostBuilder(b => b.UseSetting("Data", folder).UseSetting("AllowedHosts", "*")))
        {
            var client = empty.CreateClient(new() { AllowAutoRedirect = false });
            Assert.Contains("/setup", await client.GetStringAsync("/sign-in"));
            (string, string)[] Form(string password) => [("Company", "Gill & Sons"), ("PersonName", "Ada Gill"), ("SignInName", "ada"), ("password", password)];
            var refused = await client.Post("/setup", "/setup", Form("short"));
            Assert.Contains("5 characters", await refused.Content.ReadAsStringAsync());
            Assert.Contains("Ada Gill", await refused.Content.ReadAsStringAsync());
            Assert.Equal(HttpStatusCode.Redirect, (await client.Post("/setup", "/setup", Form("long-enough-1"))).StatusCode);
            Assert.Contains("No jobs yet", await client.GetStringAsync("/jobs"));
            Assert.Equal("/sign-in", (await client.GetAsync("/setup")).Headers.Location!.OriginalString);
            var job = await client.Post("/jobs/new", "/jobs/new", ("Title", "Hall"), ("Width", ""), ("Height", ""), ("JobUnits", "mm"), ("SiteId", "0"), ("SiteName", "Hall"));
            Assert.Contains("needs its width and height", await client.GetStringAsync(job.Headers.Location));
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
