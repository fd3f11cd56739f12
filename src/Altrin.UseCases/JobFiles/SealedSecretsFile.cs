using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace Altrin.UseCases.JobFiles;

/// <summary><c>altrin.secrets/1</c>: passwords sealed by a phrase. AES-256-GCM (NIST SP 800-38D) under a key of PBKDF2 with HMAC-SHA-256
/// (RFC 8018
/// section 5.2).</summary>
public static class SealedSecretsFile
{
    public const string Format = "altrin.secrets/1", Cipher = "AES-256-GCM", Kdf = "PBKDF2-HMAC-SHA-256";

    private const int Rounds = 600_000, MostRounds = 5_000_000, SaltBytes = 16, NonceBytes = 12, TagBytes = 16, KeyBytes = 32;

    private sealed record File(string Format, string Cipher, string Kdf, int Rounds, byte[] Salt, byte[] Nonce, byte[] Sealed);

    private static readonly JsonSerializerOptions Manners = new(JsonSerializerDefaults.Web) { WriteIndented = true, NewLine = "\n" };

    /// <param name="secrets">By the name of the key.</param>
    public static byte[] Seal(IReadOnlyDictionary<string, string> secrets, string phrase)
    {
        var (salt, nonce) = (RandomNumberGenerator.GetBytes(SaltBytes), RandomNumberGenerator.GetBytes(NonceBytes));
        var open = JsonSerializer.SerializeToUtf8Bytes(secrets);
        var closed = new byte[open.Length + TagBytes];
        using var aes = new AesGcm(KeyOf(phrase, salt, Rounds), TagBytes);
        aes.Encrypt(nonce, open, closed.AsSpan(0, open.Length), closed.AsSpan(open.Length));
        return JsonSerializer.SerializeToUtf8Bytes(new File(Format, Cipher, Kdf, Rounds, salt, nonce, closed), Manners);
    }

    /// <param name="problem">Why it does not open, and what to do.</param>
    public static IReadOnlyDictionary<string, string>? Open(ReadOnlySpan<byte> json, string phrase, out string problem)
    {
        problem = "The passwords in it cannot be read. Bring it in without them, and type them again.";
        try
        {
            var file = JsonSerializer.Deserialize<File>(json, Manners);
            if (file is not
                {
                    Format: Format, Cipher: Cipher, Kdf: Kdf, Rounds: > 0 and <= MostRounds, Salt.Length: >= SaltBytes,
                    Nonce.Length: NonceBytes, Sealed.Length: >= TagBytes
                })
                return null;
            var open = new byte[file.Sealed.Length - TagBytes];
            using var aes = new AesGcm(KeyOf(phrase, file.Salt, file.Rounds), TagBytes);
            aes.Decrypt(file.Nonce, file.Sealed.AsSpan(0, open.Length), file.Sealed.AsSpan(open.Length), open);
            return JsonSerializer.Deserialize<Dictionary<string, string>>(open);
        }
        catch (AuthenticationTagMismatchException)
        {
            problem = "The phrase does not open the passwords in it. Type it again, or bring the job in without them.";
            return null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static byte[] KeyOf(string phrase, byte[] salt, int rounds) =>
        Rfc2898DeriveBytes.Pbkdf2(Encoding.UTF8.GetBytes(phrase), salt, rounds, HashAlgorithmName.SHA256, KeyBytes);
}
