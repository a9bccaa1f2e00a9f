using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.School;
using Coppia.Core.Wording.Learn;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Logbook;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>A class's whole record as rows of a table.</summary>
internal sealed class ClassTable(
    LibraryNames names,
    WorkRepository work,
    SchoolCalendar calendar,
    IOptions<JsonOptions> json
)
{
    private static readonly string[] Columns =
    [
        "day",
        "learner",
        "instrument",
        "what",
        "about",
        "minutes",
        "tempo",
        "seconds",
        Say("records.class-table.came-of-it"),
        "by",
    ];

    /// <summary>Everything that happened in a class, a row each, what was first first.</summary>
    public string Of(ClassCopy copy)
    {
        var set = copy.Work.ToDictionary(w => w.Id);
        var titles = names.Titles(copy.TuneIds);
        return Written([
            .. copy.Known.SelectMany(RowsOf),
            .. copy.Work.Select(w => SetRow(w, "everyone")),
            .. copy.Learners.SelectMany(l => RowsOf(l, set, titles)),
            .. copy.Lessons.Select(l =>
                Row(
                    Days.Text(l.Day),
                    what: l.TaughtAt is null ? Say("records.class-table.lesson-planned") : "lesson",
                    about: string.Join(
                        "; ",
                        l.Tunes.Select(t => t is { } id ? titles.GetValueOrDefault(id, "") : "")
                            .Where(t => t.Length > 0)
                    ),
                    minutes: $"{LessonInFile.Read(l, json.Value.SerializerOptions)?.Minutes}",
                    by: l.MadeBy
                )
            ),
        ]);
    }

    /// <summary>Everything that happened with one learner.</summary>
    public string Of(LearnerCopy learner) =>
        Written(
            RowsOf(
                learner,
                work.Of(learner.Learner, since: default).ToDictionary(w => w.Id),
                names.Titles(learner.TuneIds)
            )
        );

    private static string Written(IEnumerable<string[]> rows)
    {
        var text = new CsvText().Row(Columns);
        foreach (var row in rows.OrderBy(r => r[0], StringComparer.Ordinal))
            text.Row(row);
        return text.ToString();
    }

    private IEnumerable<string[]> RowsOf(KnownChangeRecord k)
    {
        var about = k.Cause == KnownCause.Tune ? k.About : "";
        foreach (var (what, lines) in new[] { ("known", k.Added), (Say("records.class-table.not-known"), k.Removed) })
        {
            if (lines.Length > 0)
                yield return Row(
                    Day(k.MadeAt),
                    what: what,
                    about: about,
                    came: string.Join("; ", KnownRepository.Lines(lines)),
                    by: k.MadeBy
                );
        }

        if (k.TakenBackAt is { } back)
            yield return Row(
                Day(back),
                what: Say("records.class-table.taken-back"),
                about: about,
                came: string.Join("; ", KnownRepository.Lines(k.Added))
            );
    }

    private IEnumerable<string[]> RowsOf(
        LearnerCopy l,
        IReadOnlyDictionary<long, WorkRecord> set,
        IReadOnlyDictionary<long, string> titles
    )
    {
        var (who, on) = (l.Learner.Nickname, l.Learner.Instrument);
        var own = l.Own.ToDictionary(w => w.Id);
        return
        [
            .. l.Own.Select(w => SetRow(w, who)),
            .. l.Practice.Select(Practised),
            .. l.Answers.Select(Answered),
            .. l.Notes.Select(Noted),
            .. l.Done.SelectMany(Done),
            .. l.HandIns.SelectMany(h => RowsOf(h, who, on)),
        ];

        string[] Practised(PracticeRecord p) =>
            Row(Days.Text(p.Day), who, on, "practised", TitleOf(p.TuneId), $"{p.Minutes}", $"{p.Tempo}", by: p.MadeBy);

        string[] Answered(CardAnswerRecord a)
        {
            var came = a.Right ? "right" : a.Mistake;
            return Row(Days.Text(a.Day), who, on, "card", a.Card, seconds: Seconds(a.Seconds), came: came);
        }

        string[] Noted(LearnerNoteRecord n)
        {
            var came = LearnWords.Note(LearnerNotes.Read(n.Note));
            return Row(Days.Text(n.Day), who, on, "note", TitleOf(n.TuneId), came: came);
        }

        string[][] Done(DoneRecord d) =>
            own.TryGetValue(d.WorkId, out var w) || set.TryGetValue(d.WorkId, out w)
                ? [Row(Day(d.DoneAt), who, on, "done", SetWork.TitleOf(w), by: d.MadeBy)]
                : [];

        string TitleOf(long? tune) => tune is { } id ? titles.GetValueOrDefault(id, "") : "";
    }

    /// <summary>A piece, and what was said of it.</summary>
    private IEnumerable<string[]> RowsOf(HandInCopy h, string who, string on) =>
        h
            .Remarks.Select(r =>
                Row(
                    Day(r.MadeAt),
                    who,
                    on,
                    "remark",
                    h.HandIn.Title,
                    came: (r.Bar is { } b ? Say("records.class-table.rows-of-bar", ("b", b)) : "") + r.Words,
                    by: r.MadeBy
                )
            )
            .Prepend(Row(Day(h.HandIn.MadeAt), who, on, "wrote", h.HandIn.Title, came: StateOf(h.HandIn)));

    private static string StateOf(HandInRecord piece) =>
        piece.State switch
        {
            HandInState.Writing => Say("records.class-table.being-written"),
            HandInState.HandedIn => Say("records.class-table.handed-in"),
            HandInState.GivenBack => Say("records.class-table.given-back"),
            _ => "accepted",
        };

    private string[] SetRow(WorkRecord w, string whom) =>
        Row(
            Day(w.MadeAt),
            w.Instrument is null ? whom : "",
            w.Instrument is { } i ? StringSection.Named(i)?.Name ?? i : "",
            "set",
            SetWork.TitleOf(w),
            tempo: $"{w.Tempo}",
            came: Say("records.class-table.set-row-due", ("text", Days.Text(w.Due))),
            by: w.MadeBy
        );

    private static string[] Row(
        string day,
        string learner = "",
        string instrument = "",
        string what = "",
        string about = "",
        string minutes = "",
        string tempo = "",
        string seconds = "",
        string came = "",
        string by = ""
    ) => [day, learner, instrument, what, about, minutes, tempo, seconds, came, by];

    private string Day(DateTime at) => Days.Text(calendar.DayOf(at));

    private static string Seconds(double seconds) => seconds.ToString("0.#", CultureInfo.InvariantCulture);
}
