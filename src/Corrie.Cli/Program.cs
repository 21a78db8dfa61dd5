using System.CommandLine;
using System.Text.Json;
using System.Text.Json.Nodes;
using Corrie.Core.Format;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;
using Corrie.Core.Planning;
using Corrie.Data;

var root = new RootCommand("Plans and checks job files, keeps and looks through data folders, without the web part.");

var file = new Argument<FileInfo>("FILE.json") { Description = "A Corrie job file." };
var units = new Option<string?>("--units") { Description = "Units of the sentences and figures: in or mm. The job's own where nothing is said." };
units.AcceptOnlyFromAmong("in", "mm");

var plan = new Command("plan", "Print the plan of a job as JSON: marks with readings per datum, bolts, findings, numbers.") { file, units };
plan.SetAction(parsed => WithSheet(parsed.GetRequiredValue(file), (document, sheet, output) =>
{
    var system = parsed.GetValue(units) switch
    {
        "in" => UnitSystem.Inches,
        "mm" => UnitSystem.Millimetres,
        _ => sheet.Head.Units,
    };
    var json = PlanFile.Write(Planner.Plan(sheet), new(system), document);
    output.WriteLine(json.ToJsonString(new JsonSerializerOptions
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    }));
    return 0;
}));

var check = new Command("check", "Say whether a job file is sound, and what its plan has to say. Ends with 1 where the plan has a stop.") { file };
check.SetAction(parsed => WithSheet(parsed.GetRequiredValue(file), (document, sheet, output) =>
{
    var style = new LengthStyle(sheet.Head.Units);
    var result = Planner.Plan(sheet);
    output.WriteLine($"The file is sound: {sheet.Head.Title} {sheet.Head.Number}.");
    foreach (var status in result.Statuses)
    {
        output.WriteLine($"  {status.Wall,-8} {status.Stage.Id.Title,-10} {status.State.Words(),-10} {status.Says.Say(style)}");
    }

    foreach (var finding in result.Findings)
    {
        output.WriteLine($"{FindingCatalogue.Letter(finding.Severity),-2} {finding.Code}: {finding.Message.Say(style)}");
        foreach (var part in finding.Parts)
        {
            output.WriteLine($"     {part.Say(style)}");
        }

        output.WriteLine($"   {finding.Kind.Why} Source: {finding.Kind.Source}.");
        foreach (var remedy in RemedyProof.Proven(document, result, finding))
        {
            output.WriteLine($"   - {remedy.Label.Say(style)}: {remedy.Effect.Say(style)}");
        }
    }

    return result.Findings.Any(f => f.Stops) ? 1 : 0;
}));

var calculation = new Command("calculation", "Print the calculation of a job's bolts as Markdown, the worst of each plate unfolded.") { file };
calculation.SetAction(parsed => WithSheet(parsed.GetRequiredValue(file), (_, sheet, output) =>
{
    output.Write(WorkedCalculation.Markdown(Planner.Plan(sheet)));
    return 0;
}));

var schema = new Command("schema", "Print the JSON Schema of the job file.");
schema.SetAction(parsed => parsed.InvocationConfiguration.Output.Write(JobFile.Write(JobForm.JsonSchema())));

var upgrade = new Command("upgrade", "Print a job file of an earlier form in the form of today. The file itself stays as it is.") { file };
upgrade.SetAction(parsed => WithText(parsed.GetRequiredValue(file), (text, output) =>
{
    var old = JsonObjectOf(text);
    if (old is null)
    {
        return Refuse(parsed.GetRequiredValue(file), [new(string.Empty, string.Empty, "This is not a JSON object", "a Corrie job file of any form")]);
    }

    var today = Upgrade.Document(old);
    var (_, problems) = JobForm.Read(today);
    output.Write(JobFile.Write(today));
    return problems.Count == 0 ? 0 : Refuse(parsed.GetRequiredValue(file), problems);
}));

var before = new Argument<string>("BEFORE") { Description = "A job file, a plan file, or a folder of them." };
var after = new Argument<string>("AFTER") { Description = "Another." };
var diff = new Command("diff", "Say in words what differs between two jobs' plans. Ends with 1 where something does.") { before, after };
diff.SetAction(parsed => Compare(parsed.GetRequiredValue(before), parsed.GetRequiredValue(after), parsed.InvocationConfiguration.Output));

var findings = new Command("findings", "Print the catalogue of findings as Markdown.");
findings.SetAction(parsed => parsed.InvocationConfiguration.Output.Write(FindingCatalogue.ToMarkdown()));

