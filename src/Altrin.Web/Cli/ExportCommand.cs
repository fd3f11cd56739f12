using System.Globalization;
using System.Text;
using Altrin.Core.Handover;
using Altrin.Core.Network;

namespace Altrin.Web.Cli;

/// <summary><c>export FILE KIND [--planned FILE2] [--at TIME]</c>.</summary>
internal static class ExportCommand
{
    private const int NoOrder = 3;

    private static readonly string Usage = $"usage: export FILE KIND [--planned FILE2] [--at 2026-12-03T09:00]; KIND is one of {string.Join(", ", Exports.All.Select(one => one.Kind))}";

    /// <param name="now">For the day of an appointment of which nobody has said when.</param>
    public static int Run(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error, DateTime now)
    {
        var words = new List<string>();
        string? plannedFile = null;
        var at = now.Date.AddDays(1).AddHours(9);
        for (var i = 0; i < arguments.Length; i++)
            switch (arguments[i])
            {
                case "--planned":
                    if (++i >= arguments.Length) return InputFile.Fail(error, $"--planned wants a file. {Usage}");
                    plannedFile = arguments[i];
                    break;
                case "--at":
                    if (++i >= arguments.Length
                        || !DateTime.TryParseExact(arguments[i], ["yyyy-MM-dd'T'HH:mm", "yyyy-MM-dd'T'HH:mm:ss"],
                        CultureInfo.InvariantCulture, DateTimeStyles.None, out at))
                        return InputFile.Fail(error, $"--at wants a day and a time such as 2026-12-03T09:00. {Usage}");
                    break;
                default: words.Add(arguments[i]); break;
            }
        if (words is not [var file, var kind]) return InputFile.Fail(error, Usage);
        if (kind == "wifi-cards") return InputFile.Fail(error, "wifi-cards asks for each password: it is made on the page, at Handover.");
        if (Exports.Find(kind) is not { } export) return InputFile.Fail(error, $"There is no kind “{kind}”. {Usage}");
        if (export.NeedsPlan
            && plannedFile is null) return InputFile.Fail(error, $"{kind} needs --planned FILE2: its length is that of the work.");
        if (InputFile.Document(file, standardInput, error) is not { } found) return InputFile.Unreadable;
        NetworkDocument? planned = null;
        if (plannedFile is not null
            && (planned = InputFile.Document(plannedFile, standardInput, error)) is null) return InputFile.Unreadable;
        if (export.Write(new(found, planned, at)) is not { } text)
        {
            InputFile.Fail(error, "No order was found from the one document to the other.");
            return NoOrder;
        }
        output.Write(new UTF8Encoding(false).GetBytes(text));
        output.Flush();
        return 0;
    }
}
