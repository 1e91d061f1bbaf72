using Kondiba.Core.Facts;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Kitchens;

/// <content>The problems of how a kitchen works: its ways, prices, places and hours.</content>
public static partial class OwnCheck
{
    /// <summary>The problems of a kitchen's rates.</summary>
    public static IReadOnlyList<Problem> Of(Rates rates)
    {
        List<Problem> problems = [];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (rates.Hour is < 0 or > 10_000)
            Error("hour", "kitchens.hour-worth-less-nothing", "kitchens.hour-worth-less-nothing.do");
        if (rates.FuelPerHour is < 0 or > 1000)
            Error("fuelPerHour", "kitchens.gas-current-cost-less", "kitchens.gas-current-cost-less.do");
        if (rates.Margin is { } margin && !(margin is >= 0 and <= 0.9))
            Error("margin", "kitchens.margin-less-nothing-more", "kitchens.margin-less-nothing-more.do");
        if (rates.Step is < 0 or > 1000)
            Error("step", "kitchens.prices-cannot-go-up", "kitchens.prices-cannot-go-up.do");
        if (rates.Deposit is { } deposit && !(deposit is >= 0 and <= 1))
            Error("deposit", "kitchens.deposit-less-nothing-more", "kitchens.deposit-less-nothing-more.do");
        if (rates.QuoteDays is < 1 or > 365)
            Error("quoteDays", "kitchens.quote-days", "kitchens.quote-days.do");
        if (rates.Contact?.Length > LongestContact)
            Error(
                "contact",
                Message.Of("kitchens.contact-longer", ("most", LongestContact)),
                "kitchens.note-longer-characters.do");
        if (rates.Terms?.Length > LongestTerms)
            Error(
                "terms",
                Message.Of("kitchens.terms-longer-characters", ("longestTerms", LongestTerms)),
                "kitchens.terms-longer-characters.do");
        return problems;
    }

    /// <summary>The problems of what a kitchen's labels say and are printed on.</summary>
    public static IReadOnlyList<Problem> Of(LabelSettings labels, ReferenceData tables)
    {
        List<Problem> problems = [];
        if (labels.Maker?.Length > LongestMaker)
            problems.Add(new("maker", "kitchens.label-text", Message.Of("kitchens.label-text.do", ("most", LongestMaker))));
        if (labels.Notice?.Length > LongestTerms)
            problems.Add(new("notice", "kitchens.label-text", Message.Of("kitchens.label-text.do", ("most", LongestTerms))));
        if (labels.Stock is { } stock && stock != LabelSettings.OwnStock && tables.LabelStocks.All(s => s.Code != stock))
            problems.Add(new("stock", "kitchens.label-stock", "kitchens.label-stock.do"));
        if (labels.Stock is LabelSettings.OwnStock && labels.Own is null)
            problems.Add(new("own", "kitchens.label-sheet", "kitchens.label-sheet.do"));
        if (labels.Own is { } own && !IsSheet(own))
            problems.Add(new("own", "kitchens.label-sheet", "kitchens.label-sheet.do"));
        if (!(labels.Right is >= -MostShift and <= MostShift))
            problems.Add(new("right", "kitchens.label-shift", "kitchens.label-shift.do"));
        if (!(labels.Down is >= -MostShift and <= MostShift))
            problems.Add(new("down", "kitchens.label-shift", "kitchens.label-shift.do"));
        return problems;
    }

    /// <summary>Whether all labels of a sheet lie on its page and none on another.</summary>
    private static bool IsSheet(LabelStock sheet) =>
        sheet is { PageWide: >= 50 and <= 450, PageHigh: >= 25 and <= 450, Across: >= 1 and <= 12, Down: >= 1 and <= 40 }
        && sheet is { Wide: >= 15, High: >= 10, Left: >= 0, Top: >= 0 }
        && (sheet.Across == 1 || sheet.PitchX >= sheet.Wide)
        && (sheet.Down == 1 || sheet.PitchY >= sheet.High)
        && sheet.Left + (sheet.PitchX * (sheet.Across - 1)) + sheet.Wide <= sheet.PageWide + 0.5
        && sheet.Top + (sheet.PitchY * (sheet.Down - 1)) + sheet.High <= sheet.PageHigh + 0.5;

