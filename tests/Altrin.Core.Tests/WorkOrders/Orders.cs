using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>One of the two ways by itself.</summary>
internal static class Orders
{
    public static WorkOrder Trade(NetworkDocument found, NetworkDocument planned) => Composer(found, planned, Hands.Laptop).ResetFirst();

    public static WorkOrder? Kept(NetworkDocument found, NetworkDocument planned, Hands hands = Hands.Laptop) => Composer(found, planned, hands).Kept();

    private static OrderComposer Composer(NetworkDocument found, NetworkDocument planned, Hands hands) =>
        new(found, planned, hands, Course.First, new Played(), TestContext.Current.CancellationToken);
}
