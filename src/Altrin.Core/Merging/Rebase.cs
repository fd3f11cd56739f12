using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Merging;

/// <summary>Some deeds say a whole: a box with all that is on its label, a line, the rooms of the house. Of it the person changed a part; the
/// rest is only what was drawn. Here the part is kept and the rest is taken from the house as it now stands.</summary>
internal static class Rebase
{
    /// <summary>What a deed says as a whole: the field in which it says it (null: its own fields), where the house keeps the same, and fields that are
    /// chosen as one, since half of another choice would be a socket of the wrong box.</summary>
    private sealed record Whole(string? Field, Func<JsonObject, JsonObject, JsonNode?> Standing, params string[] AsOne);

    private static readonly string[] OfTheHouse = ["name", "country", "building", "rooms", "runs", "neighbours"];

    /// <summary>Of these the parts have fields of their own; of any other value the parts belong together.</summary>
    private static readonly string[] InParts = ["label", "building"];

    private static readonly Dictionary<string, Whole> Wholes = new(StringComparer.Ordinal)
    {
        ["describe-house"] = new(null, (house, _) => Some(house, OfTheHouse)),
        ["describe-device"] = new("box", (house, deed) => ById(house["devices"], deed["box"]?["id"])),
        ["describe-endpoint"] = new("thing", (house, deed) => ById(house["endpoints"], deed["thing"]?["id"])),
        ["set-line"] = new("line", (house, _) => house["line"], "device", "port"),
        ["set-wan"] = new("wan", (house, deed) => Box(house, deed)?["wan"]),
        ["set-wifi"] = new("network", (house, deed) => At(Box(house, deed)?["wifi"], deed["place"])),
        ["set-uplink"] = new("uplink", (house, deed) => Box(house, deed)?["uplink"], "radio", "ssid", "security", "key"),
        ["move-pool"] = new(null, (house, deed) => Box(house, deed)?["lan"]?["dhcpServer"] is JsonObject pool ? Some(pool, ["start", "end"]) : null),
    };

    public static ImmutableArray<InstallerAction> Of(ImmutableArray<InstallerAction> actions, NetworkDocument drawn, NetworkDocument now)
    {
        // What could not even be done to the house that was drawn is refused in its own words later.
        if (ActionRunner.DoAll(drawn, actions).House is null) return actions;
        var (before, after) = (Json(drawn), Json(now));
        return [.. actions.Select(action => Of(action, before, after))];
    }

    private static InstallerAction Of(InstallerAction action, JsonObject drawn, JsonObject now)
    {
        if (JsonSerializer.SerializeToNode(action, AltrinJson.Compact) is not JsonObject deed) return action;
        if (!Wholes.TryGetValue((string)deed["do"]!, out var whole)) return action;
        if (whole.Standing(drawn, deed) is not JsonObject stood || whole.Standing(now, deed) is not JsonObject stands) return action;
        if (whole.Field is { } field)
        {
            if (deed[field] is not JsonObject said) return action;
            deed[field] = Merged(stood, said, stands, whole.AsOne);
        }
        else deed = Merged(stood, deed, stands, whole.AsOne);
        return deed.Deserialize<InstallerAction>(AltrinJson.Compact) ?? action;
    }

    private static JsonObject Merged(JsonObject stood, JsonObject said, JsonObject stands, params string[] asOne)
    {
        var isChosen = asOne.Any(key => !AreAlike(said[key], stood[key]));
        var whole = new JsonObject();
        foreach (var key in said.Select(field => field.Key).Union(stands.Select(field => field.Key)))
        {
            var value = asOne.Contains(key) ? (isChosen ? said : stands)[key] : One(key, stood[key], said[key], stands[key]);
            if (value is not null) whole[key] = value.DeepClone();
        }
        return whole;
    }

    private static JsonNode? One(string key, JsonNode? stood, JsonNode? said, JsonNode? stands)
    {
        if (AreAlike(said, stood)) return stands;
        if (AreAlike(stands, stood) || AreAlike(stands, said)) return said;
        if (Listed(stood) is { } before && Listed(said) is { } wanted && Listed(stands) is { } there) return MergedLists(before, wanted, there);
        if (InParts.Contains(key) && said is JsonObject saidParts && stands is JsonObject parts)
            return Merged(stood as JsonObject ?? [], saidParts, parts);
        return said;
    }

    private static JsonArray MergedLists(Dictionary<string, JsonObject> stood, Dictionary<string, JsonObject> said, Dictionary<string, JsonObject> stands)
    {
        var list = new JsonArray();
        foreach (var (id, item) in stands)
            if (said.TryGetValue(id, out var want)) list.Add((JsonNode)Merged(stood.GetValueOrDefault(id) ?? [], want, item));
            else if (!stood.ContainsKey(id)) list.Add(item.DeepClone());
        foreach (var (id, item) in said)
            if (!stood.ContainsKey(id) && !stands.ContainsKey(id)) list.Add(item.DeepClone());
        return list;
    }

    /// <summary>The entries of a list by their ids; null where it is no list of such. No list is an empty one.</summary>
    private static Dictionary<string, JsonObject>? Listed(JsonNode? node)
    {
        if (node is null) return [];
        if (node is not JsonArray list || !list.All(one => one is JsonObject item && item["id"] is not null)) return null;
        return list.DistinctBy(one => (string)one!["id"]!).ToDictionary(one => (string)one!["id"]!, one => (JsonObject)one!, StringComparer.Ordinal);
    }

    private static bool AreAlike(JsonNode? a, JsonNode? b) => JsonNode.DeepEquals(a, b);

    private static JsonObject Json(NetworkDocument house) => (JsonObject)JsonSerializer.SerializeToNode(house, AltrinJson.Compact)!;

    private static JsonObject Some(JsonObject whole, string[] fields) =>
        new(fields.Where(field => whole[field] is not null).Select(field => KeyValuePair.Create(field, whole[field]?.DeepClone())));

    private static JsonNode? Box(JsonObject house, JsonObject deed) => ById(house["devices"], deed["device"]);

    private static JsonNode? ById(JsonNode? list, JsonNode? id) =>
        id is null ? null : (list as JsonArray)?.FirstOrDefault(one => (string?)one?["id"] == (string?)id);

    private static JsonNode? At(JsonNode? list, JsonNode? place) =>
        list is JsonArray many && place is not null && (int)place is >= 0 and var n && n < many.Count ? many[n] : null;
}
