using Corrie.Data;

namespace Corrie.Web.Access;

/// <summary>What the links show by which somebody is let in without a sign-in: the company's key and a secret.</summary>
public static class Invited
{
    /// <summary>What a link shows.</summary>
    /// <param name="company">The company.</param>
    /// <param name="secret">The secret.</param>
    public static string Write(Company company, string secret) => $"{company.Key}.{secret}";

    /// <summary>What a link stands for.</summary>
    /// <param name="companies">The companies.</param>
    /// <param name="shown">What the link shows.</param>
    /// <param name="find">How a company finds it.</param>
    /// <returns>The company and what was found; null for neither.</returns>
    public static (Company Company, T Found)? Read<T>(Companies companies, string? shown, Func<Company, string, T?> find)
        where T : class =>
        shown?.Split('.') is [var key, { Length: > 0 and < 100 } secret] && companies.Find(key) is { } company && find(company, secret) is { } found ? (company, found) : null;
}
