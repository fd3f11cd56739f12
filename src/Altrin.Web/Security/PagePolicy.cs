using System.Security.Cryptography;

namespace Altrin.Web.Security;

/// <summary>The policy under which a page of ours runs: nothing foreign, no script and no style that stands in the text.</summary>
/// <remarks>W3C Content Security Policy level 3.</remarks>
internal static class PagePolicy
{
    private const string Item = "altrin.once";

    /// <summary>A number that this answer alone carries, in its policy and in the page.</summary>
    public static string NumberOnce(HttpContext context)
    {
        var once = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        context.Items[Item] = once;
        return once;
    }

    public static string Of(HttpContext context) => "default-src 'none'; script-src 'self'; style-src 'self'" + (context.Items[Item] is string once ? $" 'nonce-{once}'" : "")
        + "; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
}
