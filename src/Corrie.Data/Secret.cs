using System.Security.Cryptography;
using System.Text;

namespace Corrie.Data;

/// <summary>What somebody shows to be let in without a password: random through and through, and kept as a hash alone.</summary>
internal static class Secret
{
    private const int SecretLength = 40;

    /// <summary>Makes one.</summary>
    /// <returns>The secret, which is kept nowhere.</returns>
    public static string Make() => RandomNumberGenerator.GetHexString(SecretLength, lowercase: true);

    /// <summary>What is kept of one: nobody tries them all, so that a plain hash is enough.</summary>
    /// <param name="secret">The secret.</param>
    /// <returns>Its hash.</returns>
    public static string HashOf(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
