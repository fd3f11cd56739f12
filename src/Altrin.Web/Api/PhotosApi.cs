using System.Collections.Immutable;
using Altrin.Core.Readings;
using Altrin.Data;
using Altrin.Web.Photos;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

public sealed record PhotoView(string Id, string Subject, int Bytes, DateTimeOffset At);

/// <summary>A picture that was taken in, and what its codes offer. The key is answered this once and kept nowhere.</summary>
public sealed record PhotoAnswer(PhotoView Photo, ImmutableArray<LabelCode> Codes);

/// <summary>Pictures of labels and places.</summary>
internal static class PhotosApi
{
    private const int MostSubjectLetters = 100;

    public static void MapPhotos(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/photos").WithTags("photos").ProducesProblem(404);
        api.MapGet("/", async Task<Results<Ok<PhotoView[]>, ProblemHttpResult>> (string id, PhotoStore photos, CancellationToken cancel) =>
            await photos.List(id, cancel) is { } list ? TypedResults.Ok(list.Select(View).ToArray()) : Answers.NoSuchJob());
        api.MapPost("/", Add).Accepts<byte[]>("application/octet-stream");
        api.MapGet("/{photo}", Show).Produces(200, contentType: "image/jpeg");
        api.MapDelete("/{photo}", async Task<Results<NoContent, ProblemHttpResult>> (string id, string photo, PhotoStore photos, CancellationToken cancel) =>
            await photos.Remove(id, photo, cancel) ? TypedResults.NoContent() : Missing());
    }

    private static PhotoView View(PhotoHead head) => new(head.Id, head.Subject, head.Bytes, head.At);

    private static ProblemHttpResult Missing() => TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such picture. It may have been deleted in another tab.");

    private static async Task<Results<Ok<PhotoAnswer>, ValidationProblem, ProblemHttpResult>> Add(string id, string subject, HttpRequest request, PhotoStore photos, TimeProvider clock, CancellationToken cancel)
    {
        if (subject.Length is 0 or > MostSubjectLetters) return Answers.Invalid("subject", "Say which box, thing or room it shows.");
        // A camera's picture is larger than any document.
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit) limit.MaxRequestBodySize = PhotoIntake.MostBytes + 1024;
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var (taken, problem) = PhotoIntake.Take(body.ToArray());
        if (taken is null) return Answers.Invalid("photo", problem!);
        var (kept, photo) = await photos.Keep(id, subject, taken.Jpeg, cancel);
        return kept switch
        {
            PhotoKept.NoSuchJob => Answers.NoSuchJob(),
            PhotoKept.NoRoom => Answers.Invalid("photo", $"The pictures of this job are {PhotoStore.MostBytesPerJob >> 20} MB already. Delete one first."),
            PhotoKept.Kept => TypedResults.Ok(new PhotoAnswer(new(photo!, subject, taken.Jpeg.Length, clock.GetUtcNow()), [.. taken.Codes.Select(LabelCode.Read)])),
            _ => throw new InvalidOperationException($"{kept} is not handled."),
        };
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Show(string id, string photo, PhotoStore photos, CancellationToken cancel) =>
        await photos.Find(id, photo, cancel) is { } jpeg ? TypedResults.File(jpeg, "image/jpeg") : Missing();
}
