using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;

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
            // The order's own: the table of the ranking knows no waits that fall together.
            var ways = OrderWays.Of(found, plan.House, cancel: cancel);
            json.WriteNumber("minutes", ways.Best.Minutes);
            json.WriteNumber("cutMinutes", ways.BestCutMinutes);
            Strings(json, "gives", plan.Gives);
            Strings(json, "losses", plan.Losses);
            json.WriteStartArray("buys");
            foreach (var one in plan.Buys) Buy(json, one);
            json.WriteEndArray();
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteStartArray("ruledOut");
        foreach (var one in plans.RuledOut)
        {
            json.WriteStartObject();
            json.WriteString("title", one.Title);
            json.WriteString("because", one.Because);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteStartArray("conflicts");
        foreach (var one in plans.Conflicts)
        {
            json.WriteStartObject();
            Strings(json, "needs", one.Needs);
            json.WriteString("because", one.Because);
            json.WriteString("mend", one.Mend);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteBoolean("exact", plans.IsExact);
        // Not in the format's example: what "exact" leaves open is said where there is something.
        if (plans.AtBest is { } atBest) json.WriteString("atBest", atBest);
        json.WriteNumber("searched", plans.Searched);
        json.WriteEndObject();
    }

    private static void Buy(Utf8JsonWriter json, Purchase buy)
    {
        json.WriteStartObject();
        switch (buy)
        {
            case Purchase.Cable cable:
                json.WriteString("what", cable.Medium == Medium.Ethernet ? "cable" : Words<Medium>.Of(cable.Medium));
                json.WriteString("from", cable.From);
                json.WriteString("to", cable.To);
                if (cable.LengthM is { } metres) json.WriteNumber("lengthM", metres);
                break;
            case Purchase.Box box:
                json.WriteString("what", "box");
                json.WriteString("kit", box.Kit);
                if (box.Room is not null) json.WriteString("room", box.Room);
                break;
            default: throw new InvalidOperationException($"{buy} is not handled.");
        }
        json.WriteEndObject();
    }

    private static void Strings(Utf8JsonWriter json, string name, IEnumerable<string> texts)
    {
        json.WriteStartArray(name);
        foreach (var text in texts) json.WriteStringValue(text);
        json.WriteEndArray();
    }
}
