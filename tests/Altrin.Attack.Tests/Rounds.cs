using System.Globalization;

namespace Altrin.Attack.Tests;

/// <summary>How long it is attacked, and from which seed: <c>./altrin attack --rounds N --seed N</c>.</summary>
internal static class Rounds
{
    public static int Or(int usual) => Number("ALTRIN_ATTACK_ROUNDS", usual);

    public static int Seed { get; } = Number("ALTRIN_ATTACK_SEED", 1);

    /// <summary>Into the report of a run at length.</summary>
    public static void Say(string line)
    {
        if (Environment.GetEnvironmentVariable("ALTRIN_ATTACK_REPORT") is not null) Console.WriteLine(line);
    }

    private static int Number(string name, int usual) => int.TryParse(Environment.GetEnvironmentVariable(name), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number > 0 ? number : usual;
}
