using Altrin.Web.Security;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Template;

namespace Altrin.Web.Api;

/// <summary>What is asked of the API in a way that no route takes: told apart by whether the address, the method or the kind of content is wrong.</summary>
internal static class NoSuchAddress
{
    public static void MapNoSuchAddress(this WebApplication app)
    {
        var known = new Lazy<List<(TemplateMatcher Address, string[] Methods, string[] Contents)>>(() => [.. ((IEndpointRouteBuilder)app).DataSources.SelectMany(source => source.Endpoints).OfType<RouteEndpoint>()
            .Where(route => route.RoutePattern.RawText is { } text && text.StartsWith("/api/", StringComparison.Ordinal) && !text.Contains("**", StringComparison.Ordinal))
            .Select(route => (new TemplateMatcher(TemplateParser.Parse(route.RoutePattern.RawText!.TrimStart('/').TrimEnd('/')), new(route.RoutePattern.Defaults)),
                route.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods.ToArray() ?? [], route.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes.ToArray() ?? []))]);
        app.Map("/api/{**rest}", (HttpContext context) => Answer(context, known.Value)).ExcludeFromDescription();
    }

    private static Task Answer(HttpContext context, List<(TemplateMatcher Address, string[] Methods, string[] Contents)> known)
    {
        // Not by way of text that would be decoded once more.
        var path = new PathString(context.Request.Path.Value!.TrimEnd('/'));
        var here = known.Where(route => route.Address.TryMatch(path, [])).ToList();
        var methods = here.SelectMany(route => route.Methods).Distinct().Order().ToList();
        if (here.Count == 0 || methods.Count == 0) return Refusal.Say(context, StatusCodes.Status404NotFound, "There is no such address in the API.");
        if (!methods.Contains(context.Request.Method))
        {
            context.Response.Headers.Allow = string.Join(", ", methods);
            return Refusal.Say(context, StatusCodes.Status405MethodNotAllowed, $"This address takes {string.Join(", ", methods)} alone.");
        }
        var contents = here.Where(route => route.Methods.Contains(context.Request.Method)).SelectMany(route => route.Contents).Distinct().ToList();
        return contents.Count == 0
            ? Refusal.Say(context, StatusCodes.Status404NotFound, "There is no such address in the API.")
            : Refusal.Say(context, StatusCodes.Status415UnsupportedMediaType, $"Send it as {string.Join(" or ", contents)}, and say so in the content type.");
    }
}
