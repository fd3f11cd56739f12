using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;

namespace Altrin.Web.Live;

/// <summary>Server-sent events (WHATWG HTML, 9.2): the changes of others, as they come.</summary>
internal static class LiveApi
{
    public const string Path = "/api/changes";

    /// <summary>The name a page gave itself.</summary>
    public const string PageHeader = "X-Altrin-Page";

    /// <summary>Marks a POST that only asks.</summary>
    public sealed record OnlyAsks;

    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(20);

    public static void MapLive(this IEndpointRouteBuilder routes) =>
        routes.MapGet(Path,
            (ChangeFeed feed, IHostApplicationLifetime life, CancellationToken cancel) =>
            TypedResults.ServerSentEvents(Notes(feed, life, cancel)))
            .WithTags("live").Produces(200, contentType: "text/event-stream");

    /// <summary>After every write that was done, those who listen are told.</summary>
    public static void UseChangeNotes(this WebApplication app) => app.Use(async (context, next) =>
    {
        await next(context);
        var request = context.Request;
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method)
            || context.Response.StatusCode is < 200 or > 299) return;
        if (!request.Path.StartsWithSegments("/api/jobs", out var rest)
            || context.GetEndpoint()?.Metadata.GetMetadata<OnlyAsks>() is not null) return;
        var by = request.Headers[PageHeader].ToString() is { Length: > 0 and <= 40 } page ? page : null;
        var parts = (rest.Value ?? "").Split('/', StringSplitOptions.RemoveEmptyEntries);
        var feed = context.RequestServices.GetRequiredService<ChangeFeed>();
        if (parts is [var job, var what, ..]) feed.Say(new(job, what is "work-order" or "diagnosis" or "photos" or "secrets" ? what
            : "house", by));
        feed.Say(new("", "jobs", by));
    });

    private static async IAsyncEnumerable<SseItem<ChangeNote>> Notes(ChangeFeed feed, IHostApplicationLifetime life,
        [EnumeratorCancellation] CancellationToken cancel)
    {
        // An answer that never ends must not hold up the end of the program.
        using var end = CancellationTokenSource.CreateLinkedTokenSource(cancel, life.ApplicationStopping);
        using var ear = feed.Listen();
        // The first word tells the page that it is heard, and that what it has may be old.
        yield return new(new("", "hello", null));
        while (true)
        {
            using var patience = CancellationTokenSource.CreateLinkedTokenSource(end.Token);
            patience.CancelAfter(Beat);
            ChangeNote? note = null;
            try { note = await ear.Channel.Reader.ReadAsync(patience.Token); }
            catch (OperationCanceledException) { /* Nothing was said, or this is the end. */ }
            if (end.IsCancellationRequested) yield break;
            // A sign of life, so that a line that is dead is noticed.
            yield return new(note ?? new("", "beat", null));
        }
    }
}
