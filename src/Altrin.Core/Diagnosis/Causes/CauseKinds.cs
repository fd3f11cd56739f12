using System.Globalization;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>A kind of thing that goes wrong: how likely, and how long its mend takes.</summary>
/// <param name="Odds">Against the other kinds; a number without a unit.</param>
/// <param name="Rank">Its place in the table.</param>
public sealed record CauseKind(string Name, double Odds, double MendMinutes, int Rank);

/// <summary>The table of <c>odds.txt</c>.</summary>
internal static class CauseKinds
{
    private static readonly Dictionary<string, CauseKind> ByName = Read();

    public static CauseKind Of(string name) => ByName[name];

    private static Dictionary<string, CauseKind> Read()
    {
        using var file = typeof(CauseKinds).Assembly.GetManifestResourceStream("Altrin.Core.Diagnosis.odds.txt")!;
        using var text = new StreamReader(file);
        var kinds = new Dictionary<string, CauseKind>(StringComparer.Ordinal);
        while (text.ReadLine() is { } line)
        {
            if (line.StartsWith('#')
                || line.Split(' ', 4, StringSplitOptions.RemoveEmptyEntries) is not [var name, var odds, var minutes, ..]) continue;
            kinds.Add(name,
                new(name, double.Parse(odds, CultureInfo.InvariantCulture), double.Parse(minutes, CultureInfo.InvariantCulture),
                kinds.Count));
        }
        return kinds;
    }
}
