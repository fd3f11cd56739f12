using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Search;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Tasks;

namespace Altrin.Core.WorkOrders;

/// <summary>Says a sequence of tasks step by step: the laptop's way, the log-in, and the task itself.</summary>
internal sealed class StepTeller(WorkInProgress work)
{
    private string? loggedIn;

    public void Tell(ImmutableArray<Done> steps)
    {
        foreach (var (task, moves, before, _) in steps)
        {
            work.Phase = task.Phase(work.House, work.Planned);
            ProveBeforeItIsCarried(task);
            if (MoveTo(moves, task.Page is null ? null : before)) loggedIn = null;
            // A proof may have left it in the task's way.
            if (task.Page is null && task.Actions.Any(action => action.Problem(work.House) is not null)
                && task.Actions.All(action => action.Problem(Laptop.Away(work.House)) is null))
                LaptopSteps.Out(work);
            if (task.Page is { } page)
            {
                // A wizard is what its page begins with.
                if (loggedIn != page && task is not RunWizard) LogInStep.Write(work, page);
                // A restart, or another address, asks for a fresh log-in.
                loggedIn = task.WaitSeconds > 0 ? null : page;
            }
            task.Write(work);
        }
    }

    /// <summary>Beside the main box, where a fault of the air is none yet.</summary>
    private void ProveBeforeItIsCarried(OrderTask task)
    {
        if (task is not CarryBox { Device: var carried } || work.IsAsBefore(carried)) return;
        if (!SettingCatalogue.AreAlike(work.House.FindDevice(carried)!, work.Planned.FindDevice(carried)!)
            || !ProofSteps.CanBeProvedAt(work, carried)) return;
        // A laptop is not given an address of its own for a look that is had again in its place.
        if (new Spots(work.Hands, work.Planned).AsAThingAt(work.House, carried) is { } way && way.Any(move => move is SetLaptopAddress { Address: not null })) return;
        ProofSteps.Box(work, work.House.FindDevice(carried)!, isBeside: true);
        loggedIn = null;
    }

    /// <summary>Brings the laptop to where the search had it; by the search's own way, but for what a proof has done already or
    /// otherwise.</summary>
    /// <param name="there">The house with the laptop in that place; null where it need only be out of the way.</param>
    /// <returns>Whether it was moved.</returns>
    private bool MoveTo(ImmutableArray<InstallerAction> moves, NetworkDocument? there)
    {
        bool IsThere() => there is null || SameWritten.Are(there.FindEndpoint(Laptop.Id), work.Laptop);
        if (IsThere() && there is not null) return false;
        var isMoved = LaptopSteps.Go(work, moves);
        if (IsThere() || there!.FindEndpoint(Laptop.Id) is not { } wanted) return isMoved;
        InstallerAction? way = wanted.Connect switch
        {
            { Socket: { } socket } => new PlugLaptop(socket),
            Attachment.Join { Near: { } near } join => new JoinLaptop(join.Ssid, near, join.Security ?? WifiSecurity.Open, join.Key),
            _ => null,
        };
        var address = new SetLaptopAddress(wanted.Address.Address, wanted.Address.Gateway);
        return LaptopSteps.Go(work, way is null ? [address] : [way, address]) || isMoved;
    }
}
