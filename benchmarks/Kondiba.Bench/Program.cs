using System.Globalization;
using System.Net.Http.Json;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using Kondiba.Bench;
using Kondiba.Browser.Tests;

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
const int Warming = 200;
const int Asked = 400;

// Named, only that part is measured: core, plan, preview, orders, browser.
bool Wanted(string part) => args.Length == 0 || args.Contains(part);

if (Wanted("core"))
{
    Core<CoatingTallyBenchmark>(5);
    Core<LookBenchmark>(10);
    Core<RecipeBenchmark>(50);
}

if (Wanted("plan"))
    Plans.Measure(Tell);
using var site = new Site();
if (Wanted("preview"))
    await PreviewAsync();
if (Wanted("orders"))
    await ManyOrders.MeasureAsync(site, Tell);
if (Wanted("browser"))
    InTheBrowser();
return;

async Task PreviewAsync()
{
    using var client = await site.EnterAsync();
    var times = new List<double>();
    for (var i = 0; i < Warming + Asked; i++)
    {
        var order = BenchOrders.Of(60, 8);
        var lines = order.Lines.Select((l, at) => new { l!.Centre, l.Size, Amount = l.Amount + ((i + at) % 7), CountedIn = "pieces", l.Coating, l.Colour, l.Depth, l.Coats });
        var answer = await client.PostAsJsonAsync("api/amounts/preview", new { order.Name, pickup = "2031-05-03T10:00:00", order.Notes, lines, order.Pots });
        answer.EnsureSuccessStatusCode();
        var timing = answer.Headers.GetValues("Server-Timing").Single();
        if (i >= Warming)
            times.Add(double.Parse(timing[(timing.IndexOf("dur=", StringComparison.Ordinal) + 4)..], CultureInfo.InvariantCulture));
    }

    times.Sort();
    Tell($"Server, preview of 60 lines, median of {Asked} after {Warming} to warm up", times[Asked / 2], 10);
    Tell($"Server, preview of 60 lines, 95th percentile of {Asked}", times[Asked * 95 / 100], null);
}

void InTheBrowser()
{
    using var maker = new Maker(site);
    maker.Open("Meteor night");
    var order = new Uri(maker.Url).AbsolutePath;
    foreach (var (name, path) in new[] { ("shelf", ""), ("order", order) })
    {
        using var cold = new Maker(site, start: path);
        Tell($"Browser, first paint of the {name}, cold", cold.Measure("return performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? -1"), 1000);
    }

    var changes = new List<double>();
    for (var count = 30; count < 50; count++)
    {
        changes.Add(maker.MeasureLater($$"""
            const done = arguments[arguments.length - 1];
            const field = document.querySelector("[aria-label='How many pretzel rods']");
            const figure = document.querySelector("[data-testid=pot-midnight] [data-testid=to-melt]");
            const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
            const started = performance.now();
            new MutationObserver((_, seen) => { seen.disconnect(); requestAnimationFrame(() => setTimeout(() => done(performance.now() - started))); })
              .observe(figure, { characterData: true, childList: true, subtree: true });
            set.call(field, '{{count}}');
            field.dispatchEvent(new Event('input', { bubbles: true }));
            """));
    }

    changes.Sort();
    Tell("Browser, a count changed until pots and trays are painted, median of 20", changes[10], 100);
    Tell("Browser, a count changed until pots and trays are painted, slowest of 20", changes[19], null);
}

static void Core<T>(double mark)
{
    var summary = BenchmarkRunner.Run<T>(
        ManualConfig.CreateEmpty().AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance)).AddColumnProvider(BenchmarkDotNet.Columns.DefaultColumnProviders.Instance).AddLogger(NullLogger.Instance)
            .WithArtifactsPath(Path.Combine(Path.GetTempPath(), "kondiba-bench")));
    foreach (var report in summary.Reports)
    {
        var what = $"{report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo.Trim('\'')} {report.BenchmarkCase.Parameters.DisplayInfo}".Trim();
        Tell($"Core, {what}, median", report.ResultStatistics!.Median / 1e6, mark);
        Console.WriteLine($"Core, {what}, allocated: {report.GcStats.GetBytesAllocatedPerOperation(report.BenchmarkCase) / 1024.0:0} KiB a call");
    }
}

static void Tell(string what, double milliseconds, double? mark) =>
    Console.WriteLine($"{what}: {milliseconds:0.00} ms{(mark is null ? "" : $" (mark {mark:0} ms: {(milliseconds <= mark ? "met" : "MISSED")})")}");
