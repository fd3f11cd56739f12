using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>A document in, its state out: the command line's answer over HTTP.</summary>
internal static class SimulationApi
{
    /// <summary>The answer is held whole before it is sent, so less than the command line writes.</summary>
    private const double MostRows = 400_000;

    public static void MapSimulation(this IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/simulate", Simulate).WithTags("simulation").Accepts<NetworkDocument>("application/json")
            .Produces(200, contentType: "application/json");

    public static ValidationProblem Unreadable(ReadResult result) => TypedResults.ValidationProblem(
        result.Problems.GroupBy(problem => problem.Place).ToDictionary(place => place.Key, place => place.Select(problem => problem.Message).ToArray()),
        title: result.Problems[0].ToString());

    private static async Task<Results<FileContentHttpResult, ValidationProblem>> Simulate(HttpRequest request, CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var result = DocumentReader.Read(body.ToArray());
        if (result.Document is not { } house) return Unreadable(result);
        var evaluation = Evaluation.Of(house);
        if (StateWriter.WhyTooLong(evaluation, most: MostRows) is { } tooLong) return Answers.Invalid("endpoints", tooLong);
        using var state = new MemoryStream();
        using (var json = new Utf8JsonWriter(state, new() { Encoder = AltrinJson.Compact.Encoder })) StateWriter.Write(evaluation, json);
        return TypedResults.Bytes(state.ToArray(), "application/json");
    }
}
