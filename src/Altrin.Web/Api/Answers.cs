using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>The answers that several resources share.</summary>
internal static class Answers
{
    public static IResult NoSuchJob() =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such job. It may have been deleted in another tab.");

    public static IResult ChangedMeanwhile() => Results.Problem(statusCode: StatusCodes.Status409Conflict,
        title: "This job was changed in another tab meanwhile. Nothing was overwritten: look at the present state and do it again.");

    public static IResult Invalid(string place, string message) =>
        Results.ValidationProblem(new Dictionary<string, string[]> { [place] = [message] }, title: message);

    /// <summary>The job as it is now, or why the change was not made.</summary>
    public static async Task<IResult> After(ChangeResult result, JobStore jobs, string id, CancellationToken cancel) => result switch
    {
        ChangeResult.NoSuchJob => NoSuchJob(),
        ChangeResult.ChangedMeanwhile => ChangedMeanwhile(),
        ChangeResult.NothingThere => Results.Problem(statusCode: StatusCodes.Status409Conflict, title: "There is nothing to take back, or to bring back."),
        _ => await jobs.Find(id, cancel) is { } job ? Results.Ok(HouseViews.Of(job)) : NoSuchJob(),
    };
}
