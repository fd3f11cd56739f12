using System.Collections.Immutable;
using System.Text;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.UseCases.JobFiles;
using Altrin.Web.Photos;
using Altrin.Web.Security;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <param name="Phrase">What the passwords are sealed by; null: they stay here.</param>
public sealed record JobFileAsked(bool WithPhotos, string? Phrase = null);

/// <param name="Left">What could not be brought along, a sentence each.</param>
public sealed record BroughtJob(string Id, string Name, ImmutableArray<string> Left);

/// <summary>A job as one file: it leaves with or without pictures and passwords, and comes in as a new job.</summary>
internal static class JobFilesApi
{
    private const int LeastPhraseLetters = 12, MostPhraseLetters = 200;

    private const long MostFileBytes = 64L << 20;

    /// <summary>The phrase, as base64 of UTF-8: never in an address, which is kept in histories.</summary>
    private const string PhraseHeader = "Altrin-Phrase";

    public static void MapJobFiles(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs").WithTags("job files");
        api.MapPost("/{id}/job-file", Leave).Produces(200, contentType: JobFile.MediaType).ProducesProblem(404).ProducesValidationProblem();
        api.MapPost("/job-file", Bring).Accepts<object>(JobFile.MediaType).ProducesValidationProblem();
    }

    private static async Task<Results<FileContentHttpResult, ValidationProblem,
        ProblemHttpResult>> Leave(string id, JobFileAsked asked, Jobs jobs, PhotoStore photos, SealedSecrets secrets,
        HttpContext context, CancellationToken cancel)
    {
        if (await jobs.Find(id, cancel) is not { } job) return Answers.NoSuchJob();
        if (asked.Phrase is { Length: < LeastPhraseLetters or > MostPhraseLetters })
            return Answers.Invalid("phrase",
                $"Write a phrase of {LeastPhraseLetters} to {MostPhraseLetters} letters, such as four words that do not belong together.");
        var pictures = new List<FilePhoto>();
        if (asked.WithPhotos)
            foreach (var head in await photos.List(id, cancel) ?? [])
                if (await photos.Find(id, head.Id, cancel) is { } jpeg) pictures.Add(new(head.Subject, jpeg));
        byte[]? closed = null;
        if (asked.Phrase is { } phrase)
        {
            var open = new Dictionary<string, string>(StringComparer.Ordinal);
            foreach (var one in await secrets.List(id, cancel))
                if ((await secrets.Open(id, one.Name, cancel)).Value is { } value) open.Add(one.Name, value);
            closed = SealedSecretsFile.Seal(open, phrase);
        }
        var log = await jobs.Log(id, cancel) ?? [];
        var bytes = JobFile.Write(new(job.Head.Name, job.Head.CreatedAt, job.Head.ChangedAt, job.Head.Version, job.Found.Document,
            job.Planned.Document,
            [.. job.Plan.Select(deed => deed.Action)], log, [.. pictures], closed));
        context.Response.Headers.CacheControl = "no-store";
        return TypedResults.File(bytes, JobFile.MediaType, $"{FileNames.StemOf(job.Found.Document)}{JobFile.Extension}");
    }

    private static async Task<Results<Ok<BroughtJob>,
        ValidationProblem>> Bring(HttpRequest request, Jobs jobs, PhotoStore photos, SealedSecrets secrets, CancellationToken cancel)
    {
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit) limit.MaxRequestBodySize = MostFileBytes;
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        if (JobFile.Read(body.ToArray(), out var problem) is not { } file) return Answers.Invalid("file", problem);
        IReadOnlyDictionary<string, string>? open = null;
        if (Phrase(request) is { } phrase && file.Secrets is { } closed)
        {
            open = SealedSecretsFile.Open(closed, phrase, out problem);
            if (open is null) return Answers.Invalid("phrase", problem);
        }
        // Everything was read by now: what comes in comes in whole.
        var left = new List<string>();
        var id = await jobs.Create(file.Found with { Name = file.Name }, cancel);
        if (JobFile.PlanOf(file) is { IsEmpty: false } plan && await jobs.Find(id, cancel) is { } begun
            && (await jobs.Adopt(id, new(begun.Head.Version), plan, "The plan of the job file", cancel)).Result != ChangeResult.Done)
            left.Add("The plan in it does not fit the house in it: it was left out.");
        foreach (var (name, value) in open ?? new Dictionary<string, string>())
            if (!await secrets.Keep(id, name, value,
                cancel)) left.Add($"The password “{name}” was left out: a job keeps {SecretStore.MostPerJob}.");
        if (file.Secrets is not null && open is null) left.Add("The passwords in it stay closed: bring it in again with their phrase.");
        foreach (var photo in file.Photos)
            if (PhotoIntake.Take(photo.Content).Photo is not { } taken
                || (await photos.Keep(id, photo.Subject, taken.Jpeg, cancel)).Result != PhotoKept.Kept)
                left.Add($"A picture of {photo.Subject} was left out: it is none, or there is no room for it.");
        return TypedResults.Ok(new BroughtJob(id, file.Name, [.. left]));
    }

    private static string? Phrase(HttpRequest request)
    {
        if (request.Headers[PhraseHeader].ToString() is not { Length: > 0 and < 2000 } word) return null;
        try { return Encoding.UTF8.GetString(Convert.FromBase64String(word)); }
        catch (FormatException) { return word; }
    }
}
