using Corrie.Data;
using Microsoft.AspNetCore.Identity;

namespace Corrie.Web.Access;

/// <summary>How a try to sign in ended.</summary>
public enum SignInOutcome
{
    /// <summary>The person is who they say.</summary>
    Welcome,

    /// <summary>Name or password is wrong; which one is not said.</summary>
    Wrong,

    /// <summary>Too many wrong passwords in a row.</summary>
    Locked,
}

/// <summary>Hashes and checks passwords.</summary>
/// <param name="time">The clock.</param>
public sealed class Passwords(TimeProvider time)
{
    private readonly PasswordHasher<string> hasher = new();

    // Checked when nobody of that name exists, so that the answer takes as long.
    private readonly Lazy<string> nobody = new(() => new PasswordHasher<string>().HashPassword("nobody", Guid.NewGuid().ToString()));

    /// <summary>Fewest characters of a password.</summary>
    public const int Shortest = 10;

    /// <summary>What is wrong with a new name and password; null for nothing.</summary>
    public static string? Fault(string? signIn, string? password) =>
        signIn is not { Length: >= 2 and <= 40 } || !signIn.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.') ? $"'{signIn}' is no name to sign in with. Expected: 2 to 40 letters, digits, dots or dashes."
        : password is not { Length: >= Shortest and <= 200 } ? $"The password has {password?.Length ?? 0} characters. Expected: at least {Shortest}."
        : null;

    /// <summary>Hash of a password.</summary>
    public string Hash(string signIn, string password) => hasher.HashPassword(signIn, password);

    /// <summary>Checks a password, counting failures and minding locks.</summary>
    public (SignInOutcome Result, Person? Person) Check(PeopleStore people, string signIn, string password)
    {
        var person = people.Find(signIn.Trim());
        if (person?.LockedUntil > time.GetUtcNow())
        {
            return (SignInOutcome.Locked, person);
        }

        var right = hasher.VerifyHashedPassword(signIn, person?.PasswordHash ?? nobody.Value, password) != PasswordVerificationResult.Failed;
        if (person is not { LeftAt: null })
        {
            return (SignInOutcome.Wrong, null);
        }

        if (!right)
        {
            people.Failed(person.Id);
            return (SignInOutcome.Wrong, null);
        }

        people.Succeeded(person.Id);
        return (SignInOutcome.Welcome, person);
    }
}
