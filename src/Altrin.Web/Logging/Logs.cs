using Altrin.Data;
using Altrin.Web.Security;
using Serilog;
using Serilog.Core;
using Serilog.Events;

namespace Altrin.Web.Logging;

/// <summary>A rolling file in the data folder: starts, troubles and, where it is asked for, each request. Never a secret, a document or the name of a house.</summary>
internal static class Logs
{
    private const long MostBytes = 2L << 20;
    private const int MostFiles = 7;

    /// <summary>Lines of our own.</summary>
    public const string Own = "Altrin";

    /// <param name="isVerbose">A line for each request, in the file and on the console.</param>
    public static void Add(WebApplicationBuilder builder, string data, bool isVerbose)
    {
        builder.Logging.ClearProviders();
        builder.Logging.AddSerilog(Make(Path.Combine(Path.GetFullPath(data), "logs"), isVerbose), dispose: true);
    }

    private static Logger Make(string folder, bool isVerbose)
    {
        var all = new LoggerConfiguration().MinimumLevel.Warning().MinimumLevel.Override(Own, isVerbose ? LogEventLevel.Debug : LogEventLevel.Information)
            // Why it does not start is said in a line of our own; that the key ring is not itself encrypted is meant, and said in Security/KeyRing.cs.
            .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal).MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error);
        try { OwnerOnly.Folder(folder); }
        // Of a folder that cannot be written the store says more; without a log it runs all the same.
        catch (Exception error) when (error is IOException or UnauthorizedAccessException) { return all.CreateLogger(); }
        all = all.WriteTo.File(new PlainLines(), Path.Combine(folder, "altrin-.log"), rollingInterval: RollingInterval.Day, fileSizeLimitBytes: MostBytes, rollOnFileSizeLimit: true, retainedFileCountLimit: MostFiles);
        if (isVerbose) all = all.WriteTo.Console(new PlainLines(), standardErrorFromLevel: LogEventLevel.Verbose);
        else all = all.WriteTo.Console(new ConsoleLines(folder), LogEventLevel.Error, standardErrorFromLevel: LogEventLevel.Verbose);
        return all.CreateLogger();
    }
}
