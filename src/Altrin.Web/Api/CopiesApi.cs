using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Live;
using Altrin.Web.Share;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The copies of all jobs: look, make one, put one back. On the laptop itself; a phone works on jobs and not on the store.</summary>
internal static class CopiesApi
{
    public static void MapCopies(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/copies").WithTags("copies");
        api.MapGet("/", List).ProducesProblem(403);
        api.MapPost("/", Make).ProducesProblem(403);
        api.MapPost("/{name}/put-back", PutBack).ProducesProblem(403).ProducesProblem(404);
    }

    private static Results<Ok<CopyHead[]>, ProblemHttpResult> List(Jobs jobs, HttpContext context) =>
        FromTheHouse.Is(context) ? OnTheLaptop() : TypedResults.Ok(jobs.Copies.All().ToArray());

    private static Results<Ok<CopyHead[]>, ProblemHttpResult> Make(Jobs jobs, HttpContext context)
    {
        if (FromTheHouse.Is(context)) return OnTheLaptop();
        jobs.Copies.Keep();
        return TypedResults.Ok(jobs.Copies.All().ToArray());
    }

    private static Results<Ok<CopyHead[]>, ProblemHttpResult> PutBack(string name, Jobs jobs, ChangeFeed feed, HttpContext context)
    {
        if (FromTheHouse.Is(context)) return OnTheLaptop();
        if (!jobs.Copies.All().Any(copy => copy.Name == name))
            return TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such copy any more: an older one goes when a newer one is made. Look at the list again.");
        jobs.PutBack(name);
        // Whoever listens looks at everything anew, as after an interruption.
        feed.Say(new("", "hello", null));
        return TypedResults.Ok(jobs.Copies.All().ToArray());
    }

    private static ProblemHttpResult OnTheLaptop() => TypedResults.Problem(statusCode: StatusCodes.Status403Forbidden, title: "Copies of the jobs are looked at and put back on the laptop itself.");
}
