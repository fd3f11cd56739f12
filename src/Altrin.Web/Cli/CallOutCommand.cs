using System.Globalization;
using System.Text.Json;
using Altrin.Core.Diagnosis.CallOuts;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;

namespace Altrin.Web.Cli;

/// <summary><c>callout --seed N [--grade 1|2|3] [--kinds table] [FILE]</c>.</summary>
internal static class CallOutCommand
{
    private const string Usage = "usage: callout --seed N [--grade 1|2|3] [--kinds table] [FILE]";

    private const int NothingToHide = 3;

    public static int Run(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        long? seed = null;
        int? grade = null;
        var files = new List<string>();
        for (var i = 0; i < arguments.Length; i++)
        {
            var next = i + 1 < arguments.Length ? arguments[i + 1] : null;
            switch (arguments[i])
            {
                case "--seed":
                    if (!long.TryParse(next, NumberStyles.None, CultureInfo.InvariantCulture, out var number)) return InputFile.Fail(error,
                        $"--seed wants a number from 0 on. {Usage}");
                    (seed, i) = (number, i + 1);
                    break;
                case "--grade":
                    if (next is not ("1" or "2" or "3")) return InputFile.Fail(error, $"--grade wants 1, 2 or 3. {Usage}");
                    (grade, i) = (next[0] - '0', i + 1);
                    break;
                case "--kinds":
                    if (next != "table") return InputFile.Fail(error, $"--kinds wants table. {Usage}");
                    i++;
                    break;
                default: files.Add(arguments[i]); break;
            }
        }
        if (seed is not { } known || files.Count > 1) return InputFile.Fail(error, Usage);
        NetworkDocument? own = null;
        if (files is [var file])
        {
            if (InputFile.Read(file, standardInput, out var problem) is not { } bytes) return InputFile.Fail(error, problem!);
            var read = DocumentReader.Read(bytes);
            if (read.Document is null) return InputFile.Fail(error, read.Problems[0].ToString());
            own = read.Document;
        }
        if (CallOut.Of(known, grade, own) is not { } callOut)
        {
            InputFile.Fail(error, "Nothing of that grade can be hidden in this house so that somebody would notice.");
            return NothingToHide;
        }
        using (var json = new Utf8JsonWriter(output,
            new() { Indented = true, NewLine = "\n", Encoder = AltrinJson.Compact.Encoder })) CallOutWriter.Write(callOut, json);
        output.WriteByte((byte)'\n');
        output.Flush();
        return 0;
    }
}
