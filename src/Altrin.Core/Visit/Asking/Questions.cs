using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Visit.Asking;

/// <summary>Which questions decide a job, and what the house already answers. All else may stay open. Common practice, no source.</summary>
public static class Questions
{
    public static JobInWords Of(NetworkState found, string words)
    {
        if (JobWords.Of(found.House, words) is not { } job)
            return new(null, "", null, string.IsNullOrWhiteSpace(words) ? ""
                : $"No job is known by these words. Say what is to be done and where, such as “{JobWords.Examples[0]}”.", [],
                [.. JobWords.Examples]);
        var asker = new Asker(found, job);
        var says = asker.Room is { } room ? $"{job.Says}: {Rooms.Say(found.House, room)}" : job.Says;
        return new(job.Sort, job.Part, asker.Room, says, [.. For(job.Sort, asker).OfType<Question>()], [.. JobWords.Examples]);
    }

    private static IEnumerable<Question?> For(JobSort sort, Asker asker) => sort switch
    {
        JobSort.AccessPoint =>
            [asker.Provider(), asker.Pool(), asker.ForRoom(), asker.TheBox(), asker.Past(), asker.Cable(), asker.OwnName()],
        JobSort.Repeater => [asker.Pool(), asker.ForRoom(), asker.TheBox(), asker.Past(), asker.Cable(), asker.OwnName()],
        JobSort.Bridge =>
            [asker.Pool(), asker.ForRoom(), asker.TheBox(), asker.Past(), asker.Cable(),
            asker.Things("What is plugged into it there?",
            "A bridge serves what is wired to it; for phones there it must send Wi-Fi too.")],
        JobSort.TwoHouses =>
            [asker.Pool(), asker.TheBox(), asker.Past(), asker.Apart(),
            asker.Things("What is in the other house?", "Wired things alone need a bridge, phones need Wi-Fi there too.")],
        JobSort.OwnRouter =>
            [asker.Provider(), asker.Outside(), asker.TheBox(), asker.Past(),
            asker.Things("What hangs on the gateway’s sockets?", "It moves to the own router, or it is left in another network."),
            asker.KeepName()],
        JobSort.OwnNetwork =>
            [asker.ForRoom(), asker.TheBox(), asker.Past(), asker.Cable(),
            asker.Things("What must be found from both sides: printer, storage, television?",
            "Across two networks a search does not find it: then one network is better.")],
        JobSort.Mesh => [asker.Provider(), asker.TheBox(), asker.ForRoom(), asker.Cable(), asker.KeepName()],
        _ => throw new InvalidOperationException($"{sort} is not handled."),
    };
}

/// <summary>One method a question; null where the house has no such question.</summary>
internal sealed class Asker
{
    private readonly NetworkDocument house;
    private readonly Device? gateway;
    private readonly Device? box;

    public Asker(NetworkState found, JobWords job)
    {
        house = found.House;
        gateway = house.Line is { } line ? house.FindDevice(line.Device) : null;
        var brought = house.Devices.Where(one => !found.IsInUse(one.Id) && one != gateway).ToList();
        Room = job.Room ?? brought.SelectMany(one => one.Serves.IsDefault ? [] : one.Serves).FirstOrDefault();
        box = brought.FirstOrDefault(one => Room is not null && !one.Serves.IsDefaultOrEmpty
            && one.Serves.Any(room => Rooms.AreSame(house, room, Room)))
            ?? brought.FirstOrDefault(one => one.Serves.IsDefaultOrEmpty);
    }

    /// <summary>The room that the job is for; null where nobody has said it.</summary>
    public string? Room { get; }

    public Question? Provider() => gateway is null ? null : new("provider", $"May {gateway.Name} be opened and set?",
        "The provider’s terms decide it; what is left alone keeps its settings, and its sockets may be used.", AskedBy.Press, gateway.Id,
            StopKind.LeaveAlone,
        gateway.LeaveAsFound switch { true => "it is left alone", false => "it may be set", null => null },
        [
            new("it may be set", [new DescribeDevice(gateway with { LeaveAsFound = false })]),
            new("leave it alone", [new DescribeDevice(gateway with { LeaveAsFound = true })]),
        ]);

    public Question? Pool() => gateway?.Lan?.DhcpServer is not { Enabled: true } server || !gateway.Traits.RunsServer ? null
        : new("pool", $"Which addresses does {gateway.Name} give out?", "A fixed address for the new box must lie outside them.",
            AskedBy.Pool, gateway.Id, StopKind.Gateway,
            server.IsPoolUnknown ? null : $"{server.Start} to {server.End}", []);

