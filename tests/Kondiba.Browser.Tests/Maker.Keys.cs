using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>A maker who uses nothing but the keyboard: Tab until it is there, then the key that does it.</summary>
public sealed partial class Maker
{
    private const int MostTabs = 400;

    /// <summary>Does what a click does.</summary>
    private void Activate(IWebElement element)
    {
        if (!keys)
        {
            InView(element).Click();
            return;
        }

        if (element.GetDomAttribute("role") is "option")
        {
            Arrow(element);
            Type(Keys.Enter);
            return;
        }

        var control = element.TagName is "label" ? Labelled(element) : element;
        if (control.GetDomAttribute("type") is "radio" || control.GetDomAttribute("role") is "radio")
        {
            TabTo(control, """
                const at = document.activeElement;
                return at === arguments[0] || (at.type === "radio" && at.name === arguments[0].name)
                  || at.closest("[role=radiogroup]")?.contains(arguments[0]) === true;
                """);
            for (var i = 0; i < MostTabs && !IsAt(control); i++)
                Type(Keys.ArrowDown);
            Type(" ");
            return;
        }

        TabTo(control);
        Type(control.TagName is "a" || control.GetDomAttribute("aria-haspopup") is not null ? Keys.Enter : " ");
    }

    /// <summary>Goes into a field; the field.</summary>
    private IWebElement Enter(IWebElement field)
    {
        if (keys)
            TabTo(field);
        else
            InView(field).Click();
        return field;
    }

    /// <summary>Goes down an open list until an option is the one that Enter takes.</summary>
    private void Arrow(IWebElement option)
    {
        Type(Keys.Home);
        for (var i = 0; i < MostTabs; i++)
        {
            var isAt = driver.ExecuteScript("""
                const active = document.activeElement.getAttribute("aria-activedescendant");
                return active === arguments[0].id;
                """, option);
            if (isAt is true)
                return;
            Type(Keys.ArrowDown);
        }

        throw new NoSuchElementException("No arrow leads to the option.");
    }

    private IWebElement Labelled(IWebElement label) =>
        (IWebElement)driver.ExecuteScript("return arguments[0].control ?? arguments[0].querySelector('input, button')", label)!;

    private bool IsAt(IWebElement element) => driver.ExecuteScript("return document.activeElement === arguments[0]", element) is true;

    private void TabTo(IWebElement element, string isThere = "return document.activeElement === arguments[0]")
    {
        for (var i = 0; i < MostTabs; i++)
        {
            if (driver.ExecuteScript(isThere, element) is true)
                return;
            Type(Keys.Tab);
        }

        throw new NoSuchElementException("Tab does not lead there.");
    }
}
