using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Filling;

/// <summary>Which cable lies where and in which sockets: what may stay stays, what must move keeps its cable, a new one lies in a run or in one
/// room.</summary>
internal static class Wiring
{
    /// <returns>False where there is no socket, or no way, for a cable that the structure has.</returns>
    public static bool Fill(Draft draft)
    {
        var (house, structure) = (draft.Found, draft.Structure);
        if (house.Line is { } line) draft.Taken.Add(line.Socket);
        var waiting = Enumerable.Range(0, structure.Boxes.Length).Where(i => structure.Boxes[i] is { IsUsed: true, Joined: Joined.ByWire }).ToList();
        var left = house.Cables.ToList();
        // Those that stay as they are have their sockets first.
        foreach (var box in waiting.ToList())
        {
            var stays = left.Find(cable => Joins(draft, cable, box) && Suits(draft, box, EndAt(cable, box, draft)) && SuitsParent(draft, box, EndAt(cable, structure.Boxes[box].Parent, draft)));
            if (stays is null) continue;
            left.Remove(stays);
            waiting.Remove(box);
            Add(draft, stays);
        }
        foreach (var thing in draft.Things)
            if (thing.Connect is Attachment.Plug plug && IsAlive(draft, plug.Into)) draft.Taken.Add(plug.Into);
        foreach (var box in waiting)
            if (Lay(draft, box, left) is { } cable) Add(draft, cable);
            else return false;
        LayInRuns(draft);
        return true;
    }

    /// <summary>Whether a thing in that socket would be on somebody's LAN.</summary>
    public static bool IsAlive(Draft draft, Socket socket)
    {
        if (!draft.Ground.IndexOf.TryGetValue(socket.Device, out var box) || !draft.Use(box).IsUsed) return false;
        if (draft.Found.Line?.Socket == socket) return false;
        var use = draft.Use(box);
        if (box == draft.Ground.Root && (Modes.Of(use.Mode).IsModem || (Modes.Of(use.Mode).HandsLineOn && draft.Boxes[box].PassthroughShares != true))) return false;
        return IsLan(draft, box, socket.Port) && !draft.Taken.Contains(socket);
    }

    /// <summary>A free socket for a thing that is in the place, or at the box itself; null for none. A WAN socket that is one of its network's only where no
    /// other is as quick: it is what the next mode would make a router's.</summary>
    public static Socket? FreeFor(Draft draft, Func<int, bool> among)
    {
        for (var box = 0; box < draft.Boxes.Length; box++)
            if (draft.Use(box).IsUsed && among(box) && draft.Boxes[box].Ports.OrderByDescending(port => port.SpeedMbps ?? 1000).ThenBy(port => port.Role == PortRole.Wan).Select(port => new Socket(draft.Boxes[box].Id, port.Id))
                .FirstOrDefault(socket => IsPlain(draft, socket) && IsAlive(draft, socket)) is { } free) return free;
        return null;
    }

    /// <summary>A socket of the box's own network: of a box that routes, no WAN socket.</summary>
    private static bool IsLan(Draft draft, int box, string port) =>
        draft.Boxes[box].FindPort(port) is { } socket && (socket.Role == PortRole.Lan || IsOneNetwork(draft.Use(box)));

    private static bool IsOneNetwork(BoxUse use) => Modes.Of(use.Mode).IsOneNetwork;

    private static bool IsPlain(Draft draft, Socket socket) =>
        draft.Boxes[draft.Ground.IndexOf[socket.Device]].FindPort(socket.Port) is { Vlan: null or Vlan.Own };

    private static void Add(Draft draft, Cable cable)
    {
        draft.Cables.Add(cable);
        draft.Taken.Add(cable.A);
        draft.Taken.Add(cable.B);
    }

    private static Socket EndAt(Cable cable, int box, Draft draft) => cable.A.Device == draft.Boxes[box].Id ? cable.A : cable.B;

    private static bool Joins(Draft draft, Cable cable, int box)
    {
        var (own, above) = (draft.Boxes[box].Id, draft.Boxes[draft.Use(box).Parent].Id);
        return cable.Medium == draft.Use(box).Medium && ((cable.A.Device == own && cable.B.Device == above) || (cable.B.Device == own && cable.A.Device == above));
    }

    private static bool Suits(Draft draft, int box, Socket end)
    {
        if (draft.Taken.Contains(end) || draft.Boxes[box].FindPort(end.Port) is not { } port) return false;
        var use = draft.Use(box);
        // A router has one way out: its first WAN socket.
        if (use.Routes) return port.Id == draft.Boxes[box].Ports.FirstOrDefault(one => one.Role == PortRole.Wan)?.Id;
        return IsLan(draft, box, end.Port);
    }

    private static bool SuitsParent(Draft draft, int box, Socket end) => !draft.Taken.Contains(end) && IsLan(draft, draft.Use(box).Parent, end.Port);

