using System.Collections.Concurrent;
using System.Net;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.Server.Kestrel.Core;

namespace Altrin.Web.Share;

/// <summary>Marks what came in at the phone's door.</summary>
internal sealed record FromTheHouse
{
    /// <summary>A browser opens six; a page and what it fetches in the quiet need no more.</summary>
    private const int MostAtOnce = 24;

    /// <summary>Did it come in at the phone's door, not at the laptop's own?</summary>
    public static bool Is(HttpContext context) => context.Features.Get<FromTheHouse>() is not null;

    private static readonly ConcurrentDictionary<IPAddress, int> Open = new();

    /// <summary>Before anything is said: only where the house is, and not without end from one address.</summary>
    public static void Guard(ListenOptions listen, ShareSettings share) => listen.Use(inner => async connection =>
    {
        if (connection.LocalEndPoint is not IPEndPoint local || !share.MayAnswer(local.Address) || connection.RemoteEndPoint is not IPEndPoint remote)
        {
            connection.Abort(new ConnectionAbortedException("Not from the house."));
            return;
        }
        var from = ShareSettings.Plain(remote.Address);
        try
        {
            if (Open.AddOrUpdate(from, 1, (_, open) => open + 1) > MostAtOnce) connection.Abort(new ConnectionAbortedException("Too many at once."));
            else
            {
                connection.Features.Set(new FromTheHouse());
                await inner(connection);
            }
        }
        finally
        {
            if (Open.AddOrUpdate(from, 0, (_, open) => open - 1) <= 0) Open.TryRemove(new(from, 0));
        }
    });
}
