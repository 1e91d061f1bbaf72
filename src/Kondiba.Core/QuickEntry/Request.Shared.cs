using Kondiba.Core.Centres;
using Kondiba.Core.Orders;
using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <content>How many each group of pieces gets, of those that there are in all.</content>
internal sealed partial class Request
{
    /// <summary>The number that says how many there are in all; null when none does.</summary>
    private Item? Total(Centre centre)
    {
        foreach (var (_, clause) in _base.Clauses.Where(c => !c.Clause.Refuses))
        {
            for (var i = 0; i < clause.Items.Count; i++)
            {
                var next = clause.Items.Skip(i + 1)
                    .FirstOrDefault(n => !n.IsEmpty && n.Is(WordKind.Colour) is null && n.Is(WordKind.Size) is null);
                var ofPattern = clause.Items[i].Count?.Unit is null
                    && (next?.IsAny(WordKind.Pattern, WordKind.Part) is true
                        || clause.Items.ElementAtOrDefault(i + 1)?.Is(WordKind.CoatNoun) is not null);
                if (clause.Items[i] is { IsNumber: true } number
                    && !ofPattern
                    && number.Count!.Unit is not "boxes"
                    && (number.Count.Unit is not "packs" || centre.Pack is not null))
                    return number;
            }
        }

        return null;
    }

    /// <summary>Counts the groups out and reads a line for each.</summary>
    private List<EntryLine> Divided(Item? total, Func<Item?, Part?, Amount?, Item?, EntryLine?> read)
    {
        var single = _parts is [{ Scope.Kind: ScopeKind.Count }] && total is null ? _parts[0] : null;
        if (_parts.Count > 0 && _parts.TrueForAll(p => p.Scope!.Kind is ScopeKind.Rest))
        {
            foreach (var (draft, _) in _parts.SelectMany(p => p.Clauses))
                notes.Tell(draft.Stretch, "entry.rest-of-what", []);
            _parts.Clear();
        }

        if (_parts.Count == 0 || single is not null)
        {
            // "24 navy, rods": the only count there is counts them all.
            var counted = single?.Scope is { } all ? new Amount(all.Value, CountedIn.Pieces, Plain(all.Value)) : null;
            return read(null, single, counted, single?.Scope!.Said) is { } line ? [line] : [];
        }

        var byPiece = total is null || total.Count!.Pieces is not null;
        var shared = _parts.TrueForAll(p => p.Scope!.Kind is ScopeKind.Share or ScopeKind.Rest);
        if (!byPiece && !shared)
        {
            foreach (var draft in _parts.SelectMany(p => p.Clauses).Select(c => c.Draft))
                notes.Tell(draft.Stretch, "entry.all-first", []);
            return read(null, null, null, null) is { } whole ? [whole] : [];
        }

        var counts = _parts.Where(p => p.Scope!.Kind is ScopeKind.Count).Sum(p => p.Scope!.Value);
        var told = counts > 0 ? counts : AssumedTotal;
        var sum = byPiece ? total?.Count!.Pieces ?? told : total!.Count!.Value;
        if (total is not null)
            _dividing.Add(total);

        // "6 white and 6 dark in each": of every box.
        if (total?.Count!.Boxes is { } boxes
            && counts > 0
            && Math.Abs(counts * boxes - sum) < 1e-6
            && items.Exists(i => i.IsAny(WordKind.Per, WordKind.Each)))
            _parts.ForEach(p => p.Scope = p.Scope! with { Value = p.Scope.Value * boxes });
        return [.. Shared(sum, byPiece).Select(g => read(total, g.Part, AmountOf(g.Pieces), g.Part?.Scope?.Said)).OfType<EntryLine>()];

        Amount AmountOf(double pieces) =>
            LineReader.AmountOf(byPiece ? new(pieces) : total!.Count! with { Value = pieces }, $"{Plain(pieces)} of {Plain(sum)}");
    }

    /// <summary>The groups with how many there are in each, the rest last. What does not come out is told, and is no group.</summary>
    private List<(Part? Part, double Pieces)> Shared(double sum, bool byPiece)
    {
        List<(Part? Part, double Pieces)> groups = [];
        var (given, shares) = (0.0, 0.0);
        foreach (var part in _parts.Where(p => p.Scope!.Kind is not ScopeKind.Rest))
        {
            var pieces = part.Scope!.Kind switch
            {
                ScopeKind.Share => Whole(sum * (shares + part.Scope.Value), byPiece) - Whole(sum * shares, byPiece),
                ScopeKind.Except => sum - part.Scope.Value,
                _ => part.Scope.Value,
            };
            shares += part.Scope.Kind is ScopeKind.Share ? part.Scope.Value : 0;
            var saysNothing = part.Clauses.TrueForAll(c => c.Draft.IsEmpty && !c.Draft.Refuses);
            if (pieces < (byPiece ? 1 : 0) || given + pieces > sum + 1e-6 || saysNothing)
            {
                var reason = (saysNothing, pieces, Left: sum - given) switch
                {
                    (true, _, _) => "entry.have-what",
                    (_, < 1, _) => "entry.no-pieces",
                    (_, _, > 0) => Message.Of("entry.only-left", ("left", sum - given), ("all", sum)),
                    _ => Message.Of("entry.all-described", ("all", sum)),
                };
                foreach (var (draft, _) in part.Clauses.Where(c => !c.Draft.IsEmpty || c.Draft.Scope is not null))
                    notes.Tell(draft.Stretch, reason, []);
                continue;
            }

            given += pieces;
            groups.Add((part, pieces));
        }

        var left = Math.Round(sum - given, 2);
        var rests = _parts.Where(p => p.Scope!.Kind is ScopeKind.Rest).ToList();
        foreach (var (draft, _) in rests.Skip(left > 1e-6 ? 1 : 0).SelectMany(p => p.Clauses))
            notes.Tell(draft.Stretch, left > 1e-6 ? "entry.rest-described" : "entry.none-left", []);
        if (left > 1e-6)
        {
            var rest = rests.FirstOrDefault();
            if (rest?.Scope is { Value: > 0 } said && said.Value != left)
                notes.Tell((said.Said.Start, said.Said.End), Message.Of("entry.are-left", ("left", left)), []);
            groups.Add((rest, left));
        }

        return groups;
    }

    private static double Whole(double pieces, bool byPiece) =>
        byPiece ? Math.Round(pieces, MidpointRounding.AwayFromZero) : Math.Round(pieces, 2);
}
