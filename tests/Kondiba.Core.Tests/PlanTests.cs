using System.Diagnostics;
using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

public class PlanTests(ITestOutputHelper output)
{
    [Fact]
    public void Weekend_probe()
    {
        output.WriteLine($"{Weekend.Orders.Sum(o => o.Draft.Lines.Sum(l => l.Amount))} pieces {Weekend.Orders.SelectMany(o => o.Draft.Lines.Select(l => l.Colour)).Distinct().Count()}");
        var clock = Stopwatch.StartNew();
        var planner = new Planner(Weekend.Request);
        var p = planner.Problem;
        output.WriteLine($"made {clock.ElapsedMilliseconds} ms tasks {p.Tasks.Count} hands {p.Tasks.Sum(t => t.Lasts)} colours {p.Colours.Count} stays {p.Stays.Count}");
        clock.Restart();
        var first = planner.Solve(new(Environment.GetEnvironmentVariable("E1") is { } e ? double.Parse(e) : 0.6, 5), better: s => output.WriteLine($"  {clock.ElapsedMilliseconds} {s.Cost} {s.Bound}"));
        output.WriteLine($"first {clock.ElapsedMilliseconds} ms {first.Outcome} {first.Cost} {first.Bound} {first.Gap:P1} melts {first.Melts.Count}");
        clock.Restart();
        var full = planner.Solve(new(Environment.GetEnvironmentVariable("E2") is { } e2 ? double.Parse(e2) : 12, 20), first.Any ? first : null, better: s => output.WriteLine($"  {clock.ElapsedMilliseconds} {s.Cost} {s.Bound}"));
        output.WriteLine($"full {clock.ElapsedMilliseconds} ms {full.Outcome} {full.Cost} {full.Bound} {full.Gap:P1} melts {full.Melts.Count}");
        foreach (var t in full.Tasks.Concat(full.Melts.SelectMany(m => new[] { m.Melt, m.Wash })).OrderBy(t => t.Start)) output.WriteLine($"{t.Start / 1440} {t.Start % 1440 / 60:00}:{t.Start % 60:00}–{t.End % 1440 / 60:00}:{t.End % 60:00} {t.Code}");
    }
}
