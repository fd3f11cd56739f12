using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>The installer's own laptop is not where, or not as, it is thought to be.</summary>
internal static class LaptopCauses
{
    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        if (ground.Ground.LastPlace < 0) return [];
        var here = ground.Ground.Places[ground.Ground.LastPlace];
        return CauseGround.Variants(Elsewhere(ground, here)).Concat(CauseGround.Variants(Fixed(ground, here)));
    }

    private static IEnumerable<Cause> Elsewhere(CauseGround ground, LaptopPlace here)
    {
        var places = new List<Attachment>();
        if (here.Connect?.Socket is { } socket && ground.House.FindDevice(socket.Device) is { } box)
            places.AddRange(box.Ports.Select(port => new Socket(box.Id, port.Id)).Where(one => one != socket
                && ground.House.OccupantOf(one) is null).Select(Attachment.To));
        var key = Ground.KeyOf(here);
        places.AddRange(Ground.Networks(ground.House, ground.State).Where(join => Ground.KeyOf(here with { Connect = join }) != key));
        foreach (var place in places)
        {
            var words = place.Match(plug => $"in {ground.Socket(plug.Into)}",
                join => $"on the Wi-Fi {join.Ssid} of {ground.House.NameOf(join.Near ?? "")}");
            yield return CauseGround.One("laptop-elsewhere", $"Your laptop is {words}.", "laptop", house => house, ("connect", place)) with
            { Laptop = here with { Connect = place } };
        }
    }

    private static IEnumerable<Cause> Fixed(CauseGround ground, LaptopPlace here)
    {
        if (here.Address.Method != EndpointMethod.Dhcp) yield break;
        var segment = here.Connect?.Match(plug => ground.State.SegmentOf(plug.Into), join => join.Near is { } near
            ? ground.State.InsideOf(near) : -1) ?? -1;
        var near = segment < 0 ? [] : ground.State.SubnetsOn(segment).ToList();
        var labels = ground.House.Devices.Select(box => box.Label?.DefaultAddress).OfType<Ipv4Address>()
            .Select(label => Prefix.Of(label, InterfaceAddress.BareLength)).Distinct();
        foreach (var subnet in labels.Where(subnet => !near.Contains(subnet)))
        {
            var address = new InterfaceAddress(subnet.Network.Plus(50), subnet.Length);
            yield return CauseGround.One("laptop-fixed", $"Your laptop still has the fixed address {address.Address}.", "laptop",
                house => house,
                ("address", $"{address.Address}")) with
            { FixedLaptop = new() { Method = EndpointMethod.Static, Address = address } };
        }
    }
}
