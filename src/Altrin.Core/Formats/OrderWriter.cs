using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.order/1</c>: the work order from one document to another.</summary>
public static class OrderWriter
{
    public const string Format = "altrin.order/1";

    /// <summary>The better of the two ways.</summary>
    public static void Write(OrderWays ways, Utf8JsonWriter json)
    {
        var order = ways.Best;
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteString("title", order.Title);
        json.WriteNumber("minutes", order.Minutes);
        json.WriteNumber("cutMinutes", ways.BestCutMinutes);
        Strings(json, "gaps", order.Gaps.Select(gap => gap.Says));
        json.WriteStartArray("steps");
        var number = 0;
        foreach (var (step, moves) in Walked(order.Steps)) Step(step, moves, ++number, json);
        json.WriteEndArray();
        json.WriteEndObject();
    }

    /// <summary>A step may begin with moving the laptop: what moves it alone belongs to the next.</summary>
    private static IEnumerable<(WorkStep Step, ImmutableArray<InstallerAction> Moves)> Walked(ImmutableArray<WorkStep> steps)
    {
        var moves = ImmutableArray<InstallerAction>.Empty;
        for (var i = 0; i < steps.Length; i++)
        {
            var isMove = steps[i].Kind != StepKind.ProveWifi && !steps[i].Actions.IsEmpty && steps[i].Actions.All(action => action.MovesLaptop());
            if (isMove && i < steps.Length - 1)
            {
                moves = [.. moves, .. steps[i].Actions];
                continue;
            }
            yield return (steps[i], moves);
            moves = [];
        }
    }

    private static void Step(WorkStep step, ImmutableArray<InstallerAction> moves, int number, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteNumber("n", number);
        json.WriteString("title", step.Title);
        if (step.Device is { } device)
        {
            if ((step.After!.FindDevice(device) ?? step.Before!.FindDevice(device))?.Room is { } room) json.WriteString("at", room);
            json.WriteString("device", device);
        }
        if (step.Open is not null) json.WriteString("open", step.Open);
        json.WritePropertyName("actions");
        JsonSerializer.Serialize(json, moves.AddRange(step.Actions), AltrinJson.Compact);
        if (step.WaitSeconds is { } wait) json.WriteNumber("waitSeconds", wait);
        json.WriteStartArray("expect");
        foreach (var (reading, value) in step.Readings.SelectMany(one => Expect(one, step.After!)))
        {
            json.WriteStartObject();
            json.WriteString("reading", reading);
            json.WriteString("value", value);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        Strings(json, "cuts", Cuts(step));
        Strings(json, "cautions", step.Meanwhile.IsEmpty ? step.Cautions
            : [.. step.Cautions,
                $"Meanwhile {Facts.Join(step.Meanwhile, 6)} {(step.Meanwhile.Length == 1 ? "has" : "have")} no internet."]);
        json.WritePropertyName("before");
        JsonSerializer.Serialize(json, step.Before, AltrinJson.Compact);
        json.WritePropertyName("after");
        JsonSerializer.Serialize(json, step.After, AltrinJson.Compact);
        json.WriteEndObject();
    }

    private static IEnumerable<(string Reading, string Value)> Expect(Reading reading, NetworkDocument house)
    {
        switch (reading)
        {
            case AddressReading { Who: Laptop.Id, Ways: [{ Address: { } held, Source: not AddressSource.LinkLocal } way] }:
                yield return ("address", Say(house, held.Address));
                if (way.Server is { } by && house.FindDevice(by)?.Lan?.Address is { } at) yield return ("server", at.Address.ToString());
                break;
            case SsidReading name: yield return (name.IsThere ? "ssid" : "ssid-gone", name.Ssid); break;
            case GatewayReading { Any: [var only] } when !LineWords.IsStandIn(house, only):
                yield return ("gateway",
                only.ToString()); break;
            case DnsReading dns:
                foreach (var server in dns.Servers.Where(one => !LineWords.IsStandIn(house, one))) yield return ("dns",
                server.ToString()); break;
            case InternetReading { Who: Laptop.Id, Reachable: not Answer.Sometimes and var online }:
                yield return ("internet",
                online == Answer.Yes ? "yes" : "no"); break;
            case NatLayersReading layers: yield return ("nat-layers", $"{layers.Layers}"); break;
            case PageReading { Opens: true } page: yield return ("page", $"http://{page.At}"); break;
            case PingReading { Answers: false } ping: yield return ("silent", ping.At.ToString()); break;
            case PingReading { Answers: true } ping: yield return ("ping", ping.At.ToString()); break;
            case OutsideAddressReading outside:
                yield return ("wan-address", outside.IsKnown ? outside.Address.ToString()
                : TheLinesOwn); break;
            case ClientReading { IsThere: true } client: yield return ("client", client.Mac.ToString()); break;
            case LampReading lamp: yield return ("lamp", Words<Lamp>.Of(lamp.Shows)); break;
            default: break;
        }
    }

    /// <summary>An address that nobody has seen or agreed yet, as section 4 of the format says it.</summary>
    private const string TheLinesOwn = "the line's own";

    private static string Say(NetworkDocument house, Ipv4Address address) =>
        LineWords.IsStandIn(house, address) ? TheLinesOwn : address.ToString();

    /// <summary>Who reaches the internet for certain before, and not at all after.</summary>
    private static IEnumerable<string> Cuts(WorkStep step)
    {
        if (ReferenceEquals(step.Before, step.After)) return [];
        return new CutOff(step.Before!).In(Simulator.Run(step.After!)).Select(thing => thing.Id);
    }

    private static void Strings(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts) json.WriteStringValue(text);
        json.WriteEndArray();
    }
}
