using System.Net;
using System.Net.Http.Json;
using System.Net.Security;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using Altrin.Web.Share;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;

namespace Altrin.Web.Tests;

/// <summary>The phone's door: who is let in, who is not, and what is answered to either.</summary>
public sealed class ShareTests : IAsyncDisposable
{
    private readonly string data = Directory.CreateTempSubdirectory("altrin-share-").FullName;
    private readonly List<HttpClient> clients = [];
    private WebApplication app;
    private HttpClient laptop = null!;
    private Uri door = null!;
    private X509Certificate2? shown;

    public ShareTests() => app = Start().GetAwaiter().GetResult();

    public async ValueTask DisposeAsync()
    {
        foreach (var client in clients) client.Dispose();
        shown?.Dispose();
        await app.DisposeAsync();
        Directory.Delete(data, recursive: true);
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private async Task<WebApplication> Start(bool share = true)
    {
        var port = FreePort();
        var started = AltrinServer.Build(["--data", data, "--port", $"{port}", "--share", share ? "true"
            : "false", "--share-address", "127.0.0.1", "--share-port", $"{FreePort()}"]);
        await started.StartAsync();
        laptop = Keep(new HttpClient { BaseAddress = new($"http://localhost:{port}") });
        var secure = started.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.FirstOrDefault(one => one.StartsWith("https", StringComparison.Ordinal));
        if (secure is not null) door = new(secure);
        return started;
    }

    private async Task Restart()
    {
        await app.DisposeAsync();
        app = await Start();
    }

    private HttpClient Keep(HttpClient client)
    {
        clients.Add(client);
        return client;
    }

    /// <summary>A phone that takes the certificate it is shown, as a person does who has compared the fingerprint.</summary>
    private HttpClient Phone(string? cookie = null)
    {
        var handler = new SocketsHttpHandler
        {
            AllowAutoRedirect = false,
            UseCookies = cookie is null,
            SslOptions = new SslClientAuthenticationOptions
            {
                RemoteCertificateValidationCallback = (_, certificate, _, _) =>
                {
                    shown = new X509Certificate2(certificate!);
                    return true;
                },
            },
        };
        var phone = Keep(new HttpClient(handler) { BaseAddress = door });
        if (cookie is not null) phone.DefaultRequestHeaders.Add("Cookie", cookie);
        return phone;
    }

    private async Task<string> Code() =>
        (string)(await TestApp.Json(await laptop.PostAsJsonAsync("/api/share/codes", new { address = "127.0.0.1" })))["code"]!;

    private static Task<HttpResponseMessage> Try(HttpClient phone, string code, string? name = null) =>
        phone.PostAsJsonAsync("/join", new { code, name });

    private async Task<HttpClient> Joined()
    {
        var phone = Phone();
        Assert.Equal(HttpStatusCode.OK, (await Try(phone, await Code())).StatusCode);
        return phone;
    }

    [Fact]
    public async Task Off_unless_asked()
    {
        await app.DisposeAsync();
        app = await Start(share: false);
        Assert.DoesNotContain(app.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses,
            one => one.StartsWith("https", StringComparison.Ordinal));
        var view = await TestApp.Json(await laptop.GetAsync("/api/share"));
        Assert.False((bool)view["on"]!);
        Assert.Contains("run --share",
            (string)(await TestApp.Json(await laptop.PostAsJsonAsync("/api/share/codes", new { address = "127.0.0.1" }),
            HttpStatusCode.Conflict))["title"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_a_session_nothing_but_the_join_page_answers()
    {
        var stranger = Phone();
        foreach (var file in new[] { "/join", "/join.css", "/join.js" }) Assert.Equal(HttpStatusCode.OK,
            (await stranger.GetAsync(file)).StatusCode);
        var api = await laptop.GetFromJsonAsync<JsonObject>("/api/openapi.json");
        foreach (var (path, methods) in api!["paths"]!.AsObject())
            foreach (var method in methods!.AsObject().Select(one => one.Key.ToUpperInvariant()).Take(1))
            {
                var answer = await stranger.SendAsync(new(new(method),
                    path.Replace("{", "", StringComparison.Ordinal).Replace("}", "", StringComparison.Ordinal)));
                Assert.True(answer.StatusCode is HttpStatusCode.Unauthorized or HttpStatusCode.TooManyRequests,
                    $"{method} {path}: {answer.StatusCode}");
                Assert.True(answer.Headers.Contains("Content-Security-Policy"), "An answer without its protective headers.");
            }
    }

    [Fact]
    public async Task A_page_looked_at_leads_to_the_join_page_and_files_do_not_answer()
    {
        var stranger = Phone();
        using var look = new HttpRequestMessage(HttpMethod.Get, "/job/abc/work");
        look.Headers.Add("Accept", "text/html");
        var answer = await stranger.SendAsync(look);
        Assert.Equal((HttpStatusCode.Redirect, "/join"), (answer.StatusCode, answer.Headers.Location!.ToString()));
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync("/altrin.svg")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync("/assets/index.js")).StatusCode);
    }

    [Fact]
    public async Task A_code_lets_one_phone_in_once_and_it_may_work_on_a_job()
    {
        var code = await Code();
        var phone = Phone();
        var answer = await Try(phone, $" {code[..5].ToLowerInvariant()} {code[5..]} ", "Blue phone");
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var cookie = Assert.Single(answer.Headers.GetValues("Set-Cookie"));
        Assert.StartsWith("__Host-altrin=", cookie, StringComparison.Ordinal);
        foreach (var word in new[] { "secure", "httponly", "samesite=strict", "path=/" }) Assert.Contains(word, cookie,
            StringComparison.Ordinal);
        var job = await TestApp.Json(await phone.PostAsJsonAsync("/api/jobs", new { from = "demo" }));
        Assert.Equal(HttpStatusCode.OK, (await phone.GetAsync($"/api/jobs/{job["id"]}")).StatusCode);
        // Used twice it is no code any more.
        Assert.Equal(HttpStatusCode.Forbidden, (await Try(Phone(), code)).StatusCode);
        var view = await TestApp.Json(await laptop.GetAsync("/api/share"));
        Assert.Equal("Blue phone", (string)Assert.Single(view["phones"]!.AsArray())!["name"]!);
    }

    [Fact]
    public async Task The_code_is_drawn_and_is_in_no_address_that_is_sent()
    {
        var job = (string)(await TestApp.Json(await laptop.PostAsJsonAsync("/api/jobs", new { from = "demo" })))["id"]!;
        var made = await TestApp.Json(await laptop.PostAsJsonAsync("/api/share/codes", new { address = "127.0.0.1", job }));
        var url = (string)made["url"]!;
        Assert.Equal(url, DrawnCodes.Read((string)made["picture"]!));
        Assert.Equal(("/join", $"#{made["code"]}/{job}"), (new Uri(url).PathAndQuery, new Uri(url).Fragment));
        // What is printed beside a step leads to where a phone finds the laptop, not to the phone itself.
        var printed = DrawnCodes.Read(await laptop.GetStringAsync($"/api/jobs/{job}/work-order/abc/code"));
        Assert.StartsWith($"{door.GetLeftPart(UriPartial.Authority)}/job/{job}/work", printed, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.BadRequest,
            (await laptop.PostAsJsonAsync("/api/share/codes", new { address = "192.0.2.1" })).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest,
            (await laptop.PostAsJsonAsync("/api/share/codes", new { address = "127.0.0.1", job = "../x" })).StatusCode);
    }

    /// <summary>Refused by what it asks for, whatever the route: none is forgotten, also of those to come.</summary>
    [Fact]
    public async Task Who_may_only_look_sees_the_job_and_changes_nothing_by_any_route()
    {
        var job = (string)(await TestApp.Json(await laptop.PostAsJsonAsync("/api/jobs", new { from = "demo" })))["id"]!;
        var guest = Phone();
        var code = (string)(await TestApp.Json(await laptop.PostAsJsonAsync("/api/share/codes",
            new { address = "127.0.0.1", looksOnly = true })))["code"]!;
        Assert.Equal(HttpStatusCode.OK, (await Try(guest, code, "The owner's")).StatusCode);
        var before = await laptop.GetStringAsync($"/api/jobs/{job}");
        var refused = 0;
        foreach (var (path, methods) in (await laptop.GetFromJsonAsync<JsonObject>("/api/openapi.json"))!["paths"]!.AsObject())
            foreach (var method in methods!.AsObject().Select(one => one.Key.ToUpperInvariant()).Where(one =>
                one is not ("GET" or "PARAMETERS") && path != "/api/share/leave"))
            {
                var answer = await guest.SendAsync(new(new(method),
                    path.Replace("{id}", job, StringComparison.Ordinal).Replace("{", "", StringComparison.Ordinal).Replace("}", "",
                    StringComparison.Ordinal))
                { Content = JsonContent.Create(new { version = 1 }) });
                Assert.True(answer.StatusCode == HttpStatusCode.Forbidden, $"{method} {path}: {answer.StatusCode}");
                refused++;
            }
        Assert.True(refused > 20, $"Only {refused} were tried.");
        Assert.Equal(before, await laptop.GetStringAsync($"/api/jobs/{job}"));
        Assert.Equal(HttpStatusCode.OK, (await guest.GetAsync($"/api/jobs/{job}")).StatusCode);
        Assert.True((bool)(await TestApp.Json(await guest.GetAsync("/api/share")))["looksOnly"]!);
        Assert.True((bool)(await TestApp.Json(await laptop.GetAsync("/api/share")))["phones"]![0]!["looksOnly"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await guest.PostAsJsonAsync("/api/share/leave", new { })).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await guest.GetAsync($"/api/jobs/{job}")).StatusCode);
    }

    [Fact]
    public void A_guest_stays_a_guest_over_a_restart()
    {
        var folder = Path.Combine(data, "guests");
        var (_, token) = new PhoneSessions(folder, TimeProvider.System).Join("A tablet", "192.168.1.9", looksOnly: true)!.Value;
        Assert.True(new PhoneSessions(folder, TimeProvider.System).Of(token, "192.168.1.9")!.Value.Session.LooksOnly);
    }

    [Fact]
    public void A_certificate_that_is_nearly_over_of_tomorrow_or_damaged_is_made_anew()
    {
        var folder = Path.Combine(data, "certificates");
        var clock = new FakeTimeProvider(DateTimeOffset.UtcNow);
        using var first = OwnCertificate.In(folder, clock);
        using var same = OwnCertificate.In(folder, clock);
        Assert.Equal(first.GetCertHashString(), same.GetCertHashString());
        clock.Advance(TimeSpan.FromDays(771));
        using var renewed = OwnCertificate.In(folder, clock);
        Assert.NotEqual(first.GetCertHashString(), renewed.GetCertHashString());
        Assert.True(renewed.NotAfter.ToUniversalTime() > clock.GetUtcNow().AddDays(700).UtcDateTime);
        // A laptop whose clock was wrong when it was made.
        using var earlier = OwnCertificate.In(folder, new FakeTimeProvider(DateTimeOffset.UtcNow));
        Assert.NotEqual(renewed.GetCertHashString(), earlier.GetCertHashString());
        File.WriteAllText(Path.Combine(folder, "share", "certificate.pem"), "-----BEGIN CERTIFICATE-----\nno such thing\n");
        using var mended = OwnCertificate.In(folder, new FakeTimeProvider(DateTimeOffset.UtcNow));
        Assert.True(mended.HasPrivateKey);
    }

    /// <summary>What is not encrypted is answered nothing at this door, and no page served there fetches anything that is not.</summary>
    [Fact]
    public async Task Nothing_is_said_in_the_clear()
    {
        using var plain = new TcpClient();
        await plain.ConnectAsync(IPAddress.Loopback, door.Port);
        await using var stream = plain.GetStream();
        await stream.WriteAsync(System.Text.Encoding.ASCII.GetBytes($"GET /join HTTP/1.1\r\nHost: 127.0.0.1:{door.Port}\r\n\r\n"));
        using var reader = new StreamReader(stream);
        var answer = "";
        try { answer = await reader.ReadToEndAsync().WaitAsync(TimeSpan.FromMinutes(2)); }
        catch (IOException) { /* Closed at once. */ }
        Assert.DoesNotContain("HTTP/1.1 200", answer, StringComparison.Ordinal);
        Assert.DoesNotContain("Altrin", answer, StringComparison.Ordinal);
        var phone = await Joined();
        foreach (var page in new[] { "/join", "/join.js", "/join.css" }) Assert.DoesNotContain("http://", await phone.GetStringAsync(page),
            StringComparison.Ordinal);
        Assert.Contains("default-src 'none'", (await phone.GetAsync("/join")).Headers.GetValues("Content-Security-Policy").Single(),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Guesses_are_counted_and_the_code_is_void_after_ten()
    {
        var codes = new JoinCodes(TimeProvider.System);
        var (code, _) = codes.Make();
        for (var i = 0; i < 10; i++) Assert.Null(codes.Use($"WRONG{i}0000"));
        Assert.Null(codes.Use(code));
        var phone = Phone();
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 7; i++) answers.Add((await Try(phone, "AAAAAAAAAA")).StatusCode);
        Assert.Equal([.. Enumerable.Repeat(HttpStatusCode.Forbidden, 5), .. Enumerable.Repeat(HttpStatusCode.TooManyRequests, 2)], answers);
    }

    [Fact]
    public void A_code_is_good_for_five_minutes_and_a_new_one_voids_the_old()
    {
        var clock = new FakeTimeProvider();
        var codes = new JoinCodes(clock);
        var (old, _) = codes.Make();
        var (code, until) = codes.Make();
        Assert.Null(codes.Use(old));
        Assert.Equal(TimeSpan.FromMinutes(5), until - clock.GetUtcNow());
        clock.Advance(TimeSpan.FromMinutes(5));
        Assert.Null(codes.Use(code));
        Assert.False(codes.Use(codes.Make().Code));
        Assert.True(codes.Use(codes.Make(looksOnly: true).Code));
    }

    [Fact]
    public async Task A_session_that_is_ended_ends_at_once_also_in_an_answer_that_never_does()
    {
        var phone = await Joined();
        using var stream = await phone.GetStreamAsync("/api/changes");
        using var reader = new StreamReader(stream);
        Assert.NotNull(await reader.ReadLineAsync());
        var id = (string)(await TestApp.Json(await laptop.GetAsync("/api/share")))["phones"]![0]!["id"]!;
        // Only the laptop decides who goes.
        Assert.Equal(HttpStatusCode.Forbidden, (await phone.DeleteAsync($"/api/share/sessions/{id}")).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await phone.PostAsJsonAsync("/api/share/codes", new { address = "127.0.0.1" })).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await laptop.DeleteAsync($"/api/share/sessions/{id}")).StatusCode);
        await Assert.ThrowsAnyAsync<IOException>(async () =>
        {
            while (await reader.ReadLineAsync() is not null) { }
            throw new IOException("closed");
        }).WaitAsync(TimeSpan.FromMinutes(2));
        Assert.Equal(HttpStatusCode.Unauthorized, (await phone.GetAsync("/api/jobs")).StatusCode);
    }