var data = new Argument<DirectoryInfo>("DATA") { Description = "Corrie's data folder." };
var kept = new Argument<FileInfo>("FILE") { Description = "The backup, one file." };
var backup = new Command("backup", "Keep all of a data folder, photos and keys too, in one file, and read it back. Corrie may be running.") { data, kept };
backup.SetAction(parsed => Keeping(() => Backup.Save(parsed.GetRequiredValue(data).FullName, parsed.GetRequiredValue(kept).FullName, TimeProvider.System), "Kept and read back", parsed.InvocationConfiguration.Output));
var restore = new Command("restore", "Put a backup back into a folder that is empty or not there.") { kept, data };
restore.SetAction(parsed => Keeping(() => Backup.Restore(parsed.GetRequiredValue(kept).FullName, parsed.GetRequiredValue(data).FullName), "Put back", parsed.InvocationConfiguration.Output));
var selfCheck = new Command("self-check", "Compare all that lies in a data folder with itself: files, entries, summaries, photos. Ends with 1 where something is wrong.") { data };
selfCheck.SetAction(async (parsed, _) =>
{
    var report = await SelfCheck.Run(parsed.GetRequiredValue(data).FullName, TimeProvider.System);
    var output = parsed.InvocationConfiguration.Output;
    foreach (var problem in report.Problems)
    {
        await output.WriteLineAsync(problem);
    }

    await output.WriteLineAsync($"{report.Companies} companies, {report.Jobs} jobs, {report.Entries} entries, {report.Photos} photos: {(report.Problems.Count == 0 ? "all is well." : $"{report.Problems.Count} problems.")}");
    return report.Problems.Count == 0 ? 0 : 1;
});

var companyKey = new Argument<string>("COMPANY") { Description = "Short name of the company: its file's, without .corrie." };
var signIn = new Argument<string>("SIGN-IN") { Description = "Name that the person signs in with." };
var photo = new Argument<string>("PHOTO") { Description = "Name of the photo: the 64 letters in its address." };
var erasePerson = new Command("erase-person", "Remove a person's names for good, on request; what they did stays, by nobody. Corrie must not be running; backups hold the names still.") { data, companyKey, signIn };
erasePerson.SetAction(parsed => Erasing(parsed.GetRequiredValue(data), parsed.GetRequiredValue(companyKey), erasure => erasure.Person(parsed.GetRequiredValue(signIn)), "Nobody signs in with that name.", parsed.InvocationConfiguration.Output));
var erasePhoto = new Command("erase-photo", "Remove a photo for good, on request. Corrie must not be running; backups hold it still.") { data, companyKey, photo };
erasePhoto.SetAction(parsed => Erasing(
    parsed.GetRequiredValue(data),
    parsed.GetRequiredValue(companyKey),
    erasure => erasure.Photo(new(Company.PhotosOf(Path.Combine(parsed.GetRequiredValue(data).FullName, parsed.GetRequiredValue(companyKey) + ".corrie"))), parsed.GetRequiredValue(photo)),
    "No job has a photo of that name.",
    parsed.InvocationConfiguration.Output));

var remove = new Option<bool>("--remove") { Description = "Remove them for good, and not only list them." };
var removeOld = new Command("remove-old-photos", "List the photos that are older than the company keeps any, or remove them for good. Corrie must not be running; backups hold them still.") { data, companyKey, remove };
removeOld.SetAction(parsed => RemovingOld(parsed.GetRequiredValue(data), parsed.GetRequiredValue(companyKey), parsed.GetValue(remove), parsed.InvocationConfiguration.Output));

root.Subcommands.Add(backup);
root.Subcommands.Add(removeOld);
root.Subcommands.Add(erasePerson);
root.Subcommands.Add(erasePhoto);
root.Subcommands.Add(restore);
root.Subcommands.Add(selfCheck);
root.Subcommands.Add(plan);
root.Subcommands.Add(check);
root.Subcommands.Add(upgrade);
root.Subcommands.Add(diff);
root.Subcommands.Add(schema);
root.Subcommands.Add(findings);
root.Subcommands.Add(calculation);
return root.Parse(args).Invoke();

static int Erasing(DirectoryInfo data, string company, Func<Erasure, Erased?> erase, string nothing, TextWriter output) => WithCompany(data, company, path =>
{
    var done = erase(new(path, TimeProvider.System));
    output.WriteLine(done is null ? nothing : $"Done in {done.Entries} entries; the record says: {done.Note}. Copies of before, and backups, hold it still.");
    return done is null ? 1 : 0;
});

