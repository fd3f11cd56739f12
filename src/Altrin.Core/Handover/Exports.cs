using Altrin.Core.Documents;
using Altrin.Core.Handover.Chains;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Records;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Handover;

/// <summary>What is asked for.</summary>
/// <param name="Found">The house as found.</param>
/// <param name="Planned">The house as planned; null where nothing was.</param>
/// <param name="At">When the visit begins, by the clock on the wall.</param>
public sealed record ExportRequest(NetworkDocument Found, NetworkDocument? Planned, DateTime At)
{
    /// <summary>What only a job knows.</summary>
    public RecordNotes Notes { get; init; } = RecordNotes.None;
}

/// <summary>One kind of what goes out.</summary>
/// <param name="Kind">Its name, which is the file's too.</param>
/// <param name="Says">What it holds, in a few words.</param>
/// <param name="MediaType">As the web calls it.</param>
/// <param name="Extension">Of a file that is saved; empty where the kind is a file name already.</param>
/// <param name="Write">Null where it cannot be made of these documents.</param>
public sealed record ExportKind(string Kind, string Says, string MediaType, string Extension, Func<ExportRequest, string?> Write)
{
    /// <summary>It cannot be made without a plan.</summary>
    public bool NeedsPlan { get; init; }
}

/// <summary>Everything that a house can be handed over as, made of documents alone. Section 8 of the format.</summary>
public static class Exports
{
    private const string Csv = "text/csv";

    public static readonly IReadOnlyList<ExportKind> All =
    [
        Of("boxes.csv", "The boxes as a table", Csv, BoxTable.Write),
        Of("things.csv", "Devices on the network as a table", Csv, ThingTable.Write),
        Of("addresses.csv", "Every address with its holder", Csv, AddressTable.Write),
        Of("cables.csv", "The cables as a table", Csv, CableTable.Write),
        Of("networks.csv", "The Wi-Fi networks as a table", Csv, NetworkTable.Write),
        new("record.md", "The record of the house, as Markdown", "text/markdown", "",
            asked => RecordWriter.Markdown(Left(asked).Name, RecordOf(asked))),
        new("record.html", "The record of the house, as a page", "text/html", "",
            asked => RecordWriter.Html(Left(asked).Name, RecordOf(asked))),
        Of("stairs.svg", "The Stairs as a picture", "image/svg+xml", StairsPicture.Write),
        Of("chain.graphml", "Who hangs on whom, as a graph (GraphML)", "application/graphml+xml", GraphMl.Write),
        Of("chain.dot", "Who hangs on whom, as a graph (DOT)", "text/vnd.graphviz", Dot.Write),
        Of("hosts", "Host names of fixed and reserved addresses", "text/plain", HostFiles.Hosts),
        Of("dnsmasq", "The same as reservations for dnsmasq", "text/plain", HostFiles.Dnsmasq, ".conf"),
        new("visit.ics", "The work as an appointment", "text/calendar", "", Visit) { NeedsPlan = true },
        new("altrin.network/1", "The document itself", "application/json", ".json", asked => NoStrangeFields.Write(Left(asked))),
    ];

    public static ExportKind? Find(string kind) => All.FirstOrDefault(one => one.Kind == kind);

    private static ExportKind Of(string kind, string says, string mediaType, Func<HandoverGround, string> write, string extension = "") =>
        new(kind, says, mediaType, extension, asked => write(new(Simulator.Run(Left(asked)))));

    private static NetworkDocument Left(ExportRequest asked) => asked.Planned ?? asked.Found;

    /// <summary>The record of a house as it is left.</summary>
    public static IReadOnlyList<RecordPart> RecordOf(ExportRequest asked) =>
        HouseRecordText.Of(asked.Planned is null ? null : asked.Found, Evaluation.Of(Left(asked)), asked.Notes);

    /// <summary>One page for the household, in plain words.</summary>
    public static IReadOnlyList<RecordPart> HouseholdPageOf(NetworkDocument house) => HouseholdText.Of(new(Simulator.Run(house)));

    /// <summary>The networks on the air, each name once for each password.</summary>
    public static IEnumerable<WifiNetwork> NetworksOf(NetworkDocument house) => new HandoverGround(Simulator.Run(house)).Networks;

    /// <summary>What the record still lacks.</summary>
    /// <param name="keysNoted">Names of Wi-Fi keys whose passwords are kept with the job.</param>
    public static IEnumerable<MissingNote> GapsOf(NetworkDocument house, RecordNotes notes, IReadOnlySet<string> keysNoted) =>
        RecordGaps.Of(house, NetworksOf(house), notes, keysNoted);

    /// <summary>The boxes, each with the address of its page; null for one without.</summary>
    public static IEnumerable<(Device Box, string? Page)> PagesOf(NetworkDocument house)
    {
        var ground = new HandoverGround(Simulator.Run(house));
        return house.Devices.Select(box => (box, ground.PageOf(box)));
    }

    private static string? Visit(ExportRequest asked)
    {
        if (asked.Planned is null) return null;
        var order = OrderWays.Of(asked.Found, asked.Planned).Best;
        return order.Gaps.Any(gap => gap.Kind == GapKind.NotAsPlanned) ? null
            : VisitCalendar.Write(asked.Found, asked.Planned, order, asked.At);
    }
}
