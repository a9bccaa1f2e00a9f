using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;

namespace Coppia.Server;

/// <summary>The steps of a lesson in words, with what only their tunes can tell; each tune is read once.</summary>
/// <param name="instruments">Of those whom they are told to.</param>
/// <param name="titles">Of the tunes that there are.</param>
internal sealed class StepWords(
    TunesOfClass tunes,
    Readings readings,
    ClassRecord one,
    IReadOnlyList<Instrument> instruments,
    HouseStyle style,
    IReadOnlyDictionary<long, string> titles
)
{
    private readonly LessonWords _words = new(style, instruments);
    private readonly Dictionary<long, IReadOnlyList<SectionReading>> _read = [];

    public string Title(long? tune) => tune is { } id && titles.TryGetValue(id, out var title) ? title : "A tune that is gone";

    /// <param name="starts">Minutes from the beginning of the lesson.</param>
    public StepView Of(StepDoc doc, LessonStep step, int talkSeconds, double starts)
    {
        var bars = BarsOf(step);
        var seconds = step.Seconds(talkSeconds);
        return new StepView(
            doc,
            _words.Title(step, Title(step.TuneId)),
            _words.Detail(step, bars, More(step)),
            seconds,
            LessonWords.Minutes(seconds),
            starts,
            bars
        );
    }

    private string BarsOf(LessonStep step) =>
        step.EndBar > step.FirstBar && Read(step.TuneId) is [var first, ..]
            ? English.Bars(first.Reading.Score.Bars.Skip(step.FirstBar).Take(step.EndBar - step.FirstBar).Select(b => b.Number))
            : "";

    private string More(LessonStep step) =>
        step.Part switch
        {
            LessonPart.News => News(step),
            LessonPart.Chunk => Why(step),
            _ => "",
        };

    private string News(LessonStep step)
    {
        if (Read(step.TuneId) is not { Count: > 0 } read)
            return "";
        var things = TuneFits.Named([.. read.Select(r => r.Player)], [.. read.Select(r => readings.NewsOf(r.Kept, r.Player))]);
        return things.Count > 0 ? English.Sentence(string.Join("; ", things)) : "Nothing is new any more.";
    }

    /// <summary>
    /// Why a trouble spot is hard; sections for which it is hard alike are told together, and one that is told alone is not named.
    /// </summary>
    private string Why(LessonStep step)
    {
        var hard = Read(step.TuneId).SelectMany(r => r.Reading.Trouble.Where(t => IsAt(r, t, step)).Take(1).Select(t => Why(r, t)));
        if (instruments.Count == 1)
            return string.Concat(hard.Select(w => w.Why));
        var said = hard.GroupBy(w => w.Why).Select(g => $"{English.List([.. g.Select(w => w.Who)])}: {g.Key}");
        return string.Join(" ", said.Select((s, i) => i == 0 ? s : English.Capital(s)));
    }

    private static bool IsAt(SectionReading read, TroubleSpot spot, LessonStep step) => read.Reading.Notes[spot.To].Note.Id == step.NoteId;

    private static (string Who, string Why) Why(SectionReading read, TroubleSpot spot) =>
        (English.Plural(read.Player.Instrument.Id), new TroubleWords(read.Reading.Fingering).Of(spot));

    private IReadOnlyList<SectionReading> Read(long? tune) =>
        tune is not { } id ? []
        : _read.TryGetValue(id, out var read) ? read
        : _read[id] = tunes.Read(one, id, instruments);
}
