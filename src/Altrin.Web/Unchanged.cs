using System.Security.Cryptography;
using Altrin.Web.Live;
using Microsoft.Net.Http.Headers;

namespace Altrin.Web;

/// <summary>An answer of the API that the asker has already is not sent again: 304 instead of the body.</summary>
/// <remarks>RFC 9110 section 8.8.3 (entity tags) and 13.1.2 (If-None-Match). The tag is of the bytes themselves, so it can never stand for others.</remarks>
internal sealed class Unchanged(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context)
    {
        // What never ends cannot be held back.
        if (!HttpMethods.IsGet(context.Request.Method) || !context.Request.Path.StartsWithSegments("/api") || context.Request.Path == LiveApi.Path)
        {
            await next(context);
            return;
        }
        var response = context.Response;
        var body = response.Body;
        using var held = new MemoryStream();
        response.Body = held;
        try { await next(context); }
        finally { response.Body = body; }
        // What must not be kept has no tag either: a tag is made of the bytes.
        if (response.StatusCode == StatusCodes.Status200OK && !response.HasStarted && response.Headers.CacheControl != "no-store")
        {
            var tag = $"\"{Convert.ToHexStringLower(SHA256.HashData(held.GetBuffer().AsSpan(0, (int)held.Length)).AsSpan(0, 12))}\"";
            response.Headers.ETag = tag;
            response.Headers.CacheControl = "private, no-cache";
            if (context.Request.Headers.IfNoneMatch.Any(asked => Matches(asked, tag)))
            {
                response.StatusCode = StatusCodes.Status304NotModified;
                response.ContentLength = null;
                response.Headers.Remove(HeaderNames.ContentType);
                return;
            }
        }
        held.Position = 0;
        await held.CopyToAsync(body, context.RequestAborted);
    }

    /// <summary>Compressed on the way, the same content may come back with a weak tag.</summary>
    private static bool Matches(string? asked, string tag) =>
        asked is not null && asked.Split(',', StringSplitOptions.TrimEntries).Any(one => one == "*" || one == tag || one == $"W/{tag}");
}
