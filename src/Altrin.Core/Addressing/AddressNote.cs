using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Addressing;

/// <summary>What an address would come to, told while it is typed.</summary>
/// <param name="Says">In a few words.</param>
/// <param name="IsGood">Nothing speaks against it.</param>
public sealed record AddressNote(string Says, bool IsGood)
{
    /// <param name="owner">The box or thing that would hold it.</param>
    /// <returns>Null while the text is no address yet.</returns>
    public static AddressNote? Of(NetworkState state, Stairs stairs, string owner, string text)
    {
        if (!Ipv4Address.TryParse(text.Trim().Split('/')[0], out var address)) return null;
        var segment = (state.Net(owner) ?? state.Lan(owner))?.Segment ?? -1;
        if (segment < 0) return new("it is plugged in nowhere yet", true);
        var rulers = Rulers.Of(state, stairs).Where(ruler => ruler.Segment == state.Segments[segment].Id).ToList();
        // What it makes itself is no subnet to be in.
        var others = state.OnSegment[segment].Where(one => one.Owner != owner && one.Routes && one.Address is not null).Select(one => one.Address!.Value.Prefix).ToHashSet();
        var here = rulers.Find(ruler => ruler.Prefix.Contains(address) && (others.Count == 0 || others.Contains(ruler.Prefix)));
        if (here is null) return others.Count == 0 ? new("nobody else makes a subnet here", true) : new($"outside the subnet {others.First()}{FirstFree(rulers.Find(ruler => ruler.Prefix == others.First()))}", false);
        if (!here.Prefix.IsUsable(address)) return new($"{(address == here.Prefix.Broadcast ? "the broadcast address" : "the network’s own address")}: no device may hold it{FirstFree(here)}", false);
        if (here.Marks.FirstOrDefault(mark => mark.Owner != owner && mark.Address == address && mark.Kind != MarkKind.Leased) is { } taken) return new($"{(taken.Kind == MarkKind.Reserved ? "kept for" : "taken by")} {taken.Name}{FirstFree(here)}", false);
        if (here.Pools.FirstOrDefault(pool => pool.Device != owner && address >= pool.Start && address <= pool.End) is { } pool)
            return new($"inside the pool of {pool.Name}{(pool.IsUnknown ? ", as far as anybody knows" : "")}{FirstFree(here)}", false);
        return new("free", true);
    }

    private static string FirstFree(Ruler? ruler) => ruler?.Free.FirstOrDefault(free => free.CanBeUsed) is { } free ? $"; first free is {free.Address.LastNumber}" : "";
}
