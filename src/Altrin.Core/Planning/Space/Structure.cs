using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Space;

/// <summary>How a box is joined to the one above it.</summary>
public enum Joined
{
    /// <summary>It stands at the line, or is on its own.</summary>
    ToNothing,
    ByWire,
    ByRadio,
}

/// <summary>What a plan makes of one box.</summary>
/// <param name="IsUsed">False: it stays in the drawer, or goes there.</param>
/// <param name="Room">Where a box at hand is put; null: where it stands.</param>
/// <param name="ByHand">A router without access-point mode that is made one: LAN socket, DHCP off, WAN empty.</param>
/// <param name="Parent">Its place in the document; −1 for none.</param>
/// <param name="Medium">Of a wire.</param>
/// <param name="Band">Of a radio join.</param>
public readonly record struct BoxUse(bool IsUsed, string? Room, DeviceMode Mode, bool ByHand, Joined Joined, int Parent, Medium Medium, Band Band)
{
    public static readonly BoxUse Drawer = new(false, null, default, false, Joined.ToNothing, -1, Medium.Ethernet, Band.Ghz24);

    /// <summary>It keeps what is behind it apart.</summary>
    public bool Routes => IsUsed && !ByHand && Modes.Of(Mode).IsRouter;
}

/// <summary>Who is used, in which mode, joined to whom and how; and how the box at the line hands on. All the rest of a plan follows from it by
/// the filling rules.</summary>
/// <param name="Boxes">In document order.</param>
/// <param name="HandsTo">The box that gets the line's address, or is the DMZ host; −1: nobody.</param>
/// <param name="IsDmz">The box at the line goes on routing, and sends <paramref name="HandsTo"/> all that comes in.</param>
public sealed record Structure(ImmutableArray<BoxUse> Boxes, int HandsTo, bool IsDmz)
{
    public Structure With(int box, BoxUse use) => this with { Boxes = Boxes.SetItem(box, use) };

    /// <summary>Equal structures have equal keys.</summary>
    public string Key => string.Concat(Boxes.Select(use => use.IsUsed
        ? $"{(int)use.Mode}{(use.ByHand ? "h" : "")}{(int)use.Joined}:{use.Parent}:{(use.Joined == Joined.ByWire ? (int)use.Medium : (int)use.Band)}@{use.Room};" : "-;")) + $"{HandsTo}{(IsDmz ? "d" : "")}";

    /// <summary>Whether everybody's way up ends, and at a box that is used.</summary>
    public bool IsTree()
    {
        for (var i = 0; i < Boxes.Length; i++)
        {
            if (!Boxes[i].IsUsed) continue;
            var (at, steps) = (i, 0);
            while (Boxes[at].Parent >= 0)
            {
                at = Boxes[at].Parent;
                if (!Boxes[at].IsUsed || ++steps > Boxes.Length) return false;
            }
        }
        return true;
    }
}
