using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.Tests;
using Altrin.Web.Photos;
using QRCoder;
using SkiaSharp;

namespace Altrin.Web.Tests;

/// <summary>Pictures of labels: told by content, measured before they are decoded, drawn anew, and their codes read.</summary>
public class PhotoTests
{
    private static byte[] Picture(int width, int height, SKEncodedImageFormat format, Action<SKCanvas>? draw = null)
    {
        using var bitmap = new SKBitmap(width, height);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.Beige);
        draw?.Invoke(canvas);
        using var image = SKImage.FromBitmap(bitmap);
        using var data = image.Encode(format, 90);
        return data.ToArray();
    }

    private static byte[] WithCode(string text, SKEncodedImageFormat format = SKEncodedImageFormat.Jpeg)
    {
        var modules = new QRCodeGenerator().CreateQrCode(text, QRCodeGenerator.ECCLevel.M).ModuleMatrix;
        return Picture(1200, 900, format, canvas =>
        {
            using var ink = new SKPaint { Color = SKColors.Black };
            for (var y = 0; y < modules.Count; y++)
                for (var x = 0; x < modules.Count; x++)
                    if (modules[y][x]) canvas.DrawRect(200 + x * 8, 120 + y * 8, 8, 8, ink);
        });
    }

    /// <summary>Exif: a place and an orientation (CIPA DC-008, value from memory), put where a camera puts them.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        byte[] tiff =
        [
            (byte)'M', (byte)'M', 0, 42, 0, 0, 0, 8, 0, 2,
            0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0,
            0x01, 0x0E, 0, 2, 0, 0, 0, 18, 0, 0, 0, 38,
            0, 0, 0, 0, .. "GPS 51.5 N, 0.1 W\0"u8,
        ];
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        var length = body.Length + 2;
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)(length >> 8), (byte)length, .. body, .. jpeg[2..]];
    }

    private static async Task<HttpResponseMessage> Send(TestApp app, string job, byte[] bytes, string subject = "gw")
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new("application/octet-stream");
        return await app.Client.PostAsync($"/api/jobs/{job}/photos?subject={subject}", content);
    }

    private static async Task<string> Job(TestApp app) => (string)(await app.NewJob())["id"]!;

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public async Task A_picture_is_scaled_and_kept_with_the_job(SKEncodedImageFormat format)
    {
        using var app = new TestApp();
        var job = await Job(app);
        var answer = await TestApp.Json(await Send(app, job, Picture(3000, 1000, format)));
        var kept = await app.Client.GetAsync($"/api/jobs/{job}/photos/{(string)answer["photo"]!["id"]!}");
        Assert.Equal("image/jpeg", kept.Content.Headers.ContentType!.MediaType);
        using var picture = SKBitmap.Decode(await kept.Content.ReadAsByteArrayAsync());
        Assert.Equal((1600, 533), (picture.Width, picture.Height));
        await app.Client.DeleteAsync($"/api/jobs/{job}");
        Assert.Equal(HttpStatusCode.NotFound,
            (await app.Client.GetAsync($"/api/jobs/{job}/photos/{(string)answer["photo"]!["id"]!}")).StatusCode);
    }

    /// <summary>Orientation 6: the camera was held upright, and its picture lies on its side.</summary>
    [Fact]
    public async Task It_is_turned_upright_and_tells_nothing_of_where_it_was_taken()
    {
        using var app = new TestApp();
        var job = await Job(app);
        var sent = WithExif(Picture(800, 400, SKEncodedImageFormat.Jpeg, canvas => canvas.DrawRect(0, 0, 400, 400,
            new() { Color = SKColors.DarkGreen })), 6);
        Assert.True(sent.AsSpan().IndexOf("GPS 51.5"u8) > 0);
        var answer = await TestApp.Json(await Send(app, job, sent));
        var bytes = await app.Client.GetByteArrayAsync($"/api/jobs/{job}/photos/{(string)answer["photo"]!["id"]!}");
        using var picture = SKBitmap.Decode(bytes);
        Assert.Equal((400, 800), (picture.Width, picture.Height));
        // What was on the left is above.
        Assert.True(picture.GetPixel(200, 100).Red < 60 && picture.GetPixel(200, 700).Red > 200);
        Assert.True(bytes.AsSpan().IndexOf("Exif"u8) < 0 && bytes.AsSpan().IndexOf("GPS 51.5"u8) < 0);
    }

    /// <summary>Made by another library (QRCoder), read by ours.</summary>
    [Fact]
    public async Task A_wifi_code_is_read_and_its_key_is_answered_this_once_only()
    {
        using var app = new TestApp();
        var job = await Job(app);
        var answer = await TestApp.Json(await Send(app, job, WithCode("WIFI:T:WPA;S:setup-53A7;P:planted;Quill1;;".Replace(";Quill",
            "\\;Quill", StringComparison.Ordinal))));
        var code = answer["codes"]!.AsArray().Single()!;
        Assert.Equal(("setup-53A7", "wpa2", "planted;Quill1"), ((string)code["ssid"]!, (string)code["security"]!, (string)code["key"]!));
        Assert.DoesNotContain("planted", await app.Client.GetStringAsync($"/api/jobs/{job}/photos"), StringComparison.Ordinal);
        Assert.DoesNotContain("planted", await app.Client.GetStringAsync($"/api/jobs/{job}"), StringComparison.Ordinal);
        var mac = (await TestApp.Json(await Send(app, job, WithCode("MAC:00005E0053A7",
            SKEncodedImageFormat.Png))))["codes"]!.AsArray().Single()!;
        Assert.Equal("00:00:5E:00:53:A7", (string)mac["mac"]!);
    }

    public static TheoryData<string, byte[]> Refused()
    {
        // 8,000 by 8,000 dots of one colour: a few kilobytes that would be a quarter of a gigabyte.
        var bomb = Picture(8000, 8000, SKEncodedImageFormat.Png);
        var half = Picture(600, 600, SKEncodedImageFormat.Png, canvas => canvas.DrawCircle(300, 300, 200,
            new() { Color = SKColors.Brown }));
        return new()
        {
            { "million dots", bomb },
            { "“most compatible”", [0, 0, 0, 24, .. "ftypheic"u8, .. new byte[40]] },
            { "Use JPEG, PNG or WebP", [.. "GIF89a"u8, .. new byte[40]] },
            { "Use JPEG, PNG or WebP", [.. "<svg onload=alert(1)></svg>     "u8] },
            { "empty", [] },
            { "damaged", [0xFF, 0xD8, 0xFF, 0xE0, .. new byte[60]] },
            { "damaged", half[..(half.Length / 2)] },
        };
    }

    [Theory, MemberData(nameof(Refused))]
    public async Task What_cannot_be_taken_is_refused_in_time_and_in_little_memory(string says, byte[] bytes)
    {
        using var app = new TestApp();
        var job = await Job(app);
        var answer = await Send(app, job, bytes);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var text = (string)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["title"]!;
        Assert.Contains(says, text, StringComparison.Ordinal);
        var start = ThreadClock.Now;
        Assert.NotNull(PhotoIntake.Take(bytes).Problem);
        Assert.InRange(ThreadClock.Now - start, TimeSpan.Zero, TimeSpan.FromSeconds(1));
        Assert.Equal("[]", await app.Client.GetStringAsync($"/api/jobs/{job}/photos"));
    }

    /// <summary>Two files in one: what stands behind the picture is not kept.</summary>
    [Fact]
    public async Task Of_two_files_in_one_the_picture_alone_is_kept()
    {
        using var app = new TestApp();
        var job = await Job(app);
        var answer = await TestApp.Json(await Send(app, job, [.. Picture(300, 300, SKEncodedImageFormat.Jpeg),
            .. "PK\u0003\u0004<script>alert(1)</script>"u8]));
        var kept = await app.Client.GetAsync($"/api/jobs/{job}/photos/{(string)answer["photo"]!["id"]!}");
        Assert.True((await kept.Content.ReadAsByteArrayAsync()).AsSpan().IndexOf("<script>"u8) < 0);
        Assert.Equal("nosniff", kept.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Fact]
    public async Task A_job_keeps_twenty_megabytes()
    {
        using var app = new TestApp();
        var job = await Job(app);
        var random = new Random(1);
        var noise = Picture(1600, 1600, SKEncodedImageFormat.Png, canvas =>
        {
            using var dot = new SKPaint();
            for (var n = 0; n < 60_000; n++)
            {
                dot.Color = new((uint)random.NextInt64(1L << 32) | 0xFF000000);
                canvas.DrawRect(random.Next(1600), random.Next(1600), 8, 8, dot);
            }
        });
        for (var n = 0; n < 60; n++)
        {
            var answer = await Send(app, job, noise);
            if (answer.StatusCode == HttpStatusCode.OK) continue;
            Assert.Contains("20 MB already. Delete one first.", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
            var list = JsonNode.Parse(await app.Client.GetStringAsync($"/api/jobs/{job}/photos"))!.AsArray();
            Assert.InRange(list.Sum(one => (long)one!["bytes"]!), 15L << 20, 20L << 20);
            Assert.Equal(HttpStatusCode.NoContent,
                (await app.Client.DeleteAsync($"/api/jobs/{job}/photos/{(string)list[0]!["id"]!}")).StatusCode);
            Assert.Equal(HttpStatusCode.OK, (await Send(app, job, noise)).StatusCode);
            return;
        }
        Assert.Fail("Sixty pictures went in.");
    }

    /// <summary>Law: any bytes behind a picture's first signs give a picture or a refusal, never a failure.</summary>
    [Fact]
    public async Task Any_bytes_are_taken_or_refused()
    {
        using var app = new TestApp();
        var job = await Job(app);
        var random = new Random(9);
        byte[][] whole = [Picture(60, 60, SKEncodedImageFormat.Jpeg), Picture(60, 60, SKEncodedImageFormat.Png), Picture(60, 60,
            SKEncodedImageFormat.Webp)];
        for (var n = 0; n < 240; n++)
        {
            var bytes = (byte[])whole[n % 3].Clone();
            for (var hits = random.Next(1, 12); hits > 0; hits--) bytes[random.Next(4, bytes.Length)] = (byte)random.Next(256);
            if (n % 4 == 0) bytes = bytes[..random.Next(16, bytes.Length)];
            Assert.True((await Send(app, job, bytes)).StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest);
        }
    }
}
