using System.Globalization;
using System.Text.RegularExpressions;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.QuickEntry;

/// <summary>A day and a time of the day as typed into a field of their own: "sat 3pm", "5.12.", "17h30".</summary>
/// <param name="Day">The day; null where none was said.</param>
/// <param name="Time">The time; null where none was said.</param>
public sealed partial record DayAndTime(LocalDate? Day, LocalTime? Time)
{
    private const int LongestText = 60;

    /// <summary>Reads what was typed; null where it is neither a day nor a time, or says more than these.</summary>
    /// <param name="text">As typed.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="looks">The kitchen's library, whose names are words too.</param>
    /// <param name="today">The kitchen's day, from which "Saturday" is reckoned.</param>
    /// <param name="place">Where numbers are written: "5/12" is in May or in December by it.</param>
    public static DayAndTime? Read(string text, KitchenTables tables, IReadOnlyList<Look> looks, LocalDate today, Locale place)
    {
        if (text.Length > LongestText)
            return null;
        var plain = InIso(text.Trim(), today, place);
        if (Clock().Match(plain) is { Success: true } alone)
            return AtClock(alone) is { } time ? new(null, time) : null;
        plain = OtherClock().Replace(plain, "$1:$2");
        return Spoken(plain) ?? Spoken(BareHour().Replace(plain, " at $1"));

        DayAndTime? Spoken(string words)
        {
            var said = new Reader(words, tables, looks, Entry.VocabularyOf(tables.Reference, looks), today).OrderAlone();
            if (said is not { Name: null, Handover: null, Packing: [], Allergies: [] } || (said.Day is null && said.Time is null))
                return null;
            return new(said.Day, said.Time);
        }
    }

    private static LocalTime? AtClock(Match match)
    {
        var (hour, minute) = (Number(match.Groups["hour"]), match.Groups["minute"].Success ? Number(match.Groups["minute"]) : 0);
        return hour < NodaConstants.HoursPerDay && minute < NodaConstants.MinutesPerHour ? new(hour, minute) : null;
    }

    /// <summary>Dates in numbers put the year first, as they are read in words.</summary>
    private static string InIso(string text, LocalDate today, Locale place) => Date().Replace(text, match =>
    {
        var (first, second) = (Number(match.Groups["first"]), Number(match.Groups["second"]));
        var (day, month) = place.MonthFirst ? (second, first) : (first, second);
        var year = match.Groups["year"].Success ? Century(Number(match.Groups["year"])) : today.Year;
        if (month is < 1 or > 12 || day < 1 || day > CalendarSystem.Iso.GetDaysInMonth(year, month))
            return match.Value;
        var date = new LocalDate(year, month, day);
        var next = match.Groups["year"].Success || date >= today ? date : date.PlusYears(1);
        return next.ToString("uuuu-MM-dd", CultureInfo.InvariantCulture);
    });

    private static int Century(int year) => year < 100 ? 2000 + year : year;

    private static int Number(Group group) => int.Parse(group.Value, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^(?<hour>\d{1,2})(?:(?:[:.]|\s?h\s?)?(?<minute>\d{2}))?\s?h?$")]
    private static partial Regex Clock();

    [GeneratedRegex(@"(?<![\d.:/-])(?<first>\d{1,2})[./-](?<second>\d{1,2})(?:[./-](?<year>\d{4}|\d{2})\b|\.|(?![\d.:/-]))")]
    private static partial Regex Date();

    [GeneratedRegex(@"\b(\d{1,2})\s?[h.]\s?(\d{2})\b")]
    private static partial Regex OtherClock();

    [GeneratedRegex(@"\s(\d{1,2})\s*$")]
    private static partial Regex BareHour();
}
