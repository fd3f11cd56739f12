using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>The laptop's own steps, said once for every order: into a socket, and to an address of its own.</summary>
internal static class LaptopSteps
{
    /// <summary>What the key is kept as that guards a box as sold while it is set.</summary>
    public static string KeyForNow(string device) => $"{device}-for-now";

    /// <summary>Brings the laptop to where the page of a box opens as it would for a thing of the household; it stays where it is where
    /// there is no such place.</summary>
    public static void ToPageOf(WorkInProgress work, string device)
    {
        if (new Spots(work.Hands, work.Planned).AsAThingAt(work.House, device) is { } moves) Go(work, moves);
    }

    /// <summary>One step a move; a fixed address is given up with the plug that is moved.</summary>
    /// <returns>Whether it was moved.</returns>
    public static bool Go(WorkInProgress work, ImmutableArray<InstallerAction> moves)
    {
        var isMoved = false;
        for (var i = 0; i < moves.Length; i++)
        {
            if (SameWritten.Are(moves[i].Apply(work.House).FindEndpoint(Laptop.Id), work.Laptop)) continue;
            isMoved = true;
            if (moves[i] is PlugLaptop plug && i + 1 < moves.Length && moves[i + 1] is SetLaptopAddress { Address: null } automatic)
            {
                Plug(work, plug, automatic);
                i++;
            }
            else Move(work, moves[i]);
        }
        return isMoved;
    }

    private static void Move(WorkInProgress work, InstallerAction move)
    {
        switch (move)
        {
            case PlugLaptop plug: Plug(work, plug); break;
            case JoinLaptop join: Join(work, join); break;
            case SetLaptopAddress { Address: { } own }: FixAddress(work, own); break;
            case SetLaptopAddress: Automatic(work); break;
            default: Out(work); break;
        }
    }

    /// <summary>Out of the socket that a task needs.</summary>
    public static void Out(WorkInProgress work) =>
        work.Step(new(StepKind.LaptopOut, "Laptop out",
            "Take your laptop out: the plan needs that socket")
        { Actions = [new PutLaptopAway()] });

    public static void Plug(WorkInProgress work, PlugLaptop plug, params ImmutableArray<InstallerAction> also) =>
        work.Step(new(StepKind.PlugLaptop, "Laptop there", $"Plug your laptop into {work.House.SocketName(plug.To)}")
        {
            Actions = [plug, .. also],
            NeedsLaptop = true,
            Expect = after => after.LaptopShows(),
            Cautions = [.. SafetyCautions.OfInjector(work.House, plug.To, null),
                "Turn the laptop's Wi-Fi off, or it may talk to another box than the one on the cable."],
        });

    public static void Join(WorkInProgress work, JoinLaptop join) =>
        work.Step(new(StepKind.JoinLaptop, "Join there", $"Join Wi-Fi {join.Ssid} of {work.House.NameOf(join.Near)}")
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
        { Key: { } sold } when KitKind.IsOnLabel(sold) => "Its key is on its label.",
        { Key: var key } when key == KeyForNow(join.Near) => "Its key is the one that you have given it for now.",
        { Key: var key } => $"Its key is the password kept as {key}.",
    };

    public static void Automatic(WorkInProgress work) =>
        work.Step(new(StepKind.LaptopAutomatic, "Automatic again",
            $"Set your {work.Hands.Word()} back to automatic addressing")
        {
            Actions = [new SetLaptopAddress()],
            NeedsLaptop = true,
            Expect = after => after.LaptopShows()
        });

    public static void FixAddress(WorkInProgress work, InterfaceAddress own) =>
        work.Step(new(StepKind.LaptopFixed, $"{(work.Hands == Hands.Phone ? "Phone" : "Laptop")} address",
            $"Give your {work.Hands.Word()} the fixed address {own.Address}")
        {
            Actions = [new SetLaptopAddress(own)],
            NeedsLaptop = true,
            Changes = [new("IP address", "automatic", own.Address.ToString()),
                new("Subnet mask", null, new Ipv4Address(own.Prefix.Mask).ToString()), new("Gateway", null, "leave empty")],
            Expect = after => after.LaptopShows(),
            Cautions = ["Set it back to automatic afterwards, or it will connect without internet elsewhere."],
        });
}
