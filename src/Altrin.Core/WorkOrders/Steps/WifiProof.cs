using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>The Wi-Fi that was made is proved by joining it, as the household will (section 5 of the format): an address, the internet, the
/// rate beside it.</summary>
/// <param name="Moves">What brings the laptop, or the phone, onto it.</param>
/// <param name="Rivals">Other boxes that send the same name with the same key, by name.</param>
internal sealed record WifiProof(Device Box, JoinLaptop Join, ImmutableArray<InstallerAction> Moves, ImmutableArray<string> Rivals,
    bool IsBeside)
{
    /// <returns>Null where the box sends no Wi-Fi of the household, or where it is not known which box is joined.</returns>
    public static WifiProof? Of(WorkInProgress work, Device box, bool isBeside)
    {
        foreach (var join in Spots.ByAir(work.House, work.State, box.Id)
            .Where(join => join.Near == box.Id && join.Security != WifiSecurity.Open))
        {
            var rivals = work.House.Devices.Where(other => other.Id != box.Id && other.SendsWifi && work.State.IsInUse(other.Id)
                && other.Wifi.Any(one => one is { Enabled: true, Guest: false } && (one.Ssid, one.Key) == (join.Ssid, join.Key)))
                .Select(other => other.Name).ToImmutableArray();
            // Beside the main box nobody can tell which of two of one name was taken.
            if (isBeside && !rivals.IsEmpty) return null;
            ImmutableArray<InstallerAction> moves = work.Laptop?.Address.Method == EndpointMethod.Static
                ? [new SetLaptopAddress(), join] : [join];
            var there = Simulator.Run(moves.Apply(work.House));
            if (there.JoinedBox(Laptop.Id) == box.Id && there.Net(Laptop.Id)?.Outcome == LeaseOutcome.Leased)
                return new(box, join, moves, rivals, isBeside);
        }
        return null;
    }

    public void Write(WorkInProgress work)
    {
        var device = work.Hands switch { Hands.Laptop => "the laptop or a phone", Hands.NoSocket => "the laptop", _ => "the phone" };
        var where = Box.Room is { } room && !IsBeside ? $" in {Rooms.Say(work.House, room)}" : IsBeside ? $" beside {Box.Name}" : "";
        work.Step(new(StepKind.ProveWifi, "Join its Wi-Fi", $"Join {Join.Ssid} of {Box.Name} with {device}{where}")
        {
            About = Box.Id,
            Actions = Moves,
            NeedsLaptop = true,
            Expect = after => [.. after.LaptopShows(), .. after.PageReading(Box.Id), .. after.ListedAs(Box.Id)],
            Cautions = [.. Which(), .. IsBeside ? [] : Rate(work)],
        });
    }

    private IEnumerable<string> Which()
    {
        if (Rivals.IsEmpty) yield break;
        yield return $"{Rules.Facts.Join(Rivals)} {(Rivals.Length == 1 ? "sends" : "send")} {Join.Ssid} too: "
            + $"stand beside {Box.Name}, and turn the Wi-Fi of what you hold off and on, so that it takes the nearest.";
    }

    /// <summary>What a device near it may expect, to be held against what is measured there.</summary>
    private IEnumerable<string> Rate(WorkInProgress work)
    {
        var air = work.State.AirMap;
        var heard = air.HeardAt(air.Plan.PlaceOf(Box.Room, Box.At), -1)
            .Where(at => work.House.Devices[at.Source!.Device].Id == Box.Id && at.Expected.Printed > 0).MaxBy(at => at.Expected.Mbps);
        if (Box.Room is null || heard is null) yield break;
        yield return $"Measure there, the best of three. {RateWords.Say(work.House, heard.Expected, "a device beside it")}";
    }
}
