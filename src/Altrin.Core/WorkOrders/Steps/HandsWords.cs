using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What is in hand, said in a step.</summary>
public static class HandsWords
{
    /// <summary>A house of an order as it is looked at: what is in hand is called what it is.</summary>
    public static NetworkDocument Named(this Hands hands, NetworkDocument house) =>
        hands == Hands.Phone && house.FindEndpoint(Laptop.Id) is not null
        ? house.WithEndpoint(Laptop.Id, mine => mine with { Name = "Your phone", Kind = "phone" })
        : house;

    /// <summary>“laptop” or “phone”.</summary>
    internal static string Word(this Hands hands) => hands == Hands.Phone ? "phone" : "laptop";

    /// <summary>What has to be off so that it talks to the network that was joined and to no other: common practice, no source.</summary>
    internal static string JoinCaution(this Hands hands) => hands switch
    {
        Hands.Laptop => "Cable out, and let it not join the old network by itself.",
        Hands.NoSocket => "Let it not join the old network by itself.",
        Hands.Phone => "Mobile data off, and let it not join the old network by itself.",
        _ => throw new InvalidOperationException($"{hands} is not handled."),
    };

    /// <summary>As it was before the work.</summary>
    internal static string BackCaution(this Hands hands) => hands switch
    {
        Hands.Laptop => "Put your laptop back to automatic addressing and turn its Wi-Fi on.",
        Hands.NoSocket => "Put your laptop back to automatic addressing, and let it forget the names that boxes are sold with.",
        Hands.Phone => "Put your phone back to automatic addressing, turn its mobile data on, and let it forget the names that boxes "
            + "are sold with.",
        _ => throw new InvalidOperationException($"{hands} is not handled."),
    };
}