    [Fact]
    public async Task A_session_outlives_a_restart_and_neither_it_nor_the_key_can_be_read_by_others()
    {
        var phone = Phone();
        var cookie = (await Try(phone, await Code())).Headers.GetValues("Set-Cookie").Single().Split(';')[0];
        var before = shown!.GetCertHashString();
        await Restart();
        Assert.Equal(HttpStatusCode.OK, (await Phone(cookie).GetAsync("/api/jobs")).StatusCode);
        Assert.Equal(before, shown!.GetCertHashString());
        // The fingerprint shown is the one of the certificate that is used.
        Assert.Equal(Convert.ToHexString(SHA256.HashData(shown.RawData)),
            ((string)(await TestApp.Json(await laptop.GetAsync("/api/share")))["fingerprint"]!).Replace(":", "", StringComparison.Ordinal));
        foreach (var file in Directory.EnumerateFiles(Path.Combine(data, "share")))
        {
            Assert.DoesNotContain(cookie.Split('=')[1], await File.ReadAllTextAsync(file), StringComparison.Ordinal);
            if (!OperatingSystem.IsWindows()) Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
        }
    }

    [Fact]
    public void A_session_ends_after_half_a_day_without_a_word_and_after_a_week()
    {
        var clock = new FakeTimeProvider();
        var sessions = new PhoneSessions(Path.Combine(data, "others"), clock);
        var (session, token) = sessions.Join("A phone", "192.168.1.9")!.Value;
        clock.Advance(TimeSpan.FromHours(11));
        Assert.NotNull(sessions.Of(token, "192.168.1.9"));
        clock.Advance(TimeSpan.FromHours(12));
        Assert.Null(sessions.Of(token, "192.168.1.9"));
        (session, token) = sessions.Join("A phone", "192.168.1.9")!.Value;
        for (var hours = 0; hours < 7 * 24; hours += 8)
        {
            Assert.NotNull(sessions.Of(token, "192.168.1.9"));
            clock.Advance(TimeSpan.FromHours(8));
        }
        Assert.Null(sessions.Of(token, "192.168.1.9"));
    }

