using Coppia.Core.Knowledge;
using Coppia.Data.Classes;
using Coppia.Formats.Records;
using Microsoft.Extensions.Caching.Memory;

namespace Coppia.Server.Asked;

/// <summary>What classes know by their records, remembered until a record changes.</summary>
internal sealed class ClassMemory(KnownRepository known, IMemoryCache memory)
{
    /// <summary>What a class knows by its record. A line that this version cannot read counts for nothing.</summary>
    public ClassKnowledge KnownBy(ClassRecord one) =>
        memory.GetOrCreate(
            ("known", one.Id, one.KnownVersion),
            entry =>
            {
                entry.Size = 100;
                return ClassKnowledge.Of(Things(known.Now(one.Id)));
            }
        )!;

    /// <summary>
    /// What the class's hands could do when it learned a tune: its fingers stay those that were played, whatever is
    /// learned later. Null for a tune that it has not learned.
    /// </summary>
    public ClassKnowledge? HandsWhenLearned(ClassRecord one, long tune) =>
        memory
            .GetOrCreate(
                ("learned", one.Id, one.KnownVersion),
                entry =>
                {
                    entry.Size = 100;
                    return LearnedBy(one.Id);
                }
            )!
            .GetValueOrDefault(tune)
            ?.Value;

    private Dictionary<long, Lazy<ClassKnowledge>> LearnedBy(long one)
    {
        KnownChangeRecord[] all = [.. known.Of(one).Where(c => c.TakenBackAt is null)];
        var learned = new Dictionary<long, Lazy<ClassKnowledge>>();
        foreach (var (i, change) in all.Index())
        {
            if (change is { Cause: KnownCause.Tune, TuneId: { } tune })
                learned[tune] = new(() => ClassKnowledge.Of(Things(KnownRepository.Fold(all.Take(i)))).Hands);
        }

        return learned;
    }

    /// <summary>The things that some lines name; a line that names none is passed over.</summary>
    public static IEnumerable<KnownThing> Things(IEnumerable<string> lines)
    {
        foreach (var line in lines)
        {
            KnownThing thing;
            try
            {
                thing = ThingText.Parse(line);
            }
            catch (FormatException)
            {
                continue;
            }

            yield return thing;
        }
    }
}
