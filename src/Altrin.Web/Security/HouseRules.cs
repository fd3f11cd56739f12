using Altrin.Web.Share;
using Microsoft.Net.Http.Headers;

namespace Altrin.Web.Security;

/// <summary>What every request must keep to: a known Host, writes from our own pages only, and a page that loads nothing foreign.</summary>
/// <remarks>The program listens on loopback, but a page from elsewhere in the same browser can still send requests there, and
/// a name that resolves to loopback can pose as it (DNS rebinding). Hence the Host list and the check of where a write comes from.</remarks>
internal sealed class HouseRules(RequestDelegate next)
{
    private static readonly HashSet<string> Hosts = new(StringComparer.OrdinalIgnoreCase) { "localhost", "127.0.0.1", "[::1]" };

    public async Task InvokeAsync(HttpContext context)
    {
        // At the last moment: whoever clears an answer on the way, to say what went wrong, cannot take them off.
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy = PagePolicy.Of(context);
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            return Task.CompletedTask;
        });
        if (!IsKnown(context))
            await Refusal.Say(context, StatusCodes.Status421MisdirectedRequest, "This name is not answered here. Open http://localhost instead, or on a phone the address that the laptop shows.");
        else if (IsWrite(context.Request.Method) && !IsFromOurPages(context.Request))
            await Refusal.Say(context, StatusCodes.Status403Forbidden, "Changes are taken from Altrin's own pages only.");
        else if (!IsUtf8(context.Request))
            await Refusal.Say(context, StatusCodes.Status415UnsupportedMediaType, "The content type names another charset than UTF-8. Send UTF-8 and name none (RFC 8259, 8.1).");
        else await next(context);
    }

    /// <summary>A charset that is UTF-8 is taken off the content type: those who read it later stumble over quotes, or over nothing after the sign.</summary>
    private static bool IsUtf8(HttpRequest request)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type) || !type.Parameters.Any(one => one.Name.Equals("charset", StringComparison.OrdinalIgnoreCase))) return true;
        if (HeaderUtilities.RemoveQuotes(type.Charset).ToString() is not ("" or "utf-8" or "UTF-8" or "utf8")) return false;
        request.ContentType = type.MediaType.ToString();
        return true;
    }

    /// <summary>At the phone's door the name is the very address that was called: no other name leads there.</summary>
    private static bool IsKnown(HttpContext context) => !FromTheHouse.Is(context)
        ? Hosts.Contains(context.Request.Host.Host)
        : context.Connection.LocalIpAddress is { } local && context.Request.Host.Host == $"{ShareSettings.Plain(local)}" && context.Request.IsHttps;

    private static bool IsWrite(string method) =>
        !HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !HttpMethods.IsOptions(method);

    /// <summary>Browsers say where a request comes from; a program on this machine says nothing and may write.</summary>
    private static bool IsFromOurPages(HttpRequest request)
    {
        if (request.Headers.TryGetValue("Sec-Fetch-Site", out var site) && site != "same-origin" && site != "none") return false;
        return !request.Headers.TryGetValue("Origin", out var origin) || origin == $"{request.Scheme}://{request.Host}";
    }
}
