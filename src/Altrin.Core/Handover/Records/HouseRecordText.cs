using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Records;

/// <summary>The record of a house: what is there, what was changed, what holds, what the household and the next installer must know. What
/// only a job
/// knows is not noted.</summary>
internal sealed class HouseRecordText
{
    private const string NotNoted = "not noted";

    private readonly NetworkDocument? found;
    private readonly Evaluation left;
    private readonly HandoverGround ground;
    private readonly RecordNotes notes;
    private readonly List<RecordPart> parts = [];

    /// <param name="found">As the house was; null where nothing was planned.</param>
    private HouseRecordText(NetworkDocument? found, Evaluation left, RecordNotes notes)
    {
        (this.found, this.left, this.notes) = (found, left, notes);
        ground = new(left.State);
    }

    private NetworkDocument House => ground.House;

    public static IReadOnlyList<RecordPart> Of(NetworkDocument? found, Evaluation left, RecordNotes notes) =>
        new HouseRecordText(found, left, notes).Write();

    private List<RecordPart> Write()
    {
        Head(2, "The chain");
        Chain();
        Head(2, "The boxes");
        foreach (var box in House.Devices) Box(box);
        if (found is not null)
        {
            Head(2, "What changed");
            List(ChangeWords.Between(found, House), "Nothing was changed.");
        }
        Head(2, "Wants");
        Wants();
        Head(2, "Tested and seen");
        List(notes.Tested, $"What was tested, what was seen, who did it and when: {NotNoted}.");
        Head(2, "Left alone");
        List(LeftAlone(), "Nothing was left alone on purpose.");
        Head(2, "Cautions");
        List(left.Findings.Select(finding => Told(finding)), "None.");
        Head(2, "Good to know");
        List(HouseholdText.GoodToKnow(ground), "");
        Head(2, "For the next installer");
        List(ForTheNext(), "");
        return parts;
    }

    private void Head(int level, string text) => parts.Add(RecordPart.Heading(level, text));

    private void Line(string text) => parts.Add(RecordPart.Line(text));

    private void List(IEnumerable<string> items, string none)
    {
        if (items.ToList() is { Count: > 0 } all) parts.Add(RecordPart.List(all));
        else if (none.Length > 0) Line(none);
    }

    private static string Name(string name) => Isolated.Name(name);

    private static string Told(Finding finding) => finding.IsSaidWithTitle ? $"{finding.Title}: {finding.Message}" : finding.Message;

    private void Chain()
    {
        if (House.Line is not { } line) Line("No line comes in.");
        else Line($"The line{(line.Technology is { } kind ? $" ({Words<Technology>.Of(kind)})" : "")} enters {Name(House.NameOf(line.Device))}, "
            + $"{House.FindDevice(line.Device) switch { { } box => Naming.PortName(box, line.Port), _ => line.Port }}.");
        List(House.Devices.Select(Way).OfType<string>(), "");
    }

    /// <summary>On what a box hangs; null for the one at the line.</summary>
    private string? Way(Device box)
    {
        if (box.Off == true) return $"{Name(box.Name)} is switched off.";
        if (ground.State.AirMap.WayUp(box.Id) is { } up)
            return $"{Name(box.Name)} ({box.Mode.Say()}) hangs on {Name(House.NameOf(up.Box))}, "
                + $"{(up.Cable is { } cable ? By(cable, box.Id) : "by radio")}.";
        if (House.Line?.Device == box.Id) return null;
        return ground.State.IsInUse(box.Id) ? $"{Name(box.Name)} ({box.Mode.Say()}) has no way to the line."
            : $"{Name(box.Name)} is not in use.";
    }

    private string By(Cable cable, string device)
    {
        var (own, other) = cable.A.Device == device ? (cable.A, cable.B) : (cable.B, cable.A);
        var kind = cable.Medium == Medium.Ethernet ? "cable" : Words<Medium>.Of(cable.Medium);
        var about = string.Join(", ",
            new[] { cable.Category, cable.LengthM is { } metres ? $"{Csv.Number(metres)} m" : null }.OfType<string>());
        return $"by {kind}{(about.Length > 0 ? $" ({about})" : "")} from {Port(other)} to its {Port(own)}";
    }

    private string Port(Socket socket) => House.FindDevice(socket.Device) is { } box ? Naming.PortName(box, socket.Port) : socket.Port;

