using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.School;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Exercises;

/// <summary>A question that stays where it is while the rest of its part is made anew.</summary>
/// <param name="At">Its order in the part, from 0.</param>
public sealed record KeptItem(int At, SheetItemDoc Item);

/// <summary>Asks for a part of a sheet.</summary>
public sealed record MakePart(
    IReadOnlyList<string> Instruments,
    PartRequest Request,
    IReadOnlyList<KeptItem>? Kept = null
);

/// <summary>Makes parts of sheets, and reads kept ones.</summary>
internal sealed class SheetParts(Asker asker, Readings readings)
{
    private const int MostParts = 40;
    private const int MostItems = 300;

    /// <exception cref="FormatException">The request is not one; the message says what was expected.</exception>
    /// <exception cref="SheetImpossibleException">It cannot be made.</exception>
    public SheetPartView Make(MakePart asked)
    {
        asker.Gone.ThrowIfCancellationRequested();
        var players = Players(asked.Instruments);
        var request = Read(asked.Request, [.. players.Select(p => Learner(p, asked.Request))]);
        var sheets = Sheet.Of(request);
        var made = Enumerable
            .Range(0, sheets[0].Items.Count)
            .Select(i => new SheetItemView(
                NewId(),
                Pinned: false,
                sheets.ToDictionary(s => s.Player.Instrument.Id, s => SheetQuestionView.Of(s.Items[i], s.Player))
            ))
            .ToList();
        KeptItem[] kept = [.. (asked.Kept ?? []).OrderBy(k => k.At)];
        if (kept.Length > 0)
        {
            var count = made.Count;
            SheetItemView[] stay = [.. kept.Select(k => ViewOf(k.Item, request.Kind, players, k.At))];
            var same = stay.Select(Text).ToHashSet();
            made =
            [
                .. made.Where(m => !same.Contains(Text(m)))
                    .Concat(made.Where(m => same.Contains(Text(m))))
                    .Take(Math.Max(0, count - stay.Length)),
            ];
            foreach (var (k, view) in kept.Zip(stay))
                made.Insert(Math.Clamp(k.At, 0, made.Count), view);
        }

        return ViewOf(asked.Request, request, made);

        static string Text(SheetItemView item) =>
            string.Join(
                '|',
                item.Each.OrderBy(e => e.Key, StringComparer.Ordinal).Select(e => e.Value.Question.GetRawText())
            );
    }

    /// <summary>The parts that a teacher would make of a tune first.</summary>
    public IReadOnlyList<SheetPartView> First(KeptTune kept, IReadOnlyList<string> instruments, int seed)
    {
        var players = Players(instruments);
        var tune = players.Select(p => readings.Of(kept.For(p.Instrument.Id), p)).ToArray();
        var news = instruments.Select(i => readings.NewsOf(kept.For(i), Learner(i))).ToArray();
        // Drills are not made from the tune, and teach what it brings.
        var teach = news.SelectMany(n => n.Things).Distinct().Select(ThingText.Of).ToArray();
        var wanted = FirstSheet
            .Of(tune, seed, news.SelectMany(n => n.Of).Select(n => n.Thing).Distinct())
            .Select(r => Written(r, kept.Tune.Id))
            .Select(r => new MakePart(
                instruments,
                r.TuneId is null && teach.Length > 0 ? r with { Teach = teach } : r
            ));
        return [.. wanted.SelectMany(MadeIfPossible)];
    }

    /// <summary>A part; nothing where it cannot be made of what the class knows.</summary>
    private IEnumerable<SheetPartView> MadeIfPossible(MakePart asked)
    {
        SheetPartView part;
        try
        {
            part = Make(asked);
        }
        catch (SheetImpossibleException)
        {
            yield break;
        }

        yield return part;
    }

    /// <summary>The same sheet for another instrument; music to play is made anew for its hand.</summary>
    /// <param name="from">The instrument whose questions are taken.</param>
    /// <exception cref="FormatException">A question is broken; the message names it.</exception>
    public SheetCopyView For(string to, string from, SheetDoc doc)
    {
        var (giver, taker) = (Players([from])[0], Players([to])[0]);
        var (parts, leftOut, number) = (new List<SheetPartView>(), 0, 0);
        foreach (var part in doc.Parts)
        {
            var kind = KindOf(part.Request.Kind);
            // The range is the first instrument's.
            var asked = part.Request with
            {
                Lowest = null,
                Highest = null,
            };
            var items = part.Items.Select(i => QuestionOf(i, kind, giver, number++)).ToArray();
            if (kind.IsPlayed)
            {
                if (MadeAnew(asked, to) is { } made)
                    parts.Add(made);
                else
                    leftOut += items.Length;
                continue;
            }

            var moved = AnotherInstrument.Of([.. items.Select(i => i.Question)], giver, taker);
            SheetItemView[] kept =
            [
                .. part
                    .Items.Zip(moved)
                    .Where(i => i.Second is not null)
                    .Select(i => ItemOf(i.First, i.Second!, taker)),
            ];
            leftOut += items.Length - kept.Length;
            if (kept.Length > 0)
                parts.Add(ViewOf(asked, Read(asked, [taker]), kept));
        }

        return new SheetCopyView(parts, leftOut);
    }

