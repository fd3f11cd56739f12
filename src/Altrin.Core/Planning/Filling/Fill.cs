using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Filling;

/// <summary>Makes a whole house of a structure: sockets, names, addresses, pools, reservations and forwards follow by rule, in the fewest changes
/// from the house as found.</summary>
public static class Fill
{
    /// <returns>Null where the structure cannot be built in this house.</returns>
    public static NetworkDocument? Of(Ground ground, Structure structure)
    {
        var draft = new Draft(ground, structure);
        if (!Wiring.Fill(draft)) return null;
        BoxModes.Fill(draft);
        Attachments.Plug(draft);
        Names.Fill(draft);
        Airspace.Fill(draft);
        if (!Uplinks.Fill(draft)) return null;
        Attachments.Join(draft);
        if (!Subnets.Fill(draft)) return null;
        Doors.Fill(draft);
        Upkeep(draft);
        return draft.House();
    }

    /// <summary>What is set at one box by its own use alone, whatever is made of the others: no more than <see cref="Of"/> sets there.</summary>
    internal static Device Alone(Ground ground, Structure structure, int box)
    {
        var draft = new Draft(ground, structure);
        BoxModes.SetOne(draft, box);
        Names.NameOne(draft, box, Names.Main(draft));
        Names.AsPinned(draft, box, Names.Main(draft));
        Upkeep(draft, box);
        return draft.Boxes[box];
    }

    private static void Upkeep(Draft draft)
    {
        for (var i = 0; i < draft.Boxes.Length; i++) Upkeep(draft, i);
    }

    /// <summary>What is changed in passing at a box that is set anyway or is new: a password as sold.</summary>
    private static void Upkeep(Draft draft, int i)
    {
        if (draft.Use(i).IsUsed && draft.MaySet(i) && draft.Boxes[i].DefaultPassword == true) draft.Change(i, box => box with { DefaultPassword = false });
    }
}
