using System.Diagnostics.CodeAnalysis;
using Altrin.Web.Security;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;

namespace Altrin.Web;

/// <summary>Serves the built pages; any address that is no file and not the API's is a page of the application.</summary>
internal static class FrontEnd
{
    /// <summary>Compressed when the pages were built, best first.</summary>
    private static readonly (string Name, string Ending)[] Packings = [("br", ".br"), ("gzip", ".gz")];

    /// <summary>The built file in the best packing that the asker takes, or null.</summary>
    private static PathString? Packed(HttpRequest request, PhysicalFileProvider files)
    {
        if (!request.Path.StartsWithSegments("/assets")) return null;
        var takes = request.GetTypedHeaders().AcceptEncoding.Where(one => one.Quality is not 0).Select(one => one.Value.Value).ToHashSet();
        foreach (var (name, ending) in Packings)
            if (takes.Contains(name) && files.GetFileInfo(request.Path + ending).Exists) return request.Path + ending;
        return null;
    }

    /// <summary>A packed file is of the kind of what is in it.</summary>
    private sealed class Unpacked : IContentTypeProvider
    {
        private readonly FileExtensionContentTypeProvider known = new();

        public bool TryGetContentType(string subpath, [MaybeNullWhen(false)] out string contentType) =>
            known.TryGetContentType(Packings.Aggregate(subpath, (path, packing) => path.EndsWith(packing.Ending, StringComparison.Ordinal) ? path[..^packing.Ending.Length] : path), out contentType);
    }

    public static void Serve(WebApplication app, string? folder)
    {
        var root = Path.GetFullPath(folder ?? Path.Combine(AppContext.BaseDirectory, "wwwroot"));
        if (!File.Exists(Path.Combine(root, "index.html")))
        {
            app.MapGet("/", () => Results.Text("The pages are not built. Run ./altrin demo.")).ExcludeFromDescription();
            return;
        }
        var files = new PhysicalFileProvider(root);
        app.Use((context, next) =>
        {
            if (Packed(context.Request, files) is { } packed) context.Request.Path = packed;
            // By its file name it is the same page, with its number used once.
            if (context.Request.Path == "/index.html") context.Request.Path = "/";
            return next(context);
        });
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = files,
            ContentTypeProvider = new Unpacked(),
            // Built files carry a hash in their name, so a name never changes its content; the page itself has none.
            OnPrepareResponse = file =>
            {
                var headers = file.Context.Response.Headers;
                var isAsset = file.Context.Request.Path.StartsWithSegments("/assets");
                headers.CacheControl = isAsset ? "public, max-age=31536000, immutable" : "no-cache";
                if (!isAsset) return;
                headers.Vary = "Accept-Encoding";
                if (Packings.FirstOrDefault(one => file.File.Name.EndsWith(one.Ending, StringComparison.Ordinal)).Name is { } packing) headers.ContentEncoding = packing;
            },
        });
        app.MapFallback(async context =>
        {
            if (!HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method))
            {
                context.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
                return;
            }
            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-cache";
            // The page makes its styles as it is drawn, and shows by this that they are its own.
            var once = PagePolicy.NumberOnce(context);
            // Read each time: newer pages may have been built while it runs.
            var page = await File.ReadAllTextAsync(Path.Combine(root, "index.html"), context.RequestAborted);
            await context.Response.WriteAsync(page.Replace("<head>", $"<head><meta property=\"csp-nonce\" nonce=\"{once}\">", StringComparison.Ordinal));
        });
    }
}
