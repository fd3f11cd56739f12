using System.Globalization;
using System.Text;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover;

/// <summary><c>stairs.svg</c>: the chain as stairs, the street on top, each network a tread, letters as text, one file.</summary>
internal static class StairsPicture
{
    private const int Left = 24, Top = 28, Indent = 36, BoxWidth = 188, BoxHeight = 54, Gap = 12, LineHeight = 16, Columns = 4,
        MostLetters = 24;

    public static string Write(HandoverGround ground)
    {
        var stairs = Stairs.Of(ground.State);
        var house = ground.House;
        var (body, y, widest) = (new StringBuilder(), Top, 640);
        Text(body, Left, y, house.Name, "name");
        y += LineHeight + 4;
        var (drawn, at) = (new HashSet<string>(StringComparer.Ordinal), new Dictionary<string, (int X, int Y)>(StringComparer.Ordinal));
        foreach (var tread in stairs.Treads)
        {
            var x = Left + (Indent * Math.Max(0, tread.Depth));
            var label = tread.IsTable ? "On the table, or without power"
                : string.Join("   ",
                    new[] { tread.Depth == 0 ? "The line"
                    : null, string.Join(", ", tread.Subnets), string.Join(", ", tread.WifiNames.Select(Isolated.Name)),
                    tread.GuestsOf is { } host ? $"guests of {Isolated.Name(house.NameOf(host))}" : null }.Where(part =>
                        !string.IsNullOrEmpty(part)));
            y += 6;
            // The riser from the tread above, where it hangs from one.
            if (tread.Parent is { } parent && at.TryGetValue(parent, out var above))
                body.Append(CultureInfo.InvariantCulture,
                    $"<line x1=\"{above.X + 8}\" y1=\"{above.Y}\" x2=\"{above.X + 8}\" y2=\"{y}\" class=\"tread\"/>\n<line x1=\"{above.X + 8}\" y1=\"{y}\" x2=\"{x}\" y2=\"{y}\" class=\"tread\"/>\n");
            at[tread.Segment] = (x, y);
            body.Append(CultureInfo.InvariantCulture,
                $"<line x1=\"{x}\" y1=\"{y}\" x2=\"{x + (Columns * (BoxWidth + Gap)) - Gap}\" y2=\"{y}\" class=\"tread\"/>\n");
            y += LineHeight;
            Text(body, x, y, label, "label");
            y += 8;
            var stands = stairs.Steps.Where(step => step.Lower == tread.Segment).Select(step =>
                step.Device).Concat(tread.Boxes).Concat(tread.Things).Where(drawn.Add).ToList();
            (y, widest) = Row(body, ground, stands, x, y, widest);
        }
        var loose = house.Devices.Select(box => box.Id).Concat(stairs.Loose).Where(drawn.Add).ToList();
        if (loose.Count > 0)
        {
            y += LineHeight;
            Text(body, Left, y, "Not in use", "label");
            (y, widest) = Row(body, ground, loose, Left, y + 8, widest);
        }
        return string.Create(CultureInfo.InvariantCulture, $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{widest + Left}" height="{y + Top}" viewBox="0 0 {widest + Left} {y + Top}" font-family="sans-serif" font-size="12">
            <title>{Xml.Escape(house.Name)}</title>
            <style>.tread {"{"} stroke: #444; stroke-width: 1.5 {"}"} .box {"{"} fill: #fff; stroke: #222 {"}"} .thing {"{"} fill: #fff; stroke: #999; stroke-dasharray: 4 2 {"}"} .name {"{"} font-size: 16px; font-weight: bold {"}"} .label {"{"} fill: #444 {"}"} .title {"{"} font-weight: bold {"}"}</style>
            {body}</svg>

            """).ReplaceLineEndings("\n");
    }

    private static (int Y, int Widest) Row(StringBuilder body, HandoverGround ground, List<string> ids, int x, int y, int widest)
    {
        for (var i = 0; i < ids.Count; i++)
        {
            var (at, top) = (x + (i % Columns * (BoxWidth + Gap)), y + (i / Columns * (BoxHeight + Gap)));
            Card(body, ground, ids[i], at, top);
            widest = Math.Max(widest, at + BoxWidth);
        }
        return (y + ((ids.Count + Columns - 1) / Columns * (BoxHeight + Gap)), widest);
    }

    private static void Card(StringBuilder body, HandoverGround ground, string id, int x, int y)
    {
        var (box, thing) = (ground.House.FindDevice(id), ground.House.FindEndpoint(id));
        var name = box?.Name ?? thing!.Name;
        var address = (box is not null ? ground.Holders.OfLan(box) : ground.Holders.OfThing(thing!)).Address?.Address.ToString();
        body.Append(CultureInfo.InvariantCulture,
            $"<g><rect x=\"{x}\" y=\"{y}\" width=\"{BoxWidth}\" height=\"{BoxHeight}\" class=\"{(box is null ? "thing" : "box")}\"/>\n");
        if (name.Length > MostLetters) body.Append($"<title>{Xml.Escape(name)}</title>\n");
        Text(body, x + 8, y + 18, name, "title");
        Text(body, x + 8, y + 33,
            string.Join(", ",
            new[] { box is not null ? box.Off == true ? $"{box.Mode.Say()}, off" : box.Mode.Say()
            : thing!.Kind, ground.RoomOf(box?.Room ?? thing?.Room) }
            .OfType<string>()), "label");
        if (address is not null) Text(body, x + 8, y + 47, address, "label");
        body.Append("</g>\n");
    }

    private static void Text(StringBuilder body, int x, int y, string text, string look)
    {
        var shown = look is "title" or "label" && new StringInfo(text) is { LengthInTextElements: > MostLetters } letters && look == "title"
            ? letters.SubstringByTextElements(0, MostLetters - 1) + "…" : text;
        body.Append(CultureInfo.InvariantCulture,
            $"<text x=\"{x}\" y=\"{y}\" class=\"{look}\">{Xml.Escape(look == "title" ? Isolated.Name(shown) : shown)}</text>\n");
    }
}
