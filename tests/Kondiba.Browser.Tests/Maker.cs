using System.Diagnostics;
using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace Kondiba.Browser.Tests;

/// <summary>A maker at a browser: does what hands do, sees what is shown.</summary>
public sealed partial class Maker : IDisposable
{
    private const int Phone = 390;
    private readonly ChromeDriver driver;
    private readonly Site site;
    private readonly bool dark;
    private readonly int width;
    private readonly int height;
    private readonly bool keys;
    private readonly TimeSpan patience = TimeSpan.FromSeconds(20);

    // Whether pages of this browser run more than what the server sends.
    private bool scripted;

    /// <summary>Takes a seat at a browser.</summary>
    /// <param name="site">Where it goes.</param>
    /// <param name="width">Of the window, in CSS pixels.</param>
    /// <param name="height">Of the window, in CSS pixels.</param>
    /// <param name="dark">Whether dark colours are preferred.</param>
    /// <param name="start">Page to begin on, with nothing of it in the browser's cache.</param>
    /// <param name="signIn">Whether to go in as the sample kitchen's owner.</param>
    /// <param name="keys">Whether everything is done with the keyboard alone.</param>
    public Maker(
        Site site, int width = 1280, int height = 800, bool dark = false, string? start = null, bool signIn = true, bool keys = false)
    {
        (this.site, this.dark, this.width, this.height, this.keys) = (site, dark, width, height, keys);
        driver = site.TakeBrowser();
        Emulate(width, height, dark);
        driver.Navigate().GoToUrl(new Uri(site.Address, signIn ? $"enter?key={Site.Key}" : ""));
        if (signIn)
            See("The shelf");
        if (start is not null)
        {
            driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
            Go(start);
            Until(() => Measure("return performance.getEntriesByName('first-contentful-paint').length") > 0, "the first paint");
        }
    }

    public string Url => driver.Url;

    public void Dispose()
    {
        if (scripted)
            driver.Dispose();
        else
            site.GiveBack(driver);
    }

    public void Go(string path) => driver.Navigate().GoToUrl(new Uri(site.Address, path));

    public void Reload() => driver.Navigate().Refresh();

    /// <summary>Opens an order from the shelf by its name.</summary>
    public void Open(string order)
    {
        Go("");
        Click($"//a[contains(., '{order}') and contains(., 'open')]");
        Until(() => Value("Order for") == order, $"the order {order}");
    }

    /// <summary>Makes a new order with one line typed in words; its page.</summary>
    public string Order(string name, string line)
    {
        Go("");

        // The page listens to keys a moment after it is there.
        Until(
            () =>
            {
                if (new Uri(Url).AbsolutePath == "/")
                    Type("n");
                return Focused() == "Add to the order";
            },
            "the cursor where lines are typed");
        Fill("Order for", name);
        Fill("Add to the order", line);
        Until(() => Count("[data-testid=understood]") == 1, "the line understood");
        Press("Add it");
        SeeSaved();
        return new Uri(Url).AbsolutePath[1..];
    }

    public void Click(string xpath) => Until(
        () =>
        {
            Activate(driver.FindElement(By.XPath(xpath)));
            return true;
        },
        xpath);

    /// <summary>Waits for a plan of the day that fits. One that is still improved may have its work on another day in a moment.</summary>
    public void SeePlan() => Until(() => Shows("everything fits") && !Shows("still improving"), "a plan", 60);

    /// <summary>Drags something onto something else that is in sight with it.</summary>
    public void Drag(string from, string to) => Until(
        () =>
        {
            driver.ExecuteScript("window.scrollTo(0, 0)");
            new Actions(driver).ClickAndHold(driver.FindElement(By.XPath(from)))
                .MoveByOffset(0, -12)
                .MoveToElement(driver.FindElement(By.XPath(to)))
                .Release()
                .Perform();
            return true;
        },
        $"{from} onto {to}");

    public void Press(string button) => Click($"//button[normalize-space()='{button}' or @aria-label='{button}']");

    /// <summary>Types where the focus is.</summary>
    public void Type(string keys) => driver.SwitchTo().ActiveElement().SendKeys(keys);

    /// <summary>Pastes where the focus is.</summary>
    public void Paste(string text) => driver.ExecuteCdpCommand("Input.insertText", new() { ["text"] = text });

    public void Chord(string modifier, string key) => Type(modifier + key + Keys.Null);

    /// <summary>Replaces what a field holds.</summary>
    public void Fill(string label, string text) => Until(
        () =>
        {
            var field = Enter(Field(label));
            field.SendKeys(Keys.Control + "a" + Keys.Null + text);
            return true;
        },
        label);

    /// <summary>Fills every field whose label says something.</summary>
    public void FillEach(string labelled, string text)
    {
        foreach (var label in driver.FindElements(By.CssSelector($"input[aria-label*='{labelled}']"))
            .Select(f => f.GetDomAttribute("aria-label")!)
            .ToList())
            Fill(label, text);
    }

    /// <summary>Types a day or a time, until it is read.</summary>
    public void FillWhen(string label, string text)
    {
        Fill(label, text + Keys.Enter);
        Until(() => Field(label).GetDomAttribute("aria-busy") == "false", label);
    }

    /// <summary>Moves a slider with keys.</summary>
    public void Slide(string label, string keys) => Until(
        () =>
        {
            driver.FindElement(By.XPath($"//label[normalize-space()='{label}']//input[@type='range']")).SendKeys(keys);
            return true;
        },
        label);

