namespace Coppia.Tests;

/// <summary>
/// Sheets by kind, key, class and values, against rules of their own (craft 12): what is asked for is what comes, or
/// the request is refused; nothing is unknown to the class but what the sheet is set to teach; all four get the same
/// notes, or it is told that they do not.
/// </summary>
public class SheetOracleTests
{
    private static readonly ExerciseKind[] ToPlay = [.. ExerciseKind.All.Where(k => k.IsPlayed && !k.NeedsATune)];

    private static readonly string[] Four = ["violin", "viola", "cello", "bass"];

    private static Sheet? Made(
        ExerciseKind kind,
        string who,
        int fifths = 2,
        string values = "",
        string meter = "",
        ClassKnowledge? known = null,
        int seed = 1
    )
    {
        try
        {
            return Sheet.Of(
                new SheetRequest
                {
                    Kind = kind,
                    Players = [new Player(Lines.Instrument(who), known: known)],
                    Key = new ScaleKey(fifths, ScaleForm.Major),
                    Values = [.. values.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Value)],
                    Meter = meter.Length == 0 ? null : new TimeSignature(meter[0] - '0', meter[2] - '0'),
                    Seed = seed,
                }
            )[0];
        }
        catch (SheetImpossibleException)
        {
            return null;
        }
    }

    private static NoteValue Value(string text) =>
        text switch
        {
            "1/1" => new(0),
            "3/4" => new(1, 1),
            "1/2" => new(1),
            "1/4" => NoteValue.Quarter,
            "1/8" => new(3),
            _ => new(4),
        };

    private static IEnumerable<ScoreEvent> Events(Sheet sheet) =>
        sheet.Items.SelectMany(i => ((PlayQuestion)i.Question).Music.Events);

    [Fact] // Every value that is written was asked for; each kind is made of the quarter, and of the half.
    public void The_values_that_are_asked_for_are_obeyed_or_the_request_is_refused()
    {
        foreach (var kind in ToPlay)
        {
            foreach (var who in Four)
            {
                foreach (var values in new[] { "1/4", "1/2", "1/8", "1/4 1/8", "3/4", "1/1", "1/2 1/4" })
                {
                    if (Made(kind, who, values: values) is { } sheet)
                    {
                        var asked = values.Split(' ').Select(Value).ToHashSet();
                        Assert.All(Events(sheet).Where(e => !e.IsRest), e => Assert.Contains(e.Value, asked));
                        Assert.All(
                            sheet.Items.SelectMany(i => ((PlayQuestion)i.Question).Music.Bars),
                            b => Assert.Equal(b.Time!.Value.BarLength, b.Length)
                        );
                    }
                    else if (values == "1/4" && kind.Id is not ("hooked" or "long-bow"))
                    {
                        Assert.Null(Made(kind, who));
                    }
                }
            }
        }
    }

    [Fact] // A class of the first fingers has quarters, halves and wholes, the notes of D and A, and no rests.
    public void Nothing_is_unknown_to_the_class_but_what_the_sheet_teaches()
    {
        foreach (var who in Four)
        {
            var learned = UsualOrder.UpTo(Stage.FirstFingers, [Lines.Instrument(who)]);
            var known = ClassKnowledge.Of(learned);
            var notes = learned.OfType<KnownNote>().Select(n => n.Pitch).ToHashSet();
            foreach (var kind in ToPlay)
            {
                if (Made(kind, who, known: known) is not { } sheet)
                    continue;
                foreach (var e in Events(sheet))
                {
                    Assert.False(e.IsRest, $"{kind} for {who}: a rest");
                    // Quick figures are there to teach quick notes.
                    Assert.True(
                        known.Values.Contains(e.Value) || kind == ExerciseKind.QuickFigure,
                        $"{kind} for {who}: {e.Value}"
                    );
                    Assert.False(e.TiedOn, $"{kind} for {who}: a tie");
                    Assert.True(e.SlurStarts == 0 || kind.Id is "slurs" or "hooked", $"{kind} for {who}: a slur");
                    var teaches = kind.Id is "low-high" or "two-places" or "stretch" or "bass-frames" or "open-or-four";
                    Assert.True(teaches || notes.Contains(e.Pitch!.Value), $"{kind} for {who}: {e.Pitch}");
                }
            }
        }
    }

    [Theory] // What is about to be taught is not refused: hooks, slurs, the fourth finger, low 2, the bass's slide.
    [InlineData("hooked", "violin viola cello bass")]
    [InlineData("slurs", "violin viola cello bass")]
    [InlineData("open-or-four", "violin viola")]
    [InlineData("low-high", "violin viola cello bass")]
    [InlineData("bass-frames", "bass")]
    [InlineData("stretch", "violin viola cello")]
    [InlineData("quick-figure", "violin viola cello bass")]
    public void What_is_about_to_be_taught_can_be_made(string kind, string who)
    {
        foreach (var one in who.Split(' '))
            Assert.NotNull(
                Made(
                    ExerciseKind.Named(kind)!,
                    one,
                    known: ClassKnowledge.Of(UsualOrder.UpTo(Stage.FirstFingers, [Lines.Instrument(one)]))
                )
            );
    }

    /// <summary>Letters that a signature makes sharp or flat (craft 1).</summary>
    private static int Alter(int fifths, Letter letter)
    {
        var place = "FCGDAEB".IndexOf($"{letter}", StringComparison.Ordinal);
        return fifths > place ? 1
            : fifths < 0 && 6 - place < -fifths ? -1
            : 0;
    }

    [Fact] // Only what has another place by its nature leaves the key.
    public void Exercises_stay_in_their_key()
    {
        ExerciseKind[] leave =
        [
            ExerciseKind.LowHigh,
            ExerciseKind.TwoPlaces,
            ExerciseKind.Stretch,
            ExerciseKind.BassFrames,
        ];
        var made = 0;
        foreach (var kind in ToPlay.Except(leave))
        {
            foreach (var who in Four)
            {
                for (var fifths = -4; fifths <= 4; fifths++)
                {
                    if (Made(kind, who, fifths) is not { } sheet)
                        continue;
                    made++;
                    Assert.All(
                        Events(sheet).Where(e => !e.IsRest),
                        e =>
                            Assert.Equal(
                                (kind, who, fifths, Alter(fifths, e.Pitch!.Value.Letter)),
                                (kind, who, fifths, e.Pitch!.Value.Alter)
                            )
                    );
                }
            }
        }

        Assert.True(made > 250, $"{made} were made");
    }

    // Hands are opened where a sheet is about that, where a scale has to be whole, or where a flat is reached back for.
    [Fact]
    public void Stretches_come_only_on_wish()
    {
        ExerciseKind[] wished =
        [
            ExerciseKind.Stretch,
            ExerciseKind.Scale,
            ExerciseKind.Arpeggio,
            ExerciseKind.Thirds,
            ExerciseKind.Hooked,
            ExerciseKind.Slurs,
        ];
        foreach (var kind in ToPlay.Except(wished))
        {
            foreach (var who in Four)
            {
                for (var fifths = -3; fifths <= 4; fifths++)
                {
                    if (Made(kind, who, fifths) is not { } sheet)
                        continue;
                    foreach (
                        var note in ((PlayAnswer)sheet.Items[0].Answer).Reading.Notes.Where(n =>
                            n.Placement is not null
                        )
                    )
                    {
                        var at = note.Placement!.Value;
                        var opened =
                            at.Word == PlaceWord.Forward
                            || at is { Word: PlaceWord.High, Finger: 4 }
                            || at.Word == PlaceWord.Back && note.Note.Pitch.Alter >= 0;
                        // A finger that moves to its other place may have to reach there.
                        Assert.True(
                            !opened || kind.Id is "low-high" or "two-places",
                            $"{kind} for {who} in {fifths}: {note.Note.Pitch} {at.Pair}"
                        );
                    }
                }
            }
        }
    }

    [Fact] // The same content for all four, or it is said why not.
    public void All_four_get_the_same_or_it_is_told()
    {
        var same = new List<ExerciseKind>();
        foreach (var kind in ExerciseKind.All.Where(k => !k.NeedsATune))
        {
            IReadOnlyList<Sheet> sheets;
            try
            {
                sheets = Sheet.Of(
                    new SheetRequest
                    {
                        Kind = kind,
                        Players = [.. Four.Select(i => new Player(Lines.Instrument(i)))],
                        Key = kind == ExerciseKind.Signature ? null : new ScaleKey(2, ScaleForm.Major),
                    }
                );
            }
            catch (SheetImpossibleException e)
            {
                Assert.NotEmpty(ImpossibleWords.Of(e, HouseStyle.Default));
                continue;
            }

            string[] names = [.. sheets.Select(Names)];
            Assert.Equal(names.Distinct().Count() == 1, Sheet.IsSameForAll(sheets));
            if (names.Distinct().Count() == 1)
                same.Add(kind);
        }

        // What lies in one scale or on one string can be the same for all.
        ExerciseKind[] must =
        [
            ExerciseKind.NameIt,
            ExerciseKind.FingerIt,
            ExerciseKind.WriteIt,
            ExerciseKind.FindIt,
            ExerciseKind.LineOrSpace,
            ExerciseKind.Stems,
            ExerciseKind.ShapeDrill,
            ExerciseKind.Crossing,
            ExerciseKind.Scale,
            ExerciseKind.Arpeggio,
            ExerciseKind.Thirds,
            ExerciseKind.Hooked,
            ExerciseKind.Slurs,
            ExerciseKind.QuickFigure,
            ExerciseKind.Rhythm,
            ExerciseKind.LongBow,
        ];
        Assert.Empty(must.Except(same));

        static string Names(Sheet sheet) =>
            string.Join(
                ';',
                sheet.Items.Select(i =>
                    i.Question switch
                    {
                        NoteQuestion q => q.Note.Name,
                        PlayQuestion q => string.Join(
                            ' ',
                            q.Music.Events.Select(e => $"{e.Pitch?.Name}{e.Value.Length}")
                        ),
                        BarsQuestion { Kind: not QuestionKind.Count } q => string.Join(
                            ' ',
                            q.Music.Events.Select(e => $"{e.Pitch?.Name}{e.Value.Length}")
                        ),
                        ScaleQuestion q => q.First.Name,
                        _ => "",
                    }
                )
            );
    }

    [Fact] // Two neighbouring bars of a rhythm sheet are never the same bar.
    public void No_two_neighbours_of_a_rhythm_sheet_are_equal()
    {
        for (var seed = 1; seed <= Rounds.Of(200, 40); seed++)
        {
            foreach (var meter in new[] { "4/4", "3/4", "2/4", "6/8" })
            {
                if (Made(ExerciseKind.Rhythm, Four[seed % 4], meter: meter, seed: seed) is not { } sheet)
                    continue;
                string[] bars =
                [
                    .. ((PlayQuestion)sheet.Items[0].Question).Music.Bars.Select(b =>
                        string.Join(' ', b.Events.Select(e => $"{e.Pitch}{e.Value.Length}"))
                    ),
                ];
                Assert.All(bars.Zip(bars.Skip(1)), p => Assert.NotEqual(p.First, p.Second));
            }
        }
    }

    // A question by string and finger has one answer: half position has the same fingers a half step lower (craft 3).
    [Fact]
    public void A_pair_that_is_to_be_written_means_one_note()
    {
        var asked = 0;
        foreach (var who in new[] { "cello", "bass" })
        {
            int[] firsts = who == "cello" ? [2, 3, 4, 5] : [2, 3, 0, 4];
            for (var fifths = -4; fifths <= 4; fifths++)
            {
                for (var seed = 1; seed <= Rounds.Of(20, 5); seed++)
                {
                    if (Made(ExerciseKind.WriteIt, who, fifths, seed: seed) is not { } sheet)
                        continue;
                    foreach (
                        var q in sheet
                            .Items.Select(i => (NoteQuestion)i.Question)
                            .Where(q => q is { ByPair: true, Place: { IsOpen: false } })
                    )
                    {
                        asked++;
                        var pair = q.Place!.Value;
                        if (pair.Word != PlaceWord.Regular || pair.Finger > firsts.Length)
                            continue;
                        var open = sheet.Player.Instrument.Strings[pair.String].Midi;
                        int[] sounds = [open + firsts[pair.Finger - 1], open + firsts[pair.Finger - 1] - 1];
                        var inKey = sounds.Where(m =>
                            Enum.GetValues<Letter>()
                                .Any(l =>
                                    new Pitch(l, Alter(fifths, l), m / 12 - 1).Midi == m
                                    || new Pitch(l, Alter(fifths, l), m / 12).Midi == m
                                    || new Pitch(l, Alter(fifths, l), m / 12 - 2).Midi == m
                                )
                        );
                        Assert.Single(inKey);
                    }
                }
            }
        }

        Assert.True(asked > 50, $"{asked}");
    }

    [Fact] // A waltz makes its scale, chords and slurs in three.
    public void A_tune_in_three_makes_its_scale_in_three()
    {
        var waltz = Lines.Score("G", "G2 A|B2 A|G3|D3|", "3/4");
        var player = new Player(StringSection.Violin);
        foreach (
            var kind in new[]
            {
                ExerciseKind.Scale,
                ExerciseKind.Arpeggio,
                ExerciseKind.Thirds,
                ExerciseKind.Slurs,
                ExerciseKind.Hooked,
            }
        )
        {
            var request = new SheetRequest
            {
                Kind = kind,
                Players = [player],
                From = [PlayerReading.Of(waltz, StringSection.Violin, player)],
            };
            Assert.Equal(new TimeSignature(3, 4), ((PlayQuestion)Sheet.Of(request)[0].Items[0].Question).Music.Time);
        }
    }

    [Fact] // Music to play carries the finger of every note in MusicXML (W3C MusicXML 4.0, the fingering element).
    public void Exercises_to_play_carry_their_fingers()
    {
        foreach (var kind in ToPlay)
        {
            if (Made(kind, "violin") is not { } sheet)
                continue;
            var score = Formats.Exercises.SheetMusic.Of(sheet);
            var reading = ((PlayAnswer)sheet.Items[0].Answer).Reading;
            Assert.Equal(
                reading.Notes.Select(n => n.Placement?.Finger),
                SoundingNote.Of(score).Select(n => n.Event.PrintedFinger)
            );
            Assert.Contains("<fingering", Formats.MusicXml.MusicXmlWriter.Write(score), StringComparison.Ordinal);
        }
    }
}
