using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>Something a person does to a house: plug, unplug, change one setting, hold reset, move the laptop.</summary>
/// <remarks>The one vocabulary of edits, fixes, plans and work orders. <see cref="Apply"/> is total: what cannot be done
/// leaves the house as it was, and <see cref="Problem"/> says why.</remarks>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "do")]
[JsonDerivedType(typeof(PlugCable), "plug-cable")]
[JsonDerivedType(typeof(UnplugCable), "unplug-cable")]
[JsonDerivedType(typeof(ReplaceCable), "replace-cable")]
[JsonDerivedType(typeof(MoveCableEnd), "move-cable-end")]
[JsonDerivedType(typeof(ConnectEndpoint), "connect-endpoint")]
[JsonDerivedType(typeof(UnplugEndpoint), "unplug-endpoint")]
[JsonDerivedType(typeof(SetEndpointAddress), "set-endpoint-address")]
[JsonDerivedType(typeof(PlugLaptop), "plug-laptop")]
[JsonDerivedType(typeof(JoinLaptop), "join-laptop")]
[JsonDerivedType(typeof(SetLaptopAddress), "set-laptop-address")]
[JsonDerivedType(typeof(PutLaptopAway), "put-laptop-away")]
[JsonDerivedType(typeof(SetMode), "set-mode")]
[JsonDerivedType(typeof(SetLanAddress), "set-lan-address")]
[JsonDerivedType(typeof(AskForLanAddress), "ask-for-lan-address")]
[JsonDerivedType(typeof(TurnOnDhcpServer), "turn-on-dhcp-server")]
[JsonDerivedType(typeof(TurnOffDhcpServer), "turn-off-dhcp-server")]
[JsonDerivedType(typeof(MovePool), "move-pool")]
[JsonDerivedType(typeof(SetLeaseGateway), "set-lease-gateway")]
[JsonDerivedType(typeof(ReserveAddress), "reserve-address")]
[JsonDerivedType(typeof(ReleaseReservation), "release-reservation")]
[JsonDerivedType(typeof(SetWan), "set-wan")]
[JsonDerivedType(typeof(SetWifi), "set-wifi")]
[JsonDerivedType(typeof(SetForward), "set-forward")]
[JsonDerivedType(typeof(RemoveForward), "remove-forward")]
[JsonDerivedType(typeof(SetDmzHost), "set-dmz-host")]
[JsonDerivedType(typeof(SetPassthroughTarget), "set-passthrough-target")]
[JsonDerivedType(typeof(SetUplink), "set-uplink")]
[JsonDerivedType(typeof(SetRadioPower), "set-radio-power")]
[JsonDerivedType(typeof(SetPortVlan), "set-port-vlan")]
[JsonDerivedType(typeof(ChangeAdminPassword), "change-admin-password")]
[JsonDerivedType(typeof(SetFeature), "set-feature")]
[JsonDerivedType(typeof(KeepApart), "keep-apart")]
[JsonDerivedType(typeof(ConfigureDevice), "configure-device")]
[JsonDerivedType(typeof(FactoryReset), "factory-reset")]
[JsonDerivedType(typeof(Restart), "restart")]
[JsonDerivedType(typeof(AddDevice), "add-device")]
[JsonDerivedType(typeof(RemoveDevice), "remove-device")]
[JsonDerivedType(typeof(CarryDevice), "carry-device")]
[JsonDerivedType(typeof(PlaceAt), "place-at")]
[JsonDerivedType(typeof(DrawRoom), "draw-room")]
[JsonDerivedType(typeof(AddEndpoint), "add-endpoint")]
[JsonDerivedType(typeof(RemoveEndpoint), "remove-endpoint")]
[JsonDerivedType(typeof(Rename), "rename")]
[JsonDerivedType(typeof(SetNeed), "set-need")]
[JsonDerivedType(typeof(RemoveNeed), "remove-need")]
[JsonDerivedType(typeof(SetLine), "set-line")]
[JsonDerivedType(typeof(RemoveLine), "remove-line")]
[JsonDerivedType(typeof(SetLeaseDns), "set-lease-dns")]
[JsonDerivedType(typeof(SetLeaseTime), "set-lease-time")]
[JsonDerivedType(typeof(SetWanDns), "set-wan-dns")]
[JsonDerivedType(typeof(RemoveWifi), "remove-wifi")]
[JsonDerivedType(typeof(SwitchPower), "switch-power")]
[JsonDerivedType(typeof(DescribeDevice), "describe-device")]
[JsonDerivedType(typeof(DescribeEndpoint), "describe-endpoint")]
[JsonDerivedType(typeof(DescribeHouse), "describe-house")]
[JsonDerivedType(typeof(NoteMeasured), "note-measured")]
[JsonDerivedType(typeof(ForgetMeasured), "forget-measured")]
[JsonDerivedType(typeof(PutInOrder), "put-in-order")]
public abstract record InstallerAction
{
    /// <summary>The house after it; the same document when it cannot be done.</summary>
    public NetworkDocument Apply(NetworkDocument house) => Problem(house) is null ? Do(house) : house;

    /// <summary>Why it cannot be done in this house: the field of the action, and a sentence; null when it can.</summary>
    public abstract ActionProblem? Problem(NetworkDocument house);

    /// <summary>The deed in the trade's words, as an order: “Move the cable …”.</summary>
    public abstract string Say(NetworkDocument house);

    /// <summary>It writes something down and changes nothing that a person would have to do.</summary>
    public virtual bool IsRecord(NetworkDocument house) => false;

    protected abstract NetworkDocument Do(NetworkDocument house);
}

/// <param name="Field">The field of the action that is wrong, in the spelling of its JSON.</param>
public sealed record ActionProblem(string Field, string Message);

public static class ActionList
{
    /// <summary>The house after all of them, in order.</summary>
    public static NetworkDocument Apply(this IEnumerable<InstallerAction> actions, NetworkDocument house) =>
        actions.Aggregate(house, (now, action) => action.Apply(now));
}
