namespace Altrin.Web.Share;

/// <summary>The page at which a phone joins: three small files of its own, for nothing of the application answers before.</summary>
internal static class JoinPage
{
    public const string Path = "/join";

    private static readonly Dictionary<string, (string Kind, byte[] Bytes)> Files = new(StringComparer.Ordinal)
    {
        [Path] = ("text/html; charset=utf-8", Read("join.html")),
        ["/join.css"] = ("text/css; charset=utf-8", Read("join.css")),
        ["/join.js"] = ("text/javascript; charset=utf-8", Read("join.js")),
    };

    public static bool Holds(PathString path) => path.Value is { } value && Files.ContainsKey(value);

    public static async Task Answer(HttpContext context)
    {
        if (!HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method))
        {
            context.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
            return;
        }
        var (kind, bytes) = Files[context.Request.Path.Value!];
        context.Response.ContentType = kind;
        context.Response.Headers.CacheControl = "no-store";
        await context.Response.Body.WriteAsync(bytes, context.RequestAborted);
    }

    private static byte[] Read(string name)
    {
        using var stream = typeof(JoinPage).Assembly.GetManifestResourceStream(name) ?? throw new InvalidOperationException($"{name} is not in the program.");
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
