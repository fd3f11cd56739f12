using System.Collections.Concurrent;
using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Watching;

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

    /// <summary>The eyes while a step is open.</summary>
    /// <param name="acted">Seconds since the step was done in an invented house; null: not yet. Of no meaning for a real one.</param>
    public IEyes? At(WorkStep step, double? acted) => kind switch
    {
        EyesKind.Off => null,
        EyesKind.ThisLaptop => new ThisLaptop(),
        _ => new SimulatedEyes(Simulator.Run(HouseAt(step, acted)), Laptop.Id),
    };

    /// <summary>The address outside that is asked where nobody named one; an invented house has one of RFC 5737.</summary>
    public Ipv4Address? OutsideOf(NetworkDocument house) =>
        kind == EyesKind.Simulated ? Ipv4Address.Parse("198.51.100.1") : Watch.OutsideOf(house);

    /// <summary>Boxes of an invented house start so many times faster.</summary>
    public const double Hurry = 20;

    private static NetworkDocument HouseAt(WorkStep step, double? acted) => acted is not { } since ? step.Before!
        : since * Hurry < (step.WaitSeconds ?? 0) ? step.During ?? step.Before! : step.After!;

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
