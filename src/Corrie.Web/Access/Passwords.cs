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
        if (person is null)
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
