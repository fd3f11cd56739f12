using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.state/1</c>: what is computed, as JSON, in document order.</summary>
public static class StateWriter
{
    public const string Format = "altrin.state/1";

    /// <summary>Every part of a state, in order; <c>--only</c> picks from them.</summary>
    public static readonly IReadOnlyList<string> Parts =
        ["segments", "interfaces", "internet", "reach", "admin", "inbound", "findings", "needs", "air"];

    /// <summary>About a minute's work, and some gigabytes of text.</summary>
    public const double MostRows = 25e6;

    /// <summary>Why the complete lists of so big a house are not written, with the mend; null when they are.</summary>
    /// <remarks>Reach and pages are a row for each pair, and a row costs the more the more translations are on its way: 30 of them cost
    /// about what the row itself does (measured).</remarks>
    public static string? WhyTooLong(Evaluation house, IReadOnlySet<string>? only = null, double most = MostRows)
    {
        if (only is not null && !only.Contains("reach") && !only.Contains("admin")) return null;
        var things = house.State.House.Endpoints;
        var rows = (double)things.Length * (things.Length + house.State.House.Devices.Length);
        if (rows <= most / 100) return null;
        var depth = things.Select(thing => house.State.Net(thing.Id) is { } net ? house.State.LayersOf(net) : 0).DefaultIfEmpty().Max();
        return rows * (1 + depth / 30.0) <= most ? null
            : $"endpoints: {things.Length} of them make {rows:0} rows of reach and admin. Ask for less: --only {string.Join(",", Parts.Where(part => part is not ("reach" or "admin")))}.";
    }

    /// <summary>Writes the text on when there is a good deal of it: a big state is never held whole.</summary>
    private static void LetGo(Utf8JsonWriter json)
    {
        if (json.BytesPending > 1 << 16) json.Flush();
    }

    public static void Write(Evaluation house, Utf8JsonWriter json, IReadOnlySet<string>? only = null)
    {
        var state = house.State;
        json.WriteStartObject();
        json.WriteString("format", Format);
        foreach (var part in Parts)
        {
            if (only is not null && !only.Contains(part)) continue;
            if (part == "air")
            {
                AirWriter.Write(state, json);
                continue;
            }
            json.WriteStartArray(part);
            switch (part)
            {
                case "segments": Segments(state, json); break;
                case "interfaces": Interfaces(state, json); break;
                case "internet": Internet(state, json); break;
                case "reach": Reach(state, json); break;
                case "admin": Admin(state, json); break;
                case "inbound": Inbound(state, json); break;
                case "findings": Findings(house, json); break;
                case "needs": Needs(house, json); break;
            }
            json.WriteEndArray();
        }
        json.WriteEndObject();
    }

    private static void Segments(NetworkState state, Utf8JsonWriter json)
    {
        var servers = state.Servers.ToLookup(server => server.Segment);
        foreach (var segment in state.Segments)
        {
            json.WriteStartObject();
            json.WriteString("id", segment.Id);
            Strings(json, "members", segment.Members);
            Strings(json, "subnets", state.SubnetsOn(segment.Index).Select(prefix => prefix.ToString()));
            Strings(json, "dhcpServers", servers[segment.Index].Select(server => server.Device));
            json.WriteBoolean("loop", segment.IsLoop);
            json.WriteEndObject();
        }
    }

