using System.Diagnostics;
using System.Net;
using SkiaSharp;

namespace Altrin.Attack.Tests;

/// <summary>Pictures without end: each is kept or refused in words, nothing grows but the file, and what is deleted is gone from
/// it.</summary>
public class PictureTests
{
    [Fact]
    [Trait("part", "pictures")]
    public async Task However_many_are_taken_each_is_kept_or_refused_in_words()
    {
        var (pictures, random) = (Rounds.Or(120), new Random(Rounds.Seed));
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var jobs = new List<(string Id, int Pictures)>();
        var (refused, memory, since) = (0, new List<long>(), Stopwatch.StartNew());
        for (var n = 0; n < pictures; n++)
        {
            if (jobs.Count == 0 || jobs[^1].Pictures < 0) jobs.Add(((string)(await victim.NewJob())["id"]!, 0));
            // Now and then one as large as a telephone's: that fills a job soon.
            var large = random.Next(8) == 0;
            using var content = new ByteArrayContent(Noise(random, large ? 1600 : 96, large ? 1200
                : 64))
            { Headers = { ContentType = new("application/octet-stream") } };
            var answer = await victim.Client.PostAsync($"/api/jobs/{jobs[^1].Id}/photos?subject=hall", content);
            if (answer.IsSuccessStatusCode) jobs[^1] = (jobs[^1].Id, jobs[^1].Pictures + 1);
            else
            {
                Assert.True(answer.StatusCode is HttpStatusCode.Conflict or HttpStatusCode.BadRequest or HttpStatusCode.RequestEntityTooLarge, $"{answer.StatusCode}");
                Assert.Contains("20 MB", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
                refused++;
                Assert.Equal(jobs[^1].Pictures, await Count(victim, jobs[^1].Id));
                jobs[^1] = (jobs[^1].Id, -1 - jobs[^1].Pictures);
            }
            if (n % Math.Max(1, pictures / 20) == 0) memory.Add(victim.ResidentBytes);
        }
        var taken = since.Elapsed;
        // A list of pictures reads no picture.
        var listed = Stopwatch.StartNew();
        var there = 0;
        foreach (var (id, _) in jobs) there += await Count(victim, id);
        Assert.Equal(pictures - refused, there);
        Assert.True(listed.Elapsed < taken,
            $"to list {jobs.Count} jobs took {listed.Elapsed.TotalSeconds:0.0} s, to take their pictures {taken.TotalSeconds:0.0} s");
        var (early, late) = (memory.Skip(memory.Count / 4).Take(5).Max(), memory.TakeLast(5).Max());
        Rounds.Say($"pictures: {pictures} sent to {jobs.Count} jobs in {taken.TotalSeconds:0} s, {there} kept, {refused} refused in words; {early >> 20} MB early, {late >> 20} MB late; the file {new FileInfo(Path.Combine(folder.Path, "altrin.db")).Length >> 20} MB");
        Assert.True(late < early * 1.3 + (60 << 20), $"{early >> 20} MB early, {late >> 20} MB late");
        foreach (var (id, _) in jobs) (await victim.Client.DeleteAsync($"/api/jobs/{id}")).EnsureSuccessStatusCode();
        foreach (var (id, _) in jobs) Assert.Equal(HttpStatusCode.NotFound,
            (await victim.Client.GetAsync($"/api/jobs/{id}/photos")).StatusCode);
    }

    private static async Task<int> Count(Victim victim, string job) =>
        (await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}/photos"))).AsArray().Count;

    /// <summary>No two alike, and none that packs well.</summary>
    private static byte[] Noise(Random random, int width, int height)
    {
        using var bitmap = new SKBitmap(width, height);
        var pixels = new byte[bitmap.ByteCount];
        random.NextBytes(pixels);
        System.Runtime.InteropServices.Marshal.Copy(pixels, 0, bitmap.GetPixels(), pixels.Length);
        using var image = SKImage.FromBitmap(bitmap);
        using var data = image.Encode(SKEncodedImageFormat.Jpeg, 80);
        return data.ToArray();
    }
}
