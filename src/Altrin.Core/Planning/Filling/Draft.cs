using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Filling;

/// <summary>A plan being filled in: the house as found, changed box by box, and who is above whom in the structure.</summary>
internal sealed class Draft
{
    public const int Street = -1;

    private readonly int[] routerOf;

    public Draft(Ground ground, Structure structure)
    {
        (Ground, Structure, Boxes, Cables, Things) = (ground, structure, [.. ground.Found.Devices], [], [.. ground.Found.Endpoints]);
        Runs = ground.Found.Runs;
        routerOf = [.. Enumerable.Range(0, Boxes.Length).Select(FindRouter)];
        // From the line inward: a router is filled after the one above it.
        Routers = [.. Enumerable.Range(0, Boxes.Length).Where(i => structure.Boxes[i].Routes).OrderBy(Depth)];
        OwnRouter = ground.Root >= 0 && structure.Boxes[ground.Root].Routes
            && ground.Found.Needs.OfType<Need.MainRouter>().FirstOrDefault() is { } need && ground.IndexOf.TryGetValue(need.Device, out var own)
            && own != ground.Root && structure.Boxes[own].Routes ? own : -1;
    }

    public Ground Ground { get; }
    public Structure Structure { get; }
    public NetworkDocument Found => Ground.Found;
    public Device[] Boxes { get; }
    public List<Cable> Cables { get; }
    public Endpoint[] Things { get; }
    public ImmutableArray<CableRun> Runs { get; set; }
    public ImmutableArray<int> Routers { get; }

    /// <summary>The router that everybody is to go through, where the box at the line goes on routing before it; −1 for none.</summary>
    public int OwnRouter { get; }

    /// <summary>Routers that make the household's networks: not the one at the line, where another is to be the router.</summary>
    public IEnumerable<int> NetworkMakers => OwnRouter < 0 ? Routers : Routers.OrderBy(i => i != OwnRouter).Where(i => i != Ground.Root);

    /// <summary>Sockets that are taken.</summary>
    public HashSet<Socket> Taken { get; } = [];

    public BoxUse Use(int box) => Structure.Boxes[box];

    public NetworkDocument House()
    {
        var house = Found with { Devices = [.. Boxes], Cables = [.. Cables], Endpoints = [.. Things], Runs = Runs };
        return Ground.Measured?.In(house) ?? house;
    }

    public void Change(int box, Func<Device, Device> change) => Boxes[box] = change(Boxes[box]);

    /// <summary>The router whose LAN the inside of a box is on: its own where it routes; <see cref="Street"/> for the provider's side.</summary>
    public int RouterOf(int box) => routerOf[box];

    /// <summary>The router on whose LAN a router's WAN side is; <see cref="Street"/> at the line.</summary>
    public int Above(int router) => Use(router).Parent is >= 0 and var parent ? routerOf[parent] : Street;

    /// <summary>Whether the router's WAN has the line's own address.</summary>
    public bool IsAtLine(int router) => router == Ground.Root || (Above(router) == Street && IsFed(router));

    public bool IsFed(int box)
    {
        for (var (at, steps) = (box, 0); at >= 0 && steps <= Boxes.Length; at = Use(at).Parent, steps++)
            if (at == Ground.Root) return true;
        return false;
    }

    /// <summary>The routers on the way from the line to what is on a router's LAN, the outermost first.</summary>
    public IEnumerable<int> Chain(int router)
    {
        var chain = new List<int>();
        for (var at = router; at >= 0 && chain.Count <= Boxes.Length; at = Above(at)) chain.Insert(0, at);
        return chain;
    }

    /// <summary>The box a thing is at: whose socket it is in, or whose Wi-Fi it is to join; −1 for none that is known.</summary>
    public int BoxOf(int thing) => Things[thing].Connect switch
    {
        Attachment.Plug plug => Ground.IndexOf.GetValueOrDefault(plug.Device, -1),
        Attachment.Join join => Names.Sender(this, join, Things[thing].Bands),
        _ => -1,
    };

    /// <summary>The router whose LAN a thing is on; null where it is on nobody's.</summary>
    public int? RouterOfThing(int thing) => BoxOf(thing) is >= 0 and var box && Use(box).IsUsed ? RouterOf(box) : null;

    public bool MaySet(int box) => Found.Devices[box].LeaveAsFound != true;

    public string PlaceOf(int box) => Ground.PlaceOf(box, Use(box));

    private int FindRouter(int box)
    {
        for (var (at, steps) = (box, 0); at >= 0 && steps <= Boxes.Length; at = Use(at).Parent, steps++)
        {
            if (Use(at).Routes) return at;
            // Whoever shares what it hands on routes for the rest.
            if (at == Ground.Root && Modes.Of(Use(at).Mode).HandsLineOn && at != box && Structure.HandsTo >= 0 && IsBelow(box, Structure.HandsTo)) return Street;
            if (at == Ground.Root && Modes.Of(Use(at).Mode).HandsLineOn) return Boxes[at].PassthroughShares == true ? at : Street;
        }
        return Street;
    }

    private bool IsBelow(int box, int above)
    {
        for (var (at, steps) = (box, 0); at >= 0 && steps <= Boxes.Length; at = Use(at).Parent, steps++) if (at == above) return true;
        return false;
    }

    private int Depth(int box)
    {
        var depth = 0;
        for (var at = Use(box).Parent; at >= 0 && depth <= Boxes.Length; at = Use(at).Parent) depth++;
        return depth;
    }
}
