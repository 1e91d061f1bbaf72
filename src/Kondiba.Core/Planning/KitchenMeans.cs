using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What a kitchen has for its work, as it is usual and as it was arranged.</summary>
/// <param name="tables">The kitchen's tables.</param>
/// <param name="arranged">What was arranged.</param>
/// <param name="clock">The plan's minutes.</param>
/// <param name="now">The minute it is: nobody works before.</param>
internal sealed class KitchenMeans(KitchenTables tables, Arrangements arranged, PlanClock clock, int now)
{
    /// <summary>Whose hands there are, up to some minute.</summary>
    public List<Worker> Workers(int ends)
    {
        List<Minutes> own = [];
        for (var day = clock.At(now).Date; clock.Up(day.AtMidnight()) < ends; day = day.PlusDays(1))
        {
            if (arranged.HoursOf(day, tables.Profile.Working) is { } hours)
                own.AddRange(Clipped(day, hours, ends));
        }

        return
        [
            new(OrderTasks.Me, own, Rests: [.. own.SelectMany(Meals)]),
            .. arranged.Helpers.Index()
                .Select(h => new Worker($"helper.{h.Index + 1}", [.. Clipped(h.Item.Day, h.Item.Hours, ends)]))
                .Where(w => w.Hours.Count > 0),
        ];
    }

    /// <summary>The meals of a stretch of work that goes on for an hour before and after them.</summary>
    private IEnumerable<Rest> Meals(Minutes hours)
    {
        const int Hour = 60;
        var day = clock.At(hours.From).Date.AtMidnight();
        foreach (var meal in tables.Reference.Planning.Meals)
        {
            var (from, to) = (
                clock.Up(day.PlusMinutes((long)meal.From.Value.TotalMinutes)),
                clock.Down(day.PlusMinutes((long)meal.To.Value.TotalMinutes)));
            var lasts = (int)meal.Lasts.Value.TotalMinutes;
            if (hours.From + Hour <= from && to + Hour <= hours.To)
                yield return new(new(from, to), lasts, lasts * OrderTasks.Minute);
        }
    }

    private IEnumerable<Minutes> Clipped(LocalDate day, DayHours hours, int ends)
    {
        var (from, to) = (Math.Max(now, clock.Up(day + hours.From)), Math.Min(ends, clock.Down(day + hours.To)));
        if (from < to)
            yield return new(from, to);
    }

    /// <summary>Room, pots and moulds, up to some minute.</summary>
    public List<Resource> Resources(int ends)
    {
        var w = tables.Profile.Working;
        return
        [
            .. tables.Reference.Setting.Places.Select(p => With($"place.{p.Code}", p.Code, p.Trays, OrderTasks.Tray)),
            With("pots", "pots", w.Pots),
            With("pots.all", "pots", w.Pots + w.Wells),
            .. tables.Reference.Moulds.Select(m => With($"mould.{m.Code}", $"mould.{m.Code}", 1)),
        ];

        Resource With(string code, string place, int count, int unit = 1)
        {
            var has = count * unit;
            var changes = arranged.Places.Where(p => p.Place == place)
                .Select(p => (When: new Minutes(Math.Max(0, clock.Up(p.From)), Math.Min(ends, clock.Down(p.To))), p.Change))
                .Where(p => p.When.From < p.When.To)
                .ToList();
            if (changes.Count == 0)
                return new(code, has, [], Unit: unit);

            // Between two marks the amount stands still: as much as there is at most, less what is not there.
            var spans = Minutes.Between(changes.SelectMany(p => new[] { p.When.From, p.When.To }).Append(0).Append(ends))
                .Select(span => (When: span, Has: Math.Max(
                    0, has + changes.Where(p => p.When.Holds(span)).Sum(p => p.Change * unit)))).ToList();
            var most = spans.Max(s => s.Has);
            return new(code, most, [.. spans.Where(s => s.Has < most).Select(s => new Away(s.When, most - s.Has))], Unit: unit);
        }
    }
}
