using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>The laptop's own steps, said once for every order: into a socket, and to an address of its own.</summary>
internal static class LaptopSteps
{
    public static void Plug(WorkInProgress work, PlugLaptop plug, params ImmutableArray<InstallerAction> also) =>
        work.Step(new("Laptop there", $"Plug your laptop into {work.House.SocketName(plug.To)}")
        {
            Actions = [plug, .. also],
            NeedsLaptop = true,
            Expect = after => after.LaptopShows(),
            Cautions = ["Turn the laptop's Wi-Fi off, or it may talk to another box than the one on the cable."],
        });

    public static void Join(WorkInProgress work, JoinLaptop join) =>
        work.Step(new("Join there", $"Join Wi-Fi {join.Ssid} of {work.House.NameOf(join.Near)}")
        {
            Actions = [join],
            NeedsLaptop = true,
            Expect = after => after.LaptopShows(),
            Cautions = [KeyOf(join), work.Hands.JoinCaution()],
        });

    private static string KeyOf(JoinLaptop join) => join switch
    {
        { Security: WifiSecurity.Open } => "Nobody guards this network yet: do not type the household's key over it.",
        { Key: null } => "The key is on its label, or as it was set.",
        { Key: var key } when key == Tasks.KeyForNow(join.Near) => "Its key is the one that you have given it for now.",
        { Key: var key } => $"Its key is the password kept as {key}.",
    };

    public static void Automatic(WorkInProgress work) =>
        work.Step(new("Automatic again", $"Set your {work.Hands.Word()} back to automatic addressing") { Actions = [new SetLaptopAddress()], NeedsLaptop = true, Expect = after => after.LaptopShows() });

    public static void FixAddress(WorkInProgress work, InterfaceAddress own) =>
        work.Step(new($"{(work.Hands == Hands.Phone ? "Phone" : "Laptop")} address", $"Give your {work.Hands.Word()} the fixed address {own.Address}")
        {
            Actions = [new SetLaptopAddress(own)],
            NeedsLaptop = true,
            Changes = [new("IP address", "automatic", own.Address.ToString()), new("Subnet mask", null, new Ipv4Address(own.Prefix.Mask).ToString()), new("Gateway", null, "leave empty")],
            Expect = after => after.LaptopShows(),
            Cautions = ["Set it back to automatic afterwards, or it will connect without internet elsewhere."],
        });

    /// <summary>An address in the subnet of a box's page that nobody holds, from the top down; null where the box has no page or no room is left.</summary>
    public static InterfaceAddress? FreeBeside(NetworkState state, string device)
    {
        // On the table nothing of it is computed yet: then its settings say it.
        if ((state.Lan(device)?.Address ?? state.House.FindDevice(device)?.Lan?.Address) is not { } page || AddressRanges.LinkLocal.Contains(page.Address)) return null;
        var held = state.Interfaces.SelectMany(one => one.Candidates).Select(one => one.Address?.Address).ToHashSet();
        return page.Prefix.LastFree(address => address == page.Address || held.Contains(address)) is { } free ? new(free, page.Prefix.Length) : null;
    }
}
