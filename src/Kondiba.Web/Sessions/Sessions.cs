using System.Globalization;
using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using System.Threading.RateLimiting;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Bench;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Sessions;

/// <summary>How to come in: by name and password, by the key from the printed address, or with nothing into the sample kitchen.</summary>
/// <param name="Key">The key from the printed address.</param>
/// <param name="Name">The name to sign in with.</param>
/// <param name="Password">Its password.</param>
public sealed record SignIn(string? Key = null, string? Name = null, string? Password = null);

/// <summary>A kitchen to start, and its owner.</summary>
/// <param name="Kitchen">What it is called.</param>
/// <param name="Name">The owner's name to sign in with.</param>
/// <param name="Password">Its password.</param>
public sealed record NewKitchen(string Kitchen, string Name, string Password);

/// <summary>Who is in.</summary>
/// <param name="SignedIn">Whether a kitchen is open.</param>
/// <param name="HasSample">Whether the sample kitchen can be opened without a key.</param>
/// <param name="Name">Who signed in; null by key or in the sample kitchen.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Form">To be sent back with every write, in the header X-Kondiba-Form.</param>
/// <param name="PutBy">Under what the browser puts by what is this person's of this kitchen; null for nobody.</param>
/// <param name="Reader">How they are written to.</param>
public sealed record SessionView(
    bool SignedIn, bool HasSample, string? Name, Role Role, string Form, string? PutBy, ReaderView Reader);

/// <summary>A change to how who is signed in is written to.</summary>
/// <param name="Units">The units that they read, here and wherever they sign in from now on.</param>
public sealed record SessionChange(Units Units);

/// <summary>Signing in and out.</summary>
internal static class Sessions
{
    /// <summary>The policy of what only owners may do.</summary>
    public const string Owners = "owners";

    /// <summary>The limit on guessing at keys, passwords and links.</summary>
    public const string SignInLimit = "sign-in";

    public const int ShortestPassword = 10;

    internal const string KitchenClaim = "kitchen";
    internal const string OwnerClaim = "owner";
    internal const string UnitsClaim = "units";
    private const int LongestName = 80;
    private static readonly TimeSpan TriesIn = TimeSpan.FromMinutes(1);

    /// <summary>Whether somebody is said to own the kitchen; of whom nothing is said does not.</summary>
    public static bool IsOwner(this ClaimsPrincipal user) => user.HasClaim(c => c.Type == OwnerClaim);

    /// <summary>The units that somebody has chosen for themselves; null for the kitchen's.</summary>
    public static Units? UnitsOf(ClaimsPrincipal user) =>
        Enum.TryParse<Units>(user.FindFirstValue(UnitsClaim), out var units) ? units : null;

    /// <summary>The person who is signed in; null by key or in the sample kitchen.</summary>
    public static Guid? PersonOf(ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : null;

    public static void AddSignIn(this IServiceCollection services)
    {
        services.AddAuthentication(IdentityConstants.ApplicationScheme)
            .AddCookie(IdentityConstants.ApplicationScheme, SignInCookie.Configure)
            .AddScheme<AuthenticationSchemeOptions, DeviceSignIn>(DeviceSignIn.Devices, null);
        services.Configure<SecurityStampValidatorOptions>(stamp => stamp.ValidationInterval = TimeSpan.FromSeconds(30));
        services.AddIdentityCore<Person>(identity =>
        {
            identity.User.AllowedUserNameCharacters = "";
            identity.Password = new()
            {
                RequiredLength = ShortestPassword,
                RequireDigit = false,
                RequireLowercase = false,
                RequireUppercase = false,
                RequireNonAlphanumeric = false,
                RequiredUniqueChars = 4
            };
            identity.Lockout.MaxFailedAccessAttempts = 5;
            identity.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(10);
        }).AddUserStore<PeopleStore>().AddPasswordValidator<NotGuessed>().AddSignInManager().AddClaimsPrincipalFactory<SignInCookie.Claims>();
        services.AddScoped<ISecurityStampValidator, SignInCookie.OneCookie>();
        services.AddAntiforgery(form =>
        {
            form.HeaderName = "X-Kondiba-Form";
            form.Cookie.Name = "kondiba-form";
            form.Cookie.SameSite = SameSiteMode.Strict;
            form.SuppressXFrameOptionsHeader = true;
        });
        services.AddAuthorizationBuilder()
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().RequireClaim(KitchenClaim).Build())
            .AddPolicy(Owners, policy => policy.RequireClaim(KitchenClaim).RequireClaim(OwnerClaim))
            .AddPolicy(
                DeviceSignIn.Devices, policy => policy.AddAuthenticationSchemes(DeviceSignIn.Devices).RequireAuthenticatedUser());
        services.AddRateLimiter(LimitTries);
    }

