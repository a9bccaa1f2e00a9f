using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Questions about single notes: name, finger, write, find, line or space, stem (craft 12).</summary>
internal static class NoteQuestions
{
    /// <exception cref="SheetImpossibleException">The request leaves fewer than two notes.</exception>
    public static IReadOnlyList<Candidate> Pool(SheetRequest request, int count, Seeded seeded)
    {
        // In several clefs the lines of the staff are other notes: several players are asked for the same ones.
        if (request is { Kind.Asks: QuestionKind.LineOrSpace, From.Count: 0, Players.Count: 1 })
            return WholeStaff(request);
        var ground = NoteStock.Of(request);
        var pool = Enumerable
            .Range(0, ground.Count)
            .Where(n => request.Kind.Asks != QuestionKind.LineOrSpace || OnStaff(ground, n))
            .ToArray();
        return pool.Length > 1
            ? [.. pool.Select(n => One(request, ground, n))]
            : throw request.Impossible(SheetFault.TooFewNotes);
    }

    private static Candidate One(SheetRequest request, NoteStock ground, int note)
    {
        var asks = request.Kind.Asks;
        var candidate = new Candidate(
            Asked(byPair: false),
            DifficultyOf(asks, ground, note),
            ground.First(note).Place.String,
            AnswerOf(asks, ground, note)
        );
        return asks == QuestionKind.Write && IsClear(request, ground, note)
            ? candidate with
            {
                OtherForm = Asked(byPair: true),
            }
            : candidate;

        IReadOnlyList<Question> Asked(bool byPair) =>
            [
                .. ground
                    .Notes[note]
                    .Select(t => new NoteQuestion(
                        asks,
                        t.Pitch,
                        request.MusicKey.Signature,
                        asks is QuestionKind.Write or QuestionKind.Find ? t.Place.Pair : null,
                        byPair
                    )),
            ];
    }

    private static int DifficultyOf(QuestionKind asks, NoteStock ground, int note) =>
        asks switch
        {
            QuestionKind.Name => Math.Min(2, ground.LedgerLines(note)) + (ground.First(note).Pitch.Alter == 0 ? 0 : 1),
            QuestionKind.LineOrSpace => HeightOf(ground, note).Height / 3,
            QuestionKind.Stem => 2 - Math.Min(2, Math.Abs(HeightOf(ground, note).Height - StaffPlace.MiddleLine)),
            _ => ground.FingerDifficulty(note),
        };

    private static object AnswerOf(QuestionKind asks, NoteStock ground, int note) =>
        asks switch
        {
            QuestionKind.Name => (ground.First(note).Pitch.Letter, ground.First(note).Pitch.Alter),
            QuestionKind.LineOrSpace => HeightOf(ground, note).OnLine,
            QuestionKind.Stem => HeightOf(ground, note).StemUp,
            _ => note,
        };

    /// <summary>Only a pair that means this note and no other can be asked for it.</summary>
    private static bool IsClear(SheetRequest request, NoteStock ground, int note) =>
        ground
            .Notes[note]
            .Zip(request.Players)
            .All(t =>
                PairNote.Of(t.Second, t.First.Place.Pair, request.MusicKey.Signature) == t.First.Pitch
                && PairNote.All(t.Second, t.First.Place.Pair, request.MusicKey.Signature).Count == 1
            );

    private static StaffPlace HeightOf(NoteStock ground, int note) =>
        StaffPlace.Of(ground.First(note).Pitch, ground.Players[0].Instrument.FirstClef);

    private static bool OnStaff(NoteStock ground, int note) =>
        ground
            .Notes[note]
            .Zip(ground.Players)
            .All(t => StaffPlace.Of(t.First.Pitch, t.Second.Instrument.FirstClef).OnStaff);

    /// <summary>Every line and space of the staff, in each player's clef.</summary>
    private static IReadOnlyList<Candidate> WholeStaff(SheetRequest request)
    {
        var heights = Enumerable
            .Range(0, StaffPlace.TopLine + 1)
            .Select(h => new StaffPlace(h))
            .Where(Wanted)
            .ToArray();
        if (heights.Length < 2)
        {
            var clef = request.First.Instrument.FirstClef;
            throw new SheetImpossibleException(SheetFault.TooFewNotes, request.Kind, request.First.Instrument)
            {
                PossibleRange = (clef.PitchAt(0), clef.PitchAt(StaffPlace.TopLine)),
            };
        }

        return
        [
            .. heights.Select(h => new Candidate(
                [
                    .. request.Players.Select(p => new NoteQuestion(
                        request.Kind.Asks,
                        p.Instrument.FirstClef.PitchAt(h.Height),
                        default
                    )),
                ],
                h.Height / 3,
                h.OnLine,
                h.OnLine
            )),
        ];

        bool Wanted(StaffPlace place)
        {
            var pitch = request.First.Instrument.FirstClef.PitchAt(place.Height);
            return (request.Lowest is not { } low || pitch.Step >= low.Step)
                && (request.Highest is not { } high || pitch.Step <= high.Step);
        }
    }
}