    private static void Interfaces(NetworkState state, Utf8JsonWriter json)
    {
        foreach (var one in state.Interfaces)
        {
            json.WriteStartObject();
            json.WriteString("owner", one.Owner);
            json.WriteString("interface", Words<InterfaceKind>.Of(one.Kind));
            if (one.Segment >= 0) json.WriteString("segment", state.Segments[one.Segment].Id);
            else json.WriteNull("segment");
            json.WriteString("outcome", Words<LeaseOutcome>.Of(one.Outcome));
            json.WriteStartArray("candidates");
            foreach (var candidate in one.Candidates)
            {
                json.WriteStartObject();
                TextOrNull(json, "address", candidate.Address?.ToString());
                TextOrNull(json, "gateway", candidate.Gateway?.ToString());
                Strings(json, "dns", candidate.Dns.Select(dns => dns.ToString()));
                TextOrNull(json, "server", candidate.Server);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteEndObject();
        }
    }

    private static void Internet(NetworkState state, Utf8JsonWriter json)
    {
        foreach (var endpoint in state.House.Endpoints)
        {
            var answer = state.Internet(endpoint.Id);
            json.WriteStartObject();
            json.WriteString("from", answer.From);
            json.WriteString("reachable", Words<Answer>.Of(answer.Reachable));
            json.WriteNumber("natLayers", answer.NatLayers);
            Strings(json, "hops", answer.Hops);
            json.WriteEndObject();
            LetGo(json);
        }
    }

    private static void Reach(NetworkState state, Utf8JsonWriter json)
    {
        foreach (var from in state.House.Endpoints)
            foreach (var to in state.House.Endpoints)
            {
                if (from == to) continue;
                var answer = state.Reach(from.Id, to.Id);
                json.WriteStartObject();
                json.WriteString("from", from.Id);
                json.WriteString("to", to.Id);
                json.WriteString("reachable", Words<Answer>.Of(answer.Reachable));
                if (answer.Reachable != Answer.Yes) json.WriteString("why", Words<ReachProblem>.Of(answer.Why));
                json.WriteEndObject();
                LetGo(json);
            }
    }

    private static void Admin(NetworkState state, Utf8JsonWriter json)
    {
        var withAddress = state.House.Devices.Where(device => state.Lan(device.Id) is { Candidates.IsEmpty: false }).ToList();
        foreach (var from in state.House.Endpoints)
            foreach (var device in withAddress)
            {
                var answer = state.Admin(from.Id, device.Id);
                json.WriteStartObject();
                json.WriteString("from", from.Id);
                json.WriteString("device", device.Id);
                TextOrNull(json, "address", answer.Address?.ToString());
                json.WriteString("reachable", Words<Answer>.Of(answer.Reachable));
                json.WriteEndObject();
                LetGo(json);
            }
    }

    private static void Inbound(NetworkState state, Utf8JsonWriter json)
    {
        foreach (var endpoint in state.House.Endpoints)
            foreach (var service in endpoint.Services)
            {
                var answer = state.Inbound(endpoint.Id, service.Protocol, service.Port);
                json.WriteStartObject();
                json.WriteString("endpoint", endpoint.Id);
                json.WriteString("protocol", Words<TransportProtocol>.Of(service.Protocol));
                json.WriteNumber("port", service.Port);
                json.WriteString("reachable", Words<Answer>.Of(answer.Reachable));
                json.WriteString("fromInside", Words<Answer>.Of(answer.FromInside));
                TextOrNull(json, "stoppedAt", answer.StoppedAt);
                json.WriteEndObject();
            }
    }

    private static void Findings(Evaluation house, Utf8JsonWriter json)
    {
        foreach (var finding in house.Findings)
        {
            json.WriteStartObject();
            json.WriteString("rule", finding.Rule);
            json.WriteString("severity", Words<Severity>.Of(finding.Severity));
            Strings(json, "subjects", finding.Subjects);
            json.WriteString("message", finding.Message);
            json.WriteStartArray("fixes");
            foreach (var fix in house.ProvenFixes(finding)) WriteFix(json, fix);
            json.WriteEndArray();
            if (house.LeftFixesOut) json.WriteBoolean("fixesLeftOut", true);
            json.WriteEndObject();
        }
    }

    private static void WriteFix(Utf8JsonWriter json, Fix fix)
    {
        json.WriteStartObject();
        json.WriteString("say", fix.Say);
        json.WriteStartArray("actions");
        foreach (var action in fix.Actions) ActionWriter.Write(json, action);
        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Needs(Evaluation house, Utf8JsonWriter json)
    {
        foreach (var want in house.Wants)
        {
            if (want.Met is not { } met) continue;
            json.WriteStartObject();
            json.WriteString("need", want.Need);
            json.WriteString("met", Words<Answer>.Of(met));
            json.WriteString("because", want.Because);
            json.WriteEndObject();
        }
    }

    private static void Strings(Utf8JsonWriter json, string name, IEnumerable<string> values)
    {
        json.WriteStartArray(name);
        foreach (var value in values) json.WriteStringValue(value);
        json.WriteEndArray();
    }

    private static void TextOrNull(Utf8JsonWriter json, string name, string? value)
    {
        if (value is null) json.WriteNull(name);
        else json.WriteString(name, value);
    }
}
