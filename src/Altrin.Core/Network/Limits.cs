using System.Text;

namespace Altrin.Core.Network;

/// <summary>How long and how big the values of a document may be. Asked by the reader, and so by everything that changes a house.</summary>
public static class Limits
{
    /// <summary>Letters of a name, a room, a word from a label.</summary>
    public const int NameLetters = 200;

    public const int IdLetters = 100;

    /// <summary>IEEE 802.11: an SSID is at most 32 octets.</summary>
    public const int SsidBytes = 32;

    public const double Mbps = 1_000_000, LengthM = 100_000;
    public const int Addresses = 200;

    /// <summary>Of a house whose air can be reckoned while somebody waits for it: every radio that sends is held against every other, every room and every neighbour.</summary>
    public const int MostSendingRadios = 600, MostRooms = 400, MostNeighbours = 1000, MostKinds = 500;
    public const int LeastChannel = 1, MostChannel = 233, LeastWidthMHz = 5, MostWidthMHz = 320;
    public const double LeastDbm = -30, MostDbm = 60;

    /// <summary>Why it cannot be a network's name; null when it can.</summary>
    public static string? WhyNoSsid(string ssid) => ssid.Length == 0
        ? "Empty. Write the network's name."
        : Encoding.UTF8.GetByteCount(ssid) > SsidBytes ? $"Longer than {SsidBytes} bytes, which no Wi-Fi name may be (IEEE 802.11). Shorten it." : null;

    /// <summary>Ids that the state, a trace or an order uses for something else.</summary>
    public static readonly IReadOnlyDictionary<string, string> ReservedIds = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase)
    {
        [Line.ProviderId] = "the provider",
        [Line.CarrierId] = "the provider’s own translation",
        [LaptopId] = "the installer’s laptop in a work order",
    };

    public const string LaptopId = "installer-laptop";
}
