using Coppia.Core.Bowing;
using Coppia.Core.Lesson;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.MusicXml;

namespace Coppia.Server.Stand;

/// <summary>One section of a mixed class in a tune.</summary>
/// <param name="Key">Names it in addresses; those who read a line of their own are a section by themselves.</param>
/// <param name="Players">As they are called: "violins".</param>
/// <param name="Learners">How many there are in the class; 0 where no class is chosen.</param>
/// <param name="Line">The line of the score that it reads; null where there is one.</param>
/// <param name="Moved">How far its notes were moved from the print; null where they stayed.</param>
/// <param name="CannotPlay">Notes that no finger reaches, a sentence a bar.</param>
/// <param name="Beyond">How many notes lie beyond what it has learned.</param>
/// <param name="Prefix">What its ids begin with in the score of all sections.</param>
public sealed record TogetherSectionView(
    string Key,
    string Instrument,
    string Name,
    string Players,
    int Learners,
    string? Line,
    string? Moved,
    IReadOnlyList<string> CannotPlay,
    int Beyond,
    string Prefix
);

/// <summary>What one section does at a moment.</summary>
/// <param name="NoteId">The note that it begins; null where it begins none.</param>
/// <param name="Label">The pair as the row prints it, "-" out of reach, empty where it begins no note.</param>
/// <param name="Sign">Finger with its place sign, without the string.</param>
/// <param name="Holds">It still holds an earlier note.</param>
/// <param name="Position">The position's name where the hand arrives in it.</param>
/// <param name="Midi">Sounding MIDI key number.</param>
/// <param name="Length">Of the note, in quarters.</param>
/// <param name="Bow">Null where the note goes on in the stroke before, and where it is plucked.</param>
/// <param name="BowAgain">The second time through a repeat, where it differs.</param>
public sealed record SectionMomentView(
    string? NoteId,
    string Label,
    string? Sign,
    bool Holds,
    string? Position,
    int? Midi,
    double Length,
    BowDirection? Bow,
    BowDirection? BowAgain
);

/// <summary>A moment to call.</summary>
/// <param name="Beat">As it is read, such as 2½: from 1, in beats of the time signature's lower number.</param>
/// <param name="At">Quarters from the first note of its bar.</param>
/// <param name="Lasts">Quarters until the next moment; 0 for a grace note.</param>
/// <param name="Name">The note's name; "rest" where all are silent.</param>
/// <param name="Pairs">What is called to whom.</param>
/// <param name="Cues">Fingers that stay or get ready, hands that are set or move.</param>
/// <param name="Times">How often it is called in all, where the same comes again at once within the bar; 0 for those
/// that follow.</param>
public sealed record CallMomentView(
    string Beat,
    double At,
    double Lasts,
    bool IsGrace,
    bool IsRest,
    string Name,
    string Count,
    string Pairs,
    IReadOnlyList<string> Cues,
    int Times,
    IReadOnlyList<SectionMomentView> Sections
);

/// <summary>The moments of one bar.</summary>
/// <param name="Order">Of the bar, from 0.</param>
public sealed record CallBarView(int Order, string Id, int Number, string Name, IReadOnlyList<CallMomentView> Moments);

/// <summary>The calls of one line.</summary>
/// <param name="Letter">Of the line: A, B, A′.</param>
/// <param name="Own">What single sections are told before it.</param>
public sealed record CallLineView(
    int FirstBar,
    int EndBar,
    string Letter,
    IReadOnlyList<string> Own,
    IReadOnlyList<CallBarView> Bars
);

