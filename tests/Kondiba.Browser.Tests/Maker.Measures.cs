using System.Collections.ObjectModel;
using System.Globalization;
using OpenQA.Selenium;
using UglyToad.PdfPig;

namespace Kondiba.Browser.Tests;

/// <content>What is measured of a page, rather than done on it: who is kept out, how wide, how fast, how printed.</content>
public sealed partial class Maker
{
    /// <summary>
    /// What axe-core finds serious or critical on the page as it stands: in light, then its colours in dark, then all but its colours as
    /// narrow as on a phone.
    /// </summary>
    public IReadOnlyList<string> Barriers()
    {
        driver.ExecuteScript(File.ReadAllText(Path.Combine(Site.Root, "src", "client", "node_modules", "axe-core", "axe.min.js")));
        List<string> found = [.. Barriers("{}")];
        Emulate(width, height, !dark);
        found.AddRange(Barriers("{ runOnly: { type: 'rule', values: colours } }"));
        Emulate(Phone, height, dark);
        found.AddRange(Barriers("{ rules: Object.fromEntries(colours.map(rule => [rule, { enabled: false }])) }"));
        Emulate(width, height, dark);
        return found;
    }

    private IEnumerable<string> Barriers(string rules) => ((ReadOnlyCollection<object>)driver.ExecuteAsyncScript($$"""
            const [done] = arguments, colours = ['color-contrast', 'link-in-text-block'];
            axe.run(document, { resultTypes: ['violations'], preload: false, ...{{rules}} }).then(r => done(r.violations
              .filter(v => v.impact === 'serious' || v.impact === 'critical')
              .map(v => v.id + ': ' + v.nodes.map(n => n.target + ' ' + (n.failureSummary ?? '')).join('; '))));
            """)!).Cast<string>();

