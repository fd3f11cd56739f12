using Altrin.Core.Diagnosis;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Web.Cli;

/// <summary><c>diagnose FILE SIGHTINGS [--hands no-socket|phone] [--kinds table]</c>.</summary>
internal static class DiagnoseCommand
{
    private const string Usage = "usage: diagnose [--hands laptop|no-socket|phone] [--kinds table] FILE SIGHTINGS (- reads standard input)";

    public static int Run(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        var (hands, files, onlyTable) = (Hands.Laptop, new List<string>(), false);
        for (var i = 0; i < arguments.Length; i++)
            if (arguments[i] == "--hands")
            {
                if (++i >= arguments.Length || !Words<Hands>.TryRead(arguments[i], out hands))
                    return InputFile.Fail(error, $"--hands wants laptop, no-socket or phone. {Usage}");
            }
            else if (arguments[i] == "--kinds")
            {
                if (++i >= arguments.Length || arguments[i] != "table") return InputFile.Fail(error, $"--kinds wants table. {Usage}");
                onlyTable = true;
            }
            else files.Add(arguments[i]);
        if (files is not [var file, var sightings]) return InputFile.Fail(error, Usage);
        if (InputFile.Document(file, standardInput, error) is not { } house) return InputFile.Unreadable;
        if (InputFile.Read(sightings, standardInput, out var problem) is not { } seenBytes) return InputFile.Fail(error, problem!);
        var (seen, problems) = SightingsReader.Read(seenBytes, house);
        if (problems.Count > 0) return InputFile.Fail(error, $"{sightings}: {problems[0]}");
        return InputFile.Print(output, json => DiagnosisWriter.Write(Diagnoser.Of(house, seen, hands == Hands.Laptop, !onlyTable), json));
    }
}
