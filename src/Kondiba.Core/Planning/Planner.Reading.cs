using Kondiba.Core.Measures;
using Kondiba.Core.Prep;
using Kondiba.Core.Safety;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <content>A solution as the kitchen reads it: steps with their slack, melts, trays, places and hands.</content>
public sealed partial class Planner
{
    /// <summary>A solution as the kitchen reads it.</summary>
    public Plan Read(Solution solution) => Read(solution, []);

    /// <summary>A solution that keeps not every limit, with what is short.</summary>
    /// <param name="beyond">The solution.</param>
    /// <param name="proven">Whether it is proven that nothing fits, and not only that nothing was found.</param>
    public Plan ReadShort(Solution beyond, bool proven = true) =>
        Read(
            beyond with { Outcome = proven ? Outcome.Impossible : Outcome.Unknown },
            Shortages.Of(Problem, beyond, made, clock, request.Tables.Reference.Setting, names));

    private Plan Read(Solution solution, IReadOnlyList<Shortage> shortages)
    {
        IEnumerable<(Placed Placed, TaskInfo Info)> all =
        [
            .. solution.Tasks.Select(t => (t, made.Info[t.Code])),
            .. solution.Melts.Select(m => (m.Melt, Melting(m, false))),
            .. solution.Melts.Select(m => (m.Wash, Melting(m, true))),
        ];
        var placed = all.OrderBy(t => t.Placed.Start).ThenBy(t => t.Placed.End).ToList();
        var slack = Slack(solution);
        var tasks = placed.ConvertAll(t => new DayTask(
            t.Info,
            At(t.Placed.Start),
            At(t.Placed.End),
            t.Placed.Worker,
            Duration.FromMinutes(slack(t.Placed)),
            request.Arranged.Tasks.GetValueOrDefault(t.Placed.Code)));
        var stays = Problem.Stays.ToDictionary(s => s.Code);
        return new(
            solution.Outcome,
            solution.Gap,
            tasks,
            [.. solution.Stood.Where(s => s.End > s.Start)
                .OrderBy(s => s.Start)
                .ThenBy(s => s.Stay, StringComparer.Ordinal)
                .Select(s => Tray(s, stays[s.Stay]))],
            [.. solution.Melts.Select(Melt)],
            [.. request.Orders.Select(o => new DayOrder(o.Code, o.Draft.Pickup!.Value, ReadyAt(o.Code))).OrderBy(o => o.Pickup)],
            [.. Problem.Resources.Where(r => IsPlace(r) || r.Code == "pots.all")
                .Select(r => Place(r, solution))],
            [.. Problem.Workers.SelectMany(w => w.Hours.Select(h => Hands(w, h, placed)))],
            shortages,
            made.Problems);

        LocalDateTime ReadyAt(string order) =>
            placed.Where(t => t.Info.Order == order).Select(t => At(t.Placed.End)).DefaultIfEmpty(request.Now).Max();
    }

    private static bool IsPlace(Resource resource) => resource.Code.StartsWith("place.", StringComparison.Ordinal);

    private LocalDateTime At(int minute) => clock.At(minute);

    private TaskInfo Melting(Melted melt, bool wash)
    {
        var (_, colour) = request.Tables.Reference.PotOf(melt.Colour);
        var r = request.Tables.Reference;
        return new(
            wash ? melt.Wash.Code : melt.Melt.Code,
            null,
            Stage.Melt,
            $"{(wash ? "Wash up" : "Melt")} {colour!.Name}",
            "",
            wash ? "planning.wash" : MeltingOf.Says(made.PotFor(melt.Tasks, melt.Colour), Mass(melt), request.Tables),
            wash ? "planning.wash.why" : "prep.melt.why",
            wash ? r.Pricing.Wash.Source : r.Melting.Begin.Source,
            [],
            0,
            null,
            [melt.Colour],
            wash ? null : r.Planning.Holds.Value,
            wash ? [] : SafetyNotes.OfMelting(request.Tables));
    }

    /// <summary>What a melt is for, with what was dipped from it before.</summary>
    private Mass Mass(Melted melt)
    {
        var marks = request.Arranged.Tasks;
        var melted = marks.GetValueOrDefault(melt.Melt.Code)?.Done;
        return made.Coating[melt.Colour].Where(t => melt.Tasks.Contains(t.Key)
            || (marks.GetValueOrDefault(t.Key)?.Done is { } dipped && dipped > melted))
            .Select(t => t.Value)
            .Total();
    }

