using Kondiba.Core.Wording;

namespace Kondiba.Web.Hosting;

/// <summary>
/// What was asked cannot be done as things are, whatever its fields say: what happened and what to do, in the reader's words.
/// </summary>
/// <param name="status">Status code of the answer.</param>
/// <param name="title">What happened.</param>
/// <param name="remedy">What to do; null where the title says it.</param>
public sealed class Declined(int status, Message title, Message? remedy = null) : IResult, IStatusCodeHttpResult
{
    public int? StatusCode => status;

    public async Task ExecuteAsync(HttpContext httpContext)
    {
        var voice = (await Reader.OfAsync(httpContext)).Voice;
        var detail = remedy is null ? null : Catalogue.Say(remedy, voice);
        await TypedResults.Problem(title: Catalogue.Say(title, voice), detail: detail, statusCode: status).ExecuteAsync(httpContext);
    }
}
