using PdfSharp.Fonts;

namespace Corrie.Web.Sheets;

/// <summary>The one type face, as it is shipped: nothing is taken from the machine.</summary>
public sealed class ShippedFonts : IFontResolver
{
    /// <summary>The name under which sheets ask for it.</summary>
    public const string Face = "Hyperlegible Next";

    private const string Regular = "regular", Bold = "bold";

    /// <summary>Makes it known to whatever writes PDF files.</summary>
    public static void Use() => GlobalFontSettings.FontResolver ??= new ShippedFonts();

    /// <inheritdoc/>
    public FontResolverInfo ResolveTypeface(string familyName, bool bold, bool italic) => new(bold ? Bold : Regular);

    /// <inheritdoc/>
    public byte[] GetFont(string faceName)
    {
        using var font = typeof(ShippedFonts).Assembly.GetManifestResourceStream($"Corrie.Web.Fonts.{faceName}.ttf") ?? throw new InvalidOperationException($"The font '{faceName}' is not shipped.");
        using var bytes = new MemoryStream();
        font.CopyTo(bytes);
        return bytes.ToArray();
    }
}
