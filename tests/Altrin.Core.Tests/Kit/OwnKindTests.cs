using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Kit;

/// <summary>An installer's own kind speaks in orders as one of the shelf does.</summary>
public class OwnKindTests
{
    [Fact]
    public void The_words_of_an_own_kind_stand_in_the_orders_of_a_house_that_keeps_it()
    {
        var like = KitShelf.All.First(kind => kind.Sold is { Mode: DeviceMode.Router } && kind.Menus.ContainsKey(MenuItem.Dhcp));
        var own = like with { Kit = "own-words-of-a-test", Name = "Mine", Menus = like.Menus.SetItem(MenuItem.Dhcp, "Garden > Hedgehog") };
        var house = Examples.House("larkspur-house");
        house = house.WithDevice("studio", box => box with { Kit = own.Kit });
        var planned = ActionRunner.DoAll(house, [new SetLeaseTime("studio", 60)]).House!;
        string Words(NetworkDocument from, NetworkDocument to) => string.Join("\n", Orders.Kept(from, to)!.Steps.Select(step => step.Find));
        Assert.DoesNotContain("Hedgehog", Words(house, planned), StringComparison.Ordinal);
        var note = new NoteKind(own.Kit) { Kind = own };
        Assert.Contains("Garden > Hedgehog", Words(note.Apply(house), note.Apply(planned)), StringComparison.Ordinal);
        // One that comes with the program is never another's.
        Assert.NotNull(new NoteKind(like.Kit) { Kind = own with { Kit = like.Kit } }.Problem(house));
        Assert.Null(KitShelf.Find(own.Kit));
    }

    [Fact]
    public void A_kind_that_a_house_keeps_is_written_and_read_with_it()
    {
        var kind = KitShelf.Find("router-old-54")! with { Kit = "mine", Name = "Mine" };
        var house = new NoteKind("mine") { Kind = kind }.Apply(Examples.House("larkspur-house"));
        var read = DocumentReader.Read(AltrinJson.Write(house)).Document!;
        Assert.Equal(KitReader.Write(kind), KitReader.Write(Assert.Single(read.Kinds)));
        InstallerAction note = new NoteKind("mine") { Kind = kind };
        var back = JsonSerializer.Deserialize<InstallerAction>(JsonSerializer.Serialize(note, AltrinJson.Compact), AltrinJson.Compact);
        Assert.Equal(AltrinJson.Write(house), AltrinJson.Write(back!.Apply(Examples.House("larkspur-house"))));
        // The actions from one house to the other bring it and take it away.
        var without = Examples.House("larkspur-house");
        Assert.Equal(AltrinJson.Write(house), AltrinJson.Write(Difference.Actions(without, house).Apply(without)));
        Assert.Equal(AltrinJson.Write(without), AltrinJson.Write(Difference.Actions(house, without).Apply(house)));
    }

    [Fact]
    public void A_kind_in_a_document_is_read_as_strictly_as_a_file_of_its_own()
    {
        var text = AltrinJson.Write(new NoteKind("mine") { Kind = KitShelf.Find("router-old-54")! with { Kit = "mine" } }.Apply(Examples.House("larkspur-house")));
        var twice = JsonNode.Parse(text)!;
        twice["kinds"]!.AsArray().Add(twice["kinds"]![0]!.DeepClone());
        Assert.Equal("kinds[1].kit", DocumentReader.Read(twice.ToJsonString()).Problems[0].Place);
        var radio = JsonNode.Parse(text)!;
        radio["kinds"]![0]!["device"]!["wifi"]![0]!["radio"] = "none";
        Assert.Equal("kinds[0].device.wifi[0].radio", DocumentReader.Read(radio.ToJsonString()).Problems[0].Place);
    }
}
