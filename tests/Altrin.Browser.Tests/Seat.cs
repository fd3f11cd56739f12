using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Altrin.Browser.Tests;

/// <summary>A running browser that one test after the other sits down at. Starting one takes longer than most tests: whoever leaves hands
/// it on with a
/// fresh tab and nothing kept, as if it had just been started.</summary>
internal sealed class Seat
{
    private static readonly ConcurrentDictionary<string, ConcurrentBag<Seat>> Free = new();
    private static readonly ConcurrentBag<Seat> All = [];

    private readonly string kind, profile = Directory.CreateTempSubdirectory("altrin-profile-").FullName;

    public static void CloseAll()
    {
        foreach (var seat in All) seat.Close();
    }

    private Seat(string kind, int width, int height, bool isPhone)
    {
        this.kind = kind;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium", AcceptInsecureCertificates = true };
        options.AddArguments("--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update", "--disable-sync", "--hide-scrollbars", $"--user-data-dir={profile}",
                $"--window-size={width},{height}");
        if (isPhone) options.EnableMobileEmulation(new OpenQA.Selenium.Chromium.ChromiumMobileEmulationDeviceSettings
        {
            Width = width,
            Height = height,
            PixelRatio = 2,
            EnableTouchEvents = true,
            UserAgent = "Mozilla/5.0 (Linux; Android 14) Mobile"
        });
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        Driver = new(service, options, TimeSpan.FromMinutes(3));
        All.Add(this);
    }

    public ChromeDriver Driver { get; }

    public static Seat Take(int width, int height, bool isPhone)
    {
        var kind = isPhone ? $"phone {width}x{height}" : "laptop";
        return Free.GetOrAdd(kind, _ => []).TryTake(out var seat) ? seat : new(kind, width, height, isPhone);
    }

    public void Leave()
    {
        try
        {
            var origins = new HashSet<string>();
            var old = Driver.WindowHandles;
            foreach (var window in old)
            {
                Driver.SwitchTo().Window(window);
                if (Uri.TryCreate(Driver.Url, UriKind.Absolute, out var at)
                    && at.Scheme is "http" or "https") origins.Add(at.GetLeftPart(UriPartial.Authority));
            }
            // What a tab was told, of widths, paper or a slow line, goes with it.
            Driver.SwitchTo().NewWindow(WindowType.Tab);
            var fresh = Driver.CurrentWindowHandle;
            foreach (var window in old) Driver.SwitchTo().Window(window).Close();
            Driver.SwitchTo().Window(fresh);
            foreach (var origin in origins) Driver.ExecuteCdpCommand("Storage.clearDataForOrigin", new()
            {
                ["origin"] = origin,
                ["storageTypes"] = "all"
            });
            _ = Driver.Manage().Logs.GetLog(LogType.Browser);
            Free[kind].Add(this);
        }
        catch (WebDriverException)
        {
            // Left in a state that nobody shall take over.
            Close();
        }
    }

    private void Close()
    {
        try
        {
            Driver.Quit();
            Driver.Dispose();
            Directory.Delete(profile, recursive: true);
        }
        catch (Exception exception) when (exception is IOException or WebDriverException or InvalidOperationException)
        {
            // The browser may still be closing its files, or is gone already.
        }
    }
}
