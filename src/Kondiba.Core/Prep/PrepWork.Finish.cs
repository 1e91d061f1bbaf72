using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <content>What comes after dipping: decorating, putting together, packing.</content>
internal sealed partial class PrepWork
{
    private void Finish()
    {
        var c = tables.Reference.Pricing;
        foreach (var (line, draft, centre, _) in lines)
        {
            var begun = line.Begun(centre.Spoil.Value);
            var dipped = steps.LastOrDefault(s => s.Stage is Stage.Dip && s.Lines.Contains(line.Line));
            List<string> last = dipped is null ? [.. ReadyFor(line), .. PotsOf(line).Select(p => $"melt.{p}")] : [dipped.Code];
            if (line.Disc is { } disc)
                last = [
                    Chain(
                        $"disc.{Named(line)}",
                        Stage.Assemble,
                        Pieces(line, centre),
                        [line.Line],
                        Held(tables.Reference.PrepRules.Where(r => r.For.Contains("disc"))),
                        begun,
                        last,
                        pot: disc.Pot)!,
                ];
            last = Decorate(line, centre, begun, dipped, last) is { } decorated ? [decorated] : last;
            if (Chain(
                $"assemble.{Named(line)}",
                Stage.Assemble,
                Pieces(line, centre),
                [line.Line],
                [.. Rules(centre).Where(r => r.After)],
                begun,
                last,
                pot: PotsOf(line).FirstOrDefault()) is { } assembled)
                last = [assembled];
            var stands = (draft.Upright ?? centre.Upright) || centre.Holding is Holding.Mould;
            Add(
                $"pack.{Named(line)}",
                Stage.Pack,
                Pieces(line, centre),
                [line.Line],
                new("pack", [], "", "", c.Pack.Source, "counter"),
                tables.Reference.Prep.Box.Value + (c.Pack.Value * line.Count.Value),
                last,
                stands ? "prep.pack" : "prep.trim-and-pack",
                "prep.pack.why");
        }
    }

    /// <summary>What goes onto a coat that has set: lines as soon as it is touch-dry, everything else when it is hard.</summary>
    private string? Decorate(LineTally line, Centre centre, int begun, WorkStep? dipped, List<string> last)
    {
        if (line.Look is not { } look)
            return null;

        // A piece that is not dipped is decorated all at once.
        List<Message> does = [.. dipped is null ? look.WetSteps : [], .. look.SetSteps];
        if (does.Count == 0)
            return null;
        var lines = look.Patterns.Where(p => dipped is null || !Wet(p)).ToList();
        var moulded = look.Parts.Where(p => p.Moulded is not null).Select(p => Accents(line, p, begun)).ToList();
        Sets? sets = null;
        if (lines.Count > 0)
            sets = dipped?.Sets is Sets.TouchDry ? Sets.LinesOnDry : Sets.Lines;
        var setting = look.Over is [.., var over] ? over.Setting : line.Setting;
        var there = setting.FirstOrDefault(s => s.Place == SetsIn(setting).Place);
        return Add(
            $"decorate.{Named(line)}",
            Stage.Decorate,
            Pieces(line, centre),
            [line.Line],
            new(
                "decorate",
                [],
                "",
                "",
                Source.Computed,
                "counter",
                Wait: sets is { } to && there is not null && SetsAfter.Of(to, there) is { } wait ? new(wait, Source.Computed) : null),
            (tables.Reference.Prep.Bag.Value * lines.Select(p => p.Pot).Distinct().Count())
                + ((look.Time.Value - (dipped is null ? Duration.Zero : look.WetWork)) * begun),
            [.. last, .. moulded, .. Ends(steps.Where(s => s.Stage is Stage.Fill && s.Lines.Contains(line.Line)))],
            does.Aggregate(Message.Then),
            "prep.decorate.why",
            pots: [.. lines.Select(p => p.Pot)],
            sets: sets is { } waited ? (setting, waited) : null);
    }
}
