using Kondiba.Core.Amounts;
using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Prep;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <content>What is melted.</content>
internal sealed partial class OrderTasks
{
    // Coating that decorating a piece takes, as a share of what dipping it does.
    private const double Little = 0.15;

    /// <summary>The pot of a colour as its tasks' day has it.</summary>
    public Pot PotFor(IReadOnlyList<string> tasksOf, string key)
    {
        var first = wanted[key].FirstOrDefault(t => tasksOf.Contains(t.Task), wanted[key][0]);
        return dayPots[first.Day].GetValueOrDefault(key) ?? first.Pot;
    }

    private List<ColourWork> Colours()
    {
        var colours = new List<ColourWork>();
        var c = tables.Reference.Planning;

        // What is done or under way has its coating.
        var dipped = tasks.Where(t => t.Done || t.Begun).Select(t => t.Code).ToHashSet();
        foreach (var (key, of) in wanted.OrderBy(w => w.Key, StringComparer.Ordinal))
        {
            var open = of.Where(t => !dipped.Contains(t.Task)).ToList();
            var pots = of.Select(t => dayPots[t.Day].GetValueOrDefault(key) ?? t.Pot).Distinct().ToList();
            foreach (var day in of.GroupBy(t => t.Day))
                Share(key, [.. day], (dayPots[day.Key].GetValueOrDefault(key) ?? day.First().Pot).ToMelt.Value);
            var melting = pots.ConvertAll(p => MeltingOf.Pot(p, p.ToMelt.Value, tables));
            var cools = Whole(melting.Max(m => m.Waits));
            var (over, warm, earliest) = Melts(key, cools);
            if (open.Count == 0 && warm is null)
                continue;
            var (_, colour) = tables.Reference.PotOf(key);
            var little = pots.Select(p => p.ToMelt.Value).Total() <= c.WellHolds.Value;
            colours.Add(new(
                key,
                Whole(melting.Max(m => m.Hands)),
                cools,
                Whole(c.Holds.Value),
                Whole(tables.Reference.Pricing.Wash.Value * tables.PaceOf(Stage.Melt)),
                little ? ["pots.all"] : ["pots.all", "pots"],
                1 + (int)Math.Round((1 - (Spectrum.LabOf(colour!.Srgb).L / 100)) * 4),
                [.. open.Select(t => t.Task).Distinct()],
                over,
                warm,
                earliest));
        }

        return colours;
    }

    /// <summary>
    /// The day's one pot of a colour falls to its orders as their own pots would, and of an order's to its tasks by their pieces.
    /// </summary>
    private void Share(string key, List<(string Task, Pot Pot, LocalDate Day)> ofDay, Mass together)
    {
        var apart = ofDay.Select(t => t.Pot).Distinct().Select(p => p.ToMelt.Value).Total();
        if (!Coating.TryGetValue(key, out var coating))
            Coating[key] = coating = [];
        foreach (var own in ofDay.GroupBy(t => t.Pot))
        {
            var all = own.Sum(t => WeightOf(t.Task));
            foreach (var (task, pot, _) in own)
                coating[task] = together * (pot.ToMelt.Value / apart * WeightOf(task) / all);
        }
    }

    /// <summary>A line or a dot takes little of what a dip does.</summary>
    private double WeightOf(string task) => Info[task].Pieces * (Info[task].Stage is Stage.Dip ? 1 : Little);

    /// <summary>What the maker said of a colour's melts, in order: washed up or set solid, warm, not before.</summary>
    private (int Over, int? Warm, int Earliest) Melts(string key, int cools)
    {
        for (var number = 1; ; number++)
        {
            var mark = arranged.Tasks.GetValueOrDefault(Melted.MeltOf(key, number)) ?? new();
            if (arranged.Tasks.GetValueOrDefault(Melted.WashOf(key, number))?.Done is not null)
                continue;
            if (mark.Done is not { } done)
                return (number - 1, null, mark.NotBefore is { } notBefore ? clock.Up(notBefore) : 0);
            if (clock.Down(done) + cools + Whole(tables.Reference.Planning.Holds.Value) > now)
                return (number - 1, clock.Down(done), 0);
        }
    }
}
