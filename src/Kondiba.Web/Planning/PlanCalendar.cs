using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Kondiba.Core.Planning;
using Kondiba.Core.Wording;
using NodaTime;
using Duration = Ical.Net.DataTypes.Duration;

namespace Kondiba.Web.Planning;

/// <summary>An order as a calendar tells of it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Delivered">Whether it is brought, and not collected.</param>
/// <param name="Place">Where it is handed over.</param>
/// <param name="Contact">How to reach the customer.</param>
internal sealed record CalendarOrder(string Name, bool Delivered = false, string Place = "", string Contact = "");

/// <summary>
/// A plan as a calendar, RFC 5545: an event for every task and every pickup, in UTC, so that no reader need know the kitchen's zone.
/// </summary>
internal static class PlanCalendar
{
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
    /// <param name="zone">
    /// The kitchen's zone. A time that the clocks leap over is moved on by the leap; one that comes twice is its first.
    /// </param>
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
        var calendar = Empty(name);
        foreach (var entry in Entries(plan, orders, voice))
        {
            var one = new CalendarEvent
            {
                Uid = $"{entry.Code.Replace('/', '.')}@{kitchen}.kondiba",
                DtStamp = new(at.ToDateTimeUtc()),
                Start = Utc(entry.Starts),
                End = Utc(entry.Ends),
                Summary = entry.Summary,
                Description = entry.Description,
                Location = entry.Place,
            };
            if (entry.Calls)
                one.Alarms.Add(new()
                {
                    Action = AlarmAction.Display,
                    Trigger = new(Duration.FromMinutes(-Ahead)),
                    Description = entry.Summary,
                });
            calendar.Events.Add(one);
        }

        return new CalendarSerializer().SerializeToString(calendar)!;

        CalDateTime Utc(LocalDateTime local) => new(local.InZoneLeniently(zone).ToDateTimeUtc());
    }

    private sealed record Entry(
        string Code, LocalDateTime Starts, LocalDateTime Ends, string Summary, string Description, bool Calls, string? Place = null);

    private static IEnumerable<Entry> Entries(Plan plan, IReadOnlyDictionary<string, CalendarOrder> orders, Voice voice)
    {
        foreach (var task in plan.Tasks.Where(t => t.Mark?.Done is null))
        {
            var order = task.What.Order is { } code ? $" · {orders.GetValueOrDefault(code)?.Name ?? code}" : "";
            yield return new(
                task.What.Code,
                task.Starts,
                task.Ends,
                $"{task.What.Title}{order}",
                Say(Message.Then(task.What.Text, task.What.Why)),
                task.What.AtMost is not null);
        }

        foreach (var tray in plan.Trays.Where(t => t.OutBy is not null))
            yield return new(
                $"{tray.Task}/out",
                tray.Ends,
                tray.Ends.PlusMinutes(Carrying),
                Say(Message.Of("planning.take-out", ("place", plan.Places.First(p => p.Place == tray.Place).Name), ("tray", tray.Title))),
                Say(Message.Of("planning.sweats-later", ("at", tray.OutBy!.Value))),
                true);
        foreach (var order in plan.Orders)
        {
            var about = orders.GetValueOrDefault(order.Order) ?? new(order.Order);
            yield return new(
                $"{order.Order}/pickup",
                order.Pickup,
                order.Pickup.PlusMinutes(HandingOver),
                Say(Message.Of(about.Delivered ? "planning.delivery-of" : "planning.pickup-of", ("order", about.Name))),
                $"{Say(Message.Of("planning.packed-by", ("at", order.Ready)))} {about.Contact}".TrimEnd(),
                true,
                about.Place.Length > 0 ? about.Place : null);
        }

        string Say(Message message) => Catalogue.Say(message, voice);
    }

    private static Ical.Net.Calendar Empty(string name)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Kondiba//The day//EN", Method = CalendarMethods.Publish };
        calendar.AddProperty("CALSCALE", "GREGORIAN");
        calendar.AddProperty("X-WR-CALNAME", name);
        var refreshed = new CalendarProperty("REFRESH-INTERVAL", "PT15M");
        refreshed.AddParameter("VALUE", "DURATION");
        calendar.AddProperty(refreshed);
        return calendar;
    }
}