/// <summary>A tune for all sections of a class at once.</summary>
/// <param name="Lead">The section whose reading gives bars, lines and order of playing.</param>
/// <param name="IsOneLine">All sections read the same line of the score.</param>
public sealed record TogetherView(
    long TuneId,
    string Title,
    string Lead,
    bool IsOneLine,
    int TempoQuarters,
    IReadOnlyList<TogetherSectionView> Sections,
    IReadOnlyList<CallLineView> Lines
)
{
    /// <summary>What the ids of a section begin with, in the score of all; the first one's are its own.</summary>
    internal static string Prefix(int section) => section == 0 ? "" : $"ls{section + 1}-";

    internal static TogetherView Of(KeptTune kept, CallSheet sheet, IReadOnlyList<SectionOfTune> sections)
    {
        var called = new Called(
            sheet,
            new CallWords(sheet, [.. sections.Select(s => s.Called)]),
            [.. sheet.Sections.Select(s => new ReadingWords(s))]
        );
        var form = sheet.Sections[0].Tune.Form.Lines;
        return new TogetherView(
            TuneId: kept.Tune.Id,
            Title: kept.Tune.Title,
            Lead: sections[0].Key,
            IsOneLine: sections.Select(s => s.Kept.Line.Key).Distinct().Count() == 1,
            TempoQuarters: ReadingView.TempoOf(sheet.Sections[0].Score),
            Sections: [.. sections.Select((s, i) => called.Section(kept, s, i))],
            Lines: [.. sheet.Lines.Select((l, i) => called.Line(l, FormWords.Letter(form[i])))]
        );
    }

    /// <summary>A call sheet in words.</summary>
    private sealed record Called(CallSheet Sheet, CallWords Words, ReadingWords[] Readings)
    {
        public TogetherSectionView Section(KeptTune kept, SectionOfTune section, int i)
        {
            var reading = Sheet.Sections[i];
            var instrument = reading.Instrument;
            return new TogetherSectionView(
                Key: section.Key,
                Instrument: instrument.Id,
                Name: section.Line is { } own ? $"{instrument.Name}, {own}" : instrument.Name,
                Players: Words.Section(i),
                Learners: section.Learners,
                Line: kept.Lines.Count > 1 ? section.Kept.Line.Name : null,
                Moved: OctaveWords.Moved(reading.OctavesMoved),
                CannotPlay: [.. Readings[i].Warnings],
                Beyond: reading.Notes.Count(n => n is { Placement: not null, Fingered.Beyond: true }),
                Prefix: Prefix(i)
            );
        }

        public CallLineView Line(CallLine line, string letter) =>
            new(
                line.FirstBar,
                line.EndBar,
                letter,
                [.. line.Own.Select(Words.Of)],
                [
                    .. line
                        .Moments.GroupBy(m => m.BarOrder)
                        .Select(b => new CallBarView(
                            b.Key,
                            b.First().Bar.Id,
                            b.First().Bar.Number,
                            b.First().Bar.Spoken(),
                            Moments([.. b])
                        )),
                ]
            );

        private CallMomentView[] Moments(CallMoment[] bar)
        {
            var times = CallSheet.Times(bar, Words.Call);
            return [.. bar.Select((m, i) => Moment(m, times[i]))];
        }

        private CallMomentView Moment(CallMoment moment, int times) =>
            new(
                Beat: English.Mixed(moment.Beat),
                At: ReadingView.Quarters(moment.Onset - moment.Bar.StartsAt),
                Lasts: moment.IsGrace ? 0 : ReadingView.Quarters(moment.Lasts),
                IsGrace: moment.IsGrace,
                IsRest: moment.IsRest,
                Name: Words.Name(moment),
                Count: moment
                    .Sections.Index()
                    .Where(s => s.Item.Note is not null)
                    .Select(s => Readings[s.Index].Count(s.Item.Note!))
                    .FirstOrDefault("")!,
                Pairs: Words.Pairs(moment),
                Cues: [.. Words.Cues(moment)],
                Times: times,
                Sections: [.. moment.Sections.Select((does, s) => Does(does, s, Words.Label(moment, s)))]
            );

        private SectionMomentView Does(SectionDoes does, int section, string label)
        {
            var (reading, note) = (Sheet.Sections[section], does.Note);
            var bowed = note is not null && !note.Note.Slurred && !reading.Tune.Bowing.Plucked[note.Note.Index];
            return new SectionMomentView(
                NoteId: note?.Note.Id,
                Label: label,
                Sign: note?.Placement is { } at ? Labels.FingerSign(at.Pair, reading.Player.Style) : null,
                Holds: does.Holds,
                Position: note is null ? null : Readings[section].NewPosition(note),
                Midi: note is null ? null : note.Note.Pitch.Midi + 12 * reading.Instrument.SoundingOctave,
                Length: note is null ? 0 : ReadingView.Quarters(note.Note.Length),
                Bow: bowed ? note!.Bow : null,
                BowAgain: bowed ? note!.BowAgain : null
            );
        }
    }
}

/// <summary>A key that a class may play a tune in.</summary>
/// <param name="Fifths">Of its signature.</param>
/// <param name="Name">"G major".</param>
/// <param name="IsPrint">The key of the print.</param>
/// <param name="Moved">"a fourth higher".</param>
/// <param name="Fits">"nothing new", "3 notes out of reach".</param>
/// <param name="OutOfReach">Notes that no finger reaches.</param>
/// <param name="Weight">What the new things weigh together.</param>
/// <param name="New">The new things by name.</param>
public sealed record KeyOfferView(
    int Fifths,
    string Name,
    bool IsPrint,
    string Moved,
    string Fits,
    int OutOfReach,
    int Weight,
    IReadOnlyList<string> New
)
{
    internal static KeyOfferView Of(KeyOffer offer)
    {
        var style = offer.Sections[0].Player.Style;
        var words = new NewsWords(style);
        return new KeyOfferView(
            offer.Key.Fifths,
            Labels.Key(offer.Key, style),
            offer.Move.Fifths == 0,
            KeyOfferWords.Moved(offer.Interval),
            KeyOfferWords.Fits(offer),
            offer.OutOfReach,
            offer.Weight,
            [.. offer.New.Select(words.Name).Distinct()]
        );
    }
}

/// <summary>All sections' parts as one score.</summary>
/// <param name="MusicXml">Each section's ids begin with its prefix.</param>
public sealed record StavesView(string MusicXml, MusicXmlSlots Slots);
