using Kondiba.Core.Facts;
using Kondiba.Core.Planning;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Web.Tests;

/// <summary>The calendar, read by a program that is not ours.</summary>
public sealed class CalendarTests
{
    /// <summary>
    /// Written by this product, read by Ical.Net: across both changes of the clocks in the kitchen's zone every time comes back as it was.
    /// </summary>
    [Fact]
    public void Times_come_back_from_an_independent_reader_across_the_change_of_the_clocks()
    {
        var zone = DateTimeZoneProviders.Tzdb["Europe/Lisbon"];
        foreach (var change in (LocalDateTime[])[new(2031, 3, 29, 20, 0), new(2031, 10, 25, 20, 0)])
        {
            var starts = Enumerable.Range(0, 30).Select(i => change.PlusHours(i)).Where(t => zone.MapLocal(t).Count == 1).ToList();
            DayTask Task(LocalDateTime at, int i) => new(
                new(
                    $"o/dip.{i}",
                    "o",
                    Stage.Dip,
                    $"Dip 24, {i}; commas, \\ and a name long enough to be folded over the line: ¾ of a crème brûlée",
                    "24",
                    Message.ByName("Text\nof two lines."),
                    "",
                    Source.Computed,
                    [0],
                    24,
                    null,
                    [],
                    i % 2 == 0 ? Duration.FromHours(1) : null),
                at, at.PlusMinutes(20), "me", Duration.Zero, null);
            var plan = new Plan(
                Outcome.Best, 0, [.. starts.Select(Task)], [], [], [new("o", change.PlusDays(2), change.PlusDays(1))], [], [], [], []);
            var text = Core.Planning.Calendar.Write(
                plan,
                "k",
                "Harbour; kitchen",
                new Dictionary<string, CalendarOrder> { ["o"] = new("Regatta", true, "boathouse, slipway") },
                Voice.Plain,
                zone,
                Instant.FromUtc(2031, 1, 1, 0, 0));
            Assert.All(text.Split("\r\n"), l => Assert.True(System.Text.Encoding.UTF8.GetByteCount(l) <= 75, l));

            var read = Ical.Net.Calendar.Load(text)!;
            Assert.Equal(starts.Count + 1, read.Events.Count);
            foreach (var (i, at) in starts.Index())
            {
                var task = read.Events.Single(e => e.Uid == $"o.dip.{i}@k.kondiba");
                LocalDateTime Local(Ical.Net.DataTypes.CalDateTime? t) => Instant.FromDateTimeUtc(t!.AsUtc).InZone(zone).LocalDateTime;
                Assert.Equal((at, at.PlusMinutes(20)), (Local(task.Start), Local(task.End)));
                Assert.Equal($"{plan.Tasks[i].What.Title} · Regatta", task.Summary);
                Assert.Equal("Text\nof two lines.", task.Description);
                Assert.Equal(i % 2 == 0 ? 1 : 0, task.Alarms.Count);
            }
        }
    }
}
