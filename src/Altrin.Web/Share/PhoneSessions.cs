using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Data;
using Altrin.Web.Security;

namespace Altrin.Web.Share;

/// <summary>A phone that has joined.</summary>
/// <param name="Hash">Of its token: who copies the file has no session.</param>
/// <param name="LooksOnly">It may look and change nothing.</param>
internal sealed record PhoneSession(string Id, string Hash, string Name, string Address, DateTimeOffset JoinedAt, DateTimeOffset SeenAt, bool LooksOnly = false);

/// <summary>The phones that have joined. They outlive a restart of the program; they end after half a day without a word, after a week, or when told so.</summary>
internal sealed class PhoneSessions(string data, TimeProvider clock)
{
    public static readonly TimeSpan Idle = TimeSpan.FromHours(12), Life = TimeSpan.FromDays(7);

    /// <summary>A team and its tablets.</summary>
    public const int Most = 12;

    /// <summary>When a phone was last seen is written down this often.</summary>
    private static readonly TimeSpan WriteAfter = TimeSpan.FromMinutes(10);

    private readonly string file = Path.Combine(data, "share", "sessions.json");
    private readonly Lock gate = new();
    private readonly Dictionary<string, CancellationTokenSource> ends = new(StringComparer.Ordinal);
    private ImmutableArray<PhoneSession>? known;

    public ImmutableArray<PhoneSession> All()
    {
        lock (gate) return Alive();
    }

    /// <summary>A new session and its token, which is told once.</summary>
    /// <returns>Null: too many have joined.</returns>
    public (PhoneSession Session, string Token)? Join(string name, string address, bool looksOnly = false)
    {
        var token = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(32));
        lock (gate)
        {
            var alive = Alive();
            if (alive.Length >= Most) return null;
            var now = clock.GetUtcNow();
            var session = new PhoneSession(Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(6)), HashOf(token), name, address, now, now, looksOnly);
            Write(alive.Add(session));
            return (session, token);
        }
    }

    /// <summary>Whose token it is, and when that session ends; null for nobody's.</summary>
    public (PhoneSession Session, CancellationToken Ended)? Of(string token, string address)
    {
        var hash = HashOf(token);
        lock (gate)
        {
            var alive = Alive();
            // Who compares hashes tells nothing of the token by how long it takes.
            if (alive.FirstOrDefault(one => one.Hash == hash) is not { } session) return null;
            var now = clock.GetUtcNow();
            var seen = session with { SeenAt = now, Address = address };
            if (now - session.SeenAt >= WriteAfter || address != session.Address) Write(alive.Replace(session, seen));
            return (seen, EndOf(seen.Id).Token);
        }
    }

    public bool End(string id)
    {
        lock (gate)
        {
            var alive = Alive();
            if (alive.FirstOrDefault(one => one.Id == id) is not { } session) return false;
            Write(alive.Remove(session));
            if (ends.Remove(id, out var end)) end.Cancel();
            return true;
        }
    }

    private CancellationTokenSource EndOf(string id) => ends.TryGetValue(id, out var end) ? end : ends[id] = new();

    private ImmutableArray<PhoneSession> Alive()
    {
        var now = clock.GetUtcNow();
        var list = known ??= Read();
        return [.. list.Where(one => now - one.SeenAt < Idle && now - one.JoinedAt < Life)];
    }

    private ImmutableArray<PhoneSession> Read()
    {
        try { return File.Exists(file) ? JsonSerializer.Deserialize<ImmutableArray<PhoneSession>>(File.ReadAllText(file), AltrinJson.Compact) : []; }
        // Damaged: the phones join again.
        catch (JsonException) { return []; }
    }

    private void Write(ImmutableArray<PhoneSession> list)
    {
        known = list;
        OwnerOnly.Write(file, JsonSerializer.Serialize(list, AltrinJson.Compact));
    }

    private static string HashOf(string token) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
