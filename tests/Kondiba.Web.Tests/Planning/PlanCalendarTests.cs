using System.Text;
using CsCheck;
using Kondiba.Core.Facts;
using Kondiba.Core.Planning;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using Kondiba.Web.Planning;
using NodaTime;

namespace Kondiba.Web.Tests;

/// <summary>
/// The calendar by the letter of RFC 5545: lines, escapes, and times in UTC. Read here without the library that writes it.
/// </summary>
public class PlanCalendarTests
{
    private static readonly DateTimeZone Lisbon = DateTimeZoneProviders.Tzdb["Europe/Lisbon"];
    private static readonly Instant At = Instant.FromUtc(2031, 1, 1, 0, 0);

    private static DayTask Task(
        string code,
        LocalDateTime starts,
        string title = "Dip 24 rods",
        string text = "",
        Duration? atMost = null,
        TaskMark? mark = null) =>
        new(
            new(code, "7", Stage.Dip, title, "24 rods", Message.ByName(text), "", Source.Computed, [0], 24, null, [], atMost),
            starts,
            starts.PlusMinutes(20),
            "me",
            Duration.Zero,
            mark);

    private static string Write(Plan plan, string name = "Harbour kitchen") =>
        PlanCalendar.Write(plan, "k", name, new Dictionary<string, CalendarOrder> { ["7"] = new("Regatta") }, Voice.Plain, Lisbon, At);

    private static Plan Of(params DayTask[] tasks) => new(Outcome.Best, 0, tasks, [], [], [], [], [], [], []);

    /// <summary>Lines put together again, as a reader does first.</summary>
    private static List<(string Name, string Value)> Lines(string text) =>
        [.. text.Replace("\r\n ", "", StringComparison.Ordinal)
            .Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
            .Select(l => (l[..l.IndexOf(':', StringComparison.Ordinal)], l[(l.IndexOf(':', StringComparison.Ordinal) + 1)..]))];

    private static string Unescaped(string value)
    {
        var text = new StringBuilder();
        for (var i = 0; i < value.Length; i++)
            text.Append(value[i] != '\\' ? value[i] : value[++i] is 'n' ? '\n' : value[i]);
        return text.ToString();
    }

    [Fact]
    public void Any_text_comes_through_folded_lines_and_escapes() =>
        Gen.Select(Gen.String[Gen.Char["aZ ,;:\\\nß¾–日"], 0, 200], Gen.String[Gen.Char["aZ ,;\\é"], 1, 120]).Sample((text, title) =>
        {
            var written = Write(Of(Task("7/dip.0", new(2031, 5, 1, 10, 0), title, text)));
            Assert.EndsWith("\r\n", written, StringComparison.Ordinal);
            Assert.All(written.Split("\r\n"), l => Assert.True(Encoding.UTF8.GetByteCount(l) <= 75, l));
            Assert.DoesNotContain('\n', written.Replace("\r\n", "", StringComparison.Ordinal));
            var lines = Lines(written);
            Assert.Equal($"{title} · Regatta", Unescaped(lines.Single(l => l.Name == "SUMMARY").Value));
            Assert.Equal(text.Trim(), Unescaped(lines.Single(l => l.Name == "DESCRIPTION").Value));
        }, iter: 300);

    [Fact]
    public void What_begins_ends_and_every_event_has_what_the_standard_asks_for()
    {
        var plan = Of(
            Task("7/dip.0", new(2031, 5, 1, 10, 0)), Task("7/dip.1~2", new(2031, 5, 1, 10, 30), atMost: Duration.FromHours(1))) with
        {
            Trays = [
                new(
                    "7/dip.0",
                    "7",
                    "24 rods",
                    "cool-box",
                    1,
                    24,
                    [],
                    new(2031, 5, 1, 10, 20),
                    new(2031, 5, 1, 10, 40),
                    null,
                    new(2031, 5, 1, 10, 45)),
            ],
            Orders = [new("7", new(2031, 5, 2, 12, 0), new(2031, 5, 2, 11, 0))],
            Places = [new("cool-box", "cool box", 4, [])],
        };
        var lines = Lines(Write(plan));
        var open = new Stack<string>();
        foreach (var (name, value) in lines)
        {
            if (name == "BEGIN")
                open.Push(value);
            else if (name == "END")
                Assert.Equal(open.Pop(), value);
        }

        Assert.Empty(open);
        Assert.Equal(("BEGIN", "VCALENDAR"), lines[0]);
        Assert.Equal(["2.0"], lines.Where(l => l.Name == "VERSION").Select(l => l.Value));
        var uids = lines.Where(l => l.Name == "UID").Select(l => l.Value).ToList();
        Assert.Equal(["7.dip.0@k.kondiba", "7.dip.1~2@k.kondiba", "7.dip.0.out@k.kondiba", "7.pickup@k.kondiba"], uids);
        foreach (var name in (string[])["DTSTAMP", "DTSTART", "DTEND"])
            Assert.Equal(uids.Count, lines.Count(l => l.Name == name));

        // What can wait does not call; what cannot, a tray that must come out and a pickup do, ten minutes ahead.
        Assert.Equal(3, lines.Count(l => l == ("TRIGGER", "-PT10M")));
        Assert.Contains(lines, l => l.Name == "SUMMARY" && l.Value == "Take out of the cool box: 24 rods");

        // Nothing takes no time: a day full of dots is no day to be read.
        Assert.All(
            lines.Where(l => l.Name == "DTSTART").Zip(lines.Where(l => l.Name == "DTEND")),
            e => Assert.NotEqual(e.First.Value, e.Second.Value));
    }

    /// <summary>
    /// In Lisbon clocks go on by an hour on 30 March 2031 at 1:00 and back on 26 October at 2:00 (rule of the European Union).
    /// </summary>
    [Theory]
    [InlineData(2031, 3, 30, 0, 30, "20310330T003000Z")]
    [InlineData(2031, 3, 30, 1, 30, "20310330T013000Z")]
    [InlineData(2031, 3, 30, 2, 30, "20310330T013000Z")]
    [InlineData(2031, 7, 1, 12, 0, "20310701T110000Z")]
    [InlineData(2031, 10, 26, 0, 30, "20311025T233000Z")]
    [InlineData(2031, 10, 26, 1, 30, "20311026T003000Z")]
    [InlineData(2031, 10, 26, 2, 30, "20311026T023000Z")]
    [InlineData(2031, 12, 1, 12, 0, "20311201T120000Z")]
    public void Times_are_in_UTC_over_both_changes_of_the_clocks(int year, int month, int day, int hour, int minute, string utc)
    {
        var lines = Lines(Write(Of(Task("7/dip.0", new(year, month, day, hour, minute)))));
        Assert.Equal(utc, lines.Single(l => l.Name == "DTSTART").Value);
        Assert.Equal("20310101T000000Z", lines.Single(l => l.Name == "DTSTAMP").Value);
        Assert.True(string.CompareOrdinal(lines.Single(l => l.Name == "DTEND").Value, utc) > 0);
    }

    [Fact]
    public void What_is_done_is_left_out_and_an_empty_plan_is_a_calendar_too()
    {
        var done = Write(Of(Task("7/dip.0", new(2031, 5, 1, 10, 0), mark: new(Done: new(2031, 5, 1, 10, 20)))));
        Assert.DoesNotContain("VEVENT", done, StringComparison.Ordinal);
        Assert.Equal(done, Write(Of()));
        Assert.Contains(("X-WR-CALNAME", "Harbour\\; kitchen\\, small"), Lines(Write(Of(), "Harbour; kitchen, small")));
    }
}
