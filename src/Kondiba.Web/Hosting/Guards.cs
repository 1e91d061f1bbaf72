using System.Diagnostics;
using System.Globalization;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace Kondiba.Web.Hosting;

/// <summary>What every response carries and every request must be.</summary>
internal static class Guards
{
    private const string Policy =
        "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    public static void UseGuards(this WebApplication app) => app.Use(async (context, next) =>
    {
        var started = Stopwatch.GetTimestamp();
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy = Policy;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            headers["Server-Timing"] = string.Create(
                CultureInfo.InvariantCulture, $"app;dur={Stopwatch.GetElapsedTime(started).TotalMilliseconds:0.000}");
            if (context.Request.Path.StartsWithSegments("/api"))
                headers.CacheControl = "no-store";
            return Task.CompletedTask;
        });

        // The cookie is SameSite=Strict already; a browser that says a write comes from another site is turned away as well.
        var site = context.Request.Headers["Sec-Fetch-Site"].ToString();
        if (!HttpMethods.IsGet(context.Request.Method)
            && !HttpMethods.IsHead(context.Request.Method)
            && site is "cross-site" or "same-site")
        {
            await new Declined(StatusCodes.Status403Forbidden, "refused.other-site").ExecuteAsync(context);
            return;
        }

        await next(context);
    });

    private const string Assets = "/assets";
    private const string Packed = ".br";
    private static readonly FileExtensionContentTypeProvider Types = new();

    private static readonly StaticFileOptions ClientFiles = new()
    {
        ContentTypeProvider = new FileExtensionContentTypeProvider { Mappings = { [Packed] = "application/octet-stream" } },
        OnPrepareResponse = file =>
        {
            var path = file.Context.Request.Path;
            var headers = file.Context.Response.Headers;
            headers.CacheControl = path.StartsWithSegments(Assets) ? "public, max-age=31536000, immutable" : "no-cache";
            headers.Vary = HeaderNames.AcceptEncoding;
            if (!file.File.Name.EndsWith(Packed, StringComparison.Ordinal))
                return;
            headers.ContentEncoding = "br";
            headers.ContentType = Types.Mappings[Path.GetExtension(file.File.Name[..^Packed.Length])];
        },
    };

    /// <summary>Sends what compresses well compressed; not what holds the session's own secret, whose length could tell of it.</summary>
    public static void UseCompression(this WebApplication app) => app.UseWhen(
        context => !context.Request.Path.StartsWithSegments("/api/session"), compressed => compressed.UseResponseCompression());

    /// <summary>
    /// The built client; its hashed files never change, the page that names them always may. Whoever can unpack is sent the copies that
    /// the build has packed.
    /// </summary>
    public static void UseClientFiles(this WebApplication app)
    {
        app.UseDefaultFiles();
        app.Use((context, next) =>
        {
            var packed = context.Request.Path + Packed;
            if (context.Request.Path.StartsWithSegments(Assets)
                && Unpacks(context.Request)
                && app.Environment.WebRootFileProvider.GetFileInfo(packed).Exists)
                context.Request.Path = packed;
            return next(context);
        });
        app.UseStaticFiles(ClientFiles);
    }

    private static bool Unpacks(HttpRequest request) =>
        request.GetTypedHeaders().AcceptEncoding.Any(encoding => encoding.Value == "br" && encoding.Quality != 0);

    /// <summary>The client's page, at every address that is nothing else.</summary>
    public static void MapClientPage(this WebApplication app) => app.MapFallbackToFile("index.html", ClientFiles).AllowAnonymous();
}
