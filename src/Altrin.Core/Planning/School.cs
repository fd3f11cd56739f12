using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning;

internal static class Schools
{
    /// <summary>What is made of each box that is not at the line, and how the line is handed on.</summary>
    public static IEnumerable<(School School, int Box)> Of(Ground ground, Structure structure)
    {
        var root = ground.Root < 0 ? null : Modes.Of(structure.Boxes[ground.Root].Mode);
        if (root is not null && structure.HandsTo >= 0)
        {
            if (root.AtTheLine is { } handing) yield return (handing, ground.Root);
            else if (root.IsRouter && structure.IsDmz) yield return (School.DmzHost, ground.Root);
        }
        for (var i = 0; i < structure.Boxes.Length; i++)
        {
            if (i == ground.Root) continue;
            var use = structure.Boxes[i];
            if (!use.IsUsed)
            {
                yield return (School.LeftInDrawer, i);
                continue;
            }
            // Whoever is handed the line is the main router, and no second network.
            if (i == structure.HandsTo && (root is { IsRouter: false } || structure.IsDmz)) continue;
            if (use.ByHand) yield return (School.ByHand, i);
            else if ((use.Joined == Joined.ByWire ? Modes.Of(use.Mode).ByWire : Modes.Of(use.Mode).ByRadio) is { } school)
                yield return (school, i);
        }
    }

    /// <summary>What of it differs from the house as found, in words; two structures of one kind read alike.</summary>
    public static string Title(Ground ground, Structure structure)
    {
        var was = Of(ground, ground.AsFound).ToHashSet();
        var parts = new List<string>();
        foreach (var group in Of(ground, structure).GroupBy(one => one.School))
        {
            var boxes = group.Where(one => !was.Contains(one) && !(one.School == School.LeftInDrawer && !ground.InUse[one.Box])).ToList();
            if (boxes.Count == 0
                && !(group.Key is School.ModemMode or School.PassThrough or School.DmzHost
                    && structure.HandsTo != ground.AsFound.HandsTo)) continue;
            var names = Rules.Facts.Join((boxes.Count > 0 ? boxes : [.. group]).Select(one => ground.Found.Devices[one.Box].Name));
            // A modem that is one already hands the line to another router.
            if (group.Key == School.ModemMode && boxes.Count == 0)
            {
                parts.Add($"{ground.Found.Devices[structure.HandsTo].Name} the router");
                continue;
            }
            parts.Add(Say(group.Key, names, structure.HandsTo >= 0 ? ground.Found.Devices[structure.HandsTo].Name : ""));
        }
        return string.Join("; ", parts);
    }

    public static string Say(School school, string boxes, string heir) => school switch
    {
        School.ModemMode => $"{boxes} in modem mode, {heir} the router",
        School.PassThrough => $"{boxes} passes the line through to {heir}",
        School.DmzHost => $"{heir} behind {boxes} as its DMZ host",
        School.AccessPoint => $"{boxes} as access point",
        School.OwnNetwork => $"{boxes} with a network of its own",
        School.ByHand => $"{boxes} as access point by hand",
        School.Repeater => $"{boxes} as repeater",
        School.Wds => $"{boxes} as WDS partner",
        School.Bridge => $"{boxes} as wireless bridge",
        School.SatelliteByCable => $"{boxes} as satellite by cable",
        School.SatelliteByRadio => $"{boxes} as satellite by radio",
        School.Switch => $"{boxes} as switch",
        School.LeftInDrawer => $"without {boxes}",
        _ => throw new InvalidOperationException($"{school} is not handled."),
    };
}
