using System.Globalization;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Handover.Imports;

namespace Altrin.Web.Cli;

/// <summary><c>import FILE TABLE.csv [--kind boxes.csv] [--take all|1,3]</c>.</summary>
internal static class ImportCommand
{
    private static readonly string Usage = $"usage: import FILE TABLE.csv [--kind {string.Join('|', TableImports.All)}] [--take all|1,3]";

    public static int Run(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        var files = new List<string>();
        string? kind = null, take = null;
        for (var i = 0; i < arguments.Length; i++)
        {
            if (arguments[i] is not ("--kind" or "--take")) files.Add(arguments[i]);
            else if (i + 1 >= arguments.Length) return InputFile.Fail(error, $"{arguments[i]} wants a word. {Usage}");
            else if (arguments[i] == "--kind") kind = arguments[++i];
            else take = arguments[++i];
        }
        if (files is not [var file, var table]) return InputFile.Fail(error, Usage);
        if (InputFile.Document(file, standardInput, error) is not { } house) return InputFile.Unreadable;
        if (InputFile.Read(table, standardInput, out var problem) is not { } cells) return InputFile.Fail(error, problem!);
        // A table that is called as it was when it left needs no other word.
        kind ??= TableImports.All.FirstOrDefault(one => table.EndsWith(one, StringComparison.OrdinalIgnoreCase));
        if (TableImports.Read(house, cells, kind, out var why) is not { } import) return InputFile.Fail(error, $"{table}: {why}");
        if (take is null) return InputFile.Print(output, json => ImportWriter.Write(import, json));
        var taken = Taken(import, take, out var wrong);
        if (wrong is not null) return InputFile.Fail(error, $"{wrong} {Usage}");
        foreach (var deed in taken)
        {
            if (deed.Apply(house, out var refused) is not { } after)
                return InputFile.Fail(error, $"{table}: row {deed.Row}, {deed.Column}: {refused!.Message}");
            house = after;
        }
        if (HouseCheck.WhyNot(house) is { } broken) return InputFile.Fail(error, $"{table}: {broken}");
        output.Write(System.Text.Encoding.UTF8.GetBytes(AltrinJson.Write(house)));
        output.Flush();
        return 0;
    }

    private static List<ImportDeed> Taken(TableImport import, string take, out string? wrong)
    {
        wrong = null;
        if (take == "all") return [.. import.Deeds];
        var taken = new List<ImportDeed>();
        foreach (var word in take.Split(','))
        {
            if (int.TryParse(word.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                && import.Deeds.FirstOrDefault(deed => deed.Number == number) is { } deed) taken.Add(deed);
            else wrong ??= $"--take: there is no deed “{word}”. There are {import.Deeds.Length}.";
        }
        return taken;
    }
}
