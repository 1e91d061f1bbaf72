using System.Globalization;
using System.Text;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>An order as a calendar tells of it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Delivered">Whether it is brought, and not collected.</param>
/// <param name="Place">Where it is handed over.</param>
/// <param name="Contact">How to reach the customer.</param>
public sealed record CalendarOrder(string Name, bool Delivered = false, string Place = "", string Contact = "");

/// <summary>A plan as a calendar, RFC 5545: an event for every task and every pickup, in UTC, so that no reader need know the kitchen's zone.</summary>
public static class Calendar
{
    private const int LineOctets = 75;

    // How long before it the calendar calls: for what cannot wait.
    private const int Ahead = 10;

    // Minutes that carrying a tray takes in a calendar, and handing an order over.
    private const int Carrying = 5, HandingOver = 15;

    /// <summary>Writes it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="kitchen">Unique for the kitchen: part of every event's UID, which stays the same from plan to plan.</param>
    /// <param name="name">Name of the calendar.</param>
    /// <param name="orders">What is handed over, by the order's code.</param>
    /// <param name="voice">How whoever reads it is spoken to.</param>
    /// <param name="zone">The kitchen's zone. A time that the clocks leap over is moved on by the leap; one that comes twice is its first.</param>
    /// <param name="at">When the plan was made.</param>
    public static string Write(
        Plan plan,
        string kitchen,
        string name,
        IReadOnlyDictionary<string, CalendarOrder> orders,
        Voice voice,
        DateTimeZone zone,
        Instant at)
    {
        var text = new StringBuilder();
        Line("BEGIN", "VCALENDAR");
        Line("VERSION", "2.0");
        Line("PRODID", "-//Kondiba//The day//EN");
        Line("CALSCALE", "GREGORIAN");
        Line("METHOD", "PUBLISH");
        Line("X-WR-CALNAME", Escaped(name));
        Line("REFRESH-INTERVAL;VALUE=DURATION", "PT15M");
        foreach (var task in plan.Tasks.Where(t => t.Mark?.Done is null))
        {
            var order = task.What.Order is { } code ? $" · {orders.GetValueOrDefault(code)?.Name ?? code}" : "";
            Event(
                task.What.Code,
                task.Starts,
                task.Ends,
                $"{task.What.Title}{order}",
                $"{Catalogue.Say(task.What.Text, voice)} {task.What.Why}".Trim(),
                task.What.AtMost is not null);
        }

        foreach (var tray in plan.Trays.Where(t => t.OutBy is not null))
            Event(
                $"{tray.Task}/out",
                tray.Ends,
                tray.Ends.PlusMinutes(Carrying),
                $"Take out of the {plan.Places.First(p => p.Place == tray.Place).Name}: {tray.Title}",
                $"By {Time(tray.OutBy!.Value)}: left longer it sweats when it comes out.",
                true);
        foreach (var order in plan.Orders)
        {
            var about = orders.GetValueOrDefault(order.Order) ?? new(order.Order);
            Event(
                $"{order.Order}/pickup",
                order.Pickup,
                order.Pickup.PlusMinutes(HandingOver),
                $"{(about.Delivered ? "Delivery" : "Pickup")}: {about.Name}",
                $"Packed by {Time(order.Ready)}.{(about.Contact.Length > 0 ? $" {about.Contact}" : "")}",
                true,
                about.Place);
        }

        Line("END", "VCALENDAR");
        return text.ToString();

        string Time(LocalDateTime at) => Catalogue.Say(Message.Of("planning.at", ("at", at)), voice);

        void Event(
            string code, LocalDateTime starts, LocalDateTime ends, string summary, string description, bool calls, string place = "")
        {
            Line("BEGIN", "VEVENT");
            Line("UID", $"{code.Replace('/', '.')}@{kitchen}.kondiba");
            Line("DTSTAMP", Utc(at));
            Line("DTSTART", Utc(starts.InZoneLeniently(zone).ToInstant()));
            Line("DTEND", Utc(ends.InZoneLeniently(zone).ToInstant()));
            Line("SUMMARY", Escaped(summary));
            Line("DESCRIPTION", Escaped(description));
            if (place.Length > 0)
                Line("LOCATION", Escaped(place));
            if (calls)
            {
                Line("BEGIN", "VALARM");
                Line("ACTION", "DISPLAY");
                Line("TRIGGER", $"-PT{Ahead}M");
                Line("DESCRIPTION", Escaped(summary));
                Line("END", "VALARM");
            }

            Line("END", "VEVENT");
        }

        // A line is folded before its 76th octet; no letter is cut.
        void Line(string property, string value)
        {
            var octets = 0;
            foreach (var rune in $"{property}:{value}".EnumerateRunes())
            {
                if (octets + rune.Utf8SequenceLength > LineOctets)
                {
                    text.Append("\r\n ");
                    octets = 1;
                }

                text.Append(rune);
                octets += rune.Utf8SequenceLength;
            }

            text.Append("\r\n");
        }
    }

    private static string Utc(Instant at) => at.ToString("uuuuMMdd'T'HHmmss'Z'", CultureInfo.InvariantCulture);

    private static string Escaped(string text) =>
        text.Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace(";", "\\;", StringComparison.Ordinal)
            .Replace(",", "\\,", StringComparison.Ordinal)
            .Replace("\r", "", StringComparison.Ordinal)
            .Replace("\n", "\\n", StringComparison.Ordinal);
}
