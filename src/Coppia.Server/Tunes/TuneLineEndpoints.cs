using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Stand;
using Coppia.Data.Tunes;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>One line of a score, to choose who reads it.</summary>
/// <param name="Key">Names it in a choice.</param>
/// <param name="Name">As a person would call it.</param>
/// <param name="Clef">Its first clef.</param>
/// <param name="Notes">How many notes it has.</param>
/// <param name="FirstNotes">Names of its first notes.</param>
public sealed record ScoreLineView(string Key, string Name, string Clef, int Notes, IReadOnlyList<string> FirstNotes);

/// <summary>The lines of a tune's score and who reads which.</summary>
/// <param name="Version">The tune's version.</param>
public sealed record ScoreLinesView(IReadOnlyList<ScoreLineView> Lines, LinesForWhom Chosen, int Version);

/// <summary>Who reads which line, with the version of the tune that the chooser saw.</summary>
public sealed record LinesChoice(string Main, IReadOnlyDictionary<string, string> For, int Version);

/// <summary>Which line of a score is for whom.</summary>
internal static class TuneLineEndpoints
{
    private const int ShownNotes = 6;

    public static void MapTuneLines(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/tunes/{id:long}/lines", Get).WithName("getLines").ProducesProblem(404);
        api.MapPut("/api/tunes/{id:long}/lines", Put)
            .WithName("chooseLines")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
    }

    private static ScoreLinesView Get(Readings readings, HouseStyles styles, long id)
    {
        var kept = readings.Kept(id);
        var chosen =
            LinesForWhom.OfJson(kept.Tune.Lines)
            ?? new LinesForWhom(kept.Line.Key, new Dictionary<string, string> { [kept.PrintedFor] = kept.Line.Key });
        var style = styles.Current().Style;
        return new ScoreLinesView([.. kept.Lines.Select((l, i) => View(l, i, style))], chosen, kept.Tune.Version);
    }

    private static ScoreLineView View(ScoreLine line, int order, HouseStyle style)
    {
        var notes = line.Score.Events.Where(e => e.Pitch is not null).ToArray();
        return new ScoreLineView(
            Key: line.Key,
            Name: line.Name.Length > 0 ? line.Name : Say("tunes.tune-line.view-line", ("order", order + 1)),
            Clef: line.Score.Clef.Name,
            Notes: notes.Length,
            FirstNotes: [.. notes.Take(ShownNotes).Select(n => Labels.Note(n.Pitch!.Value, style))]
        );
    }

    private static NoContent Put(
        Readings readings,
        TuneRepository tunes,
        OctaveRepository octaves,
        long id,
        LinesChoice request
    )
    {
        var kept = readings.Kept(id);
        var keys = kept.Lines.Select(l => l.Key).ToHashSet();
        if (request.For.Values.Append(request.Main).FirstOrDefault(k => !keys.Contains(k)) is { } stray)
            throw new RefusedException(
                422,
                Say(
                    "tunes.tune-line.there-is-no-line-in-this-tune",
                    ("stray", stray),
                    ("keys", English.Either([.. keys]))
                )
            );
        if (request.For.Keys.FirstOrDefault(i => StringSection.Named(i) is null) is { } nobody)
            throw HouseStyles.NoInstrument(nobody);
        var main = kept.Lines.First(l => l.Key == request.Main);
        var chosen = new LinesForWhom(request.Main, request.For);
        tunes
            .ChooseLines(id, request.Version, chosen.ToJson(), LinesForWhom.Offered(main).For.Id)
            .OrRefuse(Say("tunes.tune-line.this-tune-was-changed-in-another"), Readings.NoTune(id));
        foreach (var (instrument, octave) in NewTune.OfferedOctaves(chosen.For, kept.Lines))
        {
            if (octaves.Of(id, instrument) is null)
                octaves.Choose(id, instrument, octave);
        }

        return TypedResults.NoContent();
    }
}
