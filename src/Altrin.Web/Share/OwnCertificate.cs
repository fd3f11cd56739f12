using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Altrin.Data;
using Altrin.Web.Security;

namespace Altrin.Web.Share;

/// <summary>The certificate that the phone sees: made on first use, signed by nobody but itself, kept for its owner alone. What proves it is its
/// fingerprint, which the laptop shows and which stays the same from job to job.</summary>
internal static class OwnCertificate
{
    private static readonly TimeSpan Life = TimeSpan.FromDays(800), Margin = TimeSpan.FromDays(30);

    public static X509Certificate2 In(string data, TimeProvider clock)
    {
        var file = Path.Combine(data, "share", "certificate.pem");
        var now = clock.GetUtcNow();
        if (File.Exists(file))
        {
            try
            {
                var known = X509Certificate2.CreateFromPemFile(file);
                if (known.NotAfter.ToUniversalTime() > now + Margin && known.NotBefore.ToUniversalTime() <= now) return known;
            }
            // Damaged or of another make: a new one is made, and its fingerprint is new too.
            catch (Exception error) when (error is CryptographicException or ArgumentException) { }
        }
        var pem = Make(now);
        OwnerOnly.Write(file, pem);
        return X509Certificate2.CreateFromPem(pem, pem);
    }

    /// <summary>SHA-256, in pairs, as a phone's browser shows it.</summary>
    public static string Fingerprint(X509Certificate2 certificate) => string.Join(':', certificate.GetCertHash(HashAlgorithmName.SHA256).Select(one => one.ToString("X2")));

    private static string Make(DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Altrin on this laptop", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName("altrin.local");
        names.AddIpAddress(IPAddress.Loopback);
        request.CertificateExtensions.Add(names.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(certificateAuthority: false, false, 0, critical: true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, critical: true));
        // 1.3.6.1.5.5.7.3.1: to be a server (RFC 5280, 4.2.1.12).
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1")], critical: false));
        using var made = request.CreateSelfSigned(now.AddHours(-1), now + Life);
        return $"{made.ExportCertificatePem()}\n{key.ExportPkcs8PrivateKeyPem()}\n";
    }
}
