using System.Net;
using System.Threading.RateLimiting;
using Altrin.Web.Security;
using Microsoft.AspNetCore.Http.Features;

namespace Altrin.Web.Share;

/// <summary>Stands before everything else where a request comes from the house's network: without a session nothing but the join page answers, and
/// nobody asks faster than a person and a page do.</summary>
internal sealed class PhoneDoor(RequestDelegate next, PhoneSessions sessions, JoinCodes codes) : IDisposable
{
    /// <summary>The prefix makes the browser refuse it unless it is for this host alone and for HTTPS.</summary>
    public const string Cookie = "__Host-altrin";

    private const string LeavePath = "/api/share/leave";

    private const int MostNameLetters = 40, MostJoinBytes = 2048;

    /// <summary>A page of the application is some forty files at once, and then little.</summary>
    private readonly PartitionedRateLimiter<string> joined = Bucket(400, 60);
    private readonly PartitionedRateLimiter<string> strangers = Bucket(40, 4);
    private readonly PartitionedRateLimiter<string> guesses = PartitionedRateLimiter.Create<string, string>(address =>
        RateLimitPartition.GetFixedWindowLimiter(address, _ => new() { PermitLimit = 5, Window = TimeSpan.FromMinutes(1) }));

    /// <summary>Together the whole house guesses no faster than this.</summary>
    private readonly FixedWindowRateLimiter allGuesses = new(new() { PermitLimit = 20, Window = TimeSpan.FromMinutes(1) });

    public async Task InvokeAsync(HttpContext context)
    {
        if (!FromTheHouse.Is(context))
        {
            await next(context);
            return;
        }
        var from = $"{ShareSettings.Plain(context.Connection.RemoteIpAddress ?? IPAddress.None)}";
        var known = context.Request.Cookies[Cookie] is { Length: > 0 and <= 200 } token ? sessions.Of(token, from) : null;
        using (var lease = known is var (session, _) ? joined.AttemptAcquire(session.Id) : strangers.AttemptAcquire(from))
            if (!lease.IsAcquired)
            {
                await TooMany(context);
                return;
            }
        if (JoinPage.Holds(context.Request.Path)) await Join(context, from);
        else if (known is ({ LooksOnly: true }, _) && !IsLooking(context.Request))
            await Refusal.Say(context, StatusCodes.Status403Forbidden, "This phone may look and change nothing. To work on it, leave, and join by a code made for that.");
        else if (known is var (joinedAs, ended))
        {
            context.Features.Set(joinedAs);
            // Told to go, a phone goes at once, also out of an answer that never ends.
            await using var end = ended.Register(context.Abort);
            context.Response.Headers.CacheControl = "no-store";
            await next(context);
        }
        else if (IsLookedAt(context.Request)) context.Response.Redirect(JoinPage.Path);
        else await Refusal.Say(context, StatusCodes.Status401Unauthorized, "This phone has not joined, or its session was ended. Make a code on the laptop and join.");
    }

    /// <summary>Who may only look asks, and nothing else: whatever the route, now or to come. To show a password is no asking.</summary>
    private static bool IsLooking(HttpRequest request) =>
        HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || (HttpMethods.IsPost(request.Method) && request.Path == LeavePath);

    public void Dispose()
    {
        joined.Dispose();
        strangers.Dispose();
        guesses.Dispose();
        allGuesses.Dispose();
    }

    private async Task Join(HttpContext context, string from)
    {
        if (!HttpMethods.IsPost(context.Request.Method))
        {
            await JoinPage.Answer(context);
            return;
        }
        using var mine = guesses.AttemptAcquire(from);
        using var ours = mine.IsAcquired ? allGuesses.AttemptAcquire() : null;
        if (ours is not { IsAcquired: true })
        {
            await TooMany(context);
            return;
        }
        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size) size.MaxRequestBodySize = MostJoinBytes;
        if (!context.Request.HasJsonContentType())
        {
            await Refusal.Say(context, StatusCodes.Status400BadRequest, "Send the code as JSON: {\"code\": \"…\"}.");
            return;
        }
        JoinRequest? asked = null;
        try { asked = await context.Request.ReadFromJsonAsync<JoinRequest>(context.RequestAborted); }
        catch (System.Text.Json.JsonException) { /* No code stands there, so it is not the right one. */ }
        if (asked?.Code is null || codes.Use(asked.Code) is not { } looksOnly)
        {
            await Refusal.Say(context, StatusCodes.Status403Forbidden, "This code is not the one on the laptop. A code is good once, for five minutes: make a new one there.");
            return;
        }
        var name = new string([.. (asked.Name ?? "").Where(letter => !char.IsControl(letter)).Take(MostNameLetters)]).Trim();
        if (sessions.Join(name.Length == 0 ? "A phone" : name, from, looksOnly) is not var (session, token))
        {
            await Refusal.Say(context, StatusCodes.Status409Conflict, $"{PhoneSessions.Most} phones have joined already. End one on the laptop first.");
            return;
        }
        context.Response.Cookies.Append(Cookie, token, new() { Secure = true, HttpOnly = true, SameSite = SameSiteMode.Strict, Path = "/", MaxAge = PhoneSessions.Life });
        await context.Response.WriteAsJsonAsync(new { session.Name }, context.RequestAborted);
    }

    /// <summary>A page that a person opens, not a file or an answer that a page asks for.</summary>
    private static bool IsLookedAt(HttpRequest request) => HttpMethods.IsGet(request.Method) && !request.Path.StartsWithSegments("/api") && !request.Path.StartsWithSegments("/assets")
        && request.Headers.Accept.Any(accept => accept?.Contains("text/html", StringComparison.Ordinal) == true);

    private static Task TooMany(HttpContext context)
    {
        context.Response.Headers.RetryAfter = "60";
        return Refusal.Say(context, StatusCodes.Status429TooManyRequests, "Too many requests from here. Wait a minute.");
    }

    private static PartitionedRateLimiter<string> Bucket(int most, int aSecond) => PartitionedRateLimiter.Create<string, string>(who =>
        RateLimitPartition.GetTokenBucketLimiter(who, _ => new() { TokenLimit = most, TokensPerPeriod = aSecond, ReplenishmentPeriod = TimeSpan.FromSeconds(1) }));

    private sealed record JoinRequest(string? Code, string? Name);
}
