using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A thing with one band, and the name it knows is off there, or the band has another name.</summary>
public sealed class BandNotServed : IRule
{
    public string Id => "band-not-served";
    public string Statement => "Where a thing has 2.4 GHz alone, the name that it knows is on the air there.";
    public string Source => "IEEE 802.11 (a station joins on a band that its radio has); value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var thing in facts.House.Endpoints)
        {
            if (thing.Connect is Attachment.Join join && WifiMatch.MissesItsBand(facts, thing)) yield return Found(facts, thing, join);
        }
    }

    private Finding Found(Facts facts, Endpoint thing, Attachment.Join join)
    {
        var there = facts.State.Air.First(one => one.Network.Ssid == join.Ssid);
        return new(Id, Severity.Fault, "Its band is not served", [thing.Id, there.Box.Id],
            () => $"{thing.Name} has {Bands(thing)} alone, and {join.Ssid} of {there.Box.Name} is on {Words<Band>.Of(there.Band)} GHz. It hears nothing that it knows.",
            () => Fixes(facts, thing, join));
    }

    private static string Bands(Endpoint thing) => string.Join(" and ", thing.Bands.Select(band => $"{Words<Band>.Of(band)} GHz"));

    private static ImmutableArray<Fix> Fixes(Facts facts, Endpoint thing, Attachment.Join join)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        foreach (var box in facts.InUse)
        {
            if (box.LeaveAsFound == true || box.Wifi.FirstOrDefault(network => network.Enabled && network.Ssid == join.Ssid && network.Key == join.Key) is not { } known) continue;
            foreach (var radio in box.Radios.Where(radio => thing.Bands.Contains(radio.Band)))
            {
                var place = box.Wifi.ToList().FindIndex(network => network.Radio == radio.Id && !network.Guest);
                var old = place >= 0 ? box.Wifi[place] : null;
                var there = old ?? new WifiNetwork { Radio = radio.Id, Ssid = join.Ssid };
                var wanted = there with { Ssid = known.Ssid, Key = known.Key, Security = known.Security, Enabled = true, Broadcast = known.Broadcast };
                fixes.Add(new(old is { Enabled: true } ? $"Call {old.Ssid} of {box.Name} {join.Ssid} as well" : $"Turn on {join.Ssid} at {Words<Band>.Of(radio.Band)} GHz of {box.Name}",
                    new SetWifi(box.Id, place >= 0 ? place : box.Wifi.Length, wanted)));
            }
        }
        foreach (var other in facts.State.Air.Where(one => !one.Network.Guest && thing.Bands.Contains(one.Band)).DistinctBy(one => (one.Network.Ssid, one.Network.Key)).Take(2))
            fixes.Add(new($"Join {other.Network.Ssid} as {other.Box.Name} has it", new ConnectEndpoint(thing.Id, join with { Ssid = other.Network.Ssid, Key = other.Network.Key, Security = other.Network.Security })));
        return fixes.ToImmutable();
    }
}