    private void Emulate(int width, int height, bool dark, bool touch = false)
    {
        driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = touch });
        driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new() { ["features"] = new object[] { new { name = "prefers-color-scheme", value = dark ? "dark" : "light" } } });
    }

    /// <summary>
    /// Opens a page with nothing remembered, at 1.6 Mbit/s with 150 ms to the server and a fourth of the processor.
    /// </summary>
    /// <returns>Milliseconds to its first heading.</returns>
    public double FirstHeadingOnASlowPhone(string path)
    {
        scripted = true;
        driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new()
        {
            ["source"] = """
                new MutationObserver((_, seen) => {
                  if (!document.querySelector('h1')) return;
                  seen.disconnect();
                  window.firstHeading = performance.now();
                }).observe(document, { childList: true, subtree: true });
                """,
        });
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
        driver.ExecuteCdpCommand("Network.emulateNetworkConditions", new()
        {
            ["offline"] = false,
            ["latency"] = 150,
            ["downloadThroughput"] = 200_000,
            ["uploadThroughput"] = 90_000,
        });
        driver.ExecuteCdpCommand("Emulation.setCPUThrottlingRate", new() { ["rate"] = 4 });
        Go(path);
        Until(() => Measure("return window.firstHeading ? 1 : 0") == 1, "the first heading");
        return Measure("return window.firstHeading");
    }

    /// <summary>Kilobytes of scripts and styles that the page fetched, as they came over the wire.</summary>
    public double FetchedKilobytes() => Measure("""
        return performance.getEntriesByType('resource').filter(e => /\.(js|css)$/.test(e.name))
          .reduce((sum, e) => sum + e.encodedBodySize, 0) / 1000
        """);

    /// <summary>Whether the screen is touched, rather than pointed at with a mouse.</summary>
    public void Touches(bool touch)
    {
        driver.ExecuteCdpCommand("Emulation.setTouchEmulationEnabled", new() { ["enabled"] = touch });
        Emulate(width, height, dark, touch);
    }

    /// <summary>
    /// What is shown to be pressed and is smaller than so many pixels, neither in a sentence nor so far from all else that a circle of that
    /// size around its middle touches nothing (WCAG 2.2, 2.5.8).
    /// </summary>
    public IReadOnlyList<string> SmallTargets(int least) => [.. ((ReadOnlyCollection<object>)driver.ExecuteScript("""
            const least = arguments[0];
            const shown = e => {
              const r = e.getBoundingClientRect();
              return r.width > 1 && r.height > 1 && getComputedStyle(e).visibility !== 'hidden' && !e.closest('.sr-only');
            };
            const all = [...document.querySelectorAll('a[href], button, input, textarea, [role=tab]')].filter(e => shown(e) && !e.disabled);
            const box = e => (/checkbox|radio|range/.test(e.type) && e.closest('label') || e).getBoundingClientRect();
            const words = e => [...(e?.childNodes ?? [])].some(n => n.nodeType === 3 && n.textContent.trim() !== '');
            const inSentence = e => getComputedStyle(e).display.startsWith('inline') &&
              (words(e.parentElement) || words(e.closest('p, li, span, td, dd, h3, div')));
            const boxes = all.map(box);
            const isFar = i => {
              const x = boxes[i].x + boxes[i].width / 2, y = boxes[i].y + boxes[i].height / 2;
              return boxes.every((r, j) => j === i || all[i].contains(all[j]) || all[j].contains(all[i]) ||
                (r.x === boxes[i].x && r.y === boxes[i].y) ||
                Math.hypot(Math.max(r.x - x, 0, x - r.right), Math.max(r.y - y, 0, y - r.bottom)) >= least / 2 - 0.5);
            };
            return all.filter((e, i) => Math.min(boxes[i].width, boxes[i].height) < least - 0.5 && !inSentence(e) && !isFar(i))
              .map(e => `${box(e).width}×${box(e).height} ${e.getAttribute('aria-label') ?? e.textContent}`);
            """, least)!).Cast<string>()];

    /// <summary>What makes the page wider than its window; empty when nothing does.</summary>
    public string TooWide() => (string)driver.ExecuteScript("""
            const width = document.documentElement.clientWidth;
            const isClipped = e => e && (getComputedStyle(e).overflowX !== 'visible' || isClipped(e.parentElement));
            if (document.documentElement.scrollWidth <= width) return '';
            const wide = [...document.querySelectorAll('#root *')].find(e =>
              e.getBoundingClientRect().right > width + 1 && !isClipped(e.parentElement));
            return `${document.documentElement.scrollWidth} px, by ${wide?.outerHTML.slice(0, 160)}`;
            """)!;

    /// <summary>How the page is written: "locale", "currency" or "language".</summary>
    public string? Written(string what) =>
        (string?)driver.ExecuteScript("return JSON.parse(localStorage.getItem('kondiba.reader') ?? '{}')[arguments[0]] ?? null", what);

    /// <summary>A number that a script returns.</summary>
    public double Measure(string script) => Convert.ToDouble(driver.ExecuteScript(script), CultureInfo.InvariantCulture);

    /// <summary>A number that a script hands to its last argument.</summary>
    public double MeasureLater(string script) => Convert.ToDouble(driver.ExecuteAsyncScript(script), CultureInfo.InvariantCulture);

    /// <summary>The page as it comes out of the printer, on the paper that it asks for.</summary>
    public PdfDocument Printed()
    {
        var printed = (Dictionary<string, object?>)driver.ExecuteCdpCommand(
            "Page.printToPDF", new() { ["preferCSSPageSize"] = true, ["printBackground"] = true })!;
        return PdfDocument.Open(Convert.FromBase64String((string)printed["data"]!));
    }

    /// <summary>Pages of A4 that the page prints on.</summary>
    public int PrintedPages()
    {
        var pdf = Convert.FromBase64String(driver.Print(new() { PageDimensions = PrintOptions.PageSize.A4 }).AsBase64EncodedString);
        return System.Text.RegularExpressions.Regex.Count(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b");
    }

    public void Screenshot(string path) => driver.GetScreenshot().SaveAsFile(path);
}
