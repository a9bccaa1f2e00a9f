using Coppia.Core.Exercises;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A kind of exercise to choose.</summary>
public sealed record ExerciseKindView(string Kind, string Name, string About, bool IsPlayed, bool NeedsATune);

/// <summary>What exercises train, with the kinds that train it.</summary>
public sealed record TrainingView(string Name, IReadOnlyList<ExerciseKindView> Kinds);

/// <summary>Music of a sheet to be put on the stand.</summary>
public sealed record ExerciseTune(string Title, string Kind, string Instrument, System.Text.Json.JsonElement Question);

/// <summary>The text of a file.</summary>
public sealed record SheetText(string Text);

/// <summary>Exercises: what there is, and parts of sheets.</summary>
internal static class ExerciseEndpoints
{
    public static void MapExercises(this WebApplication app)
    {
        var exercises = app.MapGroup("/api/exercises");
        exercises.MapGet("/kinds", Kinds).WithName("listExerciseKinds");
        exercises.MapPost("/part", Make).WithName("makePart").ProducesProblem(422);
        exercises
            .MapPost("/show", (SheetParts parts, Styles styles, SheetDoc doc) => Made(() => parts.Views(doc), styles))
            .WithName("showSheet")
            .ProducesProblem(422);
        exercises
            .MapPost(
                "/for/{instrument}",
                (SheetParts parts, Styles styles, string instrument, string from, SheetDoc doc) =>
                    Made(() => parts.For(instrument, from, doc), styles)
            )
            .WithName("copySheetFor")
            .ProducesProblem(422);
        exercises.MapPost("/file/{format}", File).WithName("saveSheetAsFile").ProducesProblem(422);
        exercises.MapPost("/import", Import).WithName("readSheetFile").ProducesProblem(422);
        exercises.MapPost("/tune", KeepAsTune).WithName("keepExerciseAsTune").ProducesProblem(422);
        exercises.MapPost("/first/{tune:long}", First).WithName("makeFirstSheet").ProducesProblem(404).ProducesProblem(422);
    }

    private static TrainingView[] Kinds() =>
        [
            .. Enum.GetValues<Training>()
                .Select(t => new TrainingView(
                    ExerciseWords.Name(t),
                    [
                        .. ExerciseKinds
                            .All.Where(k => k.Trains() == t)
                            .Select(k => new ExerciseKindView(
                                k.Id(),
                                ExerciseWords.Name(k),
                                ExerciseWords.About(k),
                                k.IsPlayed(),
                                k.NeedsATune()
                            )),
                    ]
                )),
        ];

    private static Results<Ok<SheetPartView>, ProblemHttpResult> Make(SheetParts parts, Styles styles, MakePart asked) =>
        Made(() => parts.Make(asked), styles);

    private static Results<Ok<IReadOnlyList<SheetPartView>>, ProblemHttpResult> First(
        SheetParts parts,
        Styles styles,
        Readings readings,
        long tune,
        string instruments,
        int seed = 1
    ) =>
        readings.Missing(tune, out var kept) is { } problem ? problem : Made(() => parts.First(kept, instruments.Split(','), seed), styles);

    /// <summary>A sheet as the text of a file.</summary>
    private static Results<Ok<string>, ProblemHttpResult> File(SheetFiles files, Styles styles, string format, SheetDoc doc) =>
        Choices.Read<SheetFormat>(format, out var known)
            ? Made(() => files.Write(doc, known), styles)
            : TypedResults.Problem(
                statusCode: 422,
                title: $"“{format}” is not a format; expected one of {Choices.Expected<SheetFormat>()}."
            );

    /// <summary>The text of a file as a sheet that is not kept yet.</summary>
    private static Results<Ok<SheetView>, ProblemHttpResult> Import(SheetFiles files, SheetParts parts, Styles styles, SheetText file) =>
        Made(
            () =>
            {
                var doc = files.Read(file.Text);
                return new SheetView(0, 1, doc.Heading, doc.NameLine, doc.Instruments, parts.Views(doc));
            },
            styles
        );

    /// <summary>Keeps music to play as a tune, with its pairs as pins, so that the stand reads, plays and loops it.</summary>
    private static Results<Ok<long>, ProblemHttpResult> KeepAsTune(
        TuneRepository tunes,
        SheetParts parts,
        Styles styles,
        ExerciseTune asked
    ) =>
        Made(
            () =>
            {
                var (music, fixedPairs, player) = parts.MusicOf(asked);
                var source = MusicXmlWriter.Write(music with { Title = asked.Title, InstrumentName = player.Instrument.Name });
                var request = new TuneRequest(source, asked.Title, Composer: null, PrintedFor: player.Instrument.Id);
                var tune = TuneEndpoints.Record(request, TuneReader.Read(source)) with { Composer = "exercise" };
                // The notes of the kept tune stand in the same order.
                var notes = music.Events.Zip(KeptTune.Of(tune).Score.Events).Where(n => fixedPairs.ContainsKey(n.First.Id));
                var pins = notes.Select(n => new PinRecord
                {
                    NoteId = n.Second.Id,
                    Pitch = n.Second.Pitch!.Value.ToString(),
                    String = fixedPairs[n.First.Id].String!.Value,
                    Finger = fixedPairs[n.First.Id].Finger,
                });
                return tunes.Add(new TuneCopy(tune) { Pins = [.. pins.Select(p => new PinCopy(player.Instrument.Id, p))] }).Id;
            },
            styles
        );

    /// <summary>What was made, or 422 with what would be possible.</summary>
    internal static Results<Ok<T>, ProblemHttpResult> Made<T>(Func<T> make, Styles styles)
    {
        try
        {
            return TypedResults.Ok(make());
        }
        catch (SheetImpossibleException e)
        {
            return TypedResults.Problem(statusCode: 422, title: ImpossibleWords.Of(e, styles.Current().Style));
        }
        catch (UnreadableTuneException e)
        {
            return Problems.Unreadable(e);
        }
        catch (FormatException e)
        {
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }
    }
}
