using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Altrin.Core.Documents;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Handover;

/// <summary><c>visit.ics</c>: the work as an appointment (RFC 5545).</summary>
internal static class VisitCalendar
{
    private const int MostBytes = 75;

    /// <param name="at">When it begins, by the clock on the wall there.</param>
    public static string Write(NetworkDocument found, NetworkDocument planned, WorkOrder order, DateTime at)
    {
        var cut = order.Steps.SelectMany(step => step.CutOff).Distinct().ToList();
        var says = new List<string> { order.Title };
        says.Add(cut.Count == 0 ? "Nobody is without internet."
            : $"Without internet for about {order.CutMinutes(found)} min at times: {string.Join(", ", cut)}.");
        var text = new StringBuilder();
        foreach (var line in new[]
        {
            "BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Altrin//Work order//EN", "CALSCALE:GREGORIAN", "BEGIN:VEVENT",
            $"UID:{Uid(found, planned)}@altrin",
            // No clock but that of the appointment: the same house gives the same bytes.
            $"DTSTAMP:{at.ToString("yyyyMMdd'T'HHmmss'Z'", CultureInfo.InvariantCulture)}",
            $"DTSTART:{at.ToString("yyyyMMdd'T'HHmmss", CultureInfo.InvariantCulture)}",
            $"DURATION:PT{Math.Max(1, order.Minutes)}M",
            $"SUMMARY:{Escape($"{planned.Name}: {order.Title}")}",
            $"DESCRIPTION:{Escape(string.Join('\n', says))}",
            "END:VEVENT", "END:VCALENDAR",
        }) Fold(text, line);
        return text.ToString();
    }

    private static string Uid(NetworkDocument found, NetworkDocument planned) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(AltrinJson.WriteCompact(found)
            + AltrinJson.WriteCompact(planned))).AsSpan(0, 16));

    /// <summary>RFC 5545 section 3.3.11.</summary>
    private static string Escape(string text) => Xml.Clean(text).ReplaceLineEndings("\n").Replace("\\", "\\\\", StringComparison.Ordinal)
        .Replace(";", "\\;", StringComparison.Ordinal).Replace(",", "\\,", StringComparison.Ordinal).Replace("\n", "\\n",
            StringComparison.Ordinal);

    /// <summary>Lines of at most 75 octets; what goes on begins with a blank (RFC 5545 section 3.1).</summary>
    private static void Fold(StringBuilder text, string line)
    {
        var bytes = 0;
        foreach (var rune in line.EnumerateRunes())
        {
            if (bytes + rune.Utf8SequenceLength > MostBytes)
            {
                text.Append("\r\n ");
                bytes = 1;
            }
            text.Append(rune);
            bytes += rune.Utf8SequenceLength;
        }
        text.Append("\r\n");
    }
}
