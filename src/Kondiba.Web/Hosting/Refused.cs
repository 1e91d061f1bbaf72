using System.Reflection;
using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using Microsoft.AspNetCore.Http.Metadata;

namespace Kondiba.Web.Hosting;

/// <summary>What was sent cannot be done as it is: why, field by field, and what to do, in the reader's words.</summary>
public sealed class Refused : IResult, IStatusCodeHttpResult, IEndpointMetadataProvider
{
    private readonly Message title;
    private readonly IReadOnlyList<Problem> problems;

    private Refused(Message title, IReadOnlyList<Problem> problems) => (this.title, this.problems) = (title, problems);

    public int? StatusCode => StatusCodes.Status400BadRequest;

    /// <summary>The refusal for some problems; null when there are none.</summary>
    public static Refused? Of(IEnumerable<Problem> problems, Message title) =>
        problems.ToList() is { Count: > 0 } some ? new(title, some) : null;

    /// <summary>The refusal of one field.</summary>
    public static Refused Because(string field, Message reason, Message title) => new(title, [new(field, reason, "")]);

    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(new ProducesResponseTypeMetadata(
            StatusCodes.Status400BadRequest, typeof(HttpValidationProblemDetails), ["application/problem+json"]));

    public async Task ExecuteAsync(HttpContext httpContext)
    {
        var voice = (await Reader.OfAsync(httpContext)).Voice;
        var errors = problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => Catalogue.Say(p.Says, voice)).ToArray());
        await TypedResults.ValidationProblem(errors, title: Catalogue.Say(title, voice)).ExecuteAsync(httpContext);
    }
}
