using System.CommandLine;
using System.Text.Json;
using Corrie.Core.Jobs;
using Corrie.Core.Jobs.Format;
using Corrie.Core.Measure;

var root = new RootCommand("Plans and checks job files without the web part.");

var file = new Argument<FileInfo>("FILE.json") { Description = "A Corrie job file." };
var units = new Option<string?>("--units") { Description = "Units of the sentences and figures: in or mm. The job's own where nothing is said." };
units.AcceptOnlyFromAmong("in", "mm");

var plan = new Command("plan", "Print the plan of a job as JSON: marks with readings per datum, bolts, findings, numbers.") { file, units };
plan.SetAction(parsed => WithSheet(parsed.GetRequiredValue(file), (sheet, output) =>
{
    var system = parsed.GetValue(units) switch
    {
        "in" => UnitSystem.Inches,
        "mm" => UnitSystem.Millimetres,
        _ => sheet.Head.Units,
    };
    var json = PlanFile.Write(Planner.Plan(sheet), new(system));
    output.WriteLine(json.ToJsonString(new JsonSerializerOptions
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    }));
    return 0;
}));

var check = new Command("check", "Say whether a job file is sound, and what its plan has to say. Ends with 1 where the plan has a stop.") { file };
check.SetAction(parsed => WithSheet(parsed.GetRequiredValue(file), (sheet, output) =>
{
    var style = new LengthStyle(sheet.Head.Units);
    var result = Planner.Plan(sheet);
    output.WriteLine($"The file is sound: {sheet.Head.Title} {sheet.Head.Number}.");
    foreach (var step in result.Steps)
    {
        output.WriteLine($"  {step.Step,-7} {step.State.Word(),-9} {step.Says.Say(style)}");
    }

    foreach (var finding in result.Findings)
    {
        output.WriteLine($"{FindingCatalogue.Letter(finding.Severity),-2} {finding.Code}: {finding.Message.Say(style)}");
        output.WriteLine($"   {finding.Kind.Why} Source: {finding.Kind.Source}.");
        foreach (var fix in finding.Fixes)
        {
            output.WriteLine($"   - {fix.Label.Say(style)}: {fix.Effect.Say(style)}");
        }
    }

    return result.Findings.Any(f => f.Stops) ? 1 : 0;
}));

var schema = new Command("schema", "Print the JSON Schema of the job file.");
schema.SetAction(parsed => parsed.InvocationConfiguration.Output.Write(JobFile.Write(SheetShape.JsonSchema())));

var findings = new Command("findings", "Print the catalogue of findings as Markdown.");
findings.SetAction(parsed => parsed.InvocationConfiguration.Output.Write(FindingCatalogue.ToMarkdown()));

root.Subcommands.Add(plan);
root.Subcommands.Add(check);
root.Subcommands.Add(schema);
root.Subcommands.Add(findings);
return root.Parse(args).Invoke();

static int WithSheet(FileInfo file, Func<JobSheet, TextWriter, int> act)
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

    var (sheet, problems) = JobFile.Read(text);
    if (sheet is null)
    {
        Console.Error.WriteLine($"{file} is no sound job file:");
        foreach (var problem in problems)
        {
            Console.Error.WriteLine("  " + problem);
        }

        return 2;
    }

    return act(sheet, Console.Out);
}