    [Fact]
    public async Task Other_hosts_and_other_origins_are_refused_at_this_door_too()
    {
        var phone = await Joined();
        using var posing = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        posing.Headers.Host = $"evil.example:{door.Port}";
        Assert.Equal(HttpStatusCode.MisdirectedRequest, (await phone.SendAsync(posing)).StatusCode);
        using var local = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        local.Headers.Host = $"localhost:{door.Port}";
        Assert.Equal(HttpStatusCode.MisdirectedRequest, (await phone.SendAsync(local)).StatusCode);
        using var foreign = new HttpRequestMessage(HttpMethod.Post, "/api/jobs") { Content = JsonContent.Create(new { from = "demo" }) };
        foreign.Headers.Add("Origin", "https://evil.example");
        Assert.Equal(HttpStatusCode.Forbidden, (await phone.SendAsync(foreign)).StatusCode);
        // The phone's address is no name of the laptop's own door.
        using var crossed = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        crossed.Headers.Host = "192.168.1.5";
        Assert.Equal(HttpStatusCode.MisdirectedRequest, (await laptop.SendAsync(crossed)).StatusCode);
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("[]")]
    [InlineData("{\"code\":7}")]
    [InlineData("{\"code\":null}")]
    public async Task Bad_joins_are_refused_in_words(string body)
    {
        var answer = await Phone().PostAsync("/join", new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
        Assert.True((int)answer.StatusCode is 400 or 403, $"{answer.StatusCode}");
        Assert.NotNull((await answer.Content.ReadFromJsonAsync<JsonObject>())!["title"]);
    }

    /// <summary>RFC 1918 and 3927 are the house; RFC 6598 and everything public is the provider's side.</summary>
    [Theory]
    [InlineData("192.168.1.5", true)]
    [InlineData("10.200.0.9", true)]
    [InlineData("172.31.255.1", true)]
    [InlineData("172.32.0.1", false)]
    [InlineData("169.254.3.3", true)]
    [InlineData("100.64.0.7", false)]
    [InlineData("203.0.113.9", false)]
    [InlineData("::ffff:192.168.1.5", true)]
    [InlineData("127.0.0.1", false)]
    public void Only_where_the_house_is_the_door_opens(string local, bool opens) =>
        Assert.Equal(opens, new ShareSettings(true, 5443, null).MayAnswer(IPAddress.Parse(local)));

    [Fact]
    public async Task A_flood_from_one_address_is_slowed_and_the_laptop_goes_on()
    {
        var stranger = Phone();
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 120; i++) answers.Add((await stranger.GetAsync("/join")).StatusCode);
        Assert.Contains(HttpStatusCode.TooManyRequests, answers);
        Assert.Equal(HttpStatusCode.OK, (await laptop.GetAsync("/api/jobs")).StatusCode);
    }

