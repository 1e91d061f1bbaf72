using Kondiba.Core.Logbook;
using Kondiba.Core.Troubles;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Troubles;

/// <summary>Something that is seen or felt.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Name">What it looks like.</param>
/// <param name="SeenHere">Batches of this kitchen that had it.</param>
public sealed record SignView(string Code, Message Name, int SeenHere);

/// <summary>What was seen, and what is known of it.</summary>
/// <param name="Sign">Code of what was seen.</param>
/// <param name="Answers">By the question's code, yes or no.</param>
/// <param name="Batch">The batch that it was seen on, which may know more; null for none.</param>
/// <param name="Unknown">Codes of questions that nobody can answer; null for none.</param>
public sealed record TroubleQuestion(
    string Sign, IReadOnlyDictionary<string, bool> Answers, Guid? Batch = null, IReadOnlyList<string>? Unknown = null);

/// <summary>A question to answer with yes or no.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Ask">The question.</param>
public sealed record AskView(string Code, Message Ask);

/// <summary>A cause, how likely it is, and what to do.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Name">What it is.</param>
/// <param name="Likely">How likely, as a share of all.</param>
/// <param name="Because">What speaks for it, and what against.</param>
/// <param name="SeenHere">How often it was the cause here.</param>
/// <param name="Now">What to do now.</param>
/// <param name="Next">What to do next time.</param>
/// <param name="Tag">How well that is known.</param>
public sealed record CauseView(
    string Code, Message Name, double Likely, IReadOnlyList<Message> Because, int SeenHere, Message Now, Message Next, string Tag);

/// <summary>What it comes from.</summary>
/// <param name="Sign">Code of what was seen.</param>
/// <param name="Name">What it looks like.</param>
/// <param name="Causes">The likeliest first.</param>
/// <param name="Ask">What to answer next; null when nothing more would tell.</param>
/// <param name="Known">What the batch already answered, by the question's code.</param>
public sealed record TroubleView(
    string Sign, Message Name, IReadOnlyList<CauseView> Causes, AskView? Ask, IReadOnlyDictionary<string, bool> Known);

internal static class TroublesApi
{
    private const int MostAnswers = 60;

    public static void MapTroubles(this RouteGroupBuilder api)
    {
        var troubles = api.MapGroup("/troubles").WithTags("Troubles");
        troubles.MapGet("", async (KitchenThings things) =>
        {
            var (_, untaught, batches, _) = await things.ToldAsync();
            return TypedResults.Ok(untaught.Reference.Troubles.Signs.Select(s => new SignView(
                s.Code, Message.ByText(s.Name), batches.Count(b => b.Batch.Wrong.Any(w => w.Sign == s.Code)))).ToList());
        }).WithName("GetSigns").WithSummary("What can be seen or felt to have gone wrong.");
        troubles.MapPost("", AskAsync).WithName("FindCause").WithSummary(
            "What it comes from, by what is answered and what the logbook knows, what to do, and what to answer next.");
    }

    private static async Task<Results<Ok<TroubleView>, Refused>> AskAsync(TroubleQuestion asked, KitchenThings things)
    {
        var (_, untaught, batches, _) = await things.ToldAsync();
        var tables = untaught.Reference.Troubles;
        if (tables.Sign(asked.Sign) is not { } sign)
            return Refused.Because("sign", "logbook.no-such", "troubles.cannot-tell");
        if (asked.Answers.Count + (asked.Unknown?.Count ?? 0) > MostAnswers)
            return Refused.Because("answers", "troubles.too-many-answers", "troubles.cannot-tell");
        var known = batches.FirstOrDefault(b => b.Id == asked.Batch) is { } batch
            ? Evidence.Of(batch, untaught.Reference).Where(e => !asked.Answers.ContainsKey(e.Key)).ToDictionary()
            : [];
        var seen = batches.SelectMany(b => b.Batch.Wrong).Where(w => w.Sign == sign.Code && w.Cause is not null)
            .GroupBy(w => w.Cause!)
            .ToDictionary(g => g.Key, g => g.Count());
        var told = Diagnosis.Of(sign, asked.Answers.Concat(known).ToDictionary(), seen, tables, asked.Unknown ?? []);
        return TypedResults.Ok(new TroubleView(
            sign.Code,
            Message.ByText(sign.Name),
            [
                .. told.Causes.Select(c => new CauseView(
                    c.Cause.Code,
                    Message.ByText(c.Cause.Name),
                    c.Likely,
                    c.Because,
                    c.SeenHere,
                    Message.ByText(c.Cause.Now),
                    Message.ByText(c.Cause.Next),
                    c.Cause.Weight.Source.Text)),
            ],
            told.Next is { } next ? new(next.Code, Message.ByText(next.Ask)) : null,
            known));
    }
}
