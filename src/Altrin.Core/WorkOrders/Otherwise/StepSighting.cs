using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Otherwise;

/// <summary>What an installer may see instead of what a step said.</summary>
[JsonConverter(typeof(WordConverter<SeenInstead>))]
public enum SeenInstead
{
    /// <summary>The page does not open: nobody answers at its address.</summary>
    Nothing,

    /// <summary>The Wi-Fi to be joined is not in the list.</summary>
    NoNetwork,

    /// <summary>The page of another box opens.</summary>
    OtherPage,

    /// <summary>A page that wants something first: a wizard, a new password.</summary>
    AsksFirst,

    /// <summary>The box came back at another address.</summary>
    OtherAddress,

    NoInternet,

    /// <summary>A want of the household does not hold.</summary>
    WantFails,

    /// <summary>What is to be set cannot be pressed.</summary>
    GreyedOut,

    /// <summary>The work stops here.</summary>
    GaveUp,
}

/// <param name="Address">With <see cref="SeenInstead.OtherAddress"/>.</param>
/// <param name="Device">With <see cref="SeenInstead.OtherPage"/>: whose page it was.</param>
/// <param name="Need">With <see cref="SeenInstead.WantFails"/>.</param>
public sealed record StepSighting(SeenInstead What, Ipv4Address? Address = null, string? Device = null, string? Need = null)
{
    /// <summary>What can be seen at a step at all: no page that does not open where none is opened.</summary>
    public static IEnumerable<SeenInstead> PossibleAt(WorkStep step)
    {
        var hasPage = step.Open is not null || step.Readings.Any(reading => reading is PageReading or OwnAddressReading);
        if (hasPage)
        {
            yield return SeenInstead.Nothing;
            yield return SeenInstead.OtherPage;
            // Where the Wi-Fi is proved its page is a look beside it: it was logged in to before.
            if (step.Kind != StepKind.ProveWifi)
            {
                yield return SeenInstead.AsksFirst;
                yield return SeenInstead.OtherAddress;
            }
        }
        if (NetworkOf(step) is not null) yield return SeenInstead.NoNetwork;
        if (step.Readings.Any(reading => reading is InternetReading { Reachable: Answer.Yes })) yield return SeenInstead.NoInternet;
        if (step.Readings.Any(reading => reading is WantReading { Met: Answer.Yes })) yield return SeenInstead.WantFails;
        if (step.Open is not null && !step.Actions.IsEmpty) yield return SeenInstead.GreyedOut;
        yield return SeenInstead.GaveUp;
    }

    /// <summary>The network that somebody joins by this step, or that it sets up.</summary>
    internal static (string Ssid, string? Device)? NetworkOf(WorkStep step)
    {
        foreach (var action in step.Actions)
            switch (action)
            {
                case JoinLaptop join: return (join.Ssid, join.Near);
                case SetUplink { Uplink: { } uplink }: return (uplink.Ssid, uplink.Near);
                case SetWifi { Network: { Enabled: true } network } set: return (network.Ssid, set.Device);
                case ConnectEndpoint { To: Attachment.Join thing }: return (thing.Ssid, thing.Near);
            }
        return null;
    }
}
