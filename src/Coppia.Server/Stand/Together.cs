using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Stand;

/// <summary>A section with the line it reads.</summary>
/// <param name="Key">Names it in an address: the instrument, with the order of its line where it has one of its
/// own.</param>
/// <param name="Learners">How many of the class are in it.</param>
/// <param name="Line">The line's name, where not all who play the instrument read the same; null else.</param>
internal sealed record SectionOfTune(string Key, KeptTune Kept, Player Player, int Learners, string? Line)
{
    /// <summary>"violins, Violin II"; null for all who play the instrument.</summary>
    public string? Called => Line is null ? null : $"{English.Plural(Player.Instrument.Id)} ({Line})";
}

/// <summary>
/// The sections that a request is for: those it names, else those of its class, else all. Where learners of one
/// instrument read several lines, they are several sections.
/// </summary>
internal sealed class Together(Readings readings, Asker asker, LearnerRepository learners, LearnerLineRepository lines)
{
    private const char BeforeLine = ':';

    /// <summary>The tune and its sections.</summary>
    /// <param name="asked">Names of sections with commas between; null for the class's own.</param>
    /// <exception cref="RefusedException">There is no such tune, instrument or section.</exception>
    public (KeptTune Kept, IReadOnlyList<SectionOfTune> Sections) Of(long id, string? asked)
    {
        var kept = readings.Kept(id);
        LearnerRecord[] own = asker.ClassIfAny is { } one ? [.. learners.Of(one.Id)] : [];
        var lineOf = asker.ClassIfAny is { } c ? lines.Of(c.Id, id) : new Dictionary<long, string>();
        var names =
            asked
                ?.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Distinct()
                .ToArray()
            ?? [];
        if (names.Length == 0)
            names = [.. Asker.SectionOf(own.Select(l => l.Instrument)).Select(i => i.Id)];
        if (names.Length == 0)
            names = [.. StringSection.All.Select(i => i.Id)];
        var found = new List<SectionOfTune>();
        foreach (var name in names)
        {
            var all = SectionsOf(kept, asker.Player(name.Split(BeforeLine)[0]), own, lineOf);
            found.AddRange(name.Contains(BeforeLine, StringComparison.Ordinal) ? all.Where(s => s.Key == name) : all);
        }

        return found.Count > 0
            ? (kept, found)
            : throw RefusedException.NotHere(Say("stand.together.nobody-in-this-class-reads-this-line"));
    }

    /// <summary>Those who play an instrument, by the lines they read, in the order of the score.</summary>
    private static SectionOfTune[] SectionsOf(
        KeptTune kept,
        Player player,
        IEnumerable<LearnerRecord> all,
        IReadOnlyDictionary<long, string> lineOf
    )
    {
        var usual = kept.For(player.Instrument.Id);
        var own = all.Where(l => l.Instrument == player.Instrument.Id)
            .GroupBy(l => usual.On(lineOf.GetValueOrDefault(l.Id)).Line.Key)
            .ToDictionary(g => g.Key, g => g.Count());
        if (own.Count < 2 && (own.Count == 0 || own.ContainsKey(usual.Line.Key)))
            return [new SectionOfTune(player.Instrument.Id, usual, player, own.Values.Sum(), null)];
        return
        [
            .. kept
                .Lines.Index()
                .Where(l => own.ContainsKey(l.Item.Key))
                .Select(l => new SectionOfTune(
                    player.Instrument.Id + BeforeLine + l.Index.ToString(CultureInfo.InvariantCulture),
                    usual.On(l.Item.Key),
                    player,
                    own[l.Item.Key],
                    l.Item.Name.Length > 0
                        ? l.Item.Name
                        : Say("stand.together.sections-of-line", ("index", l.Index + 1))
                )),
        ];
    }

    public CallSheet SheetOf(IReadOnlyList<SectionOfTune> sections) =>
        CallSheet.Of([.. sections.Select(s => readings.Of(s.Kept, s.Player))]);
}
