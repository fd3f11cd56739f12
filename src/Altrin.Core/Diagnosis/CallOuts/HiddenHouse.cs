using System.Collections.Immutable;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>A house in which something is hidden, and which answers looks. What chance decides, it decides once for each client.</summary>
internal sealed class HiddenHouse(NetworkDocument believed, Cause hidden)
{
    /// <summary>What the look shows; of a laptop one sighting a reading.</summary>
    /// <param name="seen">What was seen so far: what is seen now agrees with it.</param>
    public ImmutableArray<Sighting> Answer(Look look, ImmutableArray<Sighting> seen, bool hasSocket = true)
    {
        var shown = Answers(look, seen, hasSocket)[0];
        if (look.Reading != ReadingKind.Laptop) return shown.Sample is { } value ? [new(look, value)] : [];
        return [.. shown.Rows.Where(row => row.Value.Sample is not null).Select(row =>
            new Sighting(look with { Reading = row.Kind }, row.Value.Sample!))];
    }

    /// <summary>All that it may show.</summary>
    public IReadOnlyList<Shown> Answers(Look look, ImmutableArray<Sighting> seen, bool hasSocket = true)
    {
        var ground = new Ground(believed, seen, hasSocket, look.From);
        var suspect = new Suspect(hidden, new(Diagnoser.Possible(ground, hidden), ground));
        return [.. suspect.Answers(ground, look).Select(one => one.Value)];
    }
}
