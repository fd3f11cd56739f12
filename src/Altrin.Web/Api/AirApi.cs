using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Air.Channels;
using Altrin.Core.Air.Drawing;
using Altrin.Core.Air.Placing;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Data;
using Altrin.UseCases;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Altrin.Web.Api;

/// <summary>The plan of channels with what it is called.</summary>
/// <param name="Say">What its button says; null where nothing is to be set.</param>
/// <param name="WhyNone">Why there is none: no country, nothing on the air.</param>
public sealed record ChannelPlanView(ChannelPlan? Plan, string? Say, string? WhyNone);

/// <summary>A box tried at another place.</summary>
/// <param name="Lost">Rooms that hear the household's Wi-Fi now and would not.</param>
/// <param name="Unplugs">What is plugged into it and would come out, by name.</param>
public sealed record TriedView(Spot Spot, string[] Lost, string[] Unplugs);

/// <summary>The air of a house: rooms, channels, places, names.</summary>
internal static class AirApi
{
    public static void MapAir(this IEndpointRouteBuilder routes)
    {
        var api = routes.MapGroup("/api/jobs/{id}/{side}/air").WithTags("air").ProducesProblem(404);
        api.MapGet("", Look);
        api.MapGet("/channels", Channels);
        api.MapGet("/standing", Stand);
        api.MapGet("/try", Try);
        api.MapGet("/what-if", WhatElse);
        api.MapGet("/names", Names);
        api.MapGet("/guests", Guests);
        api.MapGet("/walls", Walls);
        api.MapGet("/said-room", Said);
    }

    private static async Task<Results<Ok<AirView>, ProblemHttpResult>> Look(string id, string side, Jobs jobs, CancellationToken cancel) =>
        await Ask(id, side, jobs, cancel, AirView.Of);

    private static async Task<Results<Ok<ChannelPlanView>, ProblemHttpResult>> Channels(string id, string side, Jobs jobs, CancellationToken cancel) => await Judged(id, side, jobs, cancel, house =>
    {
        if (AirProposals.Channels(house, cancel) is { } plan) return new ChannelPlanView(plan, ChannelWords.Say(house.State.House, plan),
            plan.Actions.IsEmpty && plan.Radios.Any(radio => radio.IsChanged) ? "Other channels would be better, but something in the house would fail by them: look at its faults first." : null);
        return new ChannelPlanView(null, null, house.State.AirMap.Sources.Count == 0 ? "No box sends Wi-Fi." : "Which channels are lawful depends on the country, and none is set.");
    });

    private static async Task<Results<Ok<Standing>, ValidationProblem, ProblemHttpResult>> Stand(string id, string side, string device, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        return AirProposals.Standing(house, device, cancel) is { } standing ? TypedResults.Ok(standing)
            : Answers.Invalid("device", house.State.House.Rooms.IsEmpty ? "No room is listed: note them at Visit, or draw them here." : $"There is no box “{device}” in this house that could be tried elsewhere.");
    }

    private static async Task<Results<Ok<TriedView>, ValidationProblem, ProblemHttpResult>> Try(string id, string side, string device, string room, double? x, double? y, string? radio, Jobs jobs, CancellationToken cancel)
    {
        var (evaluated, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (evaluated is null) return problem!;
        var house = evaluated.State.House;
        if (house.FindDevice(device) is not { } box) return Answers.Invalid("device", $"There is no box “{device}” in this house.");
        if (Rooms.Find(house, room) is not { } listed) return Answers.Invalid("room", $"There is no room “{room}” in the list.");
        if (radio is not null && box.Radios.All(one => one.Id != radio)) return Answers.Invalid("radio", $"{box.Name} has no radio “{radio}”.");
        if (x is { } east && y is { } south && !(Math.Abs(east) <= RoomRect.MostM && Math.Abs(south) <= RoomRect.MostM)) return Answers.Invalid("x", $"That is too far: stay within {RoomRect.MostM:0} m.");
        var at = x is { } left && y is { } top ? new FloorPoint(left, top) : (FloorPoint?)null;
        return TypedResults.Ok(Tried(evaluated.State, box, listed, at, radio));
    }

    private static TriedView Tried(NetworkState state, Device box, Room room, FloorPoint? at, string? radio)
    {
        var (spot, lost) = Places.Look(state, box.Id, room, at, radio is not null && box.Uplink is { } uplink ? uplink with { Radio = radio } : box.Uplink);
        var plugged = Rooms.AreSame(state.House, box.Room, room.Id) ? [] : state.House.Endpoints.Where(thing => thing.Connect?.Socket?.Device == box.Id && thing.Id != Laptop.Id).Select(thing => thing.Name);
        return new(spot, [.. lost.Select(one => one.Name)], [.. plugged]);
    }

    private static async Task<Results<Ok<GuestOffer>, ProblemHttpResult>> Guests(string id, string side, Jobs jobs, CancellationToken cancel) =>
        await Judged(id, side, jobs, cancel, AirProposals.Guests);

    private static async Task<Results<Ok<WhatIf[]>, ProblemHttpResult>> WhatElse(string id, string side, Jobs jobs, CancellationToken cancel) =>
        await Judged(id, side, jobs, cancel, house => AirProposals.WhatElse(house, cancel).ToArray());

    private static async Task<Results<Ok<NameSchool[]>, ProblemHttpResult>> Names(string id, string side, bool? apart, Jobs jobs, CancellationToken cancel) =>
        await Ask(id, side, jobs, cancel, state => NameSchools.Of(state, apart == true).ToArray());

    private static async Task<Results<Ok<WallCorrection>, ProblemHttpResult>> Walls(string id, string side, Jobs jobs, CancellationToken cancel) =>
        await Ask(id, side, jobs, cancel, WallCorrection.Of);

    private static async Task<Results<Ok<SaidRoom>, ValidationProblem, ProblemHttpResult>> Said(string id, string side, string text, Jobs jobs, CancellationToken cancel)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        if (house is null) return problem!;
        return text.Length > Limits.NameLetters * 2 ? Answers.Invalid("text", "That is too long for one room. Say one room at a time.") : TypedResults.Ok(RoomWords.Read(house.State.House, text));
    }

    private static Task<Results<Ok<T>, ProblemHttpResult>> Ask<T>(string id, string side, Jobs jobs, CancellationToken cancel, Func<NetworkState, T> ask) => Judged(id, side, jobs, cancel, house => ask(house.State));

    private static async Task<Results<Ok<T>, ProblemHttpResult>> Judged<T>(string id, string side, Jobs jobs, CancellationToken cancel, Func<Evaluation, T> ask)
    {
        var (house, problem) = await HousesApi.HouseOf(id, side, jobs, cancel);
        return house is null ? problem! : TypedResults.Ok(ask(house));
    }
}
