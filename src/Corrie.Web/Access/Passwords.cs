using System.Buffers.Binary;
using System.Collections.Frozen;
using System.Security.Cryptography;
using System.Text;
using Corrie.Data;
using Microsoft.AspNetCore.Identity;

namespace Corrie.Web.Access;

/// <summary>Hashes and checks passwords, and says which are no good.</summary>
public sealed class Passwords
{
    /// <summary>Fewest characters of a password.</summary>
    public const int Shortest = 10;

    /// <summary>Most characters of a password.</summary>
    public const int Longest = 200;

    // Fewest letters of a name that a password may not be made of.
    private const int TellingName = 3;
    private const int DifferentLetters = 5;

    private static readonly Lazy<FrozenSet<ulong>> Common = new(ReadCommon);

    private readonly PasswordHasher<string> hasher = new();

    // Checked when nobody of that name exists, so that the answer takes as long.
    private readonly Lazy<string> nobody = new(() => new PasswordHasher<string>().HashPassword("nobody", Guid.NewGuid().ToString()));

    /// <summary>What is wrong with a new name and password; null for nothing.</summary>
    public static string? Fault(string? signIn, string? password, params string?[] names) =>
        signIn is not { Length: >= 2 and <= 40 } || !signIn.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.') ? $"'{signIn}' is no name to sign in with. Expected: 2 to 40 letters, digits, dots or dashes."
        : password is not { Length: >= Shortest and <= Longest } ? $"The password has {password?.Length ?? 0} characters. Expected: {Shortest} to {Longest}."
        : password.Distinct().Count() < DifferentLetters ? $"The password has {password.Distinct().Count()} different characters. Expected: at least {DifferentLetters}."
        : IsLike(password, names.Append(signIn)) ? "The password is like the name. Expected: one that nobody guesses from the name."
        : IsCommon(password) || IsCommon(Core(password)) ? "The password is one of the many that are tried first. Expected: another one, such as three or four words that do not belong together."
        : null;

    /// <summary>Hash of a password.</summary>
    public string Hash(string signIn, string password) => hasher.HashPassword(signIn, password);

    /// <summary>Checks a password; a name that nobody has takes as long.</summary>
    /// <returns>The person; null where name or password is wrong, or the person has left.</returns>
    public Person? Check(PeopleStore people, string signIn, string password)
    {
        var person = people.Find(signIn.Trim());
        return password.Length <= Longest && hasher.VerifyHashedPassword(signIn, person?.PasswordHash ?? nobody.Value, password) != PasswordVerificationResult.Failed && person is { LeftAt: null } ? person : null;
    }

    // Whether next to nothing is left of it once the parts of the names are taken out.
    private static bool IsLike(string password, IEnumerable<string?> names)
    {
        var parts = names.SelectMany(n => (n ?? string.Empty).ToLowerInvariant().Split(' ', '-', '.')).Where(n => n.Length >= TellingName).OrderByDescending(n => n.Length).ToList();
        var left = parts.Aggregate(password.ToLowerInvariant(), (rest, part) => rest.Replace(part, string.Empty, StringComparison.Ordinal));
        return left.Length < password.Length && left.Count(char.IsLetter) < TellingName;
    }

    // What is left once the digits and signs are off with which people decorate a word.
    private static string Core(string password) => password.ToLowerInvariant().TrimStart([.. "0123456789!?.,-_#*$%&+ "]).TrimEnd([.. "0123456789!?.,-_#*$%&+ "]);

    private static bool IsCommon(string password) => Common.Value.Contains(Mark(password.ToLowerInvariant()));

    // The list holds the first eight bytes of each one's SHA-256: nobody has to read it. tools/assets.mjs makes it.
    private static ulong Mark(string password) => BinaryPrimitives.ReadUInt64BigEndian(SHA256.HashData(Encoding.UTF8.GetBytes(password)));

    private static FrozenSet<ulong> ReadCommon()
    {
        using var stream = typeof(Passwords).Assembly.GetManifestResourceStream("common-passwords.bin")!;
        var marks = new HashSet<ulong>();
        Span<byte> mark = stackalloc byte[sizeof(ulong)];
        while (stream.ReadAtLeast(mark, mark.Length, throwOnEndOfStream: false) == mark.Length)
        {
            marks.Add(BinaryPrimitives.ReadUInt64BigEndian(mark));
        }

        return marks.ToFrozenSet();
    }
}
