using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Corrie.Bench;

// plan ROUNDS           the planner, beside the JSON round trip of the same sheet
// solver                the framing of a wall with 60 pieces of evidence
// growth                an entry on a long history beside a short one, memory after many jobs beside few
// bounds                plans of walls with as much on them as a job file may hold
// kills COUNT           kills a program while it writes, and while it brings a file to the next version
// plates COUNT          the plate's place along the wall
// paper                 sheet and template as PDF, and a plan whose mount moves
// ways COUNT            ways of power and signal through a wall of twelve bays, with attic and basement
// readings              the study of slips of the tape, for docs/studies/readings.md
// framing               the study of hidden walls, for docs/studies/framing.md
// judgement             the study of planted dangers, for docs/studies/judgement.md
// files APP COUNT       broken job files sent to a published Corrie
// fuzz APP COUNT       requests that nobody in their senses would send, as everybody
// load APP EMPTY SECONDS  two hundred clients and two hundred open pages
// web APP EMPTY [anew]  pages, entries and start-up of a published Corrie, beside an empty application
switch (args.FirstOrDefault())
{
    case "plan":
        PlanBench.Run(args.Length > 1 ? int.Parse(args[1]) : 200);
        return 0;
    case "solver":
        BenchmarkRunner.Run<FramingBench>(DefaultConfig.Instance.AddJob(Job.ShortRun));
        return 0;
    case "growth":
        await GrowthBench.RunAsync();
        return 0;
    case "bounds":
        BoundsBench.Run();
        return 0;
    case "kills":
        return Kills.Run(args.Length > 1 ? int.Parse(args[1]) : 1000) == 0 ? 0 : 1;
    case "kills-write" when args.Length == 3:
        return await Kills.Write(args[1], args[2]);
    case "kills-bring-up" when args.Length == 2:
        return Kills.BringUp(args[1]);
    case "plates":
        PlateBench.Run(args.Length > 1 ? int.Parse(args[1]) : 5_000);
        return 0;
    case "ways":
        WaysBench.Run(args.Length > 1 ? int.Parse(args[1]) : 300);
        return 0;
    case "paper":
        PaperBench.Run();
        return 0;
    case "readings":
        Console.WriteLine(Corrie.Simulators.ReadingStudy.Run(2000, seed: 1));
        return 0;
    case "framing":
        foreach (var (name, kind) in Corrie.Simulators.FramingStudy.Kinds.Where(k => args.Length < 3 || k.Name.Contains(args[2], StringComparison.Ordinal)))
        {
            var study = Corrie.Simulators.FramingStudy.Run(kind, args.Length > 1 ? int.Parse(args[1]) : 2_000, seed: 1);
            Console.WriteLine(study.Line(name));
        }

        return 0;
    case "judgement":
        Console.WriteLine(Corrie.Simulators.JudgementStudy.Run(args.Length > 1 ? int.Parse(args[1]) : 20_000, args.Length > 1 ? int.Parse(args[1]) / 4 : 5_000, seed: 1));
        return 0;
    case "files" when args.Length == 3 && int.TryParse(args[2], out var count):
        return await ApiBench.RunAsync(args[1], count) == 0 ? 0 : 1;
    case "fuzz" when args.Length == 3 && int.TryParse(args[2], out var requests):
        return await FuzzBench.RunAsync(args[1], requests) == 0 ? 0 : 1;
    case "load" when args.Length == 4 && int.TryParse(args[3], out var seconds):
        return await LoadBench.RunAsync(args[1], args[2], TimeSpan.FromSeconds(seconds)) == 0 ? 0 : 1;
    case "web" when args.Length is 3 or 4:
        await WebBench.RunAsync(args[1], args[2], args.Length == 4);
        return 0;
    default:
        Console.Error.WriteLine("Usage: plan | solver | growth | bounds | kills COUNT | readings | framing | files FOLDER-OF-CORRIE COUNT | web FOLDER-OF-CORRIE FOLDER-OF-EMPTY; see bench/run");
        return 2;
}
