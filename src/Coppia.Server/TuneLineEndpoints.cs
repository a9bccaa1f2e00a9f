using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>One line of a score, to choose who reads it.</summary>
/// <param name="Key">Names it in a choice.</param>
/// <param name="Name">As a person would call it.</param>
/// <param name="Clef">Its first clef.</param>
/// <param name="Notes">How many notes it has.</param>
/// <param name="FirstNotes">Names of its first notes.</param>
public sealed record ScoreLineView(string Key, string Name, string Clef, int Notes, IReadOnlyList<string> FirstNotes);

/// <summary>The lines of a tune's score and who reads which.</summary>
public sealed record ScoreLinesView(IReadOnlyList<ScoreLineView> Lines, LinesForWhom Chosen);

/// <summary>Which line of a score is for whom.</summary>
internal static class TuneLineEndpoints
{
    private const int ShownNotes = 6;

    public static void MapTuneLines(this WebApplication app)
    {
        app.MapGet("/api/tunes/{id:long}/lines", Get).WithName("getLines").ProducesProblem(404);
        app.MapPut("/api/tunes/{id:long}/lines", Put).WithName("chooseLines").ProducesProblem(404).ProducesProblem(422);
    }

    /// <summary>
    /// A double bass line that is written where it sounds is read an octave higher; the teacher may choose another octave on the stand.
    /// </summary>
    internal static void OfferOctaves(OctaveRepository octaves, TuneRecord tune, ReadResult read)
    {
        var chosen = LinesForWhom.OfJson(tune.Lines)?.For ?? new Dictionary<string, string> { [tune.PrintedFor] = read.Main!.Key };
        foreach (var (instrument, key) in chosen)
        {
            if (StringSection.Named(instrument) is not { } player || read.Line(key) is not { } line)
                continue;
            if (WhichLine.WrittenTooLow(player, line.Score) is > 0 and var octave && octaves.Of(tune.Id, instrument) is null)
                octaves.Choose(tune.Id, instrument, octave);
        }
    }

    private static Results<Ok<ScoreLinesView>, ProblemHttpResult> Get(Readings readings, Styles styles, long id)
    {
        if (readings.Missing(id, out var kept) is { } problem)
            return problem;
        var chosen =
            LinesForWhom.OfJson(kept.Tune.Lines)
            ?? new LinesForWhom(kept.Line.Key, new Dictionary<string, string> { [kept.PrintedFor] = kept.Line.Key });
        var style = styles.Current().Style;
        return TypedResults.Ok(new ScoreLinesView([.. kept.Lines.Select((l, i) => View(l, i, style))], chosen));
    }

    private static ScoreLineView View(ScoreLine line, int order, HouseStyle style)
    {
        var notes = line.Score.Events.Where(e => e.Pitch is not null).ToArray();
        return new ScoreLineView(
            Key: line.Key,
            Name: line.Name.Length > 0 ? line.Name : $"Line {order + 1}",
            Clef: line.Score.Clef.Name,
            Notes: notes.Length,
            FirstNotes: [.. notes.Take(ShownNotes).Select(n => Labels.Note(n.Pitch!.Value, style))]
        );
    }

    private static Results<NoContent, ProblemHttpResult> Put(
        Readings readings,
        TuneRepository tunes,
        OctaveRepository octaves,
        long id,
        LinesForWhom request
    )
    {
        if (readings.Missing(id, out var kept) is { } problem)
            return problem;
        var keys = kept.Lines.Select(l => l.Key).ToHashSet();
        if (request.For.Values.Append(request.Main).FirstOrDefault(k => !keys.Contains(k)) is { } stray)
            return TypedResults.Problem(
                statusCode: 422,
                title: $"There is no line “{stray}” in this tune; expected {English.List([.. keys], "or")}."
            );
        if (request.For.Keys.FirstOrDefault(i => StringSection.Named(i) is null) is { } nobody)
            return Problems.NoInstrument(nobody);
        var main = kept.Lines.First(l => l.Key == request.Main);
        tunes.ChooseLines(id, request.ToJson(), LinesForWhom.Offered(main).For.Id);
        OfferOctaves(octaves, tunes.Find(id)!, TuneReader.Read(kept.Tune.Source));
        return TypedResults.NoContent();
    }
}
