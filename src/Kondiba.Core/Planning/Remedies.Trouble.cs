using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <content>
/// How much trouble a remedy is, in minutes that a maker would rather work: what she would do herself before she asks
/// others, and what costs nothing before either (from memory).
/// </content>
internal static partial class Remedies
{
    // To take back what one has arranged oneself; to ask a customer, and each minute that they wait; to make something else; to find room.
    private const double TakingBack = 5, Asking = 30, Waiting = 0.5, SomethingElse = 240, Finding = 30;

    // To find a helper, beside the time that is paid; to come in on a day off, and each minute of it; a minute of the night.
    private const double AskingHelp = 60, ComingIn = 60, DayOff = 1.5, Night = 2;

    // What is so much more trouble than the least, nobody would do.
    private const double MostTimes = 2, MostMore = 60;

    private static readonly LocalTime Morning = new(7, 0), Evening = new(21, 0);

    /// <summary>The least trouble first, and none that is worse than what it helps against.</summary>
    private static IReadOnlyList<Remedy> Ranked(PlanRequest request, List<Remedy> all)
    {
        var ranked = all.Select(r => (Remedy: r, Trouble: TroubleOf(request, r))).OrderBy(r => r.Trouble).ToList();
        var least = ranked.FirstOrDefault(r => !OnlyTakesBack(request, r.Remedy), ranked[0]).Trouble;
        return [.. ranked.TakeWhile(r => r.Trouble <= (least * MostTimes) + MostMore).Select(r => r.Remedy)];
    }

    /// <summary>
    /// Whether it takes back what was arranged and does no more: whoever arranged it had a reason, and wants to hear what
    /// else helps.
    /// </summary>
    private static bool OnlyTakesBack(PlanRequest request, Remedy remedy) =>
        remedy.Change is null && remedy.Arranged is { } now && now.Count < request.Arranged.Count;

    private static double TroubleOf(PlanRequest request, Remedy remedy)
    {
        var (was, now) = (request.Arranged, remedy.Arranged ?? request.Arranged);
        var gone = was.Tasks.Keys.Except(now.Tasks.Keys).Count() + was.Places.Except(now.Places).Count()
            + was.Hours.Select(h => h.Day).Except(now.Hours.Select(h => h.Day)).Count();
        return (gone * TakingBack)
            + now.Hours.Except(was.Hours).Sum(h => OfHours(was.HoursOf(h.Day, request.Tables.Profile.Working), h.Hours!))
            + now.Helpers.Except(was.Helpers).Sum(h => AskingHelp + Minutes(h.Hours.From, h.Hours.To))
            + now.Places.Except(was.Places).Sum(p => p.Change * Finding)
            + OfChange(request, remedy.Change);
    }

    private static double OfChange(PlanRequest request, OrderChange? change)
    {
        if (change is null)
            return 0;
        var was = request.Orders.First(o => o.Code == change.Order).Draft.Pickup!.Value;
        var later = change.Pickup is { } at ? Asking + (Waiting * Period.Between(was, at, PeriodUnits.Minutes).Minutes) : 0;
        return later + (change.Centre is null ? 0 : SomethingElse);
    }

    private static double OfHours(DayHours? usual, DayHours now) => usual is null
        ? ComingIn + (DayOff * Minutes(now.From, now.To))
        : Worked(now.From, usual.From) + Worked(usual.To, now.To);

    /// <summary>Minutes of work between two times of a day, those of the night more than once; none when the second is not later.</summary>
    private static double Worked(LocalTime from, LocalTime to)
    {
        if (to <= from)
            return 0;
        var early = Math.Max(0, Minutes(from, LocalTime.Min(to, Morning)));
        var late = Math.Max(0, Minutes(LocalTime.Max(from, Evening), to));
        return Minutes(from, to) + ((Night - 1) * (early + late));
    }

    private static double Minutes(LocalTime from, LocalTime to) => Period.Between(from, to, PeriodUnits.Minutes).Minutes;
}
