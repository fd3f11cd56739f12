using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Merging;

/// <summary>What differs between two houses, place by place: by it two people's changes are told apart.</summary>
public static class Touched
{
    /// <summary>The places at which the two differ, such as <c>devices/gw/lan/address</c>; what carries an id is named by it, so that order says nothing.</summary>
    public static IReadOnlySet<string> Between(NetworkDocument a, NetworkDocument b)
    {
        var (before, after) = (Places(a), Places(b));
        var touched = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (place, value) in before)
            if (!after.TryGetValue(place, out var other) || other != value) touched.Add(place);
        foreach (var place in after.Keys)
            if (!before.ContainsKey(place)) touched.Add(place);
        return touched;
    }

    /// <summary>Do the two speak of one place, or one of a thing and the other of something in it?</summary>
    public static bool Meet(IReadOnlySet<string> mine, IReadOnlySet<string> theirs) => mine.Any(place => Within(place, theirs)) || theirs.Any(place => Within(place, mine));

    /// <summary>Is the place, or anything that it is in, among them?</summary>
    private static bool Within(string place, IReadOnlySet<string> among)
    {
        for (var end = place.Length; end > 0; end = place.LastIndexOf('/', end - 1))
            if (among.Contains(place[..end])) return true;
        return false;
    }

    private static Dictionary<string, string> Places(NetworkDocument house)
    {
        var places = new Dictionary<string, string>(StringComparer.Ordinal);
        Walk(JsonSerializer.SerializeToNode(house, AltrinJson.Compact), "", places);
        return places;
    }

    private static void Walk(JsonNode? node, string place, Dictionary<string, string> places)
    {
        switch (node)
        {
            case JsonObject fields:
                // That it is there at all is a fact of its own: whoever takes it away touches that.
                if (place.Length > 0) places[place] = "{}";
                foreach (var (name, value) in fields) Walk(value, Join(place, name), places);
                break;
            case JsonArray list when list.Count > 0 && list.All(one => one is JsonObject fields && fields["id"] is not null):
                foreach (var one in list) Walk(one, Join(place, (string)one!["id"]!), places);
                break;
            default:
                // A list whose entries have no name of their own is one value.
                if (node is not JsonArray { Count: 0 }) places[place] = node?.ToJsonString() ?? "null";
                break;
        }
    }

    private static string Join(string place, string name) => place.Length == 0 ? name : $"{place}/{name}";
}
