using System.Net;
using Altrin.Core.Documents;
using Altrin.Data;
using Altrin.UseCases;
using Altrin.Web.Api;
using Altrin.Web.Demo;
using Altrin.Web.Eyes;
using Altrin.Web.Live;
using Altrin.Web.Logging;
using Altrin.Web.Security;
using Altrin.Web.Share;
using Altrin.Web.Visit;
using Microsoft.AspNetCore.ResponseCompression;

namespace Altrin.Web;

/// <summary>Wires the application: store, API, built front end. Decides nothing.</summary>
public static class AltrinServer
{
    /// <summary>Names this assembly to hosts that start it from outside, tests among them.</summary>
    public sealed class EntryPoint;

    private const int DefaultPort = 5080;

    /// <summary>A house is some tens of kilobytes; a thousand times that is a mistake or worse.</summary>
    private const long MostBodyBytes = 8L << 20;

    /// <param name="said">Where it is said why it did not start; the console's error output.</param>
    public static async Task<int> Run(string[] args, TextWriter? said = null)
    {
        if (StartTrouble.WhyNot(args) is { } wrong) return Refuse(wrong);
        NoDump.Settle();
        try
        {
            await Serve(args);
            return 0;
        }
        catch (Exception error) when (StartTrouble.Say(error, DataOf(args)) is { } trouble) { return Refuse(trouble); }

        int Refuse(string why)
        {
            (said ?? Console.Error).WriteLine($"Altrin did not start. {why}");
            return 1;
        }
    }

    private static string DataOf(string[] args) =>
        Array.IndexOf(args, "--data") is >= 0 and var at && at + 1 < args.Length ? args[at + 1] : "data";

    private static async Task Serve(string[] args)
    {
        await using var app = Build(args);
        // Said when it answers, not before: a start that fails has printed no address.
        app.Lifetime.ApplicationStarted.Register(() =>
        {
            // A host in somebody else's process listens at no address: the memory there is not this program's to give back.
            if (app.Urls.Count > 0) app.Services.GetRequiredService<IdleMemory>().StartIsOver();
            Console.WriteLine($"Altrin: http://localhost:{app.Configuration.GetValue("port", DefaultPort)}   (jobs in {app.Configuration["data"] ?? "data"}; Ctrl+C stops it)");
            var share = app.Services.GetRequiredService<ShareSettings>();
            if (!share.On) return;
            if (share.Addresses() is []) Console.WriteLine("For the phone: this laptop has no private address now. As soon as it is in the house's network, “Phone” on its own page shows where it is found.");
            foreach (var own in share.Addresses()) Console.WriteLine($"For the phone: https://{own.Address}:{share.Port}   ({own.Card}; it joins by a code, under “Phone” on the laptop's own page)");
            Console.WriteLine($"Its certificate, SHA-256: {app.Services.GetRequiredService<PhoneFingerprint>().Words}");
        });
        await app.RunAsync();
    }

    /// <summary>Settings: <c>--data DIR</c>, <c>--port N</c>, <c>--demo true</c>, <c>--web DIR</c>, <c>--verbose true</c>, <c>--warm
    /// true</c> (see <see cref="WarmUp"/>), and those of <see cref="ShareSettings"/>.</summary>
    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateSlimBuilder(new WebApplicationOptions
        {
            Args = args,
            ContentRootPath = AppContext.BaseDirectory
        });
        var settings = builder.Configuration;
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = MostBodyBytes;
            kestrel.AddServerHeader = false;
            // Loopback alone: the installer's own laptop, nobody else's. The phone has a door of its own.
            kestrel.Listen(IPAddress.Loopback, settings.GetValue("port", DefaultPort));
        });
        Logs.Add(builder, settings["data"] ?? "data", settings.GetValue("verbose", false));
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddSingleton(services =>
            new JobStore(Path.Combine(settings["data"] ?? "data", "altrin.db"), services.GetRequiredService<TimeProvider>(),
                services.GetRequiredService<OwnKinds>()));
        builder.Services.AddSingleton(_ => FolderHold.Take(settings["data"] ?? "data"));
        builder.Services.AddSingleton<Recent>();
        builder.Services.AddSingleton<Jobs>();
        builder.Services.AddSingleton<Orders>();
        builder.Services.AddSingleton<TurnStore>();
        builder.Services.AddSingleton<DiagnosisStore>();
        builder.Services.AddSingleton<Diagnoses>();
        builder.Services.AddSingleton<Handovers>();
        builder.Services.AddSingleton<PhotoStore>();
        builder.Services.AddSingleton<SecretStore>();
        builder.Services.AddSingleton<SealedSecrets>();
        builder.Services.AddSingleton<ChangeFeed>();
        Sharing.Add(builder, settings["data"] ?? "data");
        KeyRing.Add(builder.Services, settings["data"] ?? "data");
        builder.Services.AddSingleton(new MakerRegistry(settings["registry"] ?? MakerRegistry.Usual));
        builder.Services.AddSingleton(new HouseEyes(!settings.GetValue("eyes", true) ? EyesKind.Off : settings.GetValue("demo", false)
            ? EyesKind.Simulated : EyesKind.ThisLaptop));
        builder.Services.AddSingleton(new OwnKinds(Path.Combine(settings["data"] ?? "data", "kit")));
        builder.Services.ConfigureHttpJsonOptions(json => AltrinJson.Configure(json.SerializerOptions));
        builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<InputErrors>();
        // Nothing here is both secret and chosen by a stranger, so compressing tells nobody anything.
        builder.Services.AddResponseCompression(options =>
            options.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "image/svg+xml", "application/problem+json"]);
        builder.Services.AddOpenApi(ApiDescription.Describe);
        builder.Services.AddSingleton<IdleMemory>();
        builder.Services.AddHostedService(services => services.GetRequiredService<IdleMemory>());
        if (settings.GetValue("warm", false)) builder.Services.AddHostedService<WarmUp>();

        var app = builder.Build();
        try { OpenStore(app.Services, settings.GetValue("demo", false)); }
        catch
        {
            // The folder is let go at once, for whoever mends it.
            app.DisposeAsync().AsTask().GetAwaiter().GetResult();
            throw;
        }
        var idle = app.Services.GetRequiredService<IdleMemory>();
        app.Use((context, next) =>
        {
            idle.Touch();
            return next(context);
        });
        app.UseMiddleware<RequestLines>();
        app.UseMiddleware<HouseRules>();
        app.UseChangeNotes();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseMiddleware<PhoneDoor>();
        app.UseResponseCompression();
        app.UseMiddleware<Unchanged>();
        FrontEnd.Serve(app, settings["web"]);
        app.MapOpenApi("/api/openapi.json").ExcludeFromDescription();
        app.MapJobs();
        app.MapHouses();
        app.MapOptions();
        app.MapWorkOrders();
        app.MapVisit();
        app.MapEyes();
        app.MapDiagnosis();
        app.MapHandover();
        app.MapJobFiles();
        app.MapAir();
        app.MapKit();
        app.MapSecrets();
        app.MapPhotos();
        app.MapSimulation();
        app.MapShare();
        app.MapCopies();
        app.MapLive();
        app.MapNoSuchAddress();
        return app;
    }

    private static void OpenStore(IServiceProvider services, bool isDemo)
    {
        // Made by the container, so that its end is the end of the hold too.
        services.GetRequiredService<FolderHold>();
        var jobs = services.GetRequiredService<JobStore>();
        jobs.Prepare();
        jobs.Copies.Keep();
        if (isDemo) DemoHouses.Load(services.GetRequiredService<Jobs>()).GetAwaiter().GetResult();
    }
}
