using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>What actions ask of a house before they touch it.</summary>
internal static class Checks
{
    public static ActionProblem? Device(NetworkDocument house, string id, string field = "device") =>
        house.FindDevice(id) is null ? new(field, $"There is no device “{id}” in this house.") : null;

    public static ActionProblem? Endpoint(NetworkDocument house, string id, string field = "endpoint") =>
        house.FindEndpoint(id) is null ? new(field, $"There is no endpoint “{id}” in this house.") : null;

    /// <summary>The socket exists and holds nothing, or only <paramref name="except"/>.</summary>
    public static ActionProblem? FreeSocket(NetworkDocument house, Socket socket, string field, Occupant? except = null)
    {
        if (house.FindDevice(socket.Device) is not { } device) return new(field, $"There is no device “{socket.Device}” in this house.");
        if (device.FindPort(socket.Port) is null) return new(field, $"{device.Name} has no socket “{socket.Port}”.");
        return house.OccupantOf(socket) is { } occupant && (occupant.Kind, occupant.Id) != (except?.Kind, except?.Id)
            ? new(field, $"Socket {Naming.PortName(device, socket.Port)} of {device.Name} is taken by {occupant.Say}. Unplug that first, or use another socket.")
            : null;
    }

    /// <summary>The thing itself: where it is plugged already it does not stand in its own way.</summary>
    public static Occupant Thing(string endpoint) => new(OccupantKind.Thing, endpoint, "");

    public static ActionProblem? HostAddress(InterfaceAddress address, bool isBox, string field = "address") =>
        AddressCheck.WhyNot(address, isBox) is { } why ? new(field, why) : null;

    public static ActionProblem? NewId(NetworkDocument house, string id, string field)
    {
        if (string.IsNullOrWhiteSpace(id)) return new(field, "Empty. Give it an id.");
        return house.FindDevice(id) is not null || house.FindEndpoint(id) is not null
            ? new(field, $"“{id}” is taken by {house.NameOf(id)}. Give it another id.")
            : null;
    }

    public static ActionProblem? Name(string name) =>
        string.IsNullOrWhiteSpace(name) ? new("name", "Empty. Give it a name.") : null;
}
