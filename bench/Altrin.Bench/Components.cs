using Altrin.Core.Network;
using QuikGraph;
using QuikGraph.Algorithms;

namespace Altrin.Bench;

/// <summary>The least that could be done with a document: which boxes and things hang together, by a graph library. What a verdict costs beyond that
/// is what Altrin adds.</summary>
internal static class Components
{
    public static int Count(NetworkDocument house)
    {
        var graph = new UndirectedGraph<string, Edge<string>>(allowParallelEdges: true);
        foreach (var box in house.Devices) graph.AddVertex(box.Id);
        foreach (var thing in house.Endpoints) graph.AddVertex(thing.Id);
        foreach (var cable in house.Cables) graph.AddEdge(new(cable.A.Device, cable.B.Device));
        foreach (var thing in house.Endpoints)
            if (thing.Connect?.Socket is { } socket) graph.AddEdge(new(socket.Device, thing.Id));
        return graph.ConnectedComponents(new Dictionary<string, int>());
    }
}