    private static Cable? Lay(Draft draft, int box, List<Cable> left)
    {
        var (use, parent) = (draft.Use(box), draft.Use(box).Parent);
        var ends = Ground.Ends(draft.PlaceOf(box), draft.PlaceOf(parent), use.Medium);
        // The same cable with another plug; else one that lies between the same rooms and is no longer wanted; else a new one.
        var cable = left.Find(one => Joins(draft, one, box)) ?? left.Find(one => one.Medium == use.Medium && PlacesOf(draft, one) == ends);
        var (now, then) = cable is null ? (null, null) : draft.Ground.PlaceOf(cable.A.Device) == draft.PlaceOf(box) && !IsAt(draft, cable.A, parent) ? (cable.A, cable.B) : (cable.B, cable.A);
        var needs = draft.Boxes[box].Injector == true ? null : draft.Boxes[box].Ports.Select(port => port.PoeNeeds).FirstOrDefault(poe => poe is not null);
        var own = now is not null && IsAt(draft, now, box) && Suits(draft, box, now) ? now : Free(draft, box, port => Suits(draft, box, new(draft.Boxes[box].Id, port.Id)), port => port.PoeNeeds is not null);
        if (own is null) return null;
        var far = then is not null && IsAt(draft, then, parent) && SuitsParent(draft, box, then) ? then
            : Free(draft, parent, port => SuitsParent(draft, box, new(draft.Boxes[parent].Id, port.Id)), port => port.PoeGives >= needs) ?? Cleared(draft, box, parent);
        if (far is null) return null;
        if (cable is not null)
        {
            left.Remove(cable);
            return cable.A == now ? cable with { A = own, B = far } : cable with { A = far, B = own };
        }
        // A patch cable in one room is whatever lies in the van.
        return new() { Id = FreshId(draft, $"{draft.Boxes[parent].Id}-{draft.Boxes[box].Id}"), A = far, B = own, Medium = use.Medium };
    }

    private static bool IsAt(Draft draft, Socket socket, int box) => socket.Device == draft.Boxes[box].Id;

    private static (string, string, Medium) PlacesOf(Draft draft, Cable cable) =>
        Ground.Ends(draft.Ground.PlaceOf(cable.A.Device), draft.Ground.PlaceOf(cable.B.Device), cable.Medium);

    private static Socket? Free(Draft draft, int box, Func<Port, bool> suits, Func<Port, bool> isPowered)
    {
        var best = draft.Boxes[box].Ports.Where(suits).OrderByDescending(isPowered).ThenByDescending(port => port.Vlan is null or Vlan.Own && port.Tagged.IsDefaultOrEmpty).ThenByDescending(port => port.SpeedMbps ?? 1000).FirstOrDefault();
        return best is null ? null : new(draft.Boxes[box].Id, best.Id);
    }

    /// <summary>Where every socket is taken, one of a thing that can go to another box in its room.</summary>
    private static Socket? Cleared(Draft draft, int box, int parent)
    {
        for (var i = 0; i < draft.Things.Length; i++)
        {
            if (draft.Things[i].Connect is not Attachment.Plug plug || !IsAt(draft, plug.Into, parent) || !IsLan(draft, parent, plug.Port)) continue;
            var rooms = Attachments.PlacesFor(draft, i);
            if (FreeFor(draft, other => other != parent && other != box && rooms.Contains(draft.PlaceOf(other))) is not { } free) continue;
            draft.Things[i] = draft.Things[i] with { Connect = Attachment.To(free) };
            draft.Taken.Add(free);
            draft.Taken.Remove(plug.Into);
            return plug.Into;
        }
        return null;
    }

    private static string FreshId(Draft draft, string stem)
    {
        var id = stem;
        for (var n = 2; draft.Found.FindCable(id) is not null || draft.Cables.Exists(cable => cable.Id == id); n++) id = $"{stem}-{n}";
        return id;
    }

    /// <summary>A new cable takes a run that is laid before one that could be. Whether there is a way for it is a limit of every plan, not of filling.</summary>
    private static void LayInRuns(Draft draft)
    {
        var runs = draft.Runs.ToList();
        foreach (var group in draft.Cables.GroupBy(cable => Ends(draft, cable)))
        {
            var (a, b, medium) = group.Key;
            if (a == b && medium == Medium.Ethernet) continue;
            var old = group.Count(cable => draft.Found.FindCable(cable.Id) is not null);
            // The old ones lie in laid runs where there are any; a new one in what is left.
            var free = runs.Where(run => Ground.Ends(draft.Ground.PlaceOfRoom(run.A), draft.Ground.PlaceOfRoom(run.B), run.Medium) == group.Key).OrderByDescending(run => run.Laid).ToList();
            var laid = free.Where(run => run.Laid).Skip(Math.Min(old, free.Count(run => run.Laid))).Concat(free.Where(run => !run.Laid)).ToList();
            foreach (var cable in group.Where(cable => draft.Found.FindCable(cable.Id) is null).ToList())
            {
                if (laid.Count == 0) continue;
                var run = laid[0];
                laid.RemoveAt(0);
                draft.Cables[draft.Cables.IndexOf(cable)] = cable with { Category = run.Category, LengthM = run.LengthM };
                if (!run.Laid) draft.Runs = draft.Runs.Replace(run, run with { Laid = true });
            }
        }
    }

    private static (string, string, Medium) Ends(Draft draft, Cable cable) =>
        Ground.Ends(draft.PlaceOf(draft.Ground.IndexOf[cable.A.Device]), draft.PlaceOf(draft.Ground.IndexOf[cable.B.Device]), cable.Medium);
}
