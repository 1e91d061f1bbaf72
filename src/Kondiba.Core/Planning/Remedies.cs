using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>A change of an order that makes a plan fit.</summary>
/// <param name="Order">Its code.</param>
/// <param name="Pickup">A later pickup; null to leave it.</param>
/// <param name="Line">The line that is made otherwise; null to leave them.</param>
/// <param name="Centre">What it is made with.</param>
/// <param name="Size">Of that size.</param>
/// <param name="Depth">Dipped so deep.</param>
public sealed record OrderChange(
    string Order, LocalDateTime? Pickup = null, int? Line = null, string? Centre = null, string? Size = null, double? Depth = null);

/// <summary>A change that makes a plan fit; it was tried.</summary>
/// <param name="What">What is changed: "a helper on Saturday from 14:00".</param>
/// <param name="Arranged">What is arranged then; null to leave it.</param>
/// <param name="Change">The change of an order; null for none.</param>
public sealed record Remedy(Message What, Arrangements? Arranged, OrderChange? Change)
{
    /// <summary>The request with the change made.</summary>
    public PlanRequest In(PlanRequest request) => request with
    {
        Arranged = Arranged ?? request.Arranged,
        Orders = Change is null
            ? request.Orders
            : [.. request.Orders.Select(o => o.Code == Change.Order ? o with { Draft = Of(o.Draft, Change) } : o)],
    };

    /// <summary>An order with a change made.</summary>
    public static OrderDraft Of(OrderDraft draft, OrderChange change) => draft with
    {
        Pickup = change.Pickup ?? draft.Pickup,
        Lines = [
            .. draft.Lines.Select((l, i) => i != change.Line
                ? l
                : l with { Centre = change.Centre, Size = change.Size, Depth = change.Depth ?? l.Depth, Upright = null, Making = null,
                    Look = null, Decor = null }),
        ],
    };
}

/// <summary>Finds the least changes that make an impossible plan fit, each tried by solving.</summary>
internal static partial class Remedies
{
    private const int Step = 30;
    private const int MostHours = 5;
    private const int MostOrders = 2;
    private const int MostClosed = 4;
    private static readonly int[] LaterBy = [1, 2, 4, 8, 24];

    /// <summary>Hours between which anybody could be asked to work.</summary>
    public static readonly LocalTime FirstHour = new(5, 0), LastHour = new(23, 30);

    // What keeps long and takes little time, when berries cannot be had in time.
    private const string Instead = "pretzel-twist";

    /// <summary>Finds them.</summary>
    /// <param name="request">What could not be planned.</param>
    /// <param name="shortages">What is short.</param>
    /// <param name="names">Names of the orders, by their code.</param>
    /// <param name="fits">Whether a request has a plan.</param>
    /// <param name="found">Told of all so far as soon as another was tried, the least trouble first.</param>
    public static IReadOnlyList<Remedy> For(
        PlanRequest request,
        IReadOnlyList<Shortage> shortages,
        IReadOnlyDictionary<string, string> names,
        Func<PlanRequest, bool> fits,
        Action<IReadOnlyList<Remedy>>? found = null)
    {
        var all = new List<Remedy>();
        foreach (var ways in Ways(request, shortages, names))
        {
            // Of one kind of change, the least that does.
            if (ways.FirstOrDefault(w => fits(w.In(request))) is not { } remedy)
                continue;
            all.Add(remedy);
            found?.Invoke(Ranked(request, all));
        }

        return Ranked(request, all);
    }

    private static IEnumerable<IEnumerable<Remedy>> Ways(
        PlanRequest request, IReadOnlyList<Shortage> shortages, IReadOnlyDictionary<string, string> names)
    {
        var places = shortages.Where(s => s.Kind is Short.Place).ToList();
        var plain = new WaysOut(request, shortages, names, request.Arranged, Message.None).All();
        if (places.Count == 0)
            return plain;

        // Room first; where that is not all that is short, whatever else helps goes together with it.
        var room = Enumerable.Range(0, 3).Select(n => Room(request.Arranged, places, n, request.Tables.Reference.Setting)).ToList();
        return shortages.Count == places.Count
            ? [room, .. plain]
            : [room, .. plain.Zip(
                new WaysOut(request, shortages, names, room[0].Arranged!, room[0].What).All(),
                (alone, together) => alone.Concat(together))];
    }

