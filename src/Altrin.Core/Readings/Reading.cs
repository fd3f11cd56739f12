using System.Collections.Immutable;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Readings;

/// <summary>One thing that a laptop, a thing's own panel or a box's lamp shows. A value: what was expected and what was seen are of one kind and
/// can be compared; words are made of it when somebody reads it.</summary>
public abstract record Reading
{
    private protected Reading() { }
}

/// <summary>By what an interface came to its address.</summary>
public enum AddressSource { Leased, Fixed, LinkLocal, None }

/// <param name="Address">Null for <see cref="AddressSource.None"/>; of a link-local one whatever it gave itself.</param>
/// <param name="Server">Who leased it; null where nobody did, or where it does not show.</param>
public sealed record HeldAddress(AddressSource Source, InterfaceAddress? Address = null, string? Server = null);

/// <summary>The address of the laptop, or of a thing.</summary>
/// <param name="Ways">One; several where chance decides between servers.</param>
public sealed record AddressReading(string Who, ImmutableArray<HeldAddress> Ways) : Reading;

/// <param name="Any">One; several where chance decides.</param>
public sealed record GatewayReading(ImmutableArray<Ipv4Address> Any) : Reading;

/// <summary>The name servers that came with a lease or were set.</summary>
public sealed record DnsReading(ImmutableArray<Ipv4Address> Servers) : Reading;

public sealed record InternetReading(string Who, Answer Reachable) : Reading;

/// <param name="Layers">Translations on the way, a carrier's included.</param>
public sealed record NatLayersReading(int Layers) : Reading;

/// <summary>Whether the settings page of a box opens at an address.</summary>
public sealed record PageReading(string Device, Ipv4Address At, bool Opens) : Reading;

/// <summary>Whether anybody answers at an address.</summary>
public sealed record PingReading(Ipv4Address At, bool Answers) : Reading;

/// <summary>A box's own address, as its page shows it.</summary>
public sealed record OwnAddressReading(string Device, InterfaceAddress? Address) : Reading;

/// <summary>A box's outside address, as its page shows it.</summary>
/// <param name="IsKnown">Seen or agreed; else the house is played with a stand-in, and all that shows is an address of the provider's.</param>
public sealed record OutsideAddressReading(string Device, Ipv4Address Address, bool IsKnown) : Reading;

/// <summary>Whether something stands in the list of devices that a box's own page shows.</summary>
/// <param name="Device">The box whose list it is: the one that leased the address.</param>
/// <param name="Who">The thing or box whose MAC it is.</param>
public sealed record ClientReading(string Device, MacAddress Mac, string Who, bool IsThere) : Reading;

/// <summary>Whether a name stands in the list of Wi-Fi networks that a laptop beside the box shows.</summary>
public sealed record SsidReading(string Ssid, bool IsThere) : Reading;

public sealed record LampReading(string Device, Lamp Shows) : Reading;

/// <summary>A want of the household, tried.</summary>
public sealed record WantReading(string Need, string Sentence, Answer Met) : Reading;
