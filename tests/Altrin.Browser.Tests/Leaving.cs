using Altrin.Browser.Tests;

[assembly: AssemblyFixture(typeof(Leaving))]

namespace Altrin.Browser.Tests;

/// <summary>When the last test is over no browser and no server is left running.</summary>
public sealed class Leaving : IDisposable
{
    public void Dispose()
    {
        Seat.CloseAll();
        Server.StopAll();
    }
}
