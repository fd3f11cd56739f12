using Microsoft.AspNetCore.Mvc;

namespace Altrin.Web.Security;

/// <summary>A refusal in words, by whoever stands before the routes.</summary>
internal static class Refusal
{
    public static Task Say(HttpContext context, int status, string title)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(new ProblemDetails { Status = status, Title = title }, options: null, "application/problem+json");
    }
}
