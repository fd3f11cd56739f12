using System.Diagnostics;
using System.Globalization;
using Serilog.Events;
using Serilog.Formatting;

namespace Altrin.Web.Logging;

/// <summary>Time, level, where, what. Of an error its kinds and places alone: what it says may hold what somebody typed.</summary>
internal sealed class PlainLines : ITextFormatter
{
    public void Format(LogEvent logEvent, TextWriter output)
    {
        var from = logEvent.Properties.TryGetValue("SourceContext", out var source) && source is ScalarValue { Value: string name } ? name : "";
        output.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{logEvent.Timestamp.UtcDateTime:yyyy-MM-dd HH:mm:ss.fff} {logEvent.Level} {from}: {OneLine(logEvent.RenderMessage(CultureInfo.InvariantCulture))}"));
        for (var error = logEvent.Exception; error is not null; error = error.InnerException)
        {
            output.WriteLine($"  {error.GetType().FullName}");
            foreach (var frame in new StackTrace(error, fNeedFileInfo: true).GetFrames())
                output.WriteLine($"    at {frame.GetMethod()?.DeclaringType?.FullName}.{frame.GetMethod()?.Name}{(frame.GetFileLineNumber() is > 0 and var line ? $" line {line}" : "")}");
        }
    }

    /// <summary>Nobody writes a line of his own into the log.</summary>
    private static string OneLine(string text) => string.Concat(text.Select(letter => char.IsControl(letter) ? ' ' : letter));
}

/// <summary>On the console that something went wrong inside, and where more stands.</summary>
internal sealed class ConsoleLines(string folder) : ITextFormatter
{
    public void Format(LogEvent logEvent, TextWriter output) => output.WriteLine($"Something went wrong inside Altrin; nothing that was confirmed is lost. More stands in {folder}.");
}
