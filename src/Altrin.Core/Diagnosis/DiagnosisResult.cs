using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis;

/// <summary>Causes that no look tells apart.</summary>
/// <param name="Sure">Their share of the odds of all that are left, 0 to 1.</param>
/// <param name="Alike">The likeliest first.</param>
/// <param name="House">The house as it then is: that of the first.</param>
/// <param name="Laptop">Where the laptop then really is; null where that is not the cause.</param>
/// <param name="Mend">Undoes the first.</param>
/// <param name="IsProved">After it every want that holds in the house as believed holds again.</param>
/// <param name="Against">Which of what was seen it does not show.</param>
public sealed record CauseGroup(double Sure, ImmutableArray<Cause> Alike, NetworkDocument House, LaptopPlace? Laptop,
    ImmutableArray<InstallerAction> Mend, double MendMinutes, bool IsProved, ImmutableArray<int> Against);

/// <summary>Which one thing, had it gone otherwise, shows all that was seen, and which look tells most for its minutes.</summary>
/// <param name="Agrees">The house as written shows all that was seen.</param>
/// <param name="Odd">Which of it that house does not show.</param>
/// <param name="Looks">The next first.</param>
/// <param name="IsSettled">Nothing is left to tell apart.</param>
/// <param name="Confirm">Where nothing is left to tell apart: the cheapest look that shows the likeliest cause where the house as believed
/// shows otherwise; null where there is none.</param>
/// <param name="ArePairs">No single thing explains it all.</param>
public sealed record DiagnosisResult(bool Agrees, ImmutableArray<int> Odd, ImmutableArray<CauseGroup> Causes,
    ImmutableArray<NextLook> Looks,
    bool IsSettled, bool ArePairs)
{
    public NextLook? Confirm { get; init; }

    /// <summary>Causes that show something of what was odd and were ruled out, the likeliest first, each with the sighting that did
    /// it.</summary>
    public ImmutableArray<RuledOut> RuledOut { get; init; } = [];
}

/// <param name="By">The first of what was seen that it does not show.</param>
public sealed record RuledOut(Cause Cause, int By);
