using Coppia.Core.Exercises;
using Coppia.Core.Wording.Exercises;
using Coppia.Data.Stand;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Coppia.Server.Tunes;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Exercises;

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
    public static void MapExercises(this IEndpointRouteBuilder api)
    {
        var exercises = api.MapGroup("/api/exercises");
        exercises.MapGet("/kinds", Kinds).WithName("listExerciseKinds");
        exercises.MapPost("/part", Make).WithName("makePart").ProducesProblem(422);
        exercises
            .MapPost("/show", (SheetParts parts, SheetDoc doc) => parts.Views(doc))
            .WithName("showSheet")
            .ProducesProblem(422);
        exercises
            .MapPost(
                "/for/{instrument}",
                (SheetParts parts, string instrument, string from, SheetDoc doc) => parts.For(instrument, from, doc)
            )
            .WithName("copySheetFor")
            .ProducesProblem(422);
        exercises.MapPost("/file/{format}", File).WithName("saveSheetAsFile").ProducesProblem(422);
        exercises.MapPost("/import", Import).WithName("readSheetFile").ProducesProblem(422);
        exercises.MapPost("/tune", KeepAsTune).WithName("keepExerciseAsTune").ProducesProblem(422);
        exercises
            .MapPost("/first/{tune:long}", First)
            .WithName("makeFirstSheet")
            .ProducesProblem(404)
            .ProducesProblem(422);
    }

    private static TrainingView[] Kinds() =>
        [
            .. Enum.GetValues<Training>()
                .Select(t => new TrainingView(
                    ExerciseWords.Name(t),
                    [
                        .. ExerciseKind
                            .All.Where(k => k.Trains == t)
                            .Select(k => new ExerciseKindView(
                                k.Id,
                                ExerciseWords.Name(k),
                                ExerciseWords.About(k),
                                k.IsPlayed,
                                k.NeedsATune
                            )),
                    ]
                )),
        ];

    private static SheetPartView Make(SheetParts parts, MakePart asked) => parts.Make(asked);

    private static IReadOnlyList<SheetPartView> First(
        SheetParts parts,
        Readings readings,
        long tune,
        string instruments,
        int seed = 1
    ) => parts.First(readings.Kept(tune), instruments.Split(','), seed);

    /// <summary>A sheet as the text of a file.</summary>
    private static Ok<string> File(SheetFiles files, string format, SheetDoc doc) =>
        Choices.Read<SheetFormat>(format, out var known)
            ? TypedResults.Ok(files.Write(doc, known))
            : throw new RefusedException(
                422,
                Say(
                    "exercises.exercise.is-not-a-format-expected-one-of",
                    ("format", format),
                    ("choices", Choices.Expected<SheetFormat>())
                )
            );

    /// <summary>The text of a file as a sheet that is not kept yet.</summary>
    private static SheetView Import(SheetFiles files, SheetParts parts, SheetText file)
    {
        var doc = files.Read(file.Text);
        return new SheetView(0, 1, doc.Heading, doc.NameLine, doc.Instruments, parts.Views(doc));
    }

    /// <summary>
    /// Keeps music to play as a tune, with its pairs as pins, so that the stand reads, plays and loops it.
    /// </summary>
    private static long KeepAsTune(TuneRepository tunes, SheetParts parts, ExerciseTune asked)
    {
        var (music, fixedPairs, player) = parts.MusicOf(asked);
        var source = MusicXmlWriter.Write(music with { Title = asked.Title, InstrumentName = player.Instrument.Name });
        var request = new TuneRequest(source, asked.Title, Composer: null, PrintedFor: player.Instrument.Id);
        var tune = NewTune.Of(request, TuneReader.Read(source)) with { Composer = "exercise" };
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
    }
}
