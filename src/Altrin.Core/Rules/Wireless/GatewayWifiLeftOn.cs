using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Wireless;

/// <summary>The gateway still on the air beside the box that makes the household's Wi-Fi.</summary>
public sealed class GatewayWifiLeftOn : IRule
{
    public string Id => "gateway-wifi-left-on";
    public string Statement => "Once another box makes the Wi-Fi and nobody is on the gateway’s, the gateway’s is off.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.House.Line is not { } line || facts.FindDevice(line.Device) is not { } gateway) yield break;
        var own = facts.State.Air.Where(one => one.Box.Id == gateway.Id).ToList();
        if (own.Count == 0 || Other(facts, gateway.Id) is not { } other) yield break;
        // Where it alone is heard it is not left on, it is needed.
        if (facts.House.Rooms.Where((room, i) => room.Outdoor != true && facts.State.AirMap.Rooms[i].Source is { } source && facts.House.Devices[source.Device].Id == gateway.Id && IsAlone(facts, i, gateway)).Any()) yield break;
        yield return new(Id, Severity.Caution, "The gateway is still on the air", [gateway.Id],
            () => $"{facts.NameOf(other)} makes the household’s Wi-Fi, and nobody is on {gateway.Name}’s {Facts.Join(own.Select(one => one.Network.Ssid).Distinct())}. "
            + $"The two disturb each other, and there is one more box to keep safe.{Look(facts, gateway)}{Without(facts, gateway)}",
            () => [new($"Turn off the Wi-Fi of {gateway.Name}", [.. Off(own)])])
        { IsSettledOnSite = IsHardlyLookedAt(facts) };
    }

    /// <summary>Not looked at is not nobody: of so few things on Wi-Fi nobody has gone through the house. Common practice, no source.</summary>
    private const int FewThings = 3;

    private static bool IsHardlyLookedAt(Facts facts) => facts.House.Endpoints.Count(thing => thing.Connect is Attachment.Join) < FewThings;

    private static string Look(Facts facts, Device gateway) => IsHardlyLookedAt(facts)
        ? $" Few things are noted yet: look first whether {gateway.Name} lists others on its Wi-Fi." : "";

    /// <summary>Whose Wi-Fi is in use where nobody is on the gateway’s; null where somebody is, or nobody is on any.</summary>
    private static string? Other(Facts facts, string gateway)
    {
        string? other = null;
        foreach (var on in facts.House.Endpoints.Select(thing => facts.State.JoinedBox(thing.Id)).Concat(facts.InUse.Select(box => facts.State.UplinkBox(box.Id))))
        {
            if (on == gateway) return null;
            other ??= on;
        }
        return other;
    }

    private static IEnumerable<InstallerAction> Off(IEnumerable<AirNetwork> own) => own.Select(one => new SetWifi(one.Box.Id, one.Place, one.Network with { Enabled = false }));

    private static bool IsAlone(Facts facts, int room, Device gateway) =>
        facts.State.AirMap.HeardAt(facts.State.AirMap.Hearing.PlaceOf(facts.House.Rooms[room]), room).All(heard => facts.House.Devices[heard.Source!.Device].Id == gateway.Id);

    /// <summary>Who covers the rooms in which it is the best there is, and how well.</summary>
    private static string Without(Facts facts, Device gateway)
    {
        var covered = Coverage.Of(facts.State.AirMap, facts.House, gateway.Id);
        if (covered.IsEmpty) return "";
        var after = AirMap.Of(Off(facts.State.Air.Where(one => one.Box.Id == gateway.Id)).Apply(facts.House));
        return " " + Facts.Join(covered.Select(room => (room, at: facts.House.Rooms.IndexOf(room))).Select(one => after.Rooms[one.at].Source is { } source
            ? $"{one.room.Name} then has {after.Rooms[one.at].Expected.Printed:0.#} Mb/s from {facts.House.Devices[source.Device].Name} instead of {facts.State.AirMap.Rooms[one.at].Expected.Printed:0.#}"
            : $"{one.room.Name} then has none")) + ".";
    }
}
