using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>Boxes at another address than was set, and things that hold a box's address.</summary>
internal static class AddressCauses
{
    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        foreach (var box in ground.InUse)
        {
            if (box.Lan is not { Method: LanMethod.Static, Address: { } own }) continue;
            if (box.Label?.DefaultAddress is { } label && label != own.Address)
                yield return CauseGround.OfBox("label-address", box, $"{box.Name} is still at {label}, the address on its label.",
                    "address",
                    one => At(one, new(label, InterfaceAddress.BareLength)));
            foreach (var cause in CauseGround.Variants(Slips(own).Select(slip => CauseGround.OfBox("address-slip", box,
                $"{box.Name} is at {slip}, a digit away from {own.Address}.", "address", one => At(one, new(slip, own.Prefix.Length)),
                ("address", $"{slip}"))))) yield return cause;
            if (ground.State.Lan(box.Id) is not { Outcome: LeaseOutcome.Static, Segment: >= 0 and var segment }) continue;
            var things = ground.House.Endpoints.Where(thing => ground.State.Net(thing.Id)?.Segment == segment
                && thing.Address.Address?.Address != own.Address);
            foreach (var cause in CauseGround.Variants(things.Select(thing => Same(ground, box, own, thing)))) yield return cause;
        }
    }

    private static Device At(Device box, InterfaceAddress address) =>
        box with { Lan = (box.Lan ?? new()) with { Method = LanMethod.Static, Address = address } };

    private static Cause Same(CauseGround ground, Device box, InterfaceAddress own, Endpoint thing)
    {
        var held = ground.State.Net(thing.Id)!.Candidates.FirstOrDefault();
        var address = new EndpointAddress { Method = EndpointMethod.Static, Address = own, Gateway = held?.Gateway, Dns = held?.Dns ?? [] };
        return CauseGround.One("same-address", $"{thing.Name} has {own.Address} set by hand, the address of {box.Name}.",
            $"{thing.Id}.address",
            house => house.WithEndpoint(thing.Id, one => one with { Address = address }), ("device", box.Id), ("endpoint", thing.Id));
    }

    /// <summary>One digit of the third or fourth number one up or down; two neighbouring digits of the fourth swapped, one of them left out
    /// or typed twice. Only usable addresses of the subnet's size.</summary>
    internal static ImmutableArray<Ipv4Address> Slips(InterfaceAddress own)
    {
        var bytes = own.Address.ToString().Split('.');
        var texts = new List<string>();
        foreach (var place in (ReadOnlySpan<int>)[2, 3])
            for (var i = 0; i < bytes[place].Length; i++)
                foreach (var step in (ReadOnlySpan<int>)[1, -1])
                    if (bytes[place][i] + step is >= '0' and <= '9' and var digit) Add(place,
                        bytes[place][..i] + (char)digit + bytes[place][(i + 1)..]);
        var last = bytes[3];
        for (var i = 0; i + 1 < last.Length; i++) Add(3, last[..i] + last[i + 1] + last[i] + last[(i + 2)..]);
        for (var i = 0; i < last.Length; i++)
        {
            if (last.Length > 1) Add(3, last[..i] + last[(i + 1)..]);
            Add(3, last[..(i + 1)] + last[i..]);
        }
        return [.. texts.Distinct().Select(Ipv4Address.Parse).Where(one => one != own.Address
            && Prefix.Of(one, own.Prefix.Length).IsUsable(one))];

        void Add(int place, string number)
        {
            if (number.Length > 1 && number[0] == '0' || number.Length > 3
                || int.Parse(number, System.Globalization.CultureInfo.InvariantCulture) > 255) return;
            texts.Add(string.Join('.', bytes.Select((one, i) => i == place ? number : one)));
        }
    }
}
