using System.Text.Json;
using Altrin.Data;
using Microsoft.AspNetCore.Diagnostics;

namespace Altrin.Web.Security;

/// <summary>Input that cannot be read is the sender's to mend: 400 with the field named, never 500.</summary>
internal sealed class InputErrors : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
    {
        if (exception is OperationCanceledException && context.RequestAborted.IsCancellationRequested) return true;
        // A deed without the word that tells which deed it is: the serializer calls that unsupported, not bad input.
        if (exception is NotSupportedException && exception.Message.Contains("Path: $", StringComparison.Ordinal))
        {
            var where = exception.Message.Split("Path: $")[1].Split(" |")[0].TrimStart('.');
            const string Mend = "It does not say what to do. Write “do” and the name of the deed, such as set-mode.";
            await Results.ValidationProblem(new Dictionary<string, string[]> { [where] = [Mend] }, title: $"{where}: {Mend}").ExecuteAsync(context);
            return true;
        }
        if (exception is UnreadableJobException unreadable)
        {
            await Results.Problem(statusCode: StatusCodes.Status409Conflict, title: "What is stored of this job cannot be read. It is not lost: on the page of jobs it can be taken out as it is, or set back to its last readable state.",
                detail: unreadable.Message).ExecuteAsync(context);
            return true;
        }
        if (StoreTroubleException.Behind(exception) is { } trouble)
        {
            await Results.Problem(statusCode: StatusCodes.Status503ServiceUnavailable, title: trouble.Message).ExecuteAsync(context);
            return true;
        }
        if (exception is not BadHttpRequestException bad) return false;
        var json = bad.InnerException as JsonException;
        var place = json?.Path is { Length: > 0 } path ? path.TrimStart('$', '.') : "";
        var message = json is null ? bad.Message : Say(json);
        await Results.ValidationProblem(new Dictionary<string, string[]> { [place] = [message] }, statusCode: bad.StatusCode,
            title: place.Length == 0 ? message : $"{place}: {message}").ExecuteAsync(context);
        return true;
    }

    /// <summary>Our own converters speak for themselves; the serializer's sentences name types that mean nothing to the reader.</summary>
    private static string Say(JsonException json)
    {
        var text = json.Message.Split(" Path:")[0].Split(" LineNumber:")[0];
        if (!text.Contains("System.", StringComparison.Ordinal) && !text.Contains("Altrin.", StringComparison.Ordinal)) return text;
        return text.Contains("missing required", StringComparison.Ordinal)
            ? $"A field is missing: {text[(text.LastIndexOf(':') + 1)..].Trim().TrimEnd('.')}."
            : $"This cannot be read here (line {json.LineNumber + 1}). Check its kind: text, number, list or object.";
    }
}
