using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Data;
using Altrin.UseCases;

namespace Altrin.Web.Demo;

/// <summary>The invented houses that show what Altrin is for: a small one with the classic mistakes, a big one with most modes, and one with boxes to be planned.</summary>
internal static class DemoHouses
{
    public static NetworkDocument Larkspur() => Read("larkspur-house");
    public static NetworkDocument Hawthorn() => Read("hawthorn-farm");
    public static NetworkDocument Millrace() => Read("millrace-terrace");

    private static NetworkDocument Read(string name)
    {
        using var stream = typeof(DemoHouses).Assembly.GetManifestResourceStream($"demo.{name}.json")
            ?? throw new InvalidOperationException("The demo house is not built in.");
        using var memory = new MemoryStream();
        stream.CopyTo(memory);
        return DocumentReader.Read(memory.ToArray()).Document ?? throw new InvalidOperationException("The demo house cannot be read.");
    }

    /// <summary>Puts the demo houses into an empty list of jobs; a list with anything in it is left alone.</summary>
    public static async Task Load(Jobs jobs)
    {
        if (!(await jobs.List(null, 1, CancellationToken.None)).IsEmpty) return;
        await jobs.Create(Hawthorn(), CancellationToken.None);
        await jobs.Create(Millrace(), CancellationToken.None);
        // The newest stands first.
        await jobs.Create(Larkspur(), CancellationToken.None);
    }
}
