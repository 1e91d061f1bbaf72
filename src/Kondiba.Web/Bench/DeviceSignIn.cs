using System.Security.Claims;
using System.Text.Encodings.Web;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Authentication;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace Kondiba.Web.Bench;

/// <summary>
/// Lets a device in by its own token, to nothing but what it reads. Before it is let in nothing that it sends is looked at.
/// </summary>
internal sealed class DeviceSignIn(
    IOptionsMonitor<AuthenticationSchemeOptions> options, ILoggerFactory log, UrlEncoder encoder, KondibaContext db)
    : AuthenticationHandler<AuthenticationSchemeOptions>(options, log, encoder)
{
    /// <summary>The scheme, and the policy of what devices may do.</summary>
    public const string Devices = "devices";

    private const string Bearer = "Bearer ";

    /// <summary>The device that sent a request which was let in.</summary>
    public static Device Of(HttpContext context) => (Device)context.Items[typeof(Device)]!;

    protected override async Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        var header = Request.Headers.Authorization.ToString();
        if (!header.StartsWith(Bearer, StringComparison.Ordinal))
            return AuthenticateResult.NoResult();
        var hash = Secret.Hash(header[Bearer.Length..].Trim());
        var device = await db.Devices.IgnoreQueryFilters().AsNoTracking().SingleOrDefaultAsync(d => d.TokenHash == hash);
        Context.Items[typeof(Device)] = device;
        if (device is not { RevokedAt: null })
            return AuthenticateResult.NoResult();
        var identity = new ClaimsIdentity([new(ClaimTypes.Name, device.Name)], Devices);
        return AuthenticateResult.Success(new(new(identity), Devices));
    }

    protected override Task HandleChallengeAsync(AuthenticationProperties properties) => new Declined(
        StatusCodes.Status401Unauthorized,
        Context.Items[typeof(Device)] is null ? "refused.unknown-device" : "refused.removed-device",
        "refused.add-device").ExecuteAsync(Context);
}
