using System.Text;
using System.Text.RegularExpressions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Web.Eyes;

/// <summary>Whether a settings page opens: one request for the first page, without a cookie, a password or a form; no redirect is followed,
/// nothing is kept but the title.</summary>
internal static partial class PageLook
{
    private const int MostBytes = 64 << 10, MostTitle = 80;

    private static readonly HttpClient Client = new(new SocketsHttpHandler
    {
        AllowAutoRedirect = false,
        UseCookies = false,
        UseProxy = false,
        ConnectTimeout = TimeSpan.FromSeconds(2),
        MaxResponseHeadersLength = 32,
    })
    { Timeout = TimeSpan.FromSeconds(4), MaxResponseContentBufferSize = MostBytes };

    public static async Task<SeenPage> At(Ipv4Address at, CancellationToken cancel)
    {
        try
        {
            using var answer = await Client.GetAsync(new Uri($"http://{at}/"), HttpCompletionOption.ResponseHeadersRead, cancel);
            var start = new byte[MostBytes];
            await using var body = await answer.Content.ReadAsStreamAsync(cancel);
            var length = await body.ReadAtLeastAsync(start, start.Length, throwOnEndOfStream: false, cancel);
            var title = Title().Match(Encoding.UTF8.GetString(start, 0, length)).Groups["title"].Value.Trim();
            return new($"{at}", true, title.Length == 0 ? null : title.Length > MostTitle ? title[..MostTitle] : title);
        }
        catch (Exception failed) when (failed is HttpRequestException or IOException || failed is OperationCanceledException
            && !cancel.IsCancellationRequested)
        {
            return new($"{at}", false, null);
        }
    }

    [GeneratedRegex(@"<title[^>]{0,200}>(?<title>[^<]{1,400})", RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex Title();
}
