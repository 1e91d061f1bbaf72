using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using System.Threading.RateLimiting;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Sessions;

/// <summary>How to come in.</summary>
/// <param name="Key">The key from the printed address; leave out to open the sample kitchen.</param>
public sealed record SignIn(string? Key = null);

/// <summary>Who is in.</summary>
/// <param name="SignedIn">Whether a kitchen is open.</param>
/// <param name="HasSample">Whether the sample kitchen can be opened without a key.</param>
public sealed record SessionView(bool SignedIn, bool HasSample);

/// <summary>Sign-in by the key of the printed address, or into the sample kitchen, which holds nothing of anyone's.</summary>
internal static class Sessions
{
    private const string KitchenClaim = "kitchen";
    private const string SignInLimit = "sign-in";

    public static void AddSignIn(this IServiceCollection services)
    {
        services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie(cookie =>
        {
            cookie.Cookie.Name = "kondiba";
            cookie.Cookie.SameSite = SameSiteMode.Strict;
            cookie.Cookie.HttpOnly = true;
            cookie.ExpireTimeSpan = TimeSpan.FromDays(90);
            cookie.Events.OnRedirectToLogin = context =>
            {
                context.Response.StatusCode = StatusCodes.Status401Unauthorized;
                return Task.CompletedTask;
            };
        });
        services.AddAuthorizationBuilder().SetFallbackPolicy(new AuthorizationPolicyBuilder().RequireClaim(KitchenClaim).Build());
        services.AddRateLimiter(limiter =>
        {
            limiter.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limiter.AddPolicy(SignInLimit, context => RateLimitPartition.GetFixedWindowLimiter(
                context.Connection.RemoteIpAddress?.ToString() ?? "",
                _ => new() { PermitLimit = 30, Window = TimeSpan.FromMinutes(1) }));
        });
    }

    public static void UseKitchenScope(this WebApplication app) => app.Use((context, next) =>
    {
        if (Guid.TryParse(context.User.FindFirstValue(KitchenClaim), out var id))
            context.RequestServices.GetRequiredService<KitchenScope>().KitchenId = id;
        return next(context);
    });

    public static void MapSessions(this WebApplication app)
    {
        app.MapGet("/enter", async (HttpContext context, string? key, Startup startup, KondibaSettings settings) =>
        {
            if (Opens(key, settings))
                await EnterAsync(context, startup.KitchenId);
            return TypedResults.Redirect("/");
        }).AllowAnonymous().RequireRateLimiting(SignInLimit).ExcludeFromDescription();

        var session = app.MapGroup("/api/session").WithTags("Session").AllowAnonymous();
        session.MapGet("", async (HttpContext context, KondibaContext db) =>
            TypedResults.Ok(new SessionView(context.User.HasClaim(c => c.Type == KitchenClaim) && await db.Kitchens.AnyAsync(), await SampleAsync(db) is not null)))
            .WithName("GetSession");
        session.MapPost("", async Task<Results<NoContent, ProblemHttpResult>> (HttpContext context, SignIn input, Startup startup, KondibaSettings settings, KondibaContext db) =>
        {
            Guid? kitchen = input.Key is null ? await SampleAsync(db) : Opens(input.Key, settings) ? startup.KitchenId : null;
            if (kitchen is not { } id)
                return TypedResults.Problem(title: "That key opens nothing.", detail: "Copy the whole address that ./start printed.", statusCode: StatusCodes.Status403Forbidden);
            await EnterAsync(context, id);
            return TypedResults.NoContent();
        }).RequireRateLimiting(SignInLimit).WithName("SignIn");
        session.MapDelete("", async (HttpContext context) =>
        {
            await context.SignOutAsync();
            return TypedResults.NoContent();
        }).WithName("SignOut");
    }

    private static bool Opens(string? key, KondibaSettings settings) =>
        settings.Key.Length > 0 && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(key ?? ""), Encoding.UTF8.GetBytes(settings.Key));

    private static Task<Guid?> SampleAsync(KondibaContext db) =>
        db.Kitchens.IgnoreQueryFilters().Where(k => k.IsSample).Select(k => (Guid?)k.Id).FirstOrDefaultAsync();

    private static Task EnterAsync(HttpContext context, Guid kitchen) => context.SignInAsync(
        new ClaimsPrincipal(new ClaimsIdentity([new Claim(KitchenClaim, kitchen.ToString())], CookieAuthenticationDefaults.AuthenticationScheme)),
        new() { IsPersistent = true });
}
