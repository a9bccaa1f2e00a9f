using Coppia.Formats.Books;
using Coppia.Server.Asked;

namespace Coppia.Server.Tunes;

/// <summary>Files as they are sent.</summary>
internal static class TuneUpload
{
    private const int MostBytes = 5 * 1024 * 1024;

    /// <exception cref="RefusedException">It is too large.</exception>
    public static async Task<byte[]> BytesOf(IFormFile file, CancellationToken cancellation)
    {
        if (file.Length > MostBytes)
            throw new RefusedException(413, "The file is larger than 5 MB.");
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
