using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Ranking;

/// <summary>What a box was brought for (section 5 of the format): it stands there, and sends the household's Wi-Fi there or has something
/// plugged in.</summary>
internal static class BoxRole
{
    /// <summary>Whether somebody said what it is for, and it does not do it yet: with a thing plugged in and no way to the line it serves
    /// nobody.</summary>
    public static bool Is(Ground ground, int box)
    {
        var found = ground.Found.Devices[box];
        return (!found.Serves.IsDefaultOrEmpty || found.MustUse == true) && (!ground.InUse[box] || !ground.State.HasWayToLine(found.Id));
    }

    public static int CountUnserved(Ground ground, Evaluation after) => Unserved(ground, after).Count();

    /// <summary>Those of them that do nothing there, by their places in the document.</summary>
    public static IEnumerable<int> Unserved(Ground ground, Evaluation after) =>
        Enumerable.Range(0, ground.Found.Devices.Length).Where(i => Is(ground, i) && !Serves(ground, i, after.State));

    /// <summary>Whether it may be used so, as far as its use alone says: a cable ends in a room that it serves, a radio may be half way.</summary>
    public static bool MayServe(Ground ground, int box, BoxUse use)
    {
        if (!use.IsUsed) return false;
        var found = ground.Found.Devices[box];
        if (found.Room is not null || found.Serves.IsDefaultOrEmpty || use.Joined == Joined.ByRadio) return true;
        return use.Room is { } room && found.Serves.Any(one => ground.PlaceOfRoom(one) == ground.PlaceOfRoom(room));
    }

    private static bool Serves(Ground ground, int i, NetworkState state)
    {
        if (state.House.FindDevice(ground.Found.Devices[i].Id) is not { } box || !state.IsInUse(box.Id)) return false;
        if (ground.Found.Devices[i] is { Room: null, Serves.IsDefaultOrEmpty: false } brought && box.Uplink is null
            && !(box.Room is { } room && brought.Serves.Any(one => ground.PlaceOfRoom(one) == ground.PlaceOfRoom(room)))) return false;
        if (!state.HasWayToLine(box.Id)) return false;
        return SendsWifi(box) || HasCompany(state.House, box);
    }

    private static bool SendsWifi(Device box) => box.SendsWifi
        && box.Wifi.Any(one => one is { Enabled: true, Guest: false } && one.Security != WifiSecurity.Open);

    private static bool HasCompany(NetworkDocument house, Device box) =>
        house.Endpoints.Any(thing => thing.Connect?.Socket?.Device == box.Id)
        || house.Cables.Count(cable => cable.A.Device == box.Id || cable.B.Device == box.Id) > (box.Uplink is null ? 1 : 0);
}
