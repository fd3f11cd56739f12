using Altrin.Core.Actions;
using Altrin.Data;
using Altrin.UseCases;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The answers that several resources share.</summary>
internal static class Answers
{
    public static ProblemHttpResult NoSuchJob() =>
        TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such job. It may have been deleted in another tab.");

    public static ProblemHttpResult ChangedMeanwhile() => TypedResults.Problem(statusCode: StatusCodes.Status409Conflict,
        title: "This was changed in another tab or on another device meanwhile. Nothing was overwritten: look at the present state and do it again.");

    public static ValidationProblem Invalid(string place, string message) =>
        TypedResults.ValidationProblem(new Dictionary<string, string[]> { [place] = [message] }, title: message);

    /// <summary>As <see cref="Invalid"/>, where it is one of several things that can be wrong.</summary>
    public static ProblemHttpResult Wrong(string place, string message) =>
        TypedResults.Problem(new HttpValidationProblemDetails(new Dictionary<string, string[]> { [place] = [message] }) { Title = message, Status = StatusCodes.Status400BadRequest });

    /// <summary>Which of the deeds sent could not be done, in the words of its own fields.</summary>
    private static ValidationProblem Refused(Attempt attempt) =>
        Invalid(attempt.Problem!.Field.Length == 0 ? $"actions[{attempt.Index}]" : $"actions[{attempt.Index}].{attempt.Problem.Field}", attempt.Problem.Message);

    /// <summary>The job as it is now, or why the change was not made.</summary>
    /// <param name="onlyChanges">The asker has the houses as they were before the change.</param>
    public static async Task<Results<Ok<JobView>, ValidationProblem, ProblemHttpResult>> After(ChangeOutcome outcome, Jobs jobs, string id,
        bool? onlyChanges, CancellationToken cancel) => outcome.Result switch
        {
            ChangeResult.Done => (outcome.After ?? await jobs.Find(id, cancel)) is { } job
                ? TypedResults.Ok(JobView.Of(job, onlyChanges == true ? outcome.Before : null)) : NoSuchJob(),
            ChangeResult.NoSuchJob => NoSuchJob(),
            ChangeResult.ChangedMeanwhile => ChangedMeanwhile(),
            ChangeResult.NothingThere => TypedResults.Problem(statusCode: StatusCodes.Status409Conflict, title: "There is nothing to take back, or to bring back."),
            ChangeResult.Refused => Refused(outcome.Refusal),
            _ => throw new InvalidOperationException($"{outcome.Result} is not handled."),
        };
}
