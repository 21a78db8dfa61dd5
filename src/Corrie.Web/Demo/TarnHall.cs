using System.Text.Json.Nodes;
using Corrie.Data;
using Corrie.Web.Access;
using Corrie.Web.Jobs;

namespace Corrie.Web.Demo;

/// <summary>The invented demo: an outdoor-activity centre, fitted by an invented company.</summary>
public static class TarnHall
{
    /// <summary>The company's short name.</summary>
    public const string CompanyKey = "fellside";

    /// <summary>Who signs in, with which password: for the demo only.</summary>
    public static IReadOnlyList<(string SignIn, string Name, Role Role, string Password)> People { get; } =
    [
        ("ines", "Ines Arkle", Role.Lead, "chalk-line-1"),
        ("tom", "Tom Birkett", Role.Installer, "plumb-bob-2"),
        ("olive", "Olive Marr", Role.Office, "tape-hook-3"),
        ("warden", "The warden", Role.Client, "stove-room-4"),
    ];

    private static readonly string[] Jobs =
        ["lakeside-terrace", "training-room", "stove-lounge", "wardens-office", "bunkhouse-corridor", "map-room", "boathouse"];

    /// <summary>Loads the demo into an empty data folder; leaves one that is there as it is.</summary>
    public static void Load(Companies companies, Passwords passwords)
    {
        if (companies.Keys.Contains(CompanyKey))
        {
            return;
        }

        var company = companies.Create(CompanyKey);
        company.SetName("Fellside Display Fitters");
        var site = company.Jobs.AddSite("Tarn Hall", "Tarn Hall outdoor centre", "Tarn Lane");
        foreach (var (signIn, name, role, password) in People)
        {
            company.People.Add(signIn, name, role, passwords.Hash(signIn, password), role == Role.Client ? site : null);
        }

        foreach (var item in (JsonArray)JsonNode.Parse(Read("catalogue"))!)
        {
            company.Catalogue.Save(item!["id"]!.GetValue<string>(), item["kind"]!.GetValue<string>(), (JsonObject)item["document"]!, 0, "olive");
        }

        foreach (var job in Jobs)
        {
            var document = (JsonObject)JsonNode.Parse(Read(job))!;
            if (job == "map-room")
            {
                StandInPhoto.Pin(document, company.Photos);
            }

            JobStart.StartAsync(company, site, document, "olive", "office").GetAwaiter().GetResult();
        }

        JobDesk.Refresh(company);
    }

    /// <summary>A demo file.</summary>
    /// <exception cref="InvalidOperationException">There is no such file.</exception>
    public static string Read(string name)
    {
        using var stream = typeof(TarnHall).Assembly.GetManifestResourceStream($"Corrie.Web.Demo.{name}.json")
            ?? throw new InvalidOperationException($"The demo has no '{name}'.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
