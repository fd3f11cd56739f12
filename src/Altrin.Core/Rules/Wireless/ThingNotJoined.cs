using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A device that asks for a Wi-Fi network and gets none.</summary>
public sealed class ThingNotJoined : IRule
{
    public string Id => "thing-not-joined";
    public string Statement => "A device on Wi-Fi has the name, password and security of a network that is on the air.";
    public string Source => "IEEE 802.11 (a station joins by SSID and matching security); value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var thing in facts.House.Endpoints)
        {
            if (thing.Connect is not Attachment.Join connect || facts.State.JoinedNetwork(thing.Id) is not null) continue;
            if (SilentBridge.For(facts, connect) is not null || WifiMatch.MissesItsBand(facts, thing)) continue;
            yield return Found(facts, thing, connect);
        }
    }

    private Finding Found(Facts facts, Endpoint thing, Attachment.Join connect)
    {
        var (why, meant) = WifiMatch.WhyNot(facts, connect.Ssid, connect.Security ?? WifiSecurity.Open, connect.Key, null, null, thing.Room, thing.At);
        return new(Id, Severity.Fault, "On no Wi-Fi", [thing.Id],
            $"{thing.Name} asks for {connect.Ssid}, but {why}. It is on no network.", () => Fixes(facts, thing.Id, connect, meant is null));
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, string thing, Attachment.Join connect, bool anyName) =>
    [
        .. facts.State.Air.Where(one => !one.Network.Guest && (anyName || one.Network.Ssid == connect.Ssid))
            .DistinctBy(one => (one.Network.Ssid, one.Network.Key, one.Network.Security)).Take(3)
            .Select(one => new Fix($"Join {one.Network.Ssid} as {one.Box.Name} has it", new ConnectEndpoint(thing,
                connect with { Ssid = one.Network.Ssid, Key = one.Network.Key, Security = one.Network.Security }))),
    ];
}
