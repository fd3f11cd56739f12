using System.Reflection;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Actions;

/// <summary>From any house to any other: what is to be done leads there to the letter, or it is said what it does not reach.</summary>
public class DifferenceTests
{
    private static readonly NetworkDocument Demo = Examples.House("larkspur-house");

    /// <summary>The same house of boxes that have every mode, and reserve only what they could give.</summary>
    private static NetworkDocument Able(NetworkDocument house) => house with
    {
        Devices = [.. house.Devices.Select(box => box with
        {
            Supports = [.. Enum.GetValues<DeviceMode>()],
            DefaultPassword = box.DefaultPassword == true ? null : box.DefaultPassword,
            Lan = box.Lan?.DhcpServer is { } server && box.Lan.Address is { } own
                ? box.Lan with { DhcpServer = server with { Reservations = [.. server.Reservations.Where(one => own.Prefix.IsUsable(one.Address))] } } : box.Lan,
        })],
    };

    private static NetworkDocument Any(int seed) => seed % 7 == 0 ? Examples.House(Examples.Names().ElementAt(seed / 7 % Examples.Names().Count())) : Houses.Make(seed, Enum.GetValues<DeviceMode>());

    [Fact]
    public void The_actions_from_one_house_to_another_lead_there_to_the_letter()
    {
        var (there, left) = (0, 0);
        for (var seed = 1; seed <= 400; seed++)
        {
            // Two in three plan only what a box can be; the others show that it is said where one cannot.
            var (found, planned) = (Any(seed), seed % 3 == 0 ? Any(seed + 1) : Able(Any(seed + 1)));
            var difference = Difference.Between(found, planned);
            if (difference.Left.IsEmpty)
            {
                there++;
                Assert.Equal(AltrinJson.Write(planned), AltrinJson.Write(difference.All.Apply(found)));
                Assert.Empty(ActionRunner.Replay(found, difference.All).Held);
            }
            else left++;
            if (!difference.Left.IsEmpty) Assert.Contains(difference.Left, one => one.Setting.WhyNoAct is not null);
        }
        Assert.True(there > 250, $"{there} reached, {left} not");
    }

    [Fact]
    public void Between_a_house_and_itself_there_is_nothing_to_do() => Assert.All(Examples.Names(), name => Assert.Empty(Difference.Actions(Examples.House(name), Examples.House(name))));

    /// <summary>Ids shared between kinds: a thing goes and a box of its name comes, and the other way round.</summary>
    [Fact]
    public void A_name_may_pass_from_a_thing_to_a_box_and_back()
    {
        var with = new RemoveEndpoint("printer").Apply(Demo);
        var planned = new AddDevice(new() { Id = "printer", Name = "Switch", Mode = DeviceMode.Switch, Ports = [new() { Id = "p1", Role = PortRole.Lan }] }).Apply(with);
        Assert.Equal(AltrinJson.Write(planned), AltrinJson.Write(Difference.Actions(Demo, planned).Apply(Demo)));
        Assert.Equal(AltrinJson.Write(Demo), AltrinJson.Write(Difference.Actions(planned, Demo).Apply(planned)));
    }

    public static IEnumerable<TheoryDataRow<string>> Fields() => typeof(Device).GetProperties(BindingFlags.Public | BindingFlags.Instance)
        .Where(field => field is { CanWrite: true, Name: not (nameof(Device.Id) or nameof(Device.Unknown)) }).Select(field => new TheoryDataRow<string>(field.Name));

    /// <summary>A field of a box that is added tomorrow is told apart tomorrow, or this fails.</summary>
    [Theory, MemberData(nameof(Fields))]
    public void Every_field_of_a_box_that_is_planned_otherwise_is_told(string name)
    {
        var field = typeof(Device).GetProperty(name)!;
        var told = 0;
        var house = new AddDevice(Demo.Devices[1] with { Id = "spare", Name = "Spare" }).Apply(Demo);
        for (var seed = 1; seed <= 120; seed++)
        {
            var value = new HostileValues(seed).Of(field.PropertyType, mayBeNull: true);
            var planned = house.WithDevice("spare", box =>
            {
                var copy = box with { Name = box.Name };
                field.SetValue(copy, value);
                return copy;
            });
            if (HouseCheck.Read(planned).Document is not { } read || AltrinJson.Write(read) == AltrinJson.Write(house)) continue;
            told++;
            var difference = Difference.Between(house, read);
            Assert.True(!difference.All.IsEmpty || !difference.Left.IsEmpty, $"{name}, seed {seed}: not told");
            if (difference.Left.IsEmpty) Assert.Equal(AltrinJson.Write(read), AltrinJson.Write(difference.All.Apply(house)));
        }
        Assert.True(told > 0, $"{name}: never planned otherwise");
    }

    [Fact]
    public void A_whole_box_is_never_set_at_once() => Assert.All(Enumerable.Range(1, 200), seed =>
        Assert.DoesNotContain(Difference.Actions(Any(seed), Any(seed + 1)), action => action is ConfigureDevice));

    [Fact]
    public void Every_setting_of_the_catalogue_is_named_once_and_comes_out_of_a_reset_as_sold()
    {
        Assert.Equal(SettingCatalogue.All.Length, SettingCatalogue.All.Select(setting => setting.Id).Distinct().Count());
        foreach (var name in Examples.Names())
            foreach (var box in Examples.House(name).Devices)
            {
                var sold = SettingCatalogue.AsSold(Demo, box);
                Assert.Equal(AltrinJson.WriteCompact(Demo with { Devices = [sold] }), AltrinJson.WriteCompact(Demo with { Devices = [SettingCatalogue.AsSold(Demo, sold)] }));
            }
    }
}
