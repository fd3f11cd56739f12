using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Wireless;

/// <summary>The gateway still on the air beside the box that makes the household's Wi-Fi.</summary>
public sealed class GatewayWifiLeftOn : IRule
{
    public string Id => "gateway-wifi-left-on";
    public string Statement => "Once another box makes the Wi-Fi and nobody is on the gateway’s, the gateway’s is off.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.House.Line is not { } line || facts.FindDevice(line.Device) is not { } gateway) yield break;
        var own = facts.State.Air.Where(one => one.Box.Id == gateway.Id).ToList();
        if (own.Count == 0) yield break;
        var users = facts.House.Endpoints.Select(one => one.Id).Concat(facts.InUse.Select(one => one.Id))
            .Select(facts.State.JoinedNetwork).OfType<(string Box, int Place)>().ToList();
        var other = users.Find(one => one.Box != gateway.Id).Box;
        if (users.Exists(one => one.Box == gateway.Id) || other is null) yield break;
        yield return new(Id, Severity.Caution, "The gateway is still on the air", [gateway.Id],
            $"{facts.NameOf(other)} makes the household’s Wi-Fi, and nobody is on {gateway.Name}’s {Facts.Join(own.Select(one => one.Network.Ssid).Distinct())}. "
            + "The two disturb each other, and there is one more box to keep safe.",
            () => [new($"Turn off the Wi-Fi of {gateway.Name}", [.. own.Select(one => new SetWifi(gateway.Id, one.Place, one.Network with { Enabled = false }))])]);
    }
}
