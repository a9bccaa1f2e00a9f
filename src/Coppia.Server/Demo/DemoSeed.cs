using System.Text.Json;
using System.Text.Json.Serialization;
using Coppia.Core.Knowledge;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Lessons;
using Coppia.Data.Records;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Lessons;
using Coppia.Server.Records;
using Coppia.Server.Stand;
using Coppia.Server.Tunes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Demo;

/// <summary>Puts the demo tunes, the class that learns them and its next lesson into an empty library.</summary>
internal sealed class DemoSeed(
    TuneRepository tunes,
    ClassCopies classes,
    ClassFiles files,
    Readings readings,
    Asker asker,
    ClassRepository kept,
    LessonPlanner lessons,
    LessonRepository planned,
    SchoolCalendar calendar
)
{
    private sealed record DemoTune(string File, string? PrintedFor);

    /// <summary>What became known so many days ago: a stage of the usual order, or a tune.</summary>
    private sealed record DemoKnown(int DaysAgo, Stage? Stage, string? Learned);

    private sealed record DemoClass(
        string Name,
        int LessonMinutes,
        IReadOnlyList<LearnerRequest> Learners,
        IReadOnlyList<DemoKnown> Known,
        IReadOnlyList<DemoWork> Work,
        IReadOnlyList<DemoNote> Notes
    );

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <exception cref="InvalidDataException">A demo file cannot be read; the message names it.</exception>
    public void PutIn(string folder)
    {
        if (tunes.List(new TuneQuery(Count: 1)).Total > 0)
            return;
        foreach (var demo in Read<DemoTune[]>(folder, "tunes.json"))
            Put(demo, folder);
        var one = Read<DemoClass>(folder, "class.json");
        var records = new DemoRecords(folder, title => Named(title).Tune.Id, calendar);
        var pieces = Read<DemoPieces>(folder, "pieces.json");
        var tasks = new Dictionary<long, TaskCopy> { [DemoPieces.Task] = new(pieces.Title, files.Text(pieces.Doc)) };
        var id = classes.Add(CopyOf(one, records, pieces), new Numbers(id => id, id => id, tasks));
        // Next Monday's lesson stands ready.
        var today = asker.Today;
        var monday = today.AddDays(1 + (7 - (int)today.DayOfWeek) % 7);
        planned.Add(lessons.Plan(kept.Find(id)!, monday));
    }

    private void Put(DemoTune demo, string folder)
    {
        var source = File.ReadAllText(Path.Combine(folder, "tunes", demo.File));
        var read = TuneReader.Read(source);
        if (read.Score is null)
            throw new InvalidDataException($"{demo.File}:{read.Errors[0]}");
        tunes.Add(NewTune.Of(new TuneRequest(source, PrintedFor: demo.PrintedFor), read));
    }

    private ClassCopy CopyOf(DemoClass one, DemoRecords records, DemoPieces pieces)
    {
        var (work, done) = records.Work(one.Work, one.Learners);
        return new ClassCopy(
            new ClassRecord
            {
                Name = one.Name,
                LessonMinutes = one.LessonMinutes,
                CreatedAt = records.At(daysAgo: 56),
            },
            Changes(one),
            [.. work, pieces.Set(records)],
            [.. one.Learners.Select(l => LearnerOf(ClassRules.RecordOf(0, l)))],
            new BookletRecord { Title = pieces.Booklet, Shown = true },
            pieces.Accepted,
            []
        );

        LearnerCopy LearnerOf(LearnerRecord who) =>
            records.Of(who, one.Notes) with
            {
                Done =
                [
                    .. done.Where(d => d.Nickname == who.Nickname).Select(d => d.Done),
                    .. pieces.Done(who.Nickname, records),
                ],
                HandIns = [.. pieces.Of(who, records, files.Text)],
            };
    }

    private List<KnownChangeRecord> Changes(DemoClass one)
    {
        var changes = new List<KnownChangeRecord>();
        var section = Asker.SectionOf(one.Learners.Select(l => l.Instrument));
        foreach (var known in one.Known)
        {
            var made = calendar.Now.AddDays(-known.DaysAgo);
            var by = ClassKnowledge.Of(ClassMemory.Things(KnownRepository.Fold(changes)));
            var change = known.Stage is { } stage
                ? KnownChanges.Started(0, stage, section, asker.Now)
                : KnownChanges.Learned(
                    Named(known.Learned!),
                    section.Select(i => new Player(i, asker.Style, by)),
                    readings,
                    not: new HashSet<string>()
                );
            changes.Add(change with { MadeAt = made });
        }

        return changes;
    }

    private KeptTune Named(string title) =>
        tunes.List(new TuneQuery(Words: title, Count: 1)).Tunes is [var found] && readings.Find(found.Id) is { } kept
            ? kept
            : throw new InvalidDataException(Say("demo.seed.class-json-there-is-no-demo-tune", ("title", title)));

    private static T Read<T>(string folder, string file)
    {
        try
        {
            return JsonSerializer.Deserialize<T>(File.ReadAllText(Path.Combine(folder, file)), Json)
                ?? throw new InvalidDataException(Say("demo.seed.is-empty", ("file", file)));
        }
        catch (JsonException e)
        {
            throw new InvalidDataException($"{file}: {e.Message}", e);
        }
    }
}