    private DayMelt Melt(Melted melt)
    {
        var cools = Problem.Colours.First(c => c.Code == melt.Colour).Cools;
        var (pot, mass) = (made.PotFor(melt.Tasks, melt.Colour), Mass(melt));
        var coating = request.Tables.Reference.Coating(pot.Coating)!;
        return new(
            melt.Colour,
            melt.Number,
            mass,
            At(melt.Melt.Start),
            At(melt.Melt.End + cools),
            At(melt.Wash.End),
            melt.Tasks,
            pot.Vessel,
            request.Tables.Reference.Vessel(pot.Vessel)?.LevelOf(pot.Volume * (mass / pot.ToMelt.Value)),
            pot.Vessel is null ? coating.DrizzleFrom.Value : pot.DipFrom,
            pot.Vessel is null ? coating.DrizzleTo.Value : pot.DipTo,
            pot.OnPieces.Value * (mass / pot.ToMelt.Value),
            pot.Pool.Value * (mass / pot.ToMelt.Value));
    }

    private DayTray Tray(Stood stood, Stay stay)
    {
        var (info, where) = (made.Info[stay.From], stay.Choices.First(c => c.Place == stood.Place));
        return new(
            stay.From,
            info.Order!,
            info.For,
            stood.Place["place.".Length..],
            stood.Takes / (double)OrderTasks.Tray,
            info.Pieces,
            info.Pots,
            At(stood.Start),
            At(stood.End),
            where.Least > 0 ? At(stood.Start + where.Least) : null,
            where is { Most: { } most, Least: > 0 } ? At(stood.Start + most) : null,
            where is { Most: { } keeps, Least: 0 } ? At(stood.Start + keeps) : null,
            where.Dry is { } dry ? At(stood.Start + dry) : null);
    }

    private DayPlace Place(Resource resource, Solution solution)
    {
        var taken = Shortages.Taken(Problem, solution, resource.Code).ToList();
        var full = new List<Minutes>();
        foreach (var span in Minutes.Between(taken.SelectMany(t => new[] { t.When.From, t.When.To })))
        {
            if (taken.Where(t => t.When.Holds(span)).Sum(t => t.Takes) is var much && (much == 0 || much <= resource.Has - resource.Unit))
                continue;
            if (full is [.., var last] && last.To == span.From)
                full[^1] = new(last.From, span.To);
            else
                full.Add(span);
        }

        var place = Shortages.PlaceOf(resource.Code).Place;
        return new(
            place,
            request.Tables.Reference.Setting.NameOf(place),
            resource.Has / resource.Unit,
            [.. full.Select(f => new Between(At(f.From), At(f.To)))]);
    }

    private DayHands Hands(Worker worker, Minutes hours, List<(Placed Placed, TaskInfo Info)> placed) => new(
        worker.Code,
        new(At(hours.From), At(hours.To)),
        Duration.FromMinutes(placed.Where(t => t.Placed.Worker == worker.Code && t.Placed.Start >= hours.From && t.Placed.End <= hours.To)
            .Sum(t => t.Placed.End - t.Placed.Start)));

    /// <summary>By how much each task could be later while everything else stays where it is.</summary>
    private Func<Placed, int> Slack(Solution solution)
    {
        var hands = solution.All.ToList();
        var starts = hands.ToDictionary(t => t.Code, t => t.Start);
        var followers = Problem.Tasks.SelectMany(t => t.After.Select(a => (Before: a.Task, t.Code, a.Least))).ToLookup(f => f.Before);
        var stood = solution.Stood.ToLookup(
            s => Problem.Stays.First(t => t.Code == s.Stay).From,
            s => s.End - Problem.Stays.First(t => t.Code == s.Stay).Choices.First(c => c.Place == s.Place).Least);
        var latest = Problem.Tasks.ToDictionary(t => t.Code, t => t.Latest);
        var melted = solution.Melts.SelectMany(m => m.Tasks.Select(t => (Task: t, m.Wash.Start))).ToLookup(m => m.Task, m => m.Start);
        var first = solution.Melts.ToDictionary(
            m => m.Melt.Code,
            m => m.Tasks.Select(t => starts[t]).DefaultIfEmpty(int.MaxValue).Min() - Problem.Colours.First(c => c.Code == m.Colour).Cools);
        return task =>
        {
            var next = hands.Where(h => h.Worker is not null && h.Worker == task.Worker && h.Start >= task.End && h.Code != task.Code)
                .Select(h => h.Start);
            var ends = Problem.Workers.Where(w => w.Code == task.Worker)
                .SelectMany(w => w.Hours)
                .Where(h => h.From <= task.Start && h.To >= task.End)
                .Select(h => h.To);
            IEnumerable<int> limits =
            [
                .. followers[task.Code].Select(f => starts[f.Code] - f.Least),
                .. stood[task.Code],
                .. melted[task.Code],
                .. next,
                .. ends,
                latest.GetValueOrDefault(task.Code, int.MaxValue),
                first.GetValueOrDefault(task.Code, int.MaxValue),
            ];
            var least = limits.Min();
            return least == int.MaxValue ? 0 : Math.Max(0, least - task.End);
        };
    }
}
