using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.order/1</c>: the work order from one document to another.</summary>
public static class OrderWriter
{
    public const string Format = "altrin.order/1";

    /// <summary>The order, the house it begins with, and the minutes during which somebody is cut off.</summary>
    public sealed record Proven(WorkOrder Order, NetworkDocument Start, int CutMinutes, ImmutableArray<string> Gaps);

    public static Proven Prove(NetworkDocument from, NetworkDocument to, CancellationToken cancel = default)
    {
        // Names, rooms and wants are written down, not worked for: they are the other document’s from the start.
        var start = Laptop.Away(from);
        foreach (var action in Difference.Actions(start, Laptop.Away(to)))
            if (action.IsRecord(start) && action.Problem(start) is null) start = action.Apply(start);
        var order = WorkOrderWriter.Write(start, to, cancel);
        return new(order, start, CutMinutes(order, start), [.. order.Gaps, .. Breaks(order, start, Laptop.Away(to))]);
    }

    public static void Write(Proven proven, Utf8JsonWriter json)
    {
        var order = proven.Order;
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteString("title", order.Title);
        json.WriteNumber("minutes", order.Minutes);
        json.WriteNumber("cutMinutes", proven.CutMinutes);
        Strings(json, "gaps", proven.Gaps);
        json.WriteStartArray("steps");
        foreach (var step in order.Steps) Step(step, json);
        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Step(WorkStep step, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteNumber("n", step.Number);
        json.WriteString("title", step.Title);
        if (step.Device is { } device)
        {
            if ((step.After!.FindDevice(device) ?? step.Before!.FindDevice(device))?.Room is { } room) json.WriteString("at", room);
            json.WriteString("device", device);
        }
        if (step.Open is not null) json.WriteString("open", step.Open);
        json.WritePropertyName("actions");
        JsonSerializer.Serialize(json, step.Actions, AltrinJson.Compact);
        if (step.WaitSeconds is { } wait) json.WriteNumber("waitSeconds", wait);
        json.WriteStartArray("expect");
        foreach (var (reading, value) in step.Readings.SelectMany(Expect))
        {
            json.WriteStartObject();
            json.WriteString("reading", reading);
            json.WriteString("value", value);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        Strings(json, "cuts", Cuts(step));
        Strings(json, "cautions", step.Cautions);
        json.WritePropertyName("before");
        JsonSerializer.Serialize(json, step.Before, AltrinJson.Compact);
        json.WritePropertyName("after");
        JsonSerializer.Serialize(json, step.After, AltrinJson.Compact);
        json.WriteEndObject();
    }

    private static IEnumerable<(string Reading, string Value)> Expect(Reading reading)
    {
        switch (reading)
        {
            case AddressReading { Who: Laptop.Id, Ways: [{ Address: { } held, Source: not AddressSource.LinkLocal }] }: yield return ("address", held.Address.ToString()); break;
            case GatewayReading { Any: [var only] }: yield return ("gateway", only.ToString()); break;
            case DnsReading dns: foreach (var server in dns.Servers) yield return ("dns", server.ToString()); break;
            case InternetReading { Who: Laptop.Id, Reachable: not Answer.Sometimes and var online }: yield return ("internet", online == Answer.Yes ? "yes" : "no"); break;
            case NatLayersReading layers: yield return ("nat-layers", $"{layers.Layers}"); break;
            case PageReading { Opens: true } page: yield return ("page", $"http://{page.At}"); break;
            case PingReading { Answers: true } ping: yield return ("ping", ping.At.ToString()); break;
            case LampReading lamp: yield return ("lamp", Words<Kit.Lamp>.Of(lamp.Shows)); break;
            default: break;
        }
    }

    /// <summary>Who reaches the internet for certain before, and not at all after.</summary>
    private static IEnumerable<string> Cuts(WorkStep step)
    {
        if (ReferenceEquals(step.Before, step.After)) return [];
        var (before, after) = (Simulator.Run(step.Before!), Simulator.Run(step.After!));
        return step.Before!.Endpoints.Where(thing => thing.Id != Laptop.Id && before.Internet(thing.Id).Reachable == Answer.Yes && after.Internet(thing.Id).Reachable == Answer.No).Select(thing => thing.Id);
    }

    private static int CutMinutes(WorkOrder order, NetworkDocument start)
    {
        var online = Simulator.Run(start) is var state ? start.Endpoints.Where(thing => state.Internet(thing.Id).Reachable == Answer.Yes).Select(thing => thing.Id).ToList() : [];
        var minutes = 0.0;
        foreach (var step in order.Steps)
        {
            var after = Simulator.Run(step.After!);
            if (online.Exists(thing => step.After!.FindEndpoint(thing) is not null && after.Internet(thing).Reachable == Answer.No)) minutes += step.Minutes;
        }
        return (int)Math.Ceiling(minutes);
    }

    /// <summary>Where one step does not begin with what the one before has left, or the last does not end in the planned house.</summary>
    private static IEnumerable<string> Breaks(WorkOrder order, NetworkDocument start, NetworkDocument to)
    {
        static string Of(NetworkDocument house) => AltrinJson.WriteCompact(Laptop.Away(house));
        var now = Of(start);
        foreach (var step in order.Steps)
        {
            if (Of(step.Before!) != now) yield return $"Step {step.Number} begins with something that no step has done.";
            now = Of(step.After!);
        }
        if (now != Of(to)) yield return "The last step does not end in the planned house.";
    }

    private static void Strings(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts) json.WriteStringValue(text);
        json.WriteEndArray();
    }
}
