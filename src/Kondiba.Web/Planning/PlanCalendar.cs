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
        var calendar = new Ical.Net.Calendar { ProductId = "-//Kondiba//The day//EN", Method = CalendarMethods.Publish };
        calendar.AddProperty("CALSCALE", "GREGORIAN");
        calendar.AddProperty("X-WR-CALNAME", name);
        var refreshed = new CalendarProperty("REFRESH-INTERVAL", "PT15M");
        refreshed.AddParameter("VALUE", "DURATION");
        calendar.AddProperty(refreshed);
        foreach (var task in plan.Tasks.Where(t => t.Mark?.Done is null))
        {
            var order = task.What.Order is { } code ? $" · {orders.GetValueOrDefault(code)?.Name ?? code}" : "";
            Add(
                task.What.Code,
                task.Starts,
                task.Ends,
                $"{task.What.Title}{order}",
                Catalogue.Say(Message.Then(task.What.Text, task.What.Why), voice),
                task.What.AtMost is not null);
        }

        foreach (var tray in plan.Trays.Where(t => t.OutBy is not null))
            Add(
                $"{tray.Task}/out",
                tray.Ends,
                tray.Ends.PlusMinutes(Carrying),
                $"Take out of the {plan.Places.First(p => p.Place == tray.Place).Name}: {tray.Title}",
                $"By {Time(tray.OutBy!.Value)}: left longer it sweats when it comes out.",
                true);
        foreach (var order in plan.Orders)
        {
            var about = orders.GetValueOrDefault(order.Order) ?? new(order.Order);
            Add(
                $"{order.Order}/pickup",
                order.Pickup,
                order.Pickup.PlusMinutes(HandingOver),
                $"{(about.Delivered ? "Delivery" : "Pickup")}: {about.Name}",
                $"Packed by {Time(order.Ready)}.{(about.Contact.Length > 0 ? $" {about.Contact}" : "")}",
                true,
                about.Place);
        }

        return new CalendarSerializer().SerializeToString(calendar)!;

        string Time(LocalDateTime at) => Catalogue.Say(Message.Of("planning.at", ("at", at)), voice);

        CalDateTime Utc(LocalDateTime local) => new(local.InZoneLeniently(zone).ToDateTimeUtc());

        void Add(string code, LocalDateTime starts, LocalDateTime ends, string summary, string description, bool calls, string place = "")
        {
            var one = new CalendarEvent
            {
                Uid = $"{code.Replace('/', '.')}@{kitchen}.kondiba",
                DtStamp = new(at.ToDateTimeUtc()),
                Start = Utc(starts),
                End = Utc(ends),
                Summary = summary,
                Description = description,
                Location = place.Length > 0 ? place : null,
            };
            if (calls)
                one.Alarms.Add(new() { Action = AlarmAction.Display, Trigger = new(Duration.FromMinutes(-Ahead)), Description = summary });
            calendar.Events.Add(one);
        }
    }
}
