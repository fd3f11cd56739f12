using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.plans/1</c>, the best plan first.</summary>
public static class PlansWriter
{
    public const string Format = "altrin.plans/1";

    public static void Write(NetworkDocument found, PlansFound plans, int most, Utf8JsonWriter json, CancellationToken cancel = default)
    {
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteStartArray("plans");
        foreach (var plan in plans.Plans.Take(most))
        {
            json.WriteStartObject();
            json.WriteString("title", plan.Title);
            json.WritePropertyName("document");
            JsonSerializer.Serialize(json, plan.House, AltrinJson.Compact);
            json.WriteStartArray("wants");
            foreach (var want in plan.After.Wants)
            {
                json.WriteStartObject();
                json.WriteString("need", want.Need);
                json.WriteString("met", Words<Answer>.Of(want.Met ?? Answer.No));
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteNumber("faults", plan.Faults);
            json.WriteNumber("cautions", plan.Cautions);
            json.WriteNumber("natLayers", plan.NatLayers);
            json.WriteNumber("wirelessHops", plan.WirelessHops);
            json.WriteNumber("touches", plan.Touches);
            json.WriteNumber("settings", plan.Settings);
            json.WriteNumber("minutes", plan.Minutes);
            json.WriteNumber("cutMinutes", OrderWriter.Prove(found, plan.House, cancel).CutMinutes);
            Strings(json, "gives", plan.Gives);
            Strings(json, "losses", plan.Losses);
            Strings(json, "buys", []);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        Strings(json, "ruledOut", []);
        Strings(json, "conflicts", []);
        // Found by hand-holds: nothing says that there is nothing better.
        json.WriteBoolean("exact", false);
        json.WriteNumber("searched", plans.Searched);
        json.WriteEndObject();
    }

    private static void Strings(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts) json.WriteStringValue(text);
        json.WriteEndArray();
    }
}
