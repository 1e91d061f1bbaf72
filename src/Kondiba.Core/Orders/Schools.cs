using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Orders;

/// <summary>Which of the ways is taken.</summary>
public static class Schools
{
    /// <summary>Code of the matter of where coats set.</summary>
    internal const string Setting = "setting";

    /// <summary>The choice that holds in an order: its own, or the kitchen's, or the usual one.</summary>
    public static SchoolChoice Choice(School school, IReadOnlyDictionary<string, string>? ofOrder, KitchenTables tables)
    {
        SchoolChoice? Of(string? code) => school.Choices.FirstOrDefault(c => c.Code == code);
        return Of(
            ofOrder?.GetValueOrDefault(school.Code)) ?? Of(
                tables.Profile.Habits.Schools?.GetValueOrDefault(school.Code)) ?? Of(school.Usual)!;
    }

    /// <summary>Whether a rule holds: it belongs to no school, or to the choice that does.</summary>
    public static bool Holds(PrepRule rule, IReadOnlyDictionary<string, string>? ofOrder, KitchenTables tables) =>
        tables.Reference.Schools.FirstOrDefault(s => s.Code == rule.School) is not { } school
            || Choice(school, ofOrder, tables).Code == rule.Choice;

    /// <summary>The tables with an order's own choices in place of the kitchen's.</summary>
    internal static KitchenTables Chosen(OrderDraft order, KitchenTables tables)
    {
        if (order.Schools is not { Count: > 0 } own)
            return tables;
        var habits = tables.Profile.Habits;
        var kitchens = (habits.Schools ?? new Dictionary<string, string>()).Where(s => !own.ContainsKey(s.Key));
        return tables with { Profile = tables.Profile with { Habits = habits with { Schools = kitchens.Concat(own).ToDictionary() } } };
    }

    /// <summary>Where centres last wait before they are dipped, and so how warm they are: in the room where nothing else is said.</summary>
    internal static Place ComesFrom(Centre centre, KitchenTables tables)
    {
        var last = tables.Reference.PrepRules.LastOrDefault(r => r.Wait is not null
            && !r.After
            && r.For.Contains(centre.Code)
            && Holds(r, null, tables));
        return tables.Reference.Setting.Places.FirstOrDefault(p => p.Code == last?.Place) ?? tables.Reference.Setting.Room;
    }

    /// <summary>What is wrong with a choice; null when nothing is.</summary>
    public static Problem? Check(string code, string choice, ReferenceData tables)
    {
        var school = tables.Schools.FirstOrDefault(s => s.Code == code);
        if (school is null)
            return new(
                $"schools.{code}",
                Message.Of("prep.matter-called-which-makers", ("code", code)),
                Message.Of("prep.matter-called-which-makers.do", ("schools", Argument.Of(tables.Schools.Select(s => s.Code)))));
        return school.Choices.Any(c => c.Code == choice)
            ? null
            : new(
                $"schools.{code}",
                Message.Of("prep.way-called", ("school", school.Name), ("choice", choice)),
                Message.Of("prep.way-called.do", ("choices", Argument.Of(school.Choices.Select(c => c.Code)))));
    }
}
