using Kondiba.Core.Planning;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;

namespace Kondiba.Core.Kitchens;

/// <content>The problems of how a kitchen works: its ways, prices, places and hours.</content>
public static partial class OwnCheck
{
    /// <summary>The problems of a kitchen's rates.</summary>
    public static IReadOnlyList<Problem> Of(Rates rates)
    {
        List<Problem> problems = [];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (rates.Hour is < 0 or > 10_000)
            Error("hour", "Your hour is worth less than nothing, or more than anyone's.", "Type what an hour of your work is to bring.");
        if (rates.FuelPerHour is < 0 or > 1000)
            Error("fuelPerHour", "Gas and current cost less than nothing, or more than a works would burn.", "Type what an hour of cooking costs.");
        if (rates.Margin is { } margin && !(margin is >= 0 and <= 0.9))
            Error("margin", "The margin is less than nothing or more than 90 % of the price.", "Type a share between 0 % and 90 %.");
        if (rates.Step is < 0 or > 1000)
            Error("step", "Prices cannot go up in such steps.", "Type a step such as 0.50, or 0 for none.");
        if (rates.Deposit is { } deposit && !(deposit is >= 0 and <= 1))
            Error("deposit", "The deposit is less than nothing or more than the whole price.", "Type a share between 0 % and 100 %.");
        if (rates.Terms?.Length > LongestTerms)
            Error("terms", $"The terms are longer than {LongestTerms} characters.", "Shorten them: a quote is one page.");
        return problems;
    }

    /// <summary>The problems of a kitchen's ways.</summary>
    public static IReadOnlyList<Problem> Of(Ways ways, TradeTables tables)
    {
        List<Problem> problems = [];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (ways.Coating is not null && tables.Coating(ways.Coating) is null)
            Error("coating", $"There is no coating called '{ways.Coating}'.", "Choose one of your coatings.");
        if (ways.Thinner is not null && tables.Thinner(ways.Thinner) is null)
            Error("thinner", $"There is no thinner called '{ways.Thinner}'.", $"Choose one of {string.Join(", ", tables.Thinners.Select(t => t.Code))}, or none.");
        if (ways.Film is { } film && !(film is >= 0.3 and <= 4))
            Error("film", "No coat is thinner than 0.3 mm or thicker than 4 mm.", "Type a film between 0.3 and 4 mm; 1.3 mm is a smooth coat.");
        if (ways.Margin is { } margin && !(margin is >= 0 and <= 1))
            Error("margin", "The margin is less than nothing or more than all of it.", "Type a share between 0 % and 100 %.");
        if (ways.Shake is not null && tables.Film.Shakes.All(s => s.Code != ways.Shake))
            Error("shake", $"There is no way of draining called '{ways.Shake}'.", $"Choose one of {string.Join(", ", tables.Film.Shakes.Select(s => s.Code))}.");
        if (ways.HandSpeed is { } speed && !(speed is >= 5 and <= 500))
            Error("handSpeed", "A hand draws lines at 5 to 500 mm in a second.", "Type how many mm of line you draw in a second; 70 is usual.");
        problems.AddRange((ways.Schools ?? new Dictionary<string, string>()).Select(s => Prep.Schools.Check(s.Key, s.Value, tables)).OfType<Problem>());
        if (ways.DripTime is { } seconds && !(seconds is >= 1 and <= 60))
            Error("dripTime", "A piece is held over the pot for one to 60 seconds.", "Type the seconds; four to six are usual.");
        return problems;
    }

    /// <summary>The problems of a place to set.</summary>
    public static IReadOnlyList<Problem> Of(OwnPlace place)
    {
        List<Problem> problems = [.. Named(place.Code, place.Name)];
        if (!(place.Air is >= -40 and <= 45))
            problems.Add(new("air", "No kitchen is colder than −40 °C or warmer than 45 °C.", "Read a thermometer that has lain there for an hour."));
        if (!(place.Humidity is >= 0.05 and <= 1))
            problems.Add(new("humidity", "The air holds between 5 % and 100 % of the water that it can.", "Read a hygrometer; 50 % is usual in a room."));
        if (place.Trays is < 0 or > MostTrays)
            problems.Add(new("trays", $"A place takes between none and {MostTrays} trays.", "Count the trays that stand there at once; none when you have no such place."));
        if (place is { Code: Place.Room, Trays: 0 })
            problems.Add(new("trays", "There must be room for one tray where you work.", "Clear a corner of the table."));
        return problems;
    }

    /// <summary>The problems of hours, hands and warm places.</summary>
    public static IReadOnlyList<Problem> Of(Working working)
    {
        List<Problem> problems = [];
        if (working.Days.Count != 7)
            problems.Add(new("days", "A week has seven days.", "Give the hours of each, Monday first; null hours for a day without."));
        problems.AddRange(Ending("days", working.Days.Select(d => d.Hours)));
        if (working.Pots is < 1 or > MostPots)
            problems.Add(new("pots", $"Between one and {MostPots} colours are kept warm at once.", "Count your pots and warmers."));
        if (working.Wells is < 0 or > MostPots)
            problems.Add(new("wells", $"There are between none and {MostPots} wells for a little of a colour.", "Count cups in a bath, small wells, bottles kept warm."));
        problems.AddRange((working.Pace ?? new Dictionary<string, double>()).Where(p => !(p.Value is >= 0.2 and <= 5) || !Enum.GetValues<Stage>().Any(s => Working.NameOf(s) == p.Key))
            .Select(p => new Problem($"pace.{p.Key}", "Nobody is five times as fast or as slow as the tables say, or there is no such work.", "Type a share between 20 % and 500 %; 100 % is the tables' pace.")));
        return problems;
    }

    /// <summary>The problems of what is arranged for the coming days.</summary>
    public static IReadOnlyList<Problem> Of(Arrangements arranged)
    {
        List<Problem> problems = [];
        if (arranged.Tasks.Count > MostMarks || arranged.Hours.Count + arranged.Helpers.Count + arranged.Places.Count > MostArranged)
            problems.Add(new("arranged", "There are more arrangements than a kitchen can need.", "Take back the oldest."));
        problems.AddRange(arranged.Tasks.Where(t => t.Value is null).Select(t => new Problem($"tasks.{t.Key}", "There is nothing said of this task.", "Say when it starts or was done, or leave it out.")));
        problems.AddRange(Ending("hours", arranged.Hours.Select(h => h.Hours)));
        problems.AddRange(Ending("helpers", arranged.Helpers.Select(h => h.Hours)));
        problems.AddRange(arranged.Places.Index().Where(p => p.Item.From >= p.Item.To || Math.Abs(p.Item.Change) > MostChange)
            .Select(p => new Problem($"places[{p.Index}]", $"A place is away from a time to a later one, with at most {MostChange} trays more or fewer.", "Choose an end after the beginning.")));
        return problems;
    }

    /// <summary>Hours that end before they begin.</summary>
    private static IEnumerable<Problem> Ending(string field, IEnumerable<DayHours?> hours) =>
        hours.Index().Where(d => d.Item is { } h && h.From >= h.To).Select(d => new Problem($"{field}[{d.Index}]", "Work ends before it begins.", "Choose an end after the beginning, or no work on that day."));
}
