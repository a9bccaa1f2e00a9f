using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>
/// Who asks, for which class, on which day, and whether they still wait: one for each request. The class is that in the
/// address, or in the header <c>For-Class</c>; its house style and what it knows decide the answer. Without one, or
/// where that class is gone, the style in force and a beginner's hand do.
/// </summary>
internal sealed class Asker(
    IHttpContextAccessor requests,
    ClassRepository classes,
    LearnerRepository learners,
    HouseStyles styles,
    ClassMemory memory,
    SchoolCalendar calendar
)
{
    public const string Header = "For-Class";

    private (bool Looked, ClassRecord? One) _class;

    /// <summary>The teacher's name, for records that say by whom; empty where nobody signs in.</summary>
    public string Name => requests.HttpContext?.User.Identity?.Name ?? "";

    /// <summary>Set when the client has left, or the request has taken longer than any may.</summary>
    public CancellationToken Gone => requests.HttpContext?.RequestAborted ?? CancellationToken.None;

    /// <inheritdoc cref="SchoolCalendar.Now"/>
    public DateTime Now => calendar.Now;

    /// <inheritdoc cref="SchoolCalendar.Today"/>
    public DateOnly Today => calendar.Today;

    /// <inheritdoc cref="SchoolCalendar.DayOf"/>
    public DateOnly DayOf(DateTime moment) => calendar.DayOf(moment);

    /// <summary>The class that is asked for.</summary>
    /// <exception cref="RefusedException">There is no such class.</exception>
    public ClassRecord Class =>
        ClassIfAny
        ?? throw RefusedException.NotHere(
            Say(
                "asked.asker.there-is-no-class-it-may-have",
                ("what", requests.HttpContext?.Request.RouteValues["class"])
            )
        );

    /// <summary>The class that is asked for, or null.</summary>
    public ClassRecord? ClassIfAny
    {
        get
        {
            if (!_class.Looked)
                _class = (true, Asked() is { } id ? classes.Find(id) : null);
            return _class.One;
        }
    }

    private long? Asked()
    {
        if (requests.HttpContext is not { } context)
            return null;
        var asked =
            context.Request.RouteValues["class"] as string
            ?? context.Request.Query["class"].FirstOrDefault()
            ?? context.Request.Headers[Header].FirstOrDefault();
        return long.TryParse(asked, NumberStyles.None, CultureInfo.InvariantCulture, out var id) ? id : null;
    }

    /// <summary>Says for which class a request is, where its address does not.</summary>
    public void AsksFor(ClassRecord? one) => _class = (true, one);

    /// <summary>The class as it is kept now, after a change of it.</summary>
    public ClassRecord ClassAnew()
    {
        AsksFor(classes.Find(Class.Id) ?? Class);
        return Class;
    }

    /// <summary>One learner of a class; null where there is none such.</summary>
    public LearnerRecord? LearnerIn(long classId, long learner) =>
        learners.Find(learner) is { } who && who.ClassId == classId ? who : null;

    /// <summary>One learner of a class.</summary>
    /// <exception cref="RefusedException">There is no such learner in it.</exception>
    public LearnerRecord LearnerOf(long classId, long learner) =>
        LearnerIn(classId, learner)
        ?? throw RefusedException.NotHere(Say("asked.asker.there-is-no-such-learner-in-this"));

    /// <summary>A learner as who plays.</summary>
    public Player PlayerOf(LearnerRecord learner) => Player(learner.Instrument);

    /// <summary>The house style of the class, else the one in force.</summary>
    public HouseStyle Style => styles.Of(ClassIfAny?.StyleId).Style;

    /// <summary>A key that differs between any two house styles that differ.</summary>
    public string StyleKey => styles.Of(ClassIfAny?.StyleId).Key;

    /// <summary>What the class knows, else a first year's hand of which no record is kept.</summary>
    public ClassKnowledge Known => ClassIfAny is { } one ? memory.KnownBy(one) : ClassKnowledge.Beginner;

    /// <inheritdoc cref="ClassMemory.HandsWhenLearned"/>
    public ClassKnowledge? HandsWhenLearned(long tune) =>
        ClassIfAny is { } one ? memory.HandsWhenLearned(one, tune) : null;

    /// <summary>The player of this instrument in the class.</summary>
    /// <exception cref="RefusedException">It is no instrument.</exception>
    public Player Player(string instrument) => new(HouseStyles.Instrument(Style, instrument), Style, Known);

    /// <summary>The player of an instrument that a body names.</summary>
    /// <exception cref="FormatException">It is no instrument.</exception>
    public Player PlayerNamed(string instrument) =>
        new(
            Style.Instrument(instrument)
                ?? throw new FormatException(
                    Say(
                        "asked.asker.is-not-an-instrument-expected",
                        ("instrument", instrument),
                        ("instruments", Labels.Instruments)
                    )
                ),
            Style,
            Known
        );

    /// <summary>
    /// What the learners of the class play, in the order of a score; nothing where it has nobody yet.
    /// </summary>
    public Instrument[] Section =>
        ClassIfAny is { } one ? SectionOf(learners.Of(one.Id).Select(l => l.Instrument)) : [];

    /// <summary>The instruments that are played, in the order of a score.</summary>
    public static Instrument[] SectionOf(IEnumerable<string> instruments)
    {
        var played = instruments.ToHashSet();
        return [.. StringSection.All.Where(i => played.Contains(i.Id))];
    }
}
