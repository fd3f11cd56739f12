using Altrin.Core.Diagnosis.Sightings;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>Looks told apart by what they are of.</summary>
internal static class LookKeys
{
    /// <summary>Whose race decides what it shows: a laptop at a place, a thing, a box; none has one of its own.</summary>
    public static string Client(Ground ground, Look look, int index)
    {
        if (look.From is { } from) return $"at {ground.PlaceOf(from)}";
        if (look.Who is { } who) return $"who {who}";
        return look.Reading switch
        {
            ReadingKind.WanAddress => $"wan {look.Device}",
            ReadingKind.Listed => $"mac {look.Mac}",
            _ => $"alone {index}",
        };
    }

    public static string Of(Ground ground, Look look) =>
        $"{look.Reading}|{(look.From is { } from ? ground.PlaceOf(from) : -1)}|{look with { From = null }}";
}
