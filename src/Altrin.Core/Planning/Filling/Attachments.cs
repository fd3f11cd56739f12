using Altrin.Core.Network;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Filling;

/// <summary>Where each thing is: in its socket or on its Wi-Fi as before where that goes; else in another socket of its room; on the
/// household's
/// Wi-Fi where its name is gone.</summary>
internal static class Attachments
{
    /// <summary>The places where a thing's wire reaches.</summary>
    public static HashSet<string> PlacesFor(Draft draft, int thing)
    {
        var places = new HashSet<string>(StringComparer.Ordinal);
        var found = draft.Found.Endpoints[thing];
        if (found.Room is { Length: > 0 } room) places.Add(draft.Ground.PlaceOfRoom(room));
        if (found.Connect is Attachment.Plug plug) places.Add(draft.Ground.PlaceOf(plug.Device));
        return places;
    }

    /// <summary>Wired things, before the names are settled.</summary>
    public static void Plug(Draft draft)
    {
        for (var i = 0; i < draft.Things.Length; i++)
        {
            var found = draft.Found.Endpoints[i];
            if (found.Connect is Attachment.Join)
            {
                IntoBridge(draft, i);
                continue;
            }
            if (!found.HasSocket) continue;
            if (IntoOwnRouter(draft, i)) continue;
            if (draft.Things[i].Connect is Attachment.Plug plug && draft.Taken.Contains(plug.Into) && IsOwn(draft, i, plug)) continue;
            var places = PlacesFor(draft, i);
            if (Wiring.FreeFor(draft, box => places.Contains(draft.PlaceOf(box))) is { } free)
            {
                draft.Things[i] = draft.Things[i] with { Connect = Attachment.To(free) };
                draft.Taken.Add(free);
            }
            else if (draft.Things[i].Connect is Attachment.Plug lost
                && !IsStill(draft, lost)) draft.Things[i] = draft.Things[i] with { Connect = null };
        }
    }

    /// <summary>What hangs at the box at the line goes behind the router that everybody is to go through, as far as its wire
    /// reaches.</summary>
    private static bool IntoOwnRouter(Draft draft, int thing)
    {
        if (draft.OwnRouter < 0 || draft.Things[thing].Connect is not Attachment.Plug plug
            || draft.Ground.IndexOf.GetValueOrDefault(plug.Device, -1) != draft.Ground.Root) return false;
        var places = PlacesFor(draft, thing);
        if (Wiring.FreeFor(draft, box => box == draft.OwnRouter && places.Contains(draft.PlaceOf(box))) is not { } free) return false;
        draft.Things[thing] = draft.Things[thing] with { Connect = Attachment.To(free) };
        draft.Taken.Add(free);
        return true;
    }

    /// <summary>A box that was brought for things in its room and sends no Wi-Fi itself serves by cable: what has a socket there is plugged
    /// into it.</summary>
    private static void IntoBridge(Draft draft, int thing)
    {
        var found = draft.Found.Endpoints[thing];
        if (!found.HasSocket || found.IsCarried || found.Room is not { Length: > 0 } room) return;
        bool IsItsBridge(int box) =>
            draft.Use(box) is { IsUsed: true, Joined: Joined.ByRadio } && BoxRole.Is(draft.Ground, box) && !draft.Boxes[box].SendsWifi
            && draft.PlaceOf(box) == draft.Ground.PlaceOfRoom(room);
        if (Wiring.FreeFor(draft, IsItsBridge) is not { } free) return;
        draft.Things[thing] = found with { Connect = Attachment.To(free) };
        draft.Taken.Add(free);
    }

    /// <summary>Things on Wi-Fi, once the names are settled.</summary>
    public static void Join(Draft draft)
    {
        for (var i = 0; i < draft.Things.Length; i++)
        {
            if (draft.Things[i].Connect is not Attachment.Join join) continue;
            var thing = draft.Things[i];
            // Whom it hears best is said only of one that makes its network.
            var near = join.Near is { } id && draft.Ground.IndexOf.TryGetValue(id, out var box)
                && Names.Makes(draft, box, join, thing.Bands) ? join.Near : null;
            if (Names.Sender(draft, join, thing.Bands) >= 0)
            {
                if (near != join.Near) draft.Things[i] = thing with { Connect = join with { Near = near } };
                continue;
            }
            // It joins by itself what it knows from before: nobody has to touch it.
            if (thing.Knows is { } known && Names.Sender(draft, join, []) < 0 && Names.Sender(draft, known.AsJoin(near), thing.Bands) >= 0)
            {
                draft.Things[i] = thing with { Connect = join with { Near = near } };
                continue;
            }
            if (Names.Household(draft, thing.Bands) is { } main)
                draft.Things[i] = thing with
                {
                    Connect = join with
                    {
                        Ssid = main.Ssid,
                        Security = main.Security == WifiSecurity.Open ? null
                    : main.Security,
                        Key = main.Key,
                        Near = near
                    }
                };
        }
    }

    private static bool IsOwn(Draft draft, int thing, Attachment.Plug plug)
    {
        // Two things in one socket are one too many: the first has it.
        for (var i = 0; i < thing; i++)
            if (draft.Things[i].Connect is Attachment.Plug other && other.Into == plug.Into) return false;
        return !draft.Cables.Exists(cable => cable.A == plug.Into || cable.B == plug.Into) && draft.Found.Line?.Socket != plug.Into;
    }

    private static bool IsStill(Draft draft, Attachment.Plug plug) =>
        !draft.Taken.Contains(plug.Into) && draft.Ground.IndexOf.TryGetValue(plug.Device, out var box) && draft.Use(box).IsUsed;
}