    private static Remedy Room(Arrangements arranged, List<Shortage> places, int more, Setting.SettingConstants setting)
    {
        static string Code(string place) => place.Split('.')[0] switch
        {
            "pots" => "planning.more-pots",
            "mould" => "planning.more-moulds",
            _ => "planning.more-room",
        };
        return new(
            Message.Of(
                "planning.all-of",
                ("parts", Argument.Of(places.Select(s => Message.Of(
                    Code(s.Of!), ("place", setting.NameOf(s.Of!)), ("more", s.Much + more), ("day", s.From)))))),
            arranged with
            {
                Places = [
                .. arranged.Places,
                .. places.Select(s => new PlaceOn(
                    s.Of!, s.Much + more, s.From.Date.PlusDays(-1).AtMidnight(), s.To.Date.PlusDays(2).AtMidnight())),
            ]
            },
            null);
    }

    /// <summary>All that could help against what is short, each way from the least change to the most.</summary>
    private sealed class WaysOut(
        PlanRequest request,
        IReadOnlyList<Shortage> shortages,
        IReadOnlyDictionary<string, string> names,
        Arrangements arranged,
        Message and)
    {
        private readonly KitchenTables tables = request.Tables;

        private readonly LocalDate last = request.Orders.Max(o => o.Draft.Pickup!.Value).Date;

        /// <summary>What more hands, hours or warm pots could help against.</summary>
        private readonly List<Shortage> lacking = [.. shortages.Where(s => s.Kind is not (Short.Pin or Short.Place))];

        private List<LocalDate> Days => [
            .. lacking.SelectMany(s => new[] { s.From.Date, s.To.Date })
                .Where(d => d >= request.Now.Date && d <= last)
                .Distinct()
                .Order(),
        ];

        public IEnumerable<IEnumerable<Remedy>> All() =>
            [.. WithoutPins(), .. ReadyLater(), .. OtherHours(), .. LongDays(), .. Helpers(), .. CollectedLater(), .. Instead(),
                .. TakenBack()];

        private IEnumerable<IEnumerable<Remedy>> WithoutPins() =>
            shortages.Where(s => s.Kind is Short.Pin)
                .Select(pin => (IEnumerable<Remedy>)[
                    new(
                        With(Message.Of("planning.no-pin", ("task", pin.What.Arguments[0].Value))),
                        arranged with { Tasks = arranged.Tasks.Where(t => t.Key != pin.Of).ToDictionary() },
                        null),
                ]);

        private IEnumerable<IEnumerable<Remedy>> ReadyLater() =>
            shortages.Where(s => s.Kind is Short.Time)
                .Select(late => Enumerable.Range(0, 9).Select(i => Collected(late.Of!, Quarter(late.To).PlusMinutes(i * Step))));

        private IEnumerable<IEnumerable<Remedy>> OtherHours()
        {
            var closed = Enumerable.Range(0, Period.DaysBetween(request.Now.Date, last) + 1)
                .Select(request.Now.Date.PlusDays)
                .Where(d => Open(d) is null)
                .Take(MostClosed);
            var days = Days;
            foreach (var day in days.Concat(days.Select(d => d.PlusDays(-1)).Where(d => d >= request.Now.Date))
                .Concat(closed)
                .Distinct()
                .Order())
            {
                if (Open(day) is not { } open)
                {
                    yield return Enumerable.Range(1, 6)
                        .Select(i => new DayHours(new(10, 0), new(10 + (2 * i), 0)))
                        .Select(h => Hours([(day, h)], Message.Of("planning.work-from", ("day", day), ("from", h.From), ("to", h.To))));
                    continue;
                }

                yield return Steps().Select(m => open.From.PlusMinutes(-m))
                    .TakeWhile(f => f >= FirstHour && f < open.From)
                    .Select(f => Hours([(day, open with { From = f })], Message.Of("planning.start", ("f", f), ("day", day))));
                yield return Steps().Select(m => open.To.PlusMinutes(m))
                    .TakeWhile(t => t <= LastHour && t > open.To)
                    .Select(t => Hours([(day, open with { To = t })], Message.Of("planning.go-until", ("t", t), ("day", day))));
            }
        }

        private IEnumerable<IEnumerable<Remedy>> LongDays()
        {
            if (Days is not { Count: > 0 } days)
                return [];
            var said = Argument.Of(days.Select(d => Message.Of("planning.weekday", ("day", d))));
            return [
                Enumerable.Range(1, MostHours).Select(h => Hours(
                    [.. days.Select(d => (d, Open(d) is { } o
                        ? new DayHours(Max(FirstHour, o.From, -h), Max(LastHour, o.To, h))
                        : new(new(8, 0), new(12 + (2 * h), 0))))],
                    Message.Of("planning.more-morning-evening", ("h", h), ("days", said)))),
            ];
        }

        private IEnumerable<IEnumerable<Remedy>> Helpers()
        {
            foreach (var (at, to) in lacking.Where(s => s.Kind is Short.Hands)
                .Select(s => (s.From, s.To))
                .Concat(lacking.Where(s => s.Kind is not Short.Hands).Select(s => (s.To.PlusHours(-4), s.To)))
                .DistinctBy(s => s.Item1.Date))
            {
                var until = to.Date > at.Date || to.Hour >= LastHour.Hour ? LastHour : new LocalTime(to.Hour + 1, 0);
                var from = at.Hour < FirstHour.Hour ? FirstHour : new LocalTime(at.Hour, 0);
                yield return Enumerable.Range(0, 6).Select(i => from.PlusHours(-i)).TakeWhile(f => f >= FirstHour && f <= from)
                    .Select(f => new Remedy(
                        With(Message.Of("planning.helper", ("day", at), ("from", f), ("to", until))),
                        arranged with { Helpers = [.. arranged.Helpers, new(at.Date, new(f, until))] },
                        null));
            }
        }

        private IEnumerable<IEnumerable<Remedy>> CollectedLater() =>
            lacking.Exists(s => s.Kind is Short.Hands)
                ? request.Orders.OrderBy(o => o.Draft.Pickup)
                    .Take(MostOrders)
                    .Select(order => LaterBy.Select(h => Collected(order.Code, order.Draft.Pickup!.Value.PlusHours(h))))
                : [];

        private IEnumerable<IEnumerable<Remedy>> Instead()
        {
            var instead = tables.Reference.Centre(Remedies.Instead)!;
            return request.Orders.SelectMany(o => o.Draft.Lines.Select((line, i) => (Order: o, Line: line, Index: i)))
                .Where(l => Perishable(l.Line, request))
                .Take(MostOrders)
                .Select(l => (IEnumerable<Remedy>)[
                    new(
                        With(Message.Of(
                            "planning.instead",
                            ("instead", instead.Plural),
                            ("of", tables.Reference.Centre(l.Line.Centre)!.Plural),
                            ("order", Name(l.Order.Code)))),
                        arranged,
                        new(l.Order.Code, null, l.Index, instead.Code, instead.Sizes[^1].Code, instead.UsualDepth.Value.Si)),
                ]);
        }

        private IEnumerable<IEnumerable<Remedy>> TakenBack()
        {
            var count = arranged.Hours.Count + arranged.Places.Count + arranged.Tasks.Count(t => t.Value.Done is null);
            if (count == 0)
                return [];

            // It does not go together with more room, but keeps its turn among the ways that do.
            if (and != Message.None)
                return [[]];
            var done = arranged.Tasks.Where(t => t.Value.Done is not null).ToDictionary();
            var rest = Arrangements.None with { Tasks = done, Helpers = arranged.Helpers };
            return [[new(Message.Of("planning.take-back-arranged", ("count", count)), rest, null)]];
        }

        private Remedy Collected(string order, LocalDateTime at) => new(
            With(Message.Of("planning.collected-later", ("order", Name(order)), ("at", at))), arranged, new(order, Pickup: at));

        private Remedy Hours(IReadOnlyList<(LocalDate Day, DayHours Hours)> other, Message what) => new(
            With(what),
            arranged with
            {
                Hours = [
                    .. arranged.Hours.Where(h => other.All(o => o.Day != h.Day)), .. other.Select(o => new HoursOn(o.Day, o.Hours)),
                ],
            },
            null);

        private string Name(string order) => names.GetValueOrDefault(order, order);

        private Message With(Message what) => and == Message.None ? what : Message.Of("planning.what-and", ("what", what), ("and", and));

        private DayHours? Open(LocalDate day) => arranged.HoursOf(day, tables.Profile.Working);
    }

    /// <summary>A time moved by some hours, at most to a limit.</summary>
    private static LocalTime Max(LocalTime limit, LocalTime at, int hours)
    {
        var beyond = hours < 0 ? at.Hour + hours < limit.Hour : at.Hour + hours > limit.Hour;
        if (!beyond)
            return at.PlusHours(hours);
        return hours < 0 ? LocalTime.Min(at, limit) : LocalTime.Max(at, limit);
    }

    private static IEnumerable<int> Steps() => Enumerable.Range(1, MostHours * 60 / Step).Select(i => i * Step);

    private static bool Perishable(LineDraft line, PlanRequest request) =>
        request.Tables.Reference.Centre(line.Centre) is { } centre
            && request.Tables.Reference.KeepingOf(centre)?.Keeps.Value <= Duration.FromDays(1);

    private static LocalDateTime Quarter(LocalDateTime at) =>
        at.Date.AtMidnight()
            .PlusMinutes((long)Math.Ceiling(Period.Between(at.Date.AtMidnight(), at, PeriodUnits.Seconds).Seconds / 900.0) * 15);
}
