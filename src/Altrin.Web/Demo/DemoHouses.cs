using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Data;

namespace Altrin.Web.Demo;

/// <summary>The invented house that shows what Altrin is for.</summary>
internal static class DemoHouses
{
    public static NetworkDocument Larkspur()
    {
        using var stream = typeof(DemoHouses).Assembly.GetManifestResourceStream("demo.larkspur-house.json")
            ?? throw new InvalidOperationException("The demo house is not built in.");
        using var memory = new MemoryStream();
        stream.CopyTo(memory);
        return DocumentReader.Read(memory.ToArray()).Document ?? throw new InvalidOperationException("The demo house cannot be read.");
    }

    /// <summary>Puts the demo house into an empty list of jobs; a list with anything in it is left alone.</summary>
    public static async Task Load(JobStore jobs)
    {
        if ((await jobs.List(CancellationToken.None)).IsEmpty) await jobs.Create(Larkspur(), CancellationToken.None);
    }
}
