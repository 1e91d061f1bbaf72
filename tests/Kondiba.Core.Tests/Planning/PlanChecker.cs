using Kondiba.Core.Amounts;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>
/// Finds broken limits in a plan, from the orders and the kitchen alone: it knows neither the solver's model nor how tasks are made.
/// </summary>
internal static class PlanChecker
{
    public static IReadOnlyList<string> Broken(PlanRequest request, Plan plan)
    {
        var broken = new List<string>();
        var (tables, arranged) = (request.Tables, request.Arranged);
        void Must(bool holds, string what)
        {
            if (!holds)
                broken.Add(what);
        }

        // What is done is, and what was pinned before now is under way: neither is planned any more.
        bool Ahead(DayTask task) => task.Mark is not { Done: not null } && !(task.Mark?.At < request.Now);

        // Hands: one thing at a time, within their hours, never before now.
        var worked = plan.Tasks.Where(t => t.Ends > t.Starts && t.Mark?.Done is null).ToList();
        foreach (var hands in worked.GroupBy(t => t.Worker))
        {
            var inTurn = hands.OrderBy(t => t.Starts).ToList();
            foreach (var (a, b) in inTurn.Zip(inTurn.Skip(1)))
                Must(b.Starts >= a.Ends, $"{hands.Key} does {a.What.Code} until {a.Ends} and {b.What.Code} from {b.Starts}");
            foreach (var task in inTurn.Where(Ahead))
                Must(
                    HoursOf(
                        hands.Key!, task.Starts.Date).Any(h => task.Starts >= task.Starts.Date + h.From
                            && task.Ends <= task.Starts.Date + h.To),
                    $"{task.What.Code} from {task.Starts} to {task.Ends} is outside the hours of {hands.Key}");
        }

        foreach (var task in plan.Tasks.Where(Ahead))
            Must(task.Starts >= request.Now, $"{task.What.Code} is in the past");

        IEnumerable<DayHours> HoursOf(string worker, LocalDate day)
        {
            if (worker != "me")
                return arranged.Helpers.Where((h, i) => worker == $"helper.{i + 1}" && h.Day == day).Select(h => h.Hours);
            var other = arranged.Hours.LastOrDefault(h => h.Day == day);
            return ((DayHours?[])[other is null ? tables.Profile.Working.On(day) : other.Hours]).OfType<DayHours>();
        }

        // Of tasks that are done tray by tray, one waits for what is on its own tray.
        static bool OtherBatch(DayTask one, DayTask other) =>
            BatchOf(one) is { } a && BatchOf(other) is { } b && a != b;

        static string? BatchOf(DayTask task) => task.What.Code.Split('~') is [_, var batch] ? batch.Split('+')[0] : null;

        // Orders: every piece is made and packed, in the order of the hands, in time, and not so early that it does not keep.
        foreach (var order in request.Orders)
        {
            var pickup = order.Draft.Pickup!.Value;
            var own = plan.Tasks.Where(t => t.What.Order == order.Code).ToList();
            var tally = CoatingTally.For(order.Draft, tables, request.Now);
            Must(own.TrueForAll(t => t.Ends <= pickup), $"{order.Code} is not ready at {pickup}");
            foreach (var line in tally.Lines)
            {
                var centre = tables.Reference.Centre(order.Draft.Lines[line.Line].Centre)!;
                List<DayTask> Of(params Stage[] stages) =>
                    [.. own.Where(t => t.What.Lines.Contains(line.Line) && stages.Contains(t.What.Stage))];
                var (before, dips, after, packs) = (Of(
                    Stage.Fill, Stage.Prep), Of(Stage.Dip), Of(Stage.Decorate, Stage.Assemble), Of(Stage.Pack));
                Must(
                    packs.Sum(p => p.What.Pieces) == line.Count.Value,
                    $"{order.Code}, line {line.Line}: {packs.Sum(p => p.What.Pieces)} of {line.Count.Value} packed");
                Must(dips.Count > 0 && packs.Count > 0, $"{order.Code}, line {line.Line} is not made");
                foreach (var dip in dips)
                {
                    Must(
                        before.TrueForAll(b => b.Ends <= dip.Starts || OtherBatch(b, dip)),
                        $"{dip.What.Code} comes before what it waits for");
                    if (tables.Reference.KeepingOf(centre) is { } keeps)
                        Must(
                            dip.Starts.PlusMinutes((long)keeps.Keeps.Value.TotalMinutes) >= pickup,
                            $"{dip.What.Code} at {dip.Starts} does not keep until {pickup}");
                }

                // Berries are dipped within an hour of being dried, and have come to the room's warmth in half an hour.
                foreach (var dried in before.Where(b => b.What.Code.Contains("strawberry.dry", StringComparison.Ordinal)))
                {
                    Must(
                        dips.TrueForAll(d => OtherBatch(dried, d)
                            || (d.Starts >= dried.Ends.PlusMinutes(30) && d.Starts <= dried.Ends.PlusMinutes(60))),
                        $"{order.Code}: berries dried at {dried.Ends}, dipped {dips[0].Starts}");
                }


                // Nothing that is made ready stands longer than a maker lets it: a bare stick or a rope of caramel no more than 4 hours,
                // what comes from a packet no more than a day, ganache on the counter half a day (common practice).
                foreach (var ready in before.Where(b => dips.Count > 0 && b.Mark?.Done is null))
                {
                    if (ready.What.Code.EndsWith(".polish", StringComparison.Ordinal))
                        continue;
                    var stands = Period.Between(ready.Ends, dips.Min(d => d.Starts), PeriodUnits.Minutes).Minutes;
                    var most = ready.What.Code.Contains(".stick", StringComparison.Ordinal) ? 240
                        : ready.What.Stage is Stage.Fill ? 4320 + 1440
                        : 1440;
                    Must(stands <= most, $"{ready.What.Code} stands {stands} min before it is dipped");
                }

                Must(
                    packs.TrueForAll(p => p.Ends <= dips.Max(d => d.Ends).PlusHours(24 * 2)),
                    $"{order.Code}, line {line.Line} lies about for days before it is packed");

                // Lines wait until the coat is touch-dry where it stands; everything else, and packing, until it is hard.
                var drawn = line.Look is { SetSteps.Count: > 0, OnTouchDry: true };
                foreach (var dip in dips.Where(d => d.What.Code.Contains("/dip.", StringComparison.Ordinal)))
                {
                    var tray = plan.Trays.FirstOrDefault(t => t.Task == dip.What.Code);
                    Must(tray is not null || dip.What.Code.Contains('+', StringComparison.Ordinal), $"{dip.What.Code} is laid nowhere");
                    if (tray is null)
                        continue;
                    var (set, hard) = (line.Setting.First(s => s.Place == tray.Place), line.Setting.Min(s => s.HandleHard));
                    bool Passed(LocalDateTime at, Duration? waits) =>
                        waits is null || at >= dip.Ends.PlusSeconds((long)waits.Value.TotalSeconds);
                    Must(
                        Passed(tray.Ends, drawn ? set.TouchDry : set.HandleHard),
                        $"{dip.What.Code} is taken from the {tray.Place} soft");
                    Must(
                        dips.Count > 1 || packs.TrueForAll(p => Passed(p.Starts, hard)),
                        $"{dip.What.Code} is packed soft");
                    Must(tray.OutBy is null || tray.Ends <= tray.OutBy, $"{dip.What.Code} sweats in the {tray.Place}");
                    Must(
                        after.Concat(packs).Min(a => a.Starts) >= dip.Ends || dips.Count > 1,
                        $"{dip.What.Code} is decorated before it is dipped");
                }

                Must(
                    packs.Max(p => p.Ends) >= after.Select(a => a.Ends).DefaultIfEmpty(LocalDateTime.MinIsoValue).Max(),
                    $"{order.Code}, line {line.Line} is packed before it is decorated");
            }
        }

        // Pots: every dip from a melt of its colour that is fluid, no melt older than it may be, no more of them than there are places for.
        foreach (var task in plan.Tasks.Where(t => t.What.Stage is not Stage.Melt && Ahead(t)))
        {
            foreach (var pot in task.What.Pots)
                Must(
                    plan.Melts.Any(m => m.Pot == pot && m.Tasks.Contains(task.What.Code) && m.Ready <= task.Starts && m.Ends >= task.Ends),
                    $"{task.What.Code} has no {pot}");
        }

        foreach (var melt in plan.Melts)
        {
            var last = plan.Tasks.Where(t => melt.Tasks.Contains(t.What.Code)).Select(t => t.Ends).DefaultIfEmpty(melt.Ready).Max();
            Must(
                last <= melt.Ready.PlusMinutes((long)tables.Reference.Planning.Holds.Value.TotalMinutes),
                $"{melt.Pot} is held from {melt.Ready} to {last}");
            Must(
                melt.Tasks.Count == 0 || melt.Starts < request.Now || melt.Ends <= last.PlusMinutes(45),
                $"{melt.Pot} stands warm until {melt.Ends}, and was last used at {last}");
            Must(
                plan.Melts.All(o => o == melt || o.Pot != melt.Pot || o.Starts >= melt.Ends || o.Ends <= melt.Starts),
                $"{melt.Pot} is melted twice at once");
        }

        int Extra(string place, LocalDateTime at) =>
            arranged.Places.Where(p => p.Place == place && p.From <= at && p.To > at).Sum(p => p.Change);
        foreach (var at in plan.Melts.Select(m => m.Starts))
        {
            var warm = plan.Melts.Where(m => m.Starts <= at && m.Ends > at).ToList();
            Must(
                warm.Count <= tables.Profile.Working.Pots + tables.Profile.Working.Wells + Extra("pots", at),
                $"{warm.Count} pots at {at}");
            Must(
                warm.Count(m => Much(m.Pot) > tables.Reference.Planning.WellHolds.Value.Si) <= tables.Profile.Working.Pots + Extra(
                    "pots", at),
                $"too many big pots at {at}");
        }

        double Much(string pot) =>
            request.Orders.Sum(o => CoatingTally.For(o.Draft, tables, request.Now).Pots
                .Where(p => p.Key == pot)
                .Sum(p => p.ToMelt.Value.Si));

        // Places: no more trays than there is room for; moulds one filling at a time.
        foreach (var tray in plan.Trays)
        {
            var there = plan.Trays.Where(t => t.Place == tray.Place && t.Starts <= tray.Starts && t.Ends > tray.Starts).Sum(t => t.Trays);
            var has = tables.Reference.Setting.Places.First(p => p.Code == tray.Place).Trays + Extra(tray.Place, tray.Starts);
            Must(there <= has + 1e-9, $"{there} trays in the {tray.Place} at {tray.Starts}, which takes {has}");
        }

        foreach (var (code, mark) in arranged.Tasks)
        {
            if (plan.Tasks.FirstOrDefault(t => t.What.Code == code) is not { } task)
                continue;
            Must(
                mark.At is null || mark.Done is not null || task.Starts == mark.At,
                $"{code} is pinned at {mark.At} and put at {task.Starts}");
            Must(
                mark.NotBefore is null || mark.Done is not null || task.Starts >= mark.NotBefore,
                $"{code} is put before {mark.NotBefore}");
        }

        return broken;
    }
}
