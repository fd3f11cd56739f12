using Microsoft.Extensions.FileProviders;

namespace Altrin.Web;

/// <summary>Serves the built pages; any address that is no file and not the API's is a page of the application.</summary>
internal static class FrontEnd
{
    public static void Serve(WebApplication app, string? folder)
    {
        var root = Path.GetFullPath(folder ?? Path.Combine(AppContext.BaseDirectory, "wwwroot"));
        if (!File.Exists(Path.Combine(root, "index.html")))
        {
            app.MapGet("/", () => Results.Text("The pages are not built. Run ./altrin demo.")).ExcludeFromDescription();
            return;
        }
        var files = new PhysicalFileProvider(root);
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = files,
            // Built files carry a hash in their name, so a name never changes its content; the page itself has none.
            OnPrepareResponse = file => file.Context.Response.Headers.CacheControl =
                file.Context.Request.Path.StartsWithSegments("/assets") ? "public, max-age=31536000, immutable" : "no-cache",
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
            await context.Response.SendFileAsync(files.GetFileInfo("index.html"));
        });
    }
}