    /// <summary>The problems of a kitchen's ways.</summary>
    public static IReadOnlyList<Problem> Of(Ways ways, ReferenceData tables)
    {
        List<Problem> problems = [];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (ways.Coating is not null && tables.Coating(ways.Coating) is null)
            Error("coating", Message.Of("kitchens.coating-called", ("coating", ways.Coating)), "kitchens.coating-called.do");
        if (ways.Thinner is not null && tables.Thinner(ways.Thinner) is null)
            Error(
                "thinner",
                Message.Of("kitchens.thinner-called", ("thinner", ways.Thinner)),
                Message.Of("kitchens.choose-one-none", ("thinners", Argument.Of(tables.Thinners.Select(t => t.Code)))));
        if (ways.Film is { } film && !(film is >= 0.3 and <= 4))
            Error("film", "kitchens.coat-thinner-mm-thicker", "kitchens.coat-thinner-mm-thicker.do");
        if (ways.Margin is { } margin && !(margin is >= 0 and <= 1))
            Error("margin", "kitchens.margin-less-nothing-more-all", "kitchens.deposit-less-nothing-more.do");
        foreach (var (centre, vessel) in ways.Vessels ?? new Dictionary<string, string>())
        {
            if (tables.Centre(centre) is null || tables.Vessel(vessel) is null)
                Error("vessels", "logbook.no-such", "logbook.choose");
        }

        if (ways.Certainty is { } certainty && !(certainty is >= 0.5 and <= 0.999))
            Error("certainty", "kitchens.enough-how-often", "kitchens.enough-how-often.do");
        if (ways.Shake is not null && tables.Film.Shakes.All(s => s.Code != ways.Shake))
            Error(
                "shake",
                Message.Of("kitchens.way-draining-called", ("shake", ways.Shake)),
                Message.Of("kitchens.way-draining-called.do", ("shakes", Argument.Of(tables.Film.Shakes.Select(s => s.Code)))));
        if (ways.HandSpeed is { } speed && !(speed is >= 5 and <= 500))
            Error("handSpeed", "kitchens.hand-draws-lines-mm", "kitchens.hand-draws-lines-mm.do");
        problems.AddRange((ways.Schools ?? new Dictionary<string, string>()).Select(s => Orders.Schools.Check(s.Key, s.Value, tables))
            .OfType<Problem>());
        if (ways.DripTime is { } seconds && !(seconds is >= 1 and <= 60))
            Error("dripTime", "kitchens.piece-held-over-pot", "kitchens.piece-held-over-pot.do");
        return problems;
    }

    /// <summary>The problems of a place to set.</summary>
    public static IReadOnlyList<Problem> Of(OwnPlace place)
    {
        List<Problem> problems = [.. Named(place.Code, place.Name)];
        if (!(place.Air is >= -40 and <= 45))
            problems.Add(new("air", "kitchens.kitchen-colder-c-warmer", "kitchens.kitchen-colder-c-warmer.do"));
        if (!(place.Humidity is >= 0.05 and <= 1))
            problems.Add(new("humidity", "kitchens.air-holds-between-water", "kitchens.air-holds-between-water.do"));
        if (place.Trays is < 0 or > MostTrays)
            problems.Add(new(
                "trays",
                Message.Of("kitchens.place-takes-between-none", ("mostTrays", MostTrays)),
                "kitchens.place-takes-between-none.do"));
        if (place is { Code: Place.Room, Trays: 0 })
            problems.Add(new("trays", "kitchens.must-room-one-tray", "kitchens.must-room-one-tray.do"));
        return problems;
    }

