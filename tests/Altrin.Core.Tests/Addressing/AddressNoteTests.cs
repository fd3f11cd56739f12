using Altrin.Core.Addressing;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Addressing;

public class AddressNoteTests
{
    private static readonly NetworkState State = new HouseBuilder().Gateway().Thing("printer", "gw:lan1", "192.168.31.2/24").Thing("tablet", "gw:lan2").Thing("loose", null).State;

    [Theory]
    [InlineData("tablet", "192.168.31.2", "taken by printer; first free is .3", false)]
    [InlineData("printer", "192.168.31.2", "free", true)]
    [InlineData("tablet", "192.168.31.150/24", "inside the pool of gw; first free is .3", false)]
    [InlineData("tablet", "192.168.7.9", "outside the subnet 192.168.31.0/24; first free is .3", false)]
    [InlineData("tablet", "192.168.31.255", "the broadcast address: no device may hold it; first free is .3", false)]
    [InlineData("tablet", "192.168.31.1", "taken by gw; first free is .3", false)]
    [InlineData("tablet", "192.168.31.40", "free", true)]
    [InlineData("loose", "192.168.31.2", "it is plugged in nowhere yet", true)]
    [InlineData("gw", "10.9.9.1", "nobody else makes a subnet here", true)]
    public void What_it_would_come_to_is_said_while_it_is_typed(string owner, string text, string says, bool isGood) =>
        Assert.Equal(new(says, isGood), AddressNote.Of(State, Stairs.Of(State), owner, text));

    [Theory]
    [InlineData("")]
    [InlineData("192.168.31")]
    [InlineData("hall")]
    public void While_it_is_no_address_yet_nothing_is_said(string text) => Assert.Null(AddressNote.Of(State, Stairs.Of(State), "tablet", text));
}