    [Fact]
    public async Task Those_who_listen_hear_what_another_has_changed_and_not_what_only_asks()
    {
        var phone = await Joined();
        var job = await TestApp.Json(await laptop.PostAsJsonAsync("/api/jobs", new { from = "demo" }));
        using var stream = await phone.GetStreamAsync("/api/changes");
        using var reader = new StreamReader(stream);
        Assert.Equal("hello", (string)(await Next())["what"]!);
        await laptop.PostAsJsonAsync($"/api/jobs/{job["id"]}/visit/paste", new { text = "nothing" });
        using var write = new HttpRequestMessage(HttpMethod.Post, $"/api/jobs/{job["id"]}/found/deeds")
        {
            Content = JsonContent.Create(new
            {
                version = 1,
                actions = new object[] { new Dictionary<string, object> { ["do"] = "rename", ["id"] = "gw", ["name"] = "Another" } }
            })
        };
        write.Headers.Add("X-Altrin-Page", "page-7");
        var said = await laptop.SendAsync(write);
        Assert.True(said.IsSuccessStatusCode, await said.Content.ReadAsStringAsync());
        var note = await Next();
        Assert.Equal(((string)job["id"]!, "house", "page-7"), ((string)note["job"]!, (string)note["what"]!, (string)note["by"]!));
        Assert.Equal("jobs", (string)(await Next())["what"]!);

        async Task<JsonNode> Next()
        {
            while (await reader.ReadLineAsync().WaitAsync(TimeSpan.FromMinutes(2)) is { } line)
                if (line.StartsWith("data:", StringComparison.Ordinal)) return JsonNode.Parse(line[5..])!;
            throw new IOException("The stream ended.");
        }
    }
}