    /// <summary>The problems of hours, hands and warm places.</summary>
    public static IReadOnlyList<Problem> Of(Working working)
    {
        List<Problem> problems = [];
        if (working.Days.Count != 7)
            problems.Add(new("days", "kitchens.week-seven-days", "kitchens.week-seven-days.do"));
        problems.AddRange(Ending("days", working.Days.Select(d => d.Hours)));
        if (working.Pots is < 1 or > MostPots)
            problems.Add(new(
                "pots", Message.Of("kitchens.between-one-colours-kept", ("mostPots", MostPots)), "kitchens.between-one-colours-kept.do"));
        if (working.Wells is < 0 or > MostPots)
            problems.Add(new(
                "wells",
                Message.Of("kitchens.between-none-wells-little", ("mostPots", MostPots)),
                "kitchens.between-none-wells-little.do"));
        problems.AddRange((working.Pace ?? new Dictionary<string, double>()).Where(p => !(p.Value is >= 0.2 and <= 5)
            || !Enum.GetValues<Stage>().Any(s => Working.NameOf(s) == p.Key))
            .Select(p => new Problem($"pace.{p.Key}", "kitchens.nobody-five-times-fast", "kitchens.nobody-five-times-fast.do")));
        return problems;
    }

    /// <summary>The problems of what is arranged for the coming days.</summary>
    public static IReadOnlyList<Problem> Of(Arrangements arranged)
    {
        List<Problem> problems = [];
        if (arranged.Tasks.Count > MostMarks || arranged.Hours.Count + arranged.Helpers.Count + arranged.Places.Count > MostArranged)
            problems.Add(new("arranged", "kitchens.more-arrangements-kitchen-can", "kitchens.more-arrangements-kitchen-can.do"));
        problems.AddRange(arranged.Tasks.Where(t => t.Value is null)
            .Select(t => new Problem($"tasks.{t.Key}", "kitchens.nothing-said-task", "kitchens.nothing-said-task.do")));
        problems.AddRange(arranged.Tasks.Where(t => t.Key.Length is 0 or > LongestTask || t.Value?.Title?.Length > LongestTitle)
            .Select(t => new Problem($"tasks.{t.Key}", "kitchens.no-such-task", "kitchens.no-such-task.do")));
        problems.AddRange(Ending("hours", arranged.Hours.Select(h => h.Hours)));
        problems.AddRange(Ending("helpers", arranged.Helpers.Select(h => h.Hours)));
        problems.AddRange(arranged.Places.Index().Where(p => p.Item.From >= p.Item.To || Math.Abs(p.Item.Change) > MostChange)
            .Select(p => new Problem(
                $"places[{p.Index}]",
                Message.Of("kitchens.place-away-from-time", ("mostChange", MostChange)),
                "kitchens.place-away-from-time.do")));
        return problems;
    }

    /// <summary>The problems of what is told of tasks.</summary>
    /// <param name="told">What is told.</param>
    /// <param name="most">How much can be told at once.</param>
    public static IReadOnlyList<Problem> Of(IReadOnlyList<TaskTold> told, int most)
    {
        if (told.Count > most)
            return [new("events", Message.Of("kitchens.too-much-told", ("most", most)), "kitchens.too-much-told.do")];
        return
        [
            .. told.Index().Where(t => t.Item is null || t.Item.Task.Length is 0 or > LongestTask)
                .Select(t => new Problem($"events[{t.Index}].task", "kitchens.no-such-task", "kitchens.no-such-task.do")),
            .. told.Index().Where(t => t.Item is not null && !IsCounted(t.Item))
                .Select(t => new Problem($"events[{t.Index}].count", "kitchens.not-counted-like-that", Message.Of(
                    "kitchens.not-counted-like-that.do", ("most", TaskTold.MostCounted)))),
        ];

        // Pieces can be taken back; minutes cannot.
        static bool IsCounted(TaskTold one) => one.Act switch
        {
            TaskAct.Made or TaskAct.Spoilt => one.Count is not (null or 0 or < -TaskTold.MostCounted or > TaskTold.MostCounted),
            TaskAct.NotYet => one.Count is >= 1 and <= TaskTold.MostCounted,
            _ => one.Count is null,
        };
    }

    /// <summary>Hours that end before they begin.</summary>
    private static IEnumerable<Problem> Ending(string field, IEnumerable<DayHours?> hours) =>
        hours.Index()
            .Where(d => d.Item is { } h && h.From >= h.To)
            .Select(d => new Problem($"{field}[{d.Index}]", "kitchens.work-ends-before-begins", "kitchens.work-ends-before-begins.do"));
}