static int RemovingOld(DirectoryInfo data, string company, bool remove, TextWriter output) => WithCompany(data, company, path =>
{
    var old = new Retention(CompanyFile.Open(path), TimeProvider.System).Old();
    foreach (var job in old)
    {
        output.WriteLine($"job {job.Job}, {(job.Title.Length > 0 ? job.Title : "untitled")}, last moved on {job.MovedAt:yyyy-MM-dd}: {job.Photos.Count} photos");
        foreach (var name in remove ? job.Photos : [])
        {
            new Erasure(path, TimeProvider.System).Photo(new(Company.PhotosOf(path)), name);
        }
    }

    output.WriteLine(old.Count == 0 ? "No photo is older than the company keeps any." : remove ? "Removed. Copies of before, and backups, hold them still." : "Nothing was removed: say --remove for that.");
    return 0;
});

static int WithCompany(DirectoryInfo data, string company, Func<string, int> act)
{
    var path = Path.Combine(data.FullName, company + ".corrie");
    if (!File.Exists(path))
    {
        Console.Error.WriteLine($"'{path}' is not there. Expected: Corrie's data folder and the short name of a company in it.");
        return 2;
    }

    using var folder = DataFolder.Lock(data.FullName);
    if (folder is null)
    {
        Console.Error.WriteLine($"Another Corrie uses the data folder '{data.FullName}'. Stop it first.");
        return 2;
    }

    return act(path);
}

static int Keeping(Func<BackupContent> act, string done, TextWriter output)
{
    try
    {
        var content = act();
        output.WriteLine($"{done}: {content.Companies} companies, {content.Entries} entries, {content.Photos} photos.");
        return 0;
    }
    catch (BackupException e)
    {
        Console.Error.WriteLine(e.Message);
        return 2;
    }
}

static int WithSheet(FileInfo file, Func<JsonObject, JobSheet, TextWriter, int> act) => WithText(file, (text, output) =>
{
    var (sheet, problems) = JobFile.Read(text);
    return sheet is null ? Refuse(file, problems) : act(JobFile.Parse(text).Document!, sheet, output);
});

static int WithText(FileInfo file, Func<string, TextWriter, int> act)
{
    string text;
    try
    {
        text = File.ReadAllText(file.FullName);
    }
    catch (Exception e) when (e is IOException or UnauthorizedAccessException)
    {
        Console.Error.WriteLine($"{file} can't be read: {e.Message}");
        return 2;
    }

    return act(text, Console.Out);
}

static int Refuse(FileInfo file, IReadOnlyList<SheetProblem> problems)
{
    Console.Error.WriteLine($"{file} is not a sound job file:");
    foreach (var problem in problems)
    {
        Console.Error.WriteLine("  " + problem);
    }

    return 2;
}

static JsonObject? JsonObjectOf(string text)
{
    try
    {
        return JsonNode.Parse(text) as JsonObject;
    }
    catch (JsonException)
    {
        return null;
    }
}

static int Compare(string before, string after, TextWriter output)
{
    var folders = Directory.Exists(before) && Directory.Exists(after);
    List<string> names = folders ? [.. Directory.EnumerateFiles(before, "*.json").Select(f => Path.GetFileName(f)).Order(StringComparer.Ordinal)] : [string.Empty];
    var (same, differ, unread) = (0, 0, 0);
    foreach (var name in names)
    {
        var (one, other) = folders ? (Path.Combine(before, name), Path.Combine(after, name)) : (before, after);
        if (PlanOf(one, out var why) is not { } first || PlanOf(other, out why) is not { } second)
        {
            Console.Error.WriteLine(why);
            unread++;
            continue;
        }

        var says = PlanDifference.Say(first, second);
        (same, differ) = says.Count == 0 ? (same + 1, differ) : (same, differ + 1);
        foreach (var line in says)
        {
            output.WriteLine(folders ? $"{name}: {line}" : line);
        }
    }

    output.WriteLine(folders ? $"{same} plans are the same, {differ} differ, {unread} could not be read." : differ == 0 && unread == 0 ? "The plans are the same." : string.Empty);
    return unread > 0 ? 2 : differ > 0 ? 1 : 0;
}

// A plan file is taken as it is; a job file is planned.
static JsonObject? PlanOf(string path, out string why)
{
    try
    {
        var text = File.ReadAllText(path);
        if (JsonObjectOf(text) is { } json && json["format"]?.ToString() == PlanFile.Format)
        {
            why = string.Empty;
            return json;
        }

        var (sheet, problems) = JobFile.Read(text);
        why = sheet is null ? $"{path}: {problems[0]}" : string.Empty;
        return sheet is null ? null : PlanFile.Write(Planner.Plan(sheet), new(sheet.Head.Units), JobFile.Parse(text).Document!);
    }
    catch (Exception e) when (e is IOException or UnauthorizedAccessException)
    {
        why = $"{path} can't be read: {e.Message}";
        return null;
    }
}