    /// <summary>Hands a field a file of some text.</summary>
    public void Hand(string label, string text)
    {
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.CreateVersion7():n}.json");
        File.WriteAllText(path, text);
        Until(
            () =>
            {
                driver.FindElement(By.CssSelector($"input[aria-label='{label}']")).SendKeys(path);
                return true;
            },
            label);
    }

    /// <summary>What a file says that the page hands over.</summary>
    public string Download(Action act, string name)
    {
        var folder = Directory.CreateTempSubdirectory("kondiba-").FullName;
        driver.ExecuteCdpCommand("Browser.setDownloadBehavior", new() { ["behavior"] = "allow", ["downloadPath"] = folder });
        act();
        var path = Path.Combine(folder, name);
        Until(() => File.Exists(path) && new FileInfo(path).Length > 0, name);
        var text = File.ReadAllText(path);
        Directory.Delete(folder, recursive: true);
        return text;
    }

    /// <summary>Picks from a list that opens under a word.</summary>
    public void Choose(string label, string option)
    {
        Click($"//button[starts-with(normalize-space(), '{label}:')]");
        Click($"//*[@role='option'][starts-with(normalize-space(), '{option}')]");
    }

    /// <summary>Picks from a list that opens under a field.</summary>
    public void Pick(string label, string option)
    {
        Until(
            () =>
            {
                Activate(Field(label));
                return true;
            },
            label);
        Click($"//*[@role='option'][normalize-space()='{option}']");
    }

    public string Value(string label) => Field(label).GetDomProperty("value") ?? "";

    public string Focused() => driver.SwitchTo().ActiveElement().GetDomAttribute("aria-label") ?? "";

    public string Text(string css) => driver.FindElement(By.CssSelector(css)).Text;

    public int Count(string css) => driver.FindElements(css[0] is '/' or '(' ? By.XPath(css) : By.CssSelector(css)).Count;

    public double Number(string css) =>
        double.Parse(Text(css), NumberStyles.Float | NumberStyles.AllowThousands, CultureInfo.InvariantCulture);

    public bool Shows(string text) => PageText.Contains(text, StringComparison.Ordinal);

    /// <summary>Waits until the page shows a text.</summary>
    public void See(string text) => Until(() => Shows(text), $"'{text}'");

    /// <summary>Waits until the order says that it is kept.</summary>
    public void SeeSaved() => Until(() => Text("[data-testid=keeping]") == "saved", "saved");

    /// <summary>Waits for something that is on its way; fails by name when it does not come.</summary>
    /// <param name="holds">Whether it is so.</param>
    /// <param name="what">What is waited for, for the message.</param>
    /// <param name="seconds">How long at most, when it is longer than a page takes.</param>
    public void Until(Func<bool> holds, string what, int? seconds = null)
    {
        var patience = seconds is { } s ? TimeSpan.FromSeconds(s) : this.patience;
        var waited = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                if (holds())
                    return;
            }
            catch (WebDriverException)
            {
                // Not there yet, covered, or replaced while it was read.
            }

            if (waited.Elapsed > patience)
                throw new TimeoutException($"Not seen on {driver.Url}: {what}. The page says:\n{PageText}");
            Thread.Sleep(50);
        }
    }

    /// <summary>From the next reload on, what the page saves waits until it is let go.</summary>
    public void HoldSaves() => RunOnEachPage("""
            const send = window.fetch;
            window.held = [];
            window.fetch = (request) => request.method === 'PUT' && window.held
              ? new Promise((go) => window.held.push(() => go(send(request)))) : send(request);
            """);

    /// <summary>From the next page on, what comes into the pantry does not reach the server until it is let go, over reloads too.</summary>
    public void HoldPosts() => RunOnEachPage("""
            const go = window.fetch;
            window.fetch = (request) => request.method === 'POST' && request.url.endsWith('/api/pantry/lots') && !window.released
              ? Promise.reject(new TypeError('held')) : go(request);
            """);

    /// <summary>Reads from another time zone than the kitchen's.</summary>
    public void ReadFrom(string zone)
    {
        scripted = true;
        driver.ExecuteCdpCommand("Emulation.setTimezoneOverride", new() { ["timezoneId"] = zone });
    }

    /// <summary>Takes the network away, or gives it back.</summary>
    public void Offline(bool away)
    {
        scripted = true;
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new() { ["offline"] = away, ["latency"] = 0, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });
    }

    public void LetPostsGo() => driver.ExecuteScript("window.released = true");

    public void LetSavesGo() => driver.ExecuteScript("const held = window.held; window.held = null; held.forEach((go) => go());");

    private void RunOnEachPage(string script)
    {
        scripted = true;
        driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = script });
    }

    /// <summary>Gives something the focus, as Tab would in the end.</summary>
    public void FocusOn(string xpath) => Until(
        () =>
        {
            driver.ExecuteScript("arguments[0].focus()", driver.FindElement(By.XPath(xpath)));
            return true;
        },
        xpath);

    private string PageText => ((string)driver.ExecuteScript("return document.body.innerText")!).Replace('\u00a0', ' ');

    /// <summary>Scrolled out from under what stays on top of the page, as a maker would.</summary>
    private IWebElement InView(IWebElement element)
    {
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'nearest' })", element);
        return element;
    }

    private IWebElement Field(string label) =>
        driver.FindElement(By.XPath($"//*[@aria-label='{label}'] | //*[@id=//label[normalize-space()='{label}']/@for]"));
}
