namespace Kondiba.Core.Planning;

/// <content>Pots: each use from a melt that is warm, or from a new one.</content>
internal sealed partial class ListSchedule
{
    // How far a pot's melting may come before its first use.
    private const int MeltWithin = 90;

    /// <summary>A melt as far as it is known: its first use may still become earlier.</summary>
    private sealed class Warm(ColourWork colour)
    {
        public ColourWork Colour => colour;

        public int First { get; set; }

        public int Until { get; set; }

        public Placed? Melt { get; set; }

        public Placed? Wash { get; set; }

        /// <summary>Whether it was melted before the plan begins.</summary>
        public bool There { get; init; }

        public List<string> Tasks { get; } = [];
    }

    /// <summary>The pots that are warm already.</summary>
    private void AddWarm()
    {
        foreach (var colour in problem.Colours.Where(c => c.Warm is not null))
        {
            var at = colour.Warm!.Value;
            melts[colour.Code].Add(new(colour)
            {
                There = true,
                First = at + colour.Cools,
                Until = at + colour.Cools,
                Melt = new(Melted.MeltOf(colour.Code, colour.Over + 1), at - colour.Lasts, at, null),
            });
        }
    }

    /// <summary>Whether each colour of a task is warm while it is done: from a melt that there is, or from a new one.</summary>
    private bool Pots(PlanTask task, Placed at, bool join = false) => coloursOf[task.Code].All(colour =>
    {
        var there = melts[colour.Code].FirstOrDefault(m => Joined(m, at));
        if (there is null && (join || !MeltedAnew(colour, at, out there)))
            return false;
        there!.Tasks.Add(task.Code);
        undo.Push(() => there.Tasks.RemoveAt(there.Tasks.Count - 1));
        return true;
    });

    /// <summary>Adds a use to a melt, which is melted earlier for it.</summary>
    private bool Joined(Warm melt, Placed at)
    {
        var (first, until) = (Math.Min(melt.First, at.Start), Math.Max(melt.Until, at.End));
        if ((first >= melt.First && until > FitUntil(melt)) || (melt.There && at.Start < melt.First)
            || (melt.Wash is { } washed && until > washed.Start))
            return false;
        var (wasFirst, wasUntil, wasMelt) = (melt.First, melt.Until, melt.Melt);
        if (!melt.There && first < melt.First)
        {
            var mark = undo.Count;
            var (was, by) = (melt.Melt!, hands[melt.Melt!.Worker!]);
            Hold(by, was.Start, was.End, -1);
            if (MeltingFor(melt.Colour, first) is not { } slot
                || until > slot.From + melt.Colour.Lasts + melt.Colour.Cools + melt.Colour.Holds
                || !Stand(melt.Colour, slot.From, was.Start, melt))
            {
                Back(mark);
                return false;
            }

            Hold(hands[slot.Worker], slot.From, slot.From + melt.Colour.Lasts, 1);
            melt.Melt = new(was.Code, slot.From, slot.From + melt.Colour.Lasts, slot.Worker);
        }

        (melt.First, melt.Until) = (first, until);
        undo.Push(() => (melt.First, melt.Until, melt.Melt) = (wasFirst, wasUntil, wasMelt));
        return true;
    }

    /// <summary>Puts a task where a pot's melting was, right before its first use: it is melted so much earlier.</summary>
    private bool RightBefore(Warm melt, PlanTask task, int earliest, List<ColourWork> colours)
    {
        if (melt.Melt is not { Worker: { } worker } was || melt.There || melt.First - task.Lasts < earliest || !Able(task).Contains(worker))
            return false;
        var mark = undo.Count;
        var at = new Placed(task.Code, melt.First - task.Lasts, melt.First, worker);
        Hold(hands[worker], was.Start, was.End, -1);
        melt.Melt = was with { End = was.Start };
        undo.Push(() => melt.Melt = was);
        if (hands[worker].Free(at.Start, at.End, 1) && Try(task, at, colours, join: true) && melt.First == at.Start)
            return true;
        Back(mark);
        return false;
    }

    /// <summary>Until when a melt can be dipped in: so long from when it has come down to its temperature.</summary>
    private static int FitUntil(Warm melt) => melt.Melt!.End + melt.Colour.Cools + melt.Colour.Holds;

    /// <summary>Whose hands can melt a colour, and from when, as late as it goes before its first use.</summary>
    private (string Worker, int From)? MeltingFor(ColourWork colour, int first)
    {
        var ready = first - colour.Cools;
        var earliest = Math.Max(0, Math.Max(colour.Earliest, ready - MeltWithin - colour.Lasts));
        (string Worker, int From)? best = null;
        foreach (var (worker, span) in hands)
        {
            if (span.LatestEnd(colour.Lasts, ready, earliest) is { } end && !(best?.From >= end - colour.Lasts))
                best = (worker, end - colour.Lasts);
        }

        return best;
    }

    /// <summary>Whether pots stand free for a colour, and no other melt of it is warm then.</summary>
    private bool Stand(ColourWork colour, int from, int to, Warm? itself)
    {
        if (!colour.Takes.All(r => rooms[r].Free(from, to, 1))
            || melts[colour.Code].Exists(m => m != itself && from < (m.Wash?.End ?? m.Until) && to > m.Melt!.Start))
            return false;
        foreach (var resource in colour.Takes)
            Hold(rooms[resource], from, to, 1);
        return true;
    }

    private bool MeltedAnew(ColourWork colour, Placed at, out Warm? melt)
    {
        melt = new(colour) { First = at.Start, Until = at.End };
        var all = melts[colour.Code];
        var mark = undo.Count;
        if (Washed(melt, at.End, stands: false)
            && MeltingFor(colour, at.Start) is { } slot
            && Stand(colour, slot.From, melt.Wash!.End, melt))
        {
            Hold(hands[slot.Worker], slot.From, slot.From + colour.Lasts, 1);
            melt.Melt = new("", slot.From, slot.From + colour.Lasts, slot.Worker);
            all.Add(melt);
            undo.Push(() => all.RemoveAt(all.Count - 1));
            return true;
        }

        Back(mark);
        return false;
    }

    private bool Washed(Warm melt, int until, bool stands = true)
    {
        var within = (melt is { There: true, Tasks.Count: 0 } ? until + melt.Colour.Holds : until) + PlanModel.WashWithin;
        foreach (var (worker, span) in hands)
        {
            if (span.EarliestStart(melt.Colour.Washes, until, within) is not { } from)
                continue;
            var to = from + melt.Colour.Washes;
            if (stands && !Stand(melt.Colour, melt.Melt!.Start, to, melt))
                return false;
            Hold(span, from, to, 1);
            melt.Wash = new("", from, to, worker);
            return true;
        }

        return false;
    }
}
