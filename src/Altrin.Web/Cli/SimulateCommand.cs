using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Web.Cli;

/// <summary><c>simulate FILE…</c>: prints the state of each document; 2 with one line on standard error when one cannot be read.</summary>
internal static class SimulateCommand
{
    private const string Usage = "usage: simulate [--only PART,PART…] FILE… (- reads standard input)";

    public static int Run(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        HashSet<string>? only = null;
        var files = new List<string>();
        for (var i = 0; i < arguments.Length; i++)
        {
            if (arguments[i] != "--only") files.Add(arguments[i]);
            else if (++i < arguments.Length) only = [.. arguments[i].Split(',', StringSplitOptions.RemoveEmptyEntries)];
            else return InputFile.Fail(error, Usage);
        }
        if (only?.FirstOrDefault(part => !StateWriter.Parts.Contains(part)) is { } unknown)
            return InputFile.Fail(error, $"--only {unknown}: there is no such part. Use {string.Join(", ", StateWriter.Parts)}.");
        if (files.Count == 0) return InputFile.Fail(error, Usage);
        foreach (var file in files)
        {
            if (InputFile.Read(file, standardInput, out var problem) is not { } bytes) return InputFile.Fail(error, problem!);
            var result = DocumentReader.Read(bytes);
            if (result.Document is not { } house)
                return InputFile.Fail(error, files.Count > 1 ? $"{file}: {result.Problems[0]}" : result.Problems[0].ToString());
            var evaluation = Evaluation.Of(house);
            if (StateWriter.WhyTooLong(evaluation, only) is { } tooLong) return InputFile.Fail(error, tooLong);
            using (var json = new Utf8JsonWriter(output, new() { Indented = files.Count == 1, NewLine = "\n", Encoder = AltrinJson.Compact.Encoder }))
                StateWriter.Write(evaluation, json, only);
            output.WriteByte((byte)'\n');
        }
        output.Flush();
        return 0;
    }
}
