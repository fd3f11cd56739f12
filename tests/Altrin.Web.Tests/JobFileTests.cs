using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.UseCases.JobFiles;

namespace Altrin.Web.Tests;

/// <summary>A job as one file: out of one data folder into another, sealed, and safe from files that mean harm.</summary>
public class JobFileTests
{
    private const string Phrase = "four words that do not belong";

    private static async Task<string> House(TestApp app)
    {
        var text = await File.ReadAllTextAsync(Path.Combine(TestApp.Root, "docs", "examples", "larkspur-house.json"));
        var job = await TestApp.Json(await app.Client.PostAsync("/api/jobs/import",
            new StringContent(text, Encoding.UTF8, "application/json")));
        return (string)job["id"]!;
    }

    private static async Task<byte[]> Leave(TestApp app, string id, string? phrase = null)
    {
        var answer = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/job-file", new { withPhotos = true, phrase });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await answer.Content.ReadAsByteArrayAsync();
    }

    private static Task<HttpResponseMessage> Bring(TestApp app, byte[] file, string? phrase = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/jobs/job-file") { Content = new ByteArrayContent(file) };
        request.Content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        if (phrase is not null) request.Headers.Add("Altrin-Phrase", Convert.ToBase64String(Encoding.UTF8.GetBytes(phrase)));
        return app.Client.SendAsync(request);
    }

