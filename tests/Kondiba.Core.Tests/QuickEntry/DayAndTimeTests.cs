using System.Globalization;
using Kondiba.Core.QuickEntry;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Tests;

public sealed class DayAndTimeTests
{
    // A Friday.
    private static readonly LocalDate Today = new(2026, 11, 27);

    [Theory]
    [InlineData("sat 3pm", "28 Nov 2026", "15:00")]
    [InlineData("Saturday at 3", "28 Nov 2026", "15:00")]
    [InlineData("sat 15", "28 Nov 2026", "15:00")]
    [InlineData("next tuesday 9.30", "8 Dec 2026", "9:30")]
    [InlineData("tomorrow noon", "28 Nov 2026", "12:00")]
    [InlineData("3 pm on 5 Dec", "5 Dec 2026", "15:00")]
    [InlineData("Saturday 5 December, 18:30", "5 Dec 2026", "18:30")]
    [InlineData("5 Jan", "5 Jan 2027", null)]
    [InlineData("2027-02-14", "14 Feb 2027", null)]
    [InlineData("17h30", null, "17:30")]
    [InlineData("17 h 30", null, "17:30")]
    [InlineData("5.12. 17.30", "5 Dec 2026", "17:30")]
    [InlineData("7", null, "7:00")]
    [InlineData("730", null, "7:30")]
    [InlineData("6:30 PM", null, "18:30")]
    public void A_day_and_a_time_are_read_as_they_are_said(string text, string? day, string? time) =>
        Assert.Equal((day, time), Read(text, "en-GB"));

    [Theory]
    [InlineData("5/12", "en-GB", "5 Dec 2026")]
    [InlineData("12/5", "en-US", "5 Dec 2026")]
    [InlineData("5.12.", "de-DE", "5 Dec 2026")]
    [InlineData("3.1.27", "de-DE", "3 Jan 2027")]
    [InlineData("1/3", "en-US", "3 Jan 2027")]
    [InlineData("12/5/2028", "en-US", "5 Dec 2028")]
    public void Numbers_are_a_date_in_the_order_of_the_place(string text, string place, string day) =>
        Assert.Equal((day, null), Read(text, place));

    [Theory]
    [InlineData("")]
    [InlineData("soon")]
    [InlineData("25:00")]
    [InlineData("31/2")]
    [InlineData("12 rods saturday")]
    [InlineData("sat or sun")]
    [InlineData("saturday for Oda")]
    public void What_is_no_day_or_says_more_is_not_guessed_at(string text) => Assert.Null(Of(text, "en-GB"));

    [Fact]
    public void Every_day_and_time_that_the_page_writes_is_read_back()
    {
        for (var ahead = 0; ahead < 330; ahead += 7)
        {
            var day = Today.PlusDays(ahead);
            foreach (var place in Locale.All)
            {
                var pattern = place.MonthFirst ? "ddd, MMM d" : "ddd d MMM";
                var said = day.ToString(pattern, CultureInfo.InvariantCulture);
                Assert.Equal((day, (LocalTime?)null), (Of(said, place.Code)?.Day, Of(said, place.Code)?.Time));
            }
        }
    }

    private static DayAndTime? Of(string text, string place) =>
        DayAndTime.Read(text, KitchenTables.Shipped, [], Today, Locale.Find(place)!);

    private static (string? Day, string? Time) Read(string text, string place)
    {
        var read = Of(text, place)!;
        return (
            read.Day?.ToString("d MMM uuuu", CultureInfo.InvariantCulture), read.Time?.ToString("H:mm", CultureInfo.InvariantCulture));
    }
}
