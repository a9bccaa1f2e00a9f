using System.Globalization;
using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Caching.Memory;

namespace Coppia.Server;

/// <summary>
/// The class that a request is made for: the number of a class in its address, or in its header <c>For-Class</c>. Its house style and
/// what it knows then decide the answer. Without one, or where that class is gone, the style in force and a beginner's hand do.
/// </summary>
internal sealed class ForWhom(
    IHttpContextAccessor requests,
    ClassRepository classes,
    KnownRepository known,
    Styles styles,
    IMemoryCache memory
)
{
    public const string Header = "For-Class";

    /// <summary>The class, or null.</summary>
    public ClassRecord? Class
    {
        get
        {
            if (requests.HttpContext is not { } context)
                return null;
            if (context.Items.TryGetValue(typeof(ForWhom), out var found))
                return (ClassRecord?)found;
            var asked =
                context.Request.RouteValues["class"] as string
                ?? context.Request.Query["class"].FirstOrDefault()
                ?? context.Request.Headers[Header].FirstOrDefault();
            var one = long.TryParse(asked, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? classes.Find(id) : null;
            context.Items[typeof(ForWhom)] = one;
            return one;
        }
    }

    /// <summary>Says for which class a request is, where its address does not.</summary>
    public static void Set(HttpContext context, ClassRecord? one) => context.Items[typeof(ForWhom)] = one;

    /// <summary>The house style of the class, else the one in force, and a key that differs between any two that differ.</summary>
    public (HouseStyle Style, string Key) Style => styles.Of(Class?.StyleId);

    /// <summary>What the class knows, else a first year's hand of which no record is kept.</summary>
    public ClassKnowledge Known => Class is { } one ? KnownBy(one) : ClassKnowledge.Beginner;

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
    /// What the class's hands could do when it learned a tune: its fingers stay those that were played, whatever is learned later. Null for
    /// a tune that it has not learned.
    /// </summary>
    public ClassKnowledge? HandsWhenLearned(long tune)
    {
        if (Class is not { } one)
            return null;
        return memory
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
    }

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

    /// <summary>The player of this instrument in the class, or the answer that it is not known.</summary>
    public ProblemHttpResult? Missing(string instrument, out Player player)
    {
        var style = Style.Style;
        var found = style.Instrument(instrument);
        player = found is null ? null! : new Player(found, style, Known);
        return found is null ? Problems.NoInstrument(instrument) : null;
    }
}