    /// <summary>Null where such music cannot be made for the instrument.</summary>
    private SheetPartView? MadeAnew(PartRequest asked, string instrument)
    {
        try
        {
            return Make(new MakePart([instrument], asked));
        }
        catch (SheetImpossibleException)
        {
            return null;
        }
    }

    private static SheetItemView ItemOf(SheetItemDoc item, Question moved, Player player)
    {
        var asked = SheetQuestionView.Of(SheetItem.Of(moved, player), player);
        return new SheetItemView(
            NewId(),
            item.Pinned,
            new Dictionary<string, SheetQuestionView> { [player.Instrument.Id] = asked }
        );
    }

    /// <summary>The music of a question to play, with the pairs that belong to it.</summary>
    /// <exception cref="FormatException">It is not music to play.</exception>
    public (Core.Music.Score Music, IReadOnlyDictionary<string, Core.Fingering.Pin> Pins, Player Player) MusicOf(
        ExerciseTune asked
    )
    {
        var player = Players([asked.Instrument])[0];
        var kind = KindOf(asked.Kind);
        return SheetReader.Item(kind, asked.Question, player).Question is PlayQuestion play
            ? (play.Music, play.Pins, player)
            : throw new FormatException(
                Say("exercises.sheet-parts.is-not-music-to-play", ("kind", ExerciseWords.Name(kind)))
            );
    }

    /// <summary>A kept sheet as it is shown.</summary>
    /// <exception cref="FormatException">A question is broken; the message names it.</exception>
    public IReadOnlyList<SheetPartView> Views(SheetDoc doc)
    {
        if (doc.Heading.Length > Limits.LongestSheetHeading)
            throw new FormatException(
                Say(
                    "exercises.sheet-parts.the-heading-is-too-long-at-most",
                    ("longestHeading", Limits.LongestSheetHeading)
                )
            );
        if (doc.Parts.Count > MostParts || doc.Parts.Sum(p => p.Items.Count) > MostItems)
            throw new FormatException(
                Say(
                    "exercises.sheet-parts.the-sheet-is-too-long-at-most",
                    ("mostParts", MostParts),
                    ("mostItems", MostItems)
                )
            );
        var players = Players(doc.Instruments);
        var number = 0;
        return
        [
            .. doc.Parts.Select(part =>
            {
                // A sheet outlives the tune that it was made from; which key that had is then not known any more.
                var lost = part.Request.TuneId is { } tune && readings.Find(tune) is null;
                var request = Read(lost ? part.Request with { TuneId = null } : part.Request, players);
                var view = ViewOf(
                    part.Request,
                    request,
                    [.. part.Items.Select(i => ViewOf(i, request.Kind, players, number++))]
                );
                return lost && part.Request.Key is null ? view with { Key = null } : view;
            }),
        ];
    }

    /// <param name="number">Order on the sheet, from 0, to name a broken one.</param>
    private static SheetItemView ViewOf(
        SheetItemDoc item,
        ExerciseKind kind,
        IReadOnlyList<Player> players,
        int number
    ) =>
        new(
            item.Id,
            item.Pinned,
            players.ToDictionary(p => p.Instrument.Id, p => SheetQuestionView.Of(QuestionOf(item, kind, p, number), p))
        );

    /// <summary>A kept question as one player gets it, with its answer.</summary>
    /// <param name="number">Order on the sheet, from 0, to name a broken one.</param>
    /// <exception cref="FormatException">It is broken; the message names it.</exception>
    internal static SheetItem QuestionOf(SheetItemDoc item, ExerciseKind kind, Player player, int number)
    {
        if (item.Questions is null || !item.Questions.TryGetValue(player.Instrument.Id, out var question))
            throw new FormatException(
                Say(
                    "exercises.sheet-parts.item-there-is-no-question-for-the",
                    ("number", number + 1),
                    ("kind", kind.Id),
                    ("id", player.Instrument.Id)
                )
            );
        try
        {
            return SheetReader.Item(kind, question, player);
        }
        catch (FormatException e)
        {
            throw new FormatException(
                Say(
                    "exercises.sheet-parts.question-of-item",
                    ("number", number + 1),
                    ("kind", kind.Id),
                    ("trimEnd", e.Message.TrimEnd('.'))
                ),
                e
            );
        }
    }

    /// <exception cref="FormatException">There is no such kind.</exception>
    internal static ExerciseKind KindOf(string kind) =>
        ExerciseKind.Named(kind)
        ?? throw new FormatException(Say("exercises.sheet-parts.is-not-a-kind-of-exercise", ("kind", kind)));

    private static SheetPartView ViewOf(PartRequest asked, SheetRequest request, IReadOnlyList<SheetItemView> items) =>
        new(
            asked,
            ExerciseWords.Name(request.Kind),
            ExerciseWords.Instruction(request.Kind),
            request.Kind.Asks,
            request.Kind.IsPlayed,
            request.Kind.TakesRhythm,
            request.Kind.TakesOctaves,
            request.Kind.IsInKey ? Labels.Scale(request.MusicKey, request.First.Style) : null,
            ExerciseWords.Care(request.Kind),
            IsSameForAll(request, items) ? null : ExerciseWords.Apart,
            items
        );

