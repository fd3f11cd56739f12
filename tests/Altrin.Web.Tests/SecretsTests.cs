using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Altrin.Web.Tests;

/// <summary>Passwords are kept sealed and are found nowhere but where somebody pressed for them.</summary>
public class SecretsTests
{
    private const string Planted = "planted-Quillwort-7731";

    [Fact]
    public async Task A_planted_secret_is_in_no_file_and_in_no_answer_but_the_one_that_was_asked_for()
    {
        using var server = new TestApp();
        var id = (string)(await server.NewJob("demo"))["id"]!;
        var kept = await server.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = Planted });
        Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        Assert.DoesNotContain(Planted, await kept.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        foreach (var path in new[] { "/api/jobs", $"/api/jobs/{id}", $"/api/jobs/{id}/secrets", $"/api/jobs/{id}/log", $"/api/jobs/{id}/found/document", $"/api/jobs/{id}/as-stored", $"/api/jobs/{id}/visit", $"/api/jobs/{id}/work-order", "/api/kit" })
            Assert.DoesNotContain(Planted, await server.Client.GetStringAsync(path), StringComparison.Ordinal);
        var shown = await server.Client.PostAsJsonAsync($"/api/jobs/{id}/secrets/show", new { name = "home" });
        Assert.Equal(Planted, (string)JsonNode.Parse(await shown.Content.ReadAsStringAsync())!["value"]!);
        Assert.True(shown.Headers.CacheControl!.NoStore);
        Assert.Null(shown.Headers.ETag);
        var files = Directory.EnumerateFiles(server.Data, "*", SearchOption.AllDirectories).ToList();
        Assert.Contains(files, file => file.EndsWith(".db", StringComparison.Ordinal));
        // The lock is empty and held.
        foreach (var file in files.Where(file => !file.EndsWith("altrin.serving", StringComparison.Ordinal)))
        {
            using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            using var all = new MemoryStream();
            await stream.CopyToAsync(all);
            Assert.True(all.ToArray().AsSpan().IndexOf(Encoding.UTF8.GetBytes(Planted)) < 0, file);
            Assert.True(all.ToArray().AsSpan().IndexOf(Encoding.Unicode.GetBytes(Planted)) < 0, file);
        }
    }

    [Fact]
    public async Task The_key_ring_is_for_its_owner_alone_and_a_lost_one_is_said()
    {
        using var server = new TestApp();
        var id = (string)(await server.NewJob("demo"))["id"]!;
        await server.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = Planted });
        var ring = Path.Combine(server.Data, "keys");
        if (!OperatingSystem.IsWindows()) Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, File.GetUnixFileMode(ring));
        Assert.NotEmpty(Directory.GetFiles(ring));
        foreach (var key in Directory.GetFiles(ring)) File.Delete(key);
        using var later = server.Again();
        var shown = await later.Client.PostAsJsonAsync($"/api/jobs/{id}/secrets/show", new { name = "home" });
        Assert.Equal(HttpStatusCode.Conflict, shown.StatusCode);
        Assert.Contains("Nothing else is lost: type it again.", await shown.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        // The job itself stands, and a new password is kept under the new ring.
        Assert.Equal(HttpStatusCode.OK, (await later.Client.GetAsync($"/api/jobs/{id}")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await later.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = "another-Password-1" })).StatusCode);
    }

    [Fact]
    public async Task One_moved_to_another_job_does_not_open_there_and_goes_with_its_job()
    {
        using var server = new TestApp();
        var (one, other) = ((string)(await server.NewJob("demo"))["id"]!, (string)(await server.NewJob("demo"))["id"]!);
        await server.Client.PutAsJsonAsync($"/api/jobs/{one}/secrets", new { name = "home", value = Planted });
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync($"/api/jobs/{other}/secrets/show", new { name = "home" })).StatusCode);
        await server.Client.DeleteAsync($"/api/jobs/{one}");
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync($"/api/jobs/{one}/secrets/show", new { name = "home" })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PutAsJsonAsync($"/api/jobs/{one}/secrets", new { name = "home", value = Planted })).StatusCode);
    }

    [Theory]
    [InlineData("home", "short", "8 to 63 characters")]
    [InlineData("home", "schlüsselbund", "plain letters")]
    [InlineData("", "long-enough-1", "Write a name")]
    [InlineData("home", "", "1 to 200 characters")]
    public async Task A_bad_one_is_refused_with_the_field_and_the_mend(string name, string value, string says)
    {
        using var server = new TestApp();
        var id = (string)(await server.NewJob("demo"))["id"]!;
        var answer = await server.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name, value });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var text = await answer.Content.ReadAsStringAsync();
        Assert.Contains(says, text, StringComparison.Ordinal);
        if (value.Length > 0) Assert.DoesNotContain(value, text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_speaks_against_it_is_told_without_telling_it()
    {
        using var server = new TestApp();
        var id = (string)(await server.NewJob("demo"))["id"]!;
        await server.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "admin of gw", value = "baseball" });
        await server.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = "baseball" });
        var list = JsonNode.Parse(await server.Client.GetStringAsync($"/api/jobs/{id}/secrets"))!.AsArray();
        var against = list.Single(one => (string)one!["name"]! == "home")!["against"]!.AsArray().Select(one => (string)one!).ToList();
        Assert.Contains("It is one of the passwords that are tried first.", against);
        Assert.Contains("It is the same as an admin password: who has the one has the other.", against);
        var good = JsonNode.Parse(await (await server.Client.PostAsync("/api/secrets/suggest", null)).Content.ReadAsStringAsync())!;
        Assert.NotEqual((string)good["sayable"]!, (string)good["plain"]!);
    }
}
