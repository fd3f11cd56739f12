using System.Net.Http.Json;
using Altrin.Core.Network;
using Altrin.Web.Visit;

namespace Altrin.Web.Tests;

/// <summary>Who a MAC is registered to: by the registry of the system, by the longest block, and by nobody where there is none.</summary>
public sealed class MakerTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("altrin-registry-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private void Write(string file, params string[] lines) =>
        File.WriteAllLines(Path.Combine(folder, file), ["Registry,Assignment,Organization Name,Organization Address", .. lines]);

    [Fact]
    public void The_longest_block_that_fits_is_the_owners()
    {
        Write("oui.csv", "MA-L,00005E,\"Office of documentation, the\",\"A street, a town\"");
        Write("mam.csv", "MA-M,00005E9,Ninth part,");
        Write("oui36.csv", "MA-S,00005E901,Small part of the ninth,");
        var registry = new MakerRegistry(folder);
        Assert.Equal("Office of documentation, the", registry.Of(MacAddress.Parse("00:00:5E:00:53:01")));
        Assert.Equal("Ninth part", registry.Of(MacAddress.Parse("00:00:5E:90:53:01")));
        Assert.Equal("Small part of the ninth", registry.Of(MacAddress.Parse("00-00-5e-90-12-01")));
        Assert.Null(registry.Of(MacAddress.Parse("00:00:5D:00:53:01")));
        // Locally administered (IEEE 802): registered to nobody, whatever its digits are.
        Assert.Null(registry.Of(MacAddress.Parse("02:00:5E:00:53:01")));
    }

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("no table at all")]
    [InlineData("Registry,Assignment\nMA-L")]
    public void Without_a_registry_or_with_a_damaged_one_nobody_is_named(string? text)
    {
        if (text is not null) File.WriteAllText(Path.Combine(folder, "oui.csv"), text);
        Assert.Null(new MakerRegistry(folder).Of(MacAddress.Parse("00:00:5E:00:53:01")));
    }

    /// <summary>RFC 7042, section 2.1: the block 00-00-5E is assigned to the IANA. Read from the installed registry, where there is one.</summary>
    [Fact]
    public void The_installed_registry_says_what_the_RFC_says()
    {
        Assert.SkipUnless(File.Exists(Path.Combine(MakerRegistry.Usual, "oui.csv")), "The package ieee-data is not installed.");
        Assert.Contains("IANA", new MakerRegistry(MakerRegistry.Usual).Of(MacAddress.Parse("00:00:5E:00:53:01")), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_pasted_neighbour_is_said_with_its_maker()
    {
        Write("oui.csv", "MA-L,00005E,Lamps and bells,");
        using var app = new TestApp(settings: ("registry", folder));
        var job = await app.NewJob();
        var paste = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/visit/paste", new { text = "192.168.31.77 dev eth0 lladdr 00:00:5e:00:53:fe REACHABLE" }));
        Assert.Contains(paste["proposals"]!.AsArray(), one => ((string)one!["because"]!).Contains("registered to Lamps and bells", StringComparison.Ordinal));
    }
}
