using System.Security.Claims;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using NodaTime;

namespace Kondiba.Web.Sessions;

/// <summary>The cookie of who is in: a sign-in with a number of its own, begun, gone on with and ended in every copy.</summary>
internal static class SignInCookie
{
    private static readonly string Scheme = IdentityConstants.ApplicationScheme;
    private const string SignInItem = "sign-in";
    private const string KeyItem = "key";
    private const int LastsDays = 90;

    /// <summary>How the browser keeps it, and what is asked of it at every request.</summary>
    public static void Configure(CookieAuthenticationOptions cookie)
    {
        cookie.Cookie.Name = "kondiba";
        cookie.Cookie.SameSite = SameSiteMode.Strict;
        cookie.Cookie.HttpOnly = true;
        cookie.ExpireTimeSpan = TimeSpan.FromDays(LastsDays);
        cookie.Events.OnRedirectToLogin = context => Answer(context.Response, StatusCodes.Status401Unauthorized);
        cookie.Events.OnRedirectToAccessDenied = context => Answer(context.Response, StatusCodes.Status403Forbidden);
        cookie.Events.OnValidatePrincipal = ValidateAsync;

        static Task Answer(HttpResponse response, int status)
        {
            response.StatusCode = status;
            return Task.CompletedTask;
        }
    }

    /// <summary>Signs a person in.</summary>
    public static async Task EnterAsync(HttpContext context, Person person) =>
        await BeginAsync(context, await PrincipalOfAsync(context, person), key: null);

    /// <summary>Signs somebody in as a kitchen's owner without a name.</summary>
    /// <param name="context">Of the request.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="key">The key that they came by; null for the sample kitchen.</param>
    public static Task EnterAsync(HttpContext context, Guid kitchen, string? key) => BeginAsync(
        context,
        new ClaimsPrincipal(new ClaimsIdentity(
            [new(Sessions.KitchenClaim, kitchen.ToString()), new(Sessions.OwnerClaim, "true")], Scheme)),
        key);

    /// <summary>Goes on with the sign-in that there is, of a person of whom something has changed.</summary>
    public static async Task GoOnAsync(HttpContext context, Person person) =>
        await GoOnAsync(context, await PrincipalOfAsync(context, person));

    /// <summary>Goes on with the sign-in that there is, with other claims.</summary>
    public static async Task GoOnAsync(HttpContext context, ClaimsPrincipal user) => await KeepAsync(
        context, user, (await context.AuthenticateAsync(Scheme)).Properties!.Items);

    /// <summary>Signs out, wherever a copy of the cookie is.</summary>
    public static async Task<NoContent> EndAsync(HttpContext context, KondibaContext db, IClock clock)
    {
        if (IdOf((await context.AuthenticateAsync(Scheme)).Properties) is { } id)
        {
            var now = clock.GetCurrentInstant();
            await db.EndedSignIns.Where(e => e.Until < now).ExecuteDeleteAsync();
            if (!await db.EndedSignIns.AnyAsync(e => e.Id == id))
                db.Add(new EndedSignIn { Id = id, Until = now + Duration.FromDays(LastsDays) });
            await db.SaveChangesAsync();
        }

        await context.SignOutAsync(Scheme);
        return TypedResults.NoContent();
    }

    private static Task BeginAsync(HttpContext context, ClaimsPrincipal user, string? key)
    {
        var items = new Dictionary<string, string?> { [SignInItem] = Guid.CreateVersion7().ToString() };
        if (key is not null)
            items[KeyItem] = Secret.Hash(key);
        return KeepAsync(context, user, items);
    }

    private static Task KeepAsync(HttpContext context, ClaimsPrincipal user, IDictionary<string, string?> items)
    {
        var properties = new AuthenticationProperties { IsPersistent = true };
        foreach (var name in (string[])[SignInItem, KeyItem])
            properties.SetString(name, items.TryGetValue(name, out var value) ? value : null);
        return context.SignInAsync(Scheme, user, properties);
    }

    private static Task<ClaimsPrincipal> PrincipalOfAsync(HttpContext context, Person person) =>
        context.RequestServices.GetRequiredService<IUserClaimsPrincipalFactory<Person>>().CreateAsync(person);

    private static Guid? IdOf(AuthenticationProperties? properties) =>
        Guid.TryParse(properties?.GetString(SignInItem), out var id) ? id : null;

    /// <summary>
    /// Turns a cookie away whose sign-in was ended or whose key is no longer the key; someone who was removed, or changed the password, is
    /// out within the validator's interval.
    /// </summary>
    private static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var services = context.HttpContext.RequestServices;
        var key = context.Properties.GetString(KeyItem);
        var isOver = key is not null && key != Secret.Hash(services.GetRequiredService<KondibaSettings>().Key);
        if (!isOver && IdOf(context.Properties) is { } id)
            isOver = await services.GetRequiredService<KondibaContext>()
                .EndedSignIns.AnyAsync(e => e.Id == id, context.HttpContext.RequestAborted);
        if (isOver)
            await TurnAwayAsync(context);
        else if (Sessions.PersonOf(context.Principal!) is not null)
            await SecurityStampValidator.ValidatePrincipalAsync(context);
    }

    private static async Task TurnAwayAsync(CookieValidatePrincipalContext context)
    {
        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync(Scheme);
    }

    /// <summary>
    /// Turns away whose password has changed or who was removed. There is one cookie here, and that one is taken; the usual validator asks
    /// for others that nobody registered.
    /// </summary>
    internal sealed class OneCookie(
        IOptions<SecurityStampValidatorOptions> options, SignInManager<Person> signIn, ILoggerFactory log)
        : SecurityStampValidator<Person>(options, signIn, log)
    {
        public override async Task ValidateAsync(CookieValidatePrincipalContext context)
        {
            if (context.Properties.IssuedUtc is { } issued && TimeProvider.GetUtcNow() - issued < Options.ValidationInterval)
                return;
            if (await VerifySecurityStamp(context.Principal) is { } person)
                await SecurityStampVerified(person, context);
            else
                await TurnAwayAsync(context);
        }
    }

    /// <summary>What a person's cookie says besides who they are.</summary>
    internal sealed class Claims(UserManager<Person> users, IOptions<IdentityOptions> options)
        : UserClaimsPrincipalFactory<Person>(users, options)
    {
        protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
        {
            var identity = await base.GenerateClaimsAsync(user);
            identity.AddClaim(new(Sessions.KitchenClaim, user.KitchenId.ToString()));
            if (user.Role is Role.Owner)
                identity.AddClaim(new(Sessions.OwnerClaim, "true"));
            if (user.Units is { } units)
                identity.AddClaim(new(Sessions.UnitsClaim, units.ToString()));
            return identity;
        }
    }
}
