using System.Diagnostics;
using Altrin.Web.Share;
using Microsoft.AspNetCore.Diagnostics;

namespace Altrin.Web.Logging;

/// <summary>A line for each request: its route as it stands in the program, not the words that were filled in.</summary>
internal sealed class RequestLines(RequestDelegate next, ILoggerFactory logs)
{
    private readonly ILogger log = logs.CreateLogger($"{Logs.Own}.Requests");

    public async Task InvokeAsync(HttpContext context)
    {
        if (!log.IsEnabled(LogLevel.Debug))
        {
            await next(context);
            return;
        }
        var since = Stopwatch.GetTimestamp();
        try { await next(context); }
        finally
        {
            var route = ((context.GetEndpoint() ?? context.Features.Get<IExceptionHandlerFeature>()?.Endpoint) as RouteEndpoint)?.RoutePattern.RawText;
            log.LogDebug("{Method:l} {Route:l} {Status} {Milliseconds} ms{From:l}", Method(context.Request.Method), route ?? "a file", context.Response.StatusCode, (long)Stopwatch.GetElapsedTime(since).TotalMilliseconds, FromTheHouse.Is(context) ? " phone" : "");
        }
    }

    /// <summary>Whatever else stands there is a stranger's word.</summary>
    private static string Method(string method) => method is "GET" or "HEAD" or "POST" or "PUT" or "DELETE" or "PATCH" or "OPTIONS" ? method : "OTHER";
}
