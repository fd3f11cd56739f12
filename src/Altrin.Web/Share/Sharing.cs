using System.Net;

namespace Altrin.Web.Share;

/// <summary>Opens the phone's door beside the laptop's own, where that is asked for.</summary>
internal static class Sharing
{
    public static void Add(WebApplicationBuilder builder, string data)
    {
        var share = ShareSettings.Of(builder.Configuration);
        builder.Services.AddSingleton(share);
        builder.Services.AddSingleton<JoinCodes>();
        builder.Services.AddSingleton(services => new PhoneSessions(data, services.GetRequiredService<TimeProvider>()));
        if (!share.On)
        {
            builder.Services.AddSingleton(new PhoneFingerprint(null));
            return;
        }
        var certificate = OwnCertificate.In(data, TimeProvider.System);
        builder.Services.AddSingleton(new PhoneFingerprint(OwnCertificate.Fingerprint(certificate)));
        builder.WebHost.UseKestrelHttpsConfiguration();
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Listen(share.Only ?? IPAddress.Any, share.Port, listen =>
        {
            FromTheHouse.Guard(listen, share);
            listen.UseHttps(certificate);
        }));
    }
}
