using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using Altrin.Core.Secrets;
using Altrin.Data;
using Microsoft.AspNetCore.DataProtection;

namespace Altrin.Web.Security;

/// <summary>Passwords of a job, sealed on their way to the store and opened one at a time.</summary>
internal sealed class SealedSecrets(SecretStore store, IDataProtectionProvider ring)
{
    /// <summary>Each job's, and each name's, is sealed for itself: one moved elsewhere does not open.</summary>
    private IDataProtector For(string job, string name) => ring.CreateProtector("Altrin.Secret", job, name);

    public Task<ImmutableArray<SecretHead>> List(string job, CancellationToken cancel) => store.List(job, cancel);

    public Task<bool> Keep(string job, string name, string value, CancellationToken cancel) => store.Keep(job, name, For(job, name).Protect(Encoding.UTF8.GetBytes(value)), cancel);

    public Task<bool> Forget(string job, string name, CancellationToken cancel) => store.Forget(job, name, cancel);

    /// <summary>Null: there is none. <paramref name="IsLost"/>: it was sealed with a key ring that is not here.</summary>
    internal readonly record struct Opened(string? Value, bool IsLost);

    public async Task<Opened> Open(string job, string name, CancellationToken cancel) =>
        await store.Find(job, name, cancel) is { } closed ? Open(job, name, closed) : default;

    /// <summary>What speaks against each, by name. What cannot be opened is not judged.</summary>
    public async Task<IReadOnlyDictionary<string, ImmutableArray<string>>> Judge(string job, CancellationToken cancel)
    {
        var open = (await store.All(job, cancel)).Select(one => (one.Name, Open(job, one.Name, one.Sealed).Value)).Where(one => one.Value is not null).ToList();
        return open.ToDictionary(one => one.Name, one => KeyStrength.Against(one.Value!, open.Where(other => other.Name != one.Name).Select(other => (Say(other.Name), other.Value!))), StringComparer.Ordinal);
    }

    public static string Say(string name) => name.StartsWith(AdminOf, StringComparison.Ordinal) ? "an admin password" : $"the password “{name}”";

    /// <summary>Before the id of a box.</summary>
    public const string AdminOf = "admin of ";

    private Opened Open(string job, string name, byte[] closed)
    {
        try { return new(Encoding.UTF8.GetString(For(job, name).Unprotect(closed)), false); }
        catch (CryptographicException) { return new(null, true); }
    }
}
