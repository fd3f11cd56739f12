using System.Globalization;
using Altrin.Core.Diagnosis.CallOuts;
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
        var onlyTable = false;
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
                    (onlyTable, i) = (true, i + 1);
                    break;
                default: files.Add(arguments[i]); break;
            }
        }
        if (seed is not { } known || files.Count > 1) return InputFile.Fail(error, Usage);
        NetworkDocument? own = null;
        if (files is [var file]
            && (own = InputFile.Document(file, standardInput, error, isNamed: false)) is null) return InputFile.Unreadable;
        if (CallOut.Of(known, grade, own, !onlyTable) is not { } callOut)
        {
            InputFile.Fail(error, "Nothing of that grade can be hidden in this house so that somebody would notice.");
            return NothingToHide;
        }
        return InputFile.Print(output, json => CallOutWriter.Write(callOut, json));
    }
}