    public Question? ForRoom() =>
        new("room", "For which room?", "It decides which cable reaches it, and what Wi-Fi gives there.", AskedBy.Words, null,
        StopKind.Rooms,
        Room is { } room ? Rooms.Say(house, room) : null, []);

    public Question? TheBox() =>
        new("box", "Which box was brought?", "Its kind decides what it can be.", AskedBy.Box, box?.Id, StopKind.Box, box?.Name, []);

    public Question? Past() =>
        box is null ? null
        : new("past", $"Has {box.Name} been used before?", "A box with a past is reset first: nobody knows what is set in it.",
        AskedBy.Press, box.Id, StopKind.Box,
        box.UsedBefore switch { true => "it has a past", false => "it is new", null => null },
        [new("it has", [new DescribeDevice(box with { UsedBefore = true })]),
            new("it is new", [new DescribeDevice(box with { UsedBefore = false })])]);

    public Question? Cable()
    {
        if (gateway?.Room is not { } home || Room is not { } room || Rooms.AreSame(house, home, room)) return null;
        var there = house.Runs.FirstOrDefault(run => run.Laid && Rooms.AreJoined(house, run, home, room));
        return new("cable", $"{Rooms.Say(house, home)} to {Rooms.Say(house, room)}: is there a cable?",
            "By cable it gives the whole rate; by radio half of it or less.", AskedBy.Press, null, StopKind.Rooms,
            there?.Medium switch
            {
                null => null,
                Medium.Powerline => "over the mains",
                Medium.Coax => "an aerial cable lies there",
                _ => "a data cable lies there"
            },
            [
                new("a data cable lies there", [new NoteRun(home, room, Medium.Ethernet)]),
                new("over the mains (powerline)", [new NoteRun(home, room, Medium.Powerline)]),
                new("an aerial cable lies there", [new NoteRun(home, room, Medium.Coax)]),
                new("none", []),
            ]);
    }

    public Question? OwnName() =>
        new("name", "Shall it send the household’s Wi-Fi name, or one of its own?",
        "Under one name things move over by themselves; under its own one chooses.", AskedBy.Press, null, StopKind.Box,
        house.Needs.Any(need => need is Need.OneName) ? "one name" : house.Needs.Any(need => need is Need.OwnNames) ? "names of their own"
            : null,
        [
            new("the household’s", [new SetNeed(new Need.OneName { Id = FreshNeed() })]),
            new("its own", [new SetNeed(new Need.OwnNames { Id = FreshNeed() })]),
        ]);

    public Question? KeepName()
    {
        if (house.Devices.SelectMany(one => one.Wifi).FirstOrDefault(one => !one.Guest && one.Enabled
            && one.Key is not null) is not { } known) return null;
        return new("kept-name", $"Shall the Wi-Fi stay “{known.Ssid}”?", "Then nothing in the house has to be joined again.",
            AskedBy.Press, null, StopKind.Gateway,
            house.Needs.OfType<Need.KeepName>().FirstOrDefault() is { } kept ? $"“{kept.Ssid}” stays" : null,
            [new("it stays", [new SetNeed(new Need.KeepName { Id = FreshNeed(), Ssid = known.Ssid, Key = known.Key })]),
                new("a new name will do", [])]);
    }

    public Question? Outside() => house.Line is not { } line ? null : new("outside", "Which outside address does the gateway’s page show?",
        "One from 100.64.0.0/10 is shared among customers (RFC 6598): then nothing from outside can be let in, whatever is set.",
            AskedBy.Press, line.Device, StopKind.Line,
        line.Seen is { } seen ? $"{seen.Address.Address}" : line.Addressing is LineAddressing.Shared ? "a shared one" : null,
        [new("a shared one", [new SetLine(line with { Addressing = LineAddressing.Shared })]), new("another, or not looked", [])]);

    public Question? Things(string asks, string why) => new("things", asks, why, AskedBy.Stop, null, StopKind.Things,
        house.Endpoints.IsEmpty ? null : house.Endpoints.Length == 1 ? house.Endpoints[0].Name
            : $"{house.Endpoints[0].Name} and {house.Endpoints.Length - 1} more", []);

    public Question? Apart() =>
        new("apart", "How far apart are the houses, and what walls are between?",
        "It decides whether radio carries, and with what aerial.", AskedBy.Stop, null, StopKind.Rooms,
        house.Buildings.FirstOrDefault(one => one.DistanceM is not null) is { DistanceM: { } metres } ? $"{metres:0.#} m" : null, []);

    private string FreshNeed()
    {
        var n = house.Needs.Length + 1;
        while (house.Needs.Any(one => one.Id == $"n{n}")) n++;
        return $"n{n}";
    }
}
