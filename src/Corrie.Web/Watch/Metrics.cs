using System.Diagnostics.Metrics;
using Corrie.Web.Access;

namespace Corrie.Web.Watch;

/// <summary>What is counted, by the framework's own meter: any tool that reads .NET's meters shows it beside the framework's.</summary>
public sealed class Metrics
{
    /// <summary>Name of the meter.</summary>
    public const string Name = "Corrie";

    private readonly Counter<long> moves;
    private readonly Counter<long> signIns;

    /// <summary>Makes the meter.</summary>
    public Metrics(IMeterFactory meters, Companies companies)
    {
        var meter = meters.Create(Name);
        moves = meter.CreateCounter<long>("corrie.submits", description: "Submits that were written.");
        signIns = meter.CreateCounter<long>("corrie.sign_ins", description: "Tries to sign in, by how they ended.");
        companies.Moved += (_, _, _) => moves.Add(1);
    }

    /// <summary>Counts a try to sign in.</summary>
    public void SignIn(SignInOutcome outcome) => signIns.Add(1, new KeyValuePair<string, object?>("outcome", outcome.ToString().ToLowerInvariant()));
}
