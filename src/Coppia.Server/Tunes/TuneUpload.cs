using Coppia.Formats.Books;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>Files as they are sent.</summary>
internal static class TuneUpload
{
    private const int MostBytes = 5 * 1024 * 1024;

    /// <exception cref="RefusedException">It is too large.</exception>
    public static async Task<byte[]> BytesOf(IFormFile file, CancellationToken cancellation)
    {
        if (file.Length > MostBytes)
            throw new RefusedException(413, Say("tunes.tune-upload.the-file-is-larger-than-5-mb"));
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancellation);
        return bytes.ToArray();
    }

    /// <exception cref="RefusedException">It is no text, and no packed one.</exception>
    public static string TextOf(byte[] bytes)
    {
        try
        {
            return TuneBytes.Text(bytes);
        }
        catch (InvalidDataException e)
        {
            throw RefusedException.Wrong(e.Message);
        }
    }
}
