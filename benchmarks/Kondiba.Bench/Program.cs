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

// Named, only that part is measured: core, plan, preview, entry, kitchens, devices, orders, browser.
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
if (Wanted("entry"))
    await EntryAsync();
if (Wanted("kitchens"))
    await ManyKitchens.MeasureAsync(site, Tell);
if (Wanted("devices"))
    await ManyDevices.MeasureAsync(site, Tell);
if (Wanted("orders"))
    await ManyOrders.MeasureAsync(site, Tell);
if (Wanted("browser"))
    InTheBrowser();
return;

async Task PreviewAsync()
{
    using var client = await site.EnterAsync();
    var times = await ServerTimesAsync(i =>
    {
        var order = BenchOrders.Of(60, 8);
        var lines = order.Lines.Select((l, at) => new
        {
            l!.Centre,
            l.Size,
            Amount = l.Amount + ((i + at) % 7),
            CountedIn = "pieces",
            l.Coating,
            l.Colour,
            l.Depth,
            l.Coats
        });
        return client.PostAsJsonAsync(
            "api/amounts/preview", new { order.Name, pickup = "2031-05-03T10:00:00", order.Notes, lines, order.Pots });
    });
    Tell($"Server, preview of 60 lines, median of {Asked} after {Warming} to warm up", times[Asked / 2], 10);
    Tell($"Server, preview of 60 lines, 95th percentile of {Asked}", times[Asked * 95 / 100], null);
}

async Task EntryAsync()
{
    const string Paste = """
        for the rowing club, Saturday 3pm, boxes of 6
        2 doz large strawberries milk 3/4, white drizzle on half
        24 cookies, half white half dark, hold the sprinkles
        20 cake balls: 8 teal, 12 plum
        36 rods navy, silver zigzag on 10 of them
        12 apples red, 4 with peanuts, the rest plain
        three boxes of 6 truffles dark, gold dust on all except 4
        60 mini twists white, flurble sprinkles, no nuts
        18 marshmallows pink with two eyes each
        12 strawbery dk choc w/ drizzel
        """;
    using var client = await site.EnterAsync();
    var times = await ServerTimesAsync(i => client.PostAsJsonAsync("api/entry", new { text = $"{Paste} {i}" }));
    Tell($"Server, a paste of ten lines read, median of {Asked} after {Warming} to warm up", times[Asked / 2], 20);
    Tell($"Server, a paste of ten lines read, 95th percentile of {Asked}", times[Asked * 95 / 100], null);
}

// What the server says that it took, in ms, sorted.
async Task<List<double>> ServerTimesAsync(Func<int, Task<HttpResponseMessage>> ask)
{
    var times = new List<double>();
    for (var i = 0; i < Warming + Asked; i++)
    {
        using var answer = await ask(i);
        answer.EnsureSuccessStatusCode();
        var timing = answer.Headers.GetValues("Server-Timing").Single();
        if (i >= Warming)
            times.Add(double.Parse(timing[(timing.IndexOf("dur=", StringComparison.Ordinal) + 4)..], CultureInfo.InvariantCulture));
    }

    times.Sort();
    return times;
}

void InTheBrowser()
{
    using var maker = new Maker(site);
    maker.Open("Meteor night");
    var order = new Uri(maker.Url).AbsolutePath;
    foreach (var (name, path) in new[] { ("shelf", ""), ("order", order) })
    {
        using var cold = new Maker(site, start: path);
        Tell(
            $"Browser, first paint of the {name}, cold",
            cold.Measure("return performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? -1"),
            1000);
    }

    using (var phone = new Maker(site, width: 390, height: 844))
    {
        Tell("Browser, first heading of the order on a slow phone, cold", phone.FirstHeadingOnASlowPhone(order), 2000);
        var kilobytes = phone.FetchedKilobytes();
        var verdict = kilobytes <= 180 ? "met" : "MISSED";
        Console.WriteLine($"Browser, scripts and styles of the order page, compressed: {kilobytes:0} kB (mark 180 kB: {verdict})");
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
        ManualConfig.CreateEmpty().AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance)).AddColumnProvider(
            BenchmarkDotNet.Columns.DefaultColumnProviders.Instance).AddLogger(
            NullLogger.Instance)
            .WithArtifactsPath(Path.Combine(Path.GetTempPath(), "kondiba-bench")));
    foreach (var report in summary.Reports)
    {
        var what = $"{report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo.Trim('\'')} {report.BenchmarkCase.Parameters.DisplayInfo}".Trim();
        Tell($"Core, {what}, median", report.ResultStatistics!.Median / 1e6, mark);
        Console.WriteLine(
            $"Core, {what}, allocated: {report.GcStats.GetBytesAllocatedPerOperation(report.BenchmarkCase) / 1024.0:0} KiB a call");
    }
}

static void Tell(string what, double milliseconds, double? mark) =>
    Console.WriteLine(
        $"{what}: {milliseconds:0.00} ms{(mark is null ? "" : $" (mark {mark:0} ms: {(milliseconds <= mark ? "met" : "MISSED")})")}");
