using System.Collections.Concurrent;
using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;

namespace Altrin.Web.Eyes;

/// <summary>How the program looks.</summary>
internal enum EyesKind { Off, ThisLaptop, Simulated }

/// <summary>The eyes of the program, and what they saw last for each job: a list before and one after are two presses.</summary>
internal sealed class HouseEyes(EyesKind kind)
{
    private readonly ConcurrentDictionary<string, PastedReading> last = new(StringComparer.Ordinal);

    public EyesKind Kind => kind;

    /// <returns>Null where looking is switched off.</returns>
    public IEyes? For(NetworkDocument found) => kind switch
    {
        EyesKind.Off => null,
        EyesKind.ThisLaptop => new ThisLaptop(),
        _ => new SimulatedEyes(Simulator.Run(AtTheGateway(found)), Laptop.Id),
    };

    public PastedReading? Before(string job) => last.GetValueOrDefault(job);

    public void Keep(string job, PastedReading reading) => last[job] = reading;

    /// <summary>The laptop in a free socket of the box at the line; a house without one shows nothing.</summary>
    private static NetworkDocument AtTheGateway(NetworkDocument found)
    {
        var house = Laptop.Away(found);
        foreach (var box in house.Devices.OrderBy(one => one.Id != house.Line?.Device))
            if (house.FreePort(box, PortRole.Lan) is { } port
                && ActionRunner.DoAll(house, [new PlugLaptop(new(box.Id, port.Id))]).House is { } there) return there;
        return house;
    }
}
