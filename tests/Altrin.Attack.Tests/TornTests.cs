using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Data;
using Altrin.UseCases;
using Microsoft.Data.Sqlite;

namespace Altrin.Attack.Tests;

/// <summary>A write-ahead log that a power cut has torn: the state of some moment is there, whole.</summary>
public class TornTests
{
    private static Jobs JobsOf(Folder folder, JobStore store) => new(store, new Recent(), new OwnKinds(Path.Combine(folder.Path, "kit")));

    [Fact]
    [Trait("part", "torn")]
    public async Task A_torn_log_gives_the_state_of_some_moment()
    {
        var (rounds, random) = (Rounds.Or(25), new Random(Rounds.Seed));
        var house = DocumentReader.Read(await File.ReadAllBytesAsync(Path.Combine(Victim.Root, "docs", "examples", "larkspur-house.json"))).Document!;
        var cut = 0;
        for (var round = 0; round < rounds; round++)
        {
            using var folder = new Folder();
            var file = Path.Combine(folder.Path, "altrin.db");
            var store = new JobStore(file, TimeProvider.System);
            store.Prepare();
            var jobs = JobsOf(folder, store);
            var job = await jobs.Create(house, CancellationToken.None);
            var edits = 1 + random.Next(30);
            for (var n = 1; n <= edits; n++) Assert.Equal(ChangeResult.Done, (await jobs.Apply(job, Side.Found, new(n), [new Rename("printer", $"Printer {n}")], null, CancellationToken.None)).Result);
            // As the disk holds it while the program runs, and then not all of it.
            using var torn = new Folder();
            var there = Path.Combine(torn.Path, "altrin.db");
            File.Copy(file, there);
            var log = await File.ReadAllBytesAsync($"{file}-wal");
            SqliteConnection.ClearAllPools();
            var at = random.Next(log.Length);
            byte[] left = random.Next(3) switch
            {
                0 => log[..at],
                1 => [.. log[..at], .. new byte[log.Length - at]],
                _ => Flip(log, at, random),
            };
            await File.WriteAllBytesAsync($"{there}-wal", left);
            var again = new JobStore(there, TimeProvider.System);
            again.Prepare();
            var later = JobsOf(torn, again);
            var heads = await later.List(null, 10, CancellationToken.None);
            if (heads.Length == 0)
            {
                cut++;
                continue;
            }
            var found = (await later.Find(job, CancellationToken.None))!;
            Assert.InRange(found.Head.Version, 1, edits + 1);
            Assert.Equal(found.Head.Version == 1 ? house.NameOf("printer") : $"Printer {found.Head.Version - 1}", found.Found.Document.NameOf("printer"));
            if (found.Head.Version <= edits) cut++;
            // And it goes on from there.
            Assert.Equal(ChangeResult.Done, (await later.Apply(job, Side.Found, new(found.Head.Version), [new Rename("printer", "Anew")], null, CancellationToken.None)).Result);
            SqliteConnection.ClearAllPools();
        }
        Assert.True(cut > 0, "no round lost anything: the log was not torn");
        Rounds.Say($"torn: {rounds} logs, {cut} of them shorter by some edits, every one opened to the state of some moment");
    }

    private static byte[] Flip(byte[] log, int at, Random random)
    {
        var flipped = (byte[])log.Clone();
        flipped[at] ^= (byte)(1 << random.Next(8));
        return flipped;
    }
}