    private static void LimitTries(RateLimiterOptions limiter)
    {
        limiter.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        limiter.OnRejected = async (rejected, _) =>
        {
            var response = rejected.HttpContext.Response;
            response.Headers.RetryAfter = TriesIn.TotalSeconds.ToString(CultureInfo.InvariantCulture);
            await new Declined(response.StatusCode, "refused.many-tries", "refused.wait-a-minute").ExecuteAsync(rejected.HttpContext);
        };
        limiter.AddPolicy(SignInLimit, context => RateLimitPartition.GetFixedWindowLimiter(
            context.Connection.RemoteIpAddress?.ToString() ?? "",
            _ => new() { PermitLimit = 30, Window = TriesIn }));
    }

    /// <summary>Binds the request to its kitchen, and what is read for a question to whoever asks it.</summary>
    public static void UseKitchenScope(this WebApplication app) => app.Use(async (context, next) =>
    {
        var scope = context.RequestServices.GetRequiredService<KitchenScope>();
        if (Guid.TryParse(context.User.FindFirstValue(KitchenClaim), out var id))
            scope.KitchenId = id;
        if (HttpMethods.IsGet(context.Request.Method))
            scope.Gone = context.RequestAborted;
        await next(context);
    });

    /// <summary>Turns a write away that does not bring back what the session gave out.</summary>
    public static void UseForm(this WebApplication app) => app.Use(async (context, next) =>
    {
        var form = context.RequestServices.GetRequiredService<IAntiforgery>();
        var path = context.Request.Path;
        if (path.StartsWithSegments("/api") && path != ReadingsApi.Path && !await form.IsRequestValidAsync(context))
        {
            context.Response.Headers["X-Kondiba-Form"] = "stale";
            await new Declined(StatusCodes.Status403Forbidden, "refused.old-page", "refused.reload-page").ExecuteAsync(context);
            return;
        }

        await next(context);
    });

    public static void MapSessions(this WebApplication app)
    {
        app.MapGet("/enter", async (HttpContext context, string? key, Startup startup, KondibaSettings settings) =>
        {
            if (Opens(key, settings))
                await SignInCookie.EnterAsync(context, startup.KitchenId, key);
            return TypedResults.Redirect("/");
        }).AllowAnonymous().RequireRateLimiting(SignInLimit).ExcludeFromDescription();

        var session = app.MapGroup("/api/session").WithTags("Session").AllowAnonymous();
        session.MapGet("", async (HttpContext context, KondibaContext db, IAntiforgery form) =>
        {
            var inside = context.User.HasClaim(c => c.Type == KitchenClaim) && await db.Kitchens.AnyAsync(db.Gone);
            return TypedResults.Ok(new SessionView(
                inside,
                await SampleAsync(db) is not null,
                inside ? context.User.FindFirstValue(ClaimTypes.Name) : null,
                !inside || context.User.IsOwner() ? Role.Owner : Role.Helper,
                form.GetAndStoreTokens(context).RequestToken!,
                inside ? $"{db.KitchenId}.{context.User.FindFirstValue(ClaimTypes.NameIdentifier)}" : null,
                ReaderView.Of(inside ? await Reader.VoiceAsync(context) : Voice.Plain)));
        }).WithName("GetSession");
        session.MapPatch("", ChangeAsync)
            .RequireAuthorization()
            .WithName("ChangeSession")
            .WithSummary("Changes the units that who is signed in reads; nobody else's.");
        session.MapPost("", SignInAsync).RequireRateLimiting(SignInLimit).WithName("SignIn");
        session.MapPost("/kitchen", StartAsync)
            .RequireRateLimiting(SignInLimit)
            .WithName("StartKitchen")
            .WithSummary("Starts a kitchen of one's own and signs in as its owner.");
        session.MapPost("/join/{secret}", JoinAsync)
            .RequireRateLimiting(SignInLimit)
            .WithName("Join")
            .WithSummary("Joins a kitchen as a helper, by an invitation.");
        session.MapPut("/password", ChangePasswordAsync).RequireRateLimiting(SignInLimit).WithName("ChangePassword");
        session.MapDelete("", SignInCookie.EndAsync).WithName("SignOut").WithSummary("Ends the sign-in, in every copy of its cookie.");
    }

