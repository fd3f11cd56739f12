using Altrin.Web.Photos;
using Altrin.Web.Share;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The phone at the door: codes, and who has joined. It is asked on the laptop itself; a phone may only go.</summary>
internal static class ShareApi
{
    public static void MapShare(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/share").WithTags("share");
        api.MapGet("/", Look);
        api.MapPost("/codes", MakeCode).ProducesValidationProblem().ProducesProblem(403).ProducesProblem(409);
        api.MapDelete("/sessions/{id}", End).ProducesProblem(403).ProducesProblem(404);
        api.MapPost("/leave", Leave);
    }

    private static Ok<ShareView> Look(HttpContext context, ShareSettings share, PhoneSessions sessions, PhoneFingerprint fingerprint) =>
        FromTheHouse.Is(context) ? TypedResults.Ok(new ShareView(On: true, IsPhone: true, LooksOnly: context.Features.Get<PhoneSession>()?.LooksOnly == true, share.Port, [], null, []))
        : !share.On ? TypedResults.Ok(new ShareView(On: false, IsPhone: false, LooksOnly: false, share.Port, [], null, []))
        : TypedResults.Ok(new ShareView(On: true, IsPhone: false, LooksOnly: false, share.Port, [.. share.Addresses()], fingerprint.Words, [.. sessions.All().Select(one => new PhoneView(one.Id, one.Name, one.Address, one.LooksOnly, one.JoinedAt, one.SeenAt))]));

    private static Results<Ok<JoinCodeView>, ProblemHttpResult> MakeCode(NewCode asked, HttpContext context, ShareSettings share, JoinCodes codes)
    {
        if (FromTheHouse.Is(context)) return OnTheLaptop();
        if (!share.On) return TypedResults.Problem(statusCode: StatusCodes.Status409Conflict, title: "This laptop answers itself alone. Start Altrin with ./altrin run --share.");
        if (share.Addresses().FirstOrDefault(one => one.Address == asked.Address) is not { } own)
            return Answers.Wrong("address", $"“{asked.Address}” is not an address of this laptop now. Choose another.");
        if (asked.Job is { } job && !job.All(char.IsAsciiHexDigitLower)) return Answers.Wrong("job", "There is no such job.");
        var (code, until) = codes.Make(asked.LooksOnly == true);
        var url = $"https://{own.Address}:{share.Port}{JoinPage.Path}#{code}{(asked.Job is { Length: > 0 } to ? $"/{to}" : "")}";
        return TypedResults.Ok(new JoinCodeView(code, url, $"https://{own.Address}:{share.Port}", until, QrCodes.Draw(url)));
    }

    private static Results<NoContent, ProblemHttpResult> End(string id, HttpContext context, PhoneSessions sessions) =>
        FromTheHouse.Is(context) ? OnTheLaptop()
        : sessions.End(id) ? TypedResults.NoContent()
        : TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "That phone has gone already.");

    private static NoContent Leave(HttpContext context, PhoneSessions sessions)
    {
        if (context.Features.Get<PhoneSession>() is { } session)
        {
            context.Response.Cookies.Delete(PhoneDoor.Cookie, new() { Secure = true, Path = "/" });
            // Once this answer is on its way.
            context.Response.OnCompleted(() => Task.FromResult(sessions.End(session.Id)));
        }
        return TypedResults.NoContent();
    }

    private static ProblemHttpResult OnTheLaptop() => TypedResults.Problem(statusCode: StatusCodes.Status403Forbidden, title: "Who may join is decided on the laptop itself.");
}

/// <param name="IsPhone">The asker is one that has joined.</param>
/// <param name="LooksOnly">The asker may change nothing.</param>
/// <param name="Addresses">Where a phone finds the laptop now.</param>
/// <param name="Fingerprint">SHA-256 of the certificate, in pairs.</param>
public sealed record ShareView(bool On, bool IsPhone, bool LooksOnly, int Port, OwnAddress[] Addresses, string? Fingerprint, PhoneView[] Phones);

/// <param name="LooksOnly">It may change nothing.</param>
public sealed record PhoneView(string Id, string Name, string Address, bool LooksOnly, DateTimeOffset JoinedAt, DateTimeOffset SeenAt);

/// <param name="Address">One of the laptop's own, at which the phone will look for it.</param>
/// <param name="Job">Where the phone shall begin.</param>
/// <param name="LooksOnly">Who joins by it may look and change nothing.</param>
public sealed record NewCode(string Address, string? Job = null, bool? LooksOnly = null);

/// <param name="Url">To be scanned; the code stands after the #, which is never sent.</param>
/// <param name="Page">Where the code can be typed instead, with /join behind it.</param>
/// <param name="Picture">The same as a QR code, an SVG.</param>
public sealed record JoinCodeView(string Code, string Url, string Page, DateTimeOffset Until, string Picture);
