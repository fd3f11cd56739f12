using System.Net;
using System.Net.Sockets;

namespace Altrin.Web.Tests;

/// <summary>What a user can cause at the start ends in one line that says what to do, never in a stack trace.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("altrin-start-").FullName;

    public void Dispose()
    {
        if (!OperatingSystem.IsWindows()) File.SetUnixFileMode(folder,
            UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        Directory.Delete(folder, recursive: true);
    }

    private static async Task<string> Start(params string[] args)
    {
        using var error = new StringWriter();
        Assert.Equal(1, await AltrinServer.Run(args, error).WaitAsync(TimeSpan.FromMinutes(5)));
        var said = error.ToString().Trim();
        Assert.StartsWith("Altrin did not start. ", said, StringComparison.Ordinal);
        Assert.DoesNotContain('\n', said);
        Assert.DoesNotContain("Exception", said, StringComparison.Ordinal);
        return said;
    }

    [Theory]
    [InlineData("--port", "abc", "is no port")]
    [InlineData("--port", "99999", "from 1 to 65535")]
    [InlineData("--port", "-1", "is no port")]
    [InlineData("--port", "0", "is no port")]
    [InlineData("--share-port", "0", "is no port")]
    [InlineData("--share", "yes", "true or false")]
    [InlineData("--share-address", "here", "is no address")]
    [InlineData("--prot", "5080", "no such setting")]
    public async Task A_setting_that_cannot_be_is_named(string name, string value, string says) => Assert.Contains(says, await Start(name,
        value), StringComparison.Ordinal);

    [Fact]
    public async Task A_setting_without_a_value_is_named() => Assert.Contains("--port wants a value", await Start("--data", folder,
        "--port"), StringComparison.Ordinal);

    [Fact]
    public async Task A_port_that_is_taken_is_said()
    {
        using var taken = new TcpListener(IPAddress.Loopback, 0);
        taken.Start();
        Assert.Contains("has this port", await Start("--data", folder, "--port", $"{((IPEndPoint)taken.LocalEndpoint).Port}"),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_folder_that_is_a_file_and_a_file_that_is_a_folder_are_said()
    {
        var file = Path.Combine(folder, "file");
        await File.WriteAllTextAsync(file, "x", TestContext.Current.CancellationToken);
        Assert.Contains("is a file", await Start("--data", file), StringComparison.Ordinal);
        Directory.CreateDirectory(Path.Combine(folder, "altrin.db"));
        Assert.Contains("altrin.db is a folder", await Start("--data", folder), StringComparison.Ordinal);
    }

    /// <summary>A damaged database is never written over.</summary>
    [Fact]
    public async Task A_database_that_is_none_is_said_and_left_as_it_is()
    {
        var bytes = new byte[5000];
        new Random(7).NextBytes(bytes);
        var file = Path.Combine(folder, "altrin.db");
        await File.WriteAllBytesAsync(file, bytes, TestContext.Current.CancellationToken);
        Assert.Contains("is damaged or is none", await Start("--data", folder), StringComparison.Ordinal);
        Assert.Equal(bytes, await File.ReadAllBytesAsync(file, TestContext.Current.CancellationToken));
    }
}