    private static bool IsSameForAll(SheetRequest request, IReadOnlyList<SheetItemView> items)
    {
        if (request.Players.Count < 2)
            return true;
        var sheets = request.Players.Select(p =>
            items
                .Where(i => i.Each.ContainsKey(p.Instrument.Id))
                .Select(i => SheetReader.Item(request.Kind, i.Each[p.Instrument.Id].Question, p))
        );
        return Sheet.IsSameForAll([
            .. sheets.Zip(request.Players, (s, p) => new Sheet(request.Kind, request.Seed, p, [.. s])),
        ]);
    }

    /// <summary>
    /// The player as the class knows the instrument: what is made stays within that, but for what it is to teach, a
    /// tune's own things among them.
    /// </summary>
    private Player Learner(Player player, PartRequest asked)
    {
        var known = asker.Known.With(ClassMemory.Things(asked.Teach ?? []));
        if (known.Things is not null && asked.TuneId is { } id && readings.Find(id) is { } kept)
            known = known.With(
                readings.ContentsOf(kept.For(player.Instrument.Id), Learner(player.Instrument.Id)).Select(m => m.Thing)
            );
        return new Player(player.Instrument, player.Style, known);
    }

    /// <summary>A player as the class knows the instrument.</summary>
    internal Player Learner(string instrument)
    {
        var player = Players([instrument])[0];
        return new Player(player.Instrument, player.Style, asker.Known);
    }

    /// <summary>Players who may do everything: what was made once is read, whatever the class knows.</summary>
    internal Player[] Players(IReadOnlyList<string> instruments)
    {
        var style = asker.Style;
        if (instruments.Count == 0 || instruments.Distinct().Count() != instruments.Count)
            throw new FormatException(
                Say("exercises.sheet-parts.choose-at-least-one-instrument-each", ("instruments", Labels.Instruments))
            );
        return
        [
            .. instruments.Select(i => new Player(
                style.Instrument(i)
                    ?? throw new FormatException(
                        Say(
                            "exercises.sheet-parts.is-not-an-instrument-expected",
                            ("i", i),
                            ("instruments", Labels.Instruments)
                        )
                    ),
                style
            )),
        ];
    }

    private SheetRequest Read(PartRequest asked, Player[] players)
    {
        var kind = KindOf(asked.Kind);
        if (asked.Key is { Fifths: < -7 or > 7 } || asked.Octaves is not (1 or 2))
            throw new FormatException(Say("exercises.sheet-parts.there-is-no-such-key-or-number"));
        return new SheetRequest
        {
            Kind = kind,
            Players = players,
            Key = asked.Key is { } key ? new ScaleKey(key.Fifths, key.Form) : null,
            Strings = [.. (asked.Strings ?? []).Select(Letter)],
            Lowest = asked.Lowest is { Length: > 0 } low ? Pitch.Parse(low) : null,
            Highest = asked.Highest is { Length: > 0 } high ? Pitch.Parse(high) : null,
            Values = [.. (asked.Values ?? []).Select(Value)],
            Meter = asked.Meter is { Length: > 0 } meter
                ? ValueText.Meter(meter)
                    ?? throw new FormatException(
                        Say("exercises.sheet-parts.is-not-a-meter-expected-one-such", ("meter", meter))
                    )
                : null,
            Octaves = asked.Octaves,
            Count = asked.Count,
            Seed = asked.Seed,
            From = asked.TuneId is { } id ? [.. players.Select(p => Reading(id, p))] : [],
        };
    }

    private Core.Reading.PlayerReading Reading(long tune, Player player) =>
        readings.Find(tune) is { } kept
            ? readings.Of(kept.For(player.Instrument.Id), player)
            : throw new FormatException(Say("exercises.sheet-parts.there-is-no-tune-it-may-have", ("tune", tune)));

    private static Letter Letter(string text) =>
        Enum.TryParse<Letter>(text, out var letter)
            ? letter
            : throw new FormatException(
                Say("exercises.sheet-parts.is-not-a-string-expected-letters-such", ("text", text))
            );

    private static NoteValue Value(string text) =>
        ValueText.Read(text)
        ?? throw new FormatException(
            Say("exercises.sheet-parts.is-not-a-note-value-expected", ("text", text), ("expected", ValueText.Expected))
        );

    /// <summary>A request as it is sent.</summary>
    private static PartRequest Written(SheetRequest request, long tune) =>
        new(
            request.Kind.Id,
            request.Key is { } key ? new KeyChoice(key.Fifths, key.Form) : null,
            Meter: request.Meter is { } meter ? $"{meter.Beats}/{meter.Unit}" : null,
            Count: request.Count,
            Seed: request.Seed,
            TuneId: request.From.Count > 0 ? tune : null
        );

    internal static string NewId() => Guid.NewGuid().ToString("N")[..12];
}