    [Fact]
    public async Task A_job_goes_to_another_data_folder_with_its_plan_and_its_passwords()
    {
        byte[] file;
        JsonNode before;
        using (var app = new TestApp())
        {
            var id = await House(app);
            await app.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = "plum tree 94" });
            var job = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{id}"));
            await app.Client.PostAsJsonAsync($"/api/jobs/{id}/planned/deeds",
                new { version = (int)job["version"]!, actions = new[] { new { @do = "turn-off-dhcp-server", device = "studio" } } });
            before = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{id}"));
            file = await Leave(app, id, Phrase);
        }
        // No password is in it but sealed.
        using (var zip = new ZipArchive(new MemoryStream(file)))
        {
            Assert.Equal(["job.json", "found.json", "planned.json", "deeds.jsonl", "log.jsonl", "secrets.json"],
                zip.Entries.Select(entry => entry.FullName));
            Assert.All(zip.Entries,
                entry => Assert.DoesNotContain("plum tree", new StreamReader(entry.Open()).ReadToEnd(), StringComparison.Ordinal));
            Assert.Equal("altrin.job/1", (string)JsonNode.Parse(zip.GetEntry("job.json")!.Open())!["format"]!);
        }
        using (var other = new TestApp())
        {
            Assert.Equal(HttpStatusCode.BadRequest, (await Bring(other, file, "another phrase altogether")).StatusCode);
            Assert.Empty((await TestApp.Json(await other.Client.GetAsync("/api/jobs"))).AsArray());
            var brought = await TestApp.Json(await Bring(other, file, Phrase));
            Assert.Empty(brought["left"]!.AsArray());
            var after = await TestApp.Json(await other.Client.GetAsync($"/api/jobs/{brought["id"]}"));
            Assert.True(JsonNode.DeepEquals(before["found"]!["document"], after["found"]!["document"]));
            Assert.True(JsonNode.DeepEquals(before["planned"]!["document"], after["planned"]!["document"]));
            var shown = await TestApp.Json(await other.Client.PostAsJsonAsync($"/api/jobs/{brought["id"]}/secrets/show",
                new { name = "home" }));
            Assert.Equal("plum tree 94", (string)shown["value"]!);
        }
    }

    [Fact]
    public async Task Without_a_phrase_passwords_stay_and_a_short_one_is_refused()
    {
        using var app = new TestApp();
        var id = await House(app);
        await app.Client.PutAsJsonAsync($"/api/jobs/{id}/secrets", new { name = "home", value = "plum tree 94" });
        using (var zip = new ZipArchive(new MemoryStream(await Leave(app, id)))) Assert.Null(zip.GetEntry("secrets.json"));
        Assert.Equal(HttpStatusCode.BadRequest,
            (await app.Client.PostAsJsonAsync($"/api/jobs/{id}/job-file", new { withPhotos = false, phrase = "short" })).StatusCode);
        var closed = await TestApp.Json(await Bring(app, await Leave(app, id, Phrase)));
        Assert.Contains("stay closed", (string)Assert.Single(closed["left"]!.AsArray())!, StringComparison.Ordinal);
    }

    /// <summary>RFC 7914 section 11: PBKDF2 with HMAC-SHA-256, "passwd", "salt", one round; and what is sealed by hand after the format
    /// opens.</summary>
    [Fact]
    public void The_seal_is_that_of_the_published_methods()
    {
        var derived = Rfc2898DeriveBytes.Pbkdf2("passwd"u8, "salt"u8, 1, HashAlgorithmName.SHA256, 64);
        Assert.Equal("55ac046e56e3089fec1691c22544b605f94185216dde0465e68b9d57c20dacbc49ca9cccf179b645991664b39d77ef317c71b845b1e30bd509112041d3a19783",
            Convert.ToHexStringLower(derived));
        // NIST, The Galois/Counter Mode of Operation, test case 13: a key and a nonce of noughts, nothing to seal.
        var tag = new byte[16];
        using (var nothing = new AesGcm(new byte[32], 16)) nothing.Encrypt(new byte[12], Array.Empty<byte>(), Array.Empty<byte>(), tag);
        Assert.Equal("530f8afbc74536b9a963b4f1c4cb738b", Convert.ToHexStringLower(tag));
        var sealedBytes = SealedSecretsFile.Seal(new Dictionary<string, string> { ["home"] = "plum" }, Phrase);
        var file = JsonNode.Parse(sealedBytes)!;
        byte[] Field(string name) => Convert.FromBase64String((string)file[name]!);
        Assert.Equal((600_000, 16, 12), ((int)file["rounds"]!, Field("salt").Length, Field("nonce").Length));
        var key = Rfc2898DeriveBytes.Pbkdf2(Encoding.UTF8.GetBytes(Phrase), Field("salt"), 600_000, HashAlgorithmName.SHA256, 32);
        var closed = Field("sealed");
        var open = new byte[closed.Length - 16];
        using var aes = new AesGcm(key, 16);
        aes.Decrypt(Field("nonce"), closed.AsSpan(0, open.Length), closed.AsSpan(open.Length), open);
        Assert.Equal("""{"home":"plum"}""", Encoding.UTF8.GetString(open));
        Assert.Null(SealedSecretsFile.Open(sealedBytes, "another", out var problem));
        Assert.Contains("does not open", problem, StringComparison.Ordinal);
    }

    private static byte[] Zip(params (string Name, string Content)[] members)
    {
        using var buffer = new MemoryStream();
        using (var zip = new ZipArchive(buffer, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, content) in members)
            {
                using var into = new StreamWriter(zip.CreateEntry(name).Open());
                into.Write(content);
            }
        return buffer.ToArray();
    }

    /// <summary>Too many members, names that lead elsewhere, two of one name, bombs, strangers, nonsense: refused in words, and nothing is
    /// half in.</summary>
    [Fact]
    public async Task A_file_that_means_harm_is_refused_in_words()
    {
        using var app = new TestApp();
        var head = ("job.json",
            """{"format":"altrin.job/1","name":"x","created":"2026-12-02T10:00:00+00:00","changed":"2026-12-02T10:00:00+00:00","version":1}""");
        foreach (var (file, says) in new[]
        {
            (Zip([.. Enumerable.Range(0, 1000).Select(n => ($"photos/{n}.jpg", ""))]), "1000 files"),
            (Zip(head, ("../evil.json", "{}")), "belongs to no job file"),
            (Zip(head, ("photos/../../x.jpg", "")), "belongs to no job file"),
            (Zip(head, ("found.json", "{}"), ("found.json", "{}")), "twice"),
            (Zip(head, ("found.json", new string(' ', 30 << 20))), "larger"),
            (Zip(head), "found.json is missing"),
            (Zip(("job.json", "[]")), "job.json"),
            (Zip(("job.json",
                """{"format":"altrin.job/9","name":"x","created":"2026-12-02T10:00:00+00:00","changed":"2026-12-02T10:00:00+00:00","version":1}""")), "altrin.job/9"),
            (Encoding.UTF8.GetBytes("no zip at all"), "no whole job file"),
        })
        {
            var answer = await Bring(app, file);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            Assert.Contains(says, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }
        Assert.Empty((await TestApp.Json(await app.Client.GetAsync("/api/jobs"))).AsArray());
    }

    /// <summary>Cut anywhere it is no file, and no answer is a fault of the server.</summary>
    [Fact]
    public async Task A_file_that_was_cut_off_is_refused_wherever()
    {
        using var app = new TestApp();
        var file = await Leave(app, await House(app));
        for (var at = 0; at < file.Length; at += Math.Max(1, file.Length / 40))
            Assert.Equal(HttpStatusCode.BadRequest, (await Bring(app, file[..at])).StatusCode);
    }
}
