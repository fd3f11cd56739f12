using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Filling;

/// <summary>Puts every box into its mode and place, and sets what belongs to the mode and to no address.</summary>
internal static class BoxModes
{
    public static void Fill(Draft draft)
    {
        for (var i = 0; i < draft.Boxes.Length; i++) SetOne(draft, i);
        if (draft.Ground.Root < 0) return;
        var heir = draft.Structure.HandsTo;
        draft.Change(draft.Ground.Root, box => box.Traits.HandsLineOn && heir >= 0 && box.PassthroughTo != draft.Boxes[heir].Id
            ? box with { PassthroughTo = draft.Boxes[heir].Id } : box);
    }

    /// <summary>What follows for one box from its own use alone.</summary>
    public static void SetOne(Draft draft, int i) => draft.Change(i, box => Set(draft, i, box));

    private static Device Set(Draft draft, int i, Device box)
    {
        var use = draft.Use(i);
        if (!use.IsUsed)
        {
            if (!draft.Ground.InUse[i]) return box;
            if (box.Uplink is not null) box = box with { Uplink = null };
            // Another takes its place: left on, it would go on sending the household's name.
            return draft.MaySet(i) && box.SendsWifi && box.Wifi.Any(network => network.Enabled) ? box with { Off = true } : box;
        }
        if (!draft.MaySet(i)) return box;
        if (box.Mode != use.Mode) box = box with { Mode = use.Mode };
        // Reset before anything else, it has no past any more.
        if (box.UsedBefore == true && !draft.Ground.InUse[i]) box = box with { UsedBefore = null };
        // A place is one of the room it was noted in.
        if (use.Room is { } room && (box.Room is null || draft.Ground.PlaceOfRoom(box.Room) != draft.Ground.PlaceOfRoom(room))) box = box with { Room = room, At = null };
        if (box.Off == true && draft.Ground.Found.Devices[i].Off == true && !draft.Ground.InUse[i] && use.Joined != Joined.ToNothing) box = box with { Off = null };
        if (use.Routes) return Routing(draft, i, box);
        if (box.AsksForItsOwn && !use.ByHand && box.Lan is { Method: LanMethod.Static } lan) box = box with { Lan = lan with { Method = LanMethod.Dhcp, Address = null } };
        // It would go on answering, with itself as gateway.
        if ((use.ByHand || box.Traits.OnlyBridges) && box.Lan?.DhcpServer is { Enabled: true }) box = box.WithServer(server => server with { Enabled = false });
        if (use.ByHand && use.Joined == Joined.ByWire && box.Uplink is not null) box = box with { Uplink = null };
        // A repeater on a cable that also joins by radio would close a circle; a mesh unit breaks it itself.
        if (use.Joined == Joined.ByWire && box.Uplink is not null && box.Traits.Uplink != UplinkSide.None && !box.Traits.BreaksLoops) box = box with { Uplink = null };
        if (use.ByHand && box.Firewall) box = box with { Firewall = false };
        if (box.Upnp && use.ByHand) box = box with { Upnp = false };
        return box;
    }

    private static Device Routing(Draft draft, int i, Device box)
    {
        var found = draft.Found.Devices[i];
        // Without translation nobody above would know the way back.
        if (!box.Nat) box = box with { Nat = true };
        if (!draft.Ground.AsFound.Boxes[i].Routes && !box.Firewall) box = box with { Firewall = true };
        if (draft.Use(i).Joined != Joined.ByRadio && box.Uplink is not null) box = box with { Uplink = null };
        return found.Traits.IsRouter && ReferenceEquals(box, found) ? found : box;
    }
}
