using System.Collections.Immutable;
using System.Text;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>What to tell the provider on the telephone.</summary>
public static class ProviderWords
{
    public static string Say(NetworkDocument house, ImmutableArray<Sighting> seen, Cause cause)
    {
        var words = new StringBuilder("To tell the provider:\n");
        words.Append(cause.Sentence).Append('\n');
        if (house.Line is { } line)
        {
            var kind = line.Technology is { } technology ? $"{Words<Technology>.Of(technology)} line" : "Line";
            words.Append($"{kind}, hand-off {Words<HandOff>.Of(line.HandOff)}, in {house.NameOf(line.Device)}");
            if (line.Seen is { } outside) words.Append($"; outside address seen before: {outside.Address.Address}");
            words.Append('\n');
            if (house.FindDevice(line.Device)?.Mac is { } mac) words.Append($"MAC of that box: {mac}\n");
        }
        words.Append("Seen in the house:\n");
        foreach (var one in seen) words.Append("– ").Append(AnswerWords.Say(house, one)).Append('\n');
        words.Append("Nothing else in the house that we can think of explains all of this.");
        return words.ToString();
    }
}