    private static async Task<Results<NoContent, NotFound, Refused>> ChangePasswordAsync(
        PasswordChange change, HttpContext context, UserManager<Person> users)
    {
        if (await users.GetUserAsync(context.User) is not { } person)
            return TypedResults.NotFound();
        if (await users.IsLockedOutAsync(person))
            return Refused.Because("old", "refused.many-passwords", "refused.cannot-change-password");
        var changed = await users.ChangePasswordAsync(person, change.Old, change.New);
        if (changed.Errors.Any(e => e.Code is nameof(IdentityErrorDescriber.PasswordMismatch)))
            await users.AccessFailedAsync(person);
        if (!changed.Succeeded)
            return Refused.Of(People.Errors(changed), "refused.cannot-change-password")!;
        await SignInCookie.GoOnAsync(context, person);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> ChangeAsync(SessionChange change, HttpContext context, UserManager<Person> users)
    {
        if (await users.GetUserAsync(context.User) is { } person)
        {
            person.Units = change.Units;
            await users.UpdateAsync(person);
            await SignInCookie.GoOnAsync(context, person);
            return TypedResults.NoContent();
        }

        var identity = (ClaimsIdentity)context.User.Identity!;
        identity.TryRemoveClaim(identity.FindFirst(UnitsClaim));
        identity.AddClaim(new(UnitsClaim, change.Units.ToString()));
        await SignInCookie.GoOnAsync(context, context.User);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, Declined>> SignInAsync(
        HttpContext context,
        SignIn input,
        Startup startup,
        KondibaSettings settings,
        KondibaContext db,
        UserManager<Person> users,
        SignInManager<Person> signIn)
    {
        if (input.Name is not null)
        {
            var person = await users.FindByNameAsync(input.Name.Trim());
            var result = person is null
                ? InAsLong(users, input.Password)
                : await signIn.CheckPasswordSignInAsync(person, input.Password ?? "", lockoutOnFailure: true);
            if (result.IsLockedOut)
                return new Declined(StatusCodes.Status403Forbidden, "refused.many-passwords", "refused.wait");
            if (!result.Succeeded)
                return new Declined(StatusCodes.Status403Forbidden, "refused.wrong-password", "refused.check-both");
            await SignInCookie.EnterAsync(context, person!);
            return TypedResults.NoContent();
        }

        Guid? kitchen = null;
        if (input.Key is null)
            kitchen = await SampleAsync(db);
        else if (Opens(input.Key, settings))
            kitchen = startup.KitchenId;
        if (kitchen is not { } id)
            return new Declined(StatusCodes.Status403Forbidden, "refused.wrong-key", "refused.copy-address");
        await SignInCookie.EnterAsync(context, id, input.Key);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, Refused>> StartAsync(
        NewKitchen input, HttpContext context, KondibaContext db, UserManager<Person> users)
    {
        if (string.IsNullOrWhiteSpace(input.Kitchen) || input.Kitchen.Length > LongestName)
            return Refused.Because(
                "kitchen",
                Message.Of("sessions.kitchen-name-most-characters", ("longestName", LongestName)),
                "sessions.kitchen-name-most-characters.do");
        await using var all = await db.Database.BeginTransactionAsync();
        var kitchen = new Kitchen { Name = input.Kitchen.Trim(), TimeZone = DateTimeZoneProviders.Tzdb.GetSystemDefault().Id };
        db.Add(kitchen);
        await db.SaveChangesAsync();
        var (person, errors) = await People.AddAsync(new(input.Name, input.Password), kitchen.Id, Role.Owner, users);
        if (errors is not null)
            return errors;
        await all.CommitAsync();
        await SignInCookie.EnterAsync(context, person!);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Refused>> JoinAsync(
        string secret, Credentials input, HttpContext context, KondibaContext db, UserManager<Person> users, IClock clock)
    {
        var (hash, now) = (Secret.Hash(secret), clock.GetCurrentInstant());
        await using var all = await db.Database.BeginTransactionAsync();
        var open = db.Invitations.IgnoreQueryFilters().Where(i => i.TokenHash == hash && i.UsedAt == null && i.Until > now);
        if (await open.Select(i => (Guid?)i.KitchenId).SingleOrDefaultAsync(db.Gone) is not { } kitchen
            || await open.ExecuteUpdateAsync(set => set.SetProperty(i => i.UsedAt, now)) == 0)
            return TypedResults.NotFound();
        var (person, errors) = await People.AddAsync(input, kitchen, Role.Helper, users);
        if (errors is not null)
            return errors;
        await all.CommitAsync();
        await SignInCookie.EnterAsync(context, person!);
        return TypedResults.NoContent();
    }

    /// <summary>Takes as long over a name that nobody has as over a wrong password, so that time does not tell which it was.</summary>
    private static SignInResult InAsLong(UserManager<Person> users, string? password)
    {
        var nobody = new Person { UserName = "", KitchenId = Guid.Empty, Role = Role.Helper };
        users.PasswordHasher.HashPassword(nobody, password ?? "");
        return SignInResult.Failed;
    }

    private static bool Opens(string? key, KondibaSettings settings) =>
        settings.Key.Length > 0
            && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(key ?? ""), Encoding.UTF8.GetBytes(settings.Key));

    private static Task<Guid?> SampleAsync(KondibaContext db) =>
        db.Kitchens.IgnoreQueryFilters().Where(k => k.IsSample).Select(k => (Guid?)k.Id).FirstOrDefaultAsync(db.Gone);
}