    private void Box(Device box)
    {
        Head(3, Name(box.Name));
        var held = ground.Holders.OfLan(box);
        var items = new List<string> { $"Mode: {box.Mode.Say()}{(box.Room is { } room ? $", in {Name(ground.RoomOf(room)!)}" : "")}" };
        if (held.Address is { } own) items.Add(AddressLine(box, own, held.By));
        else if (held.By == HeldBy.Leased) items.Add("Address: leased, not known which");
        if (box.Mac is { } mac) items.Add($"MAC: {mac}");
        var sends = ground.OnAir(box).Select(network =>
            $"{Name(network.Ssid)} on {Words<Band>.Of(BandOf(box, network))} GHz{(network.Guest ? ", for guests" : "")}").ToList();
        if (sends.Count > 0) items.Add($"Wi-Fi: {string.Join("; ", sends)}");
        foreach (var port in box.Ports) items.Add($"{Naming.PortName(box, port.Id)}: {InSocket(new(box.Id, port.Id))}");
        items.Add($"Page password: {PasswordOf(box)}");
        items.Add($"Set by and when: {NotNoted}");
        parts.Add(RecordPart.List(items));
    }

    private string AddressLine(Device box, InterfaceAddress own, HeldBy by)
    {
        var how = by == HeldBy.Fixed ? "fixed" : "leased";
        return ground.PageOf(box) is { } page ? $"Address: {own}, {how}. Its page: {page}" : $"Address: {own}, {how}";
    }

    private string PasswordOf(Device box) =>
        notes.PasswordsNoted.Contains(box.Id) ? "set and noted" : box.DefaultPassword == true ? "as sold" : NotNoted;

    private static Band BandOf(Device box, WifiNetwork network) => box.Radios.First(radio => radio.Id == network.Radio).Band;

    private string InSocket(Socket socket)
    {
        if (House.Line?.Socket == socket) return "the line";
        if (House.Cables.FirstOrDefault(cable => cable.A == socket || cable.B == socket) is { } cable)
        {
            var far = cable.A == socket ? cable.B : cable.A;
            return $"{Name(House.NameOf(far.Device))}, {Port(far)}";
        }
        var things = House.Endpoints.Where(thing => thing.Connect?.Socket == socket).Select(thing => Name(thing.Name)).ToList();
        return things.Count == 0 ? "free" : string.Join(", ", things);
    }

    private void Wants()
    {
        if (left.Wants.IsEmpty)
        {
            Line("No wants were noted.");
            return;
        }
        var before = found is null ? null : Evaluation.Of(found).Wants.ToDictionary(want => want.Need, Say);
        parts.Add(RecordPart.Table(left.Wants.Select(want => before is null ? ImmutableArray.Create(want.Sentence, Say(want))
            : [want.Sentence, before.GetValueOrDefault(want.Need, "—"), Say(want)]).Prepend(before is null ? ["Want", "Now"]
                : ["Want", "Found", "Left"])));
    }

    private static string Say(NeedVerdict want) => want.Met switch { Answer.Yes => "holds", Answer.No => "fails", _ => "depends" };

    private IEnumerable<string> LeftAlone()
    {
        foreach (var box in House.Devices.Where(box =>
            box.LeaveAsFound == true)) yield return $"{Name(box.Name)}: its settings were to stay as found.";
        foreach (var box in House.Devices.Where(box =>
            box.KeptApart == true)) yield return $"{Name(box.Name)}: what is behind it is kept apart, as the household wants it.";
    }

    private IEnumerable<string> ForTheNext()
    {
        foreach (var row in AddressTable.Rows(ground))
            yield return $"{row.Address} in {row.Subnet}: {Name(House.NameOf(row.Holder))}, {SayRole(row.Role)}";
        foreach (var box in House.Devices)
        {
            foreach (var forward in box.PortForwards)
                yield return $"{Name(box.Name)} forwards {Words<TransportProtocol>.Of(forward.Protocol)} {forward.Port} "
                    + $"to {forward.ToAddress}, port {forward.ToPort ?? forward.Port}.";
            if (box.DmzHost is { } dmz) yield return $"{Name(box.Name)} sends whatever else comes in to {dmz}.";
        }
        foreach (var box in House.Devices.Where(box => box.Hardware is not null || box.Firmware is not null))
            yield return $"{Name(box.Name)}: hardware {box.Hardware ?? NotNoted}, firmware {box.Firmware ?? NotNoted}.";
        yield return "Passwords are not in this record.";
    }

    private static string SayRole(AddressRole role) => role switch
    {
        AddressRole.Gateway => "router and gateway",
        AddressRole.Box => "box",
        AddressRole.Fixed => "fixed at the thing",
        AddressRole.Reserved => "reserved",
        AddressRole.Leased => "leased",
        AddressRole.PoolFirst => "first of its pool",
        AddressRole.PoolLast => "last of its pool",
        _ => throw new InvalidOperationException($"{role} is not handled."),
    };
}
