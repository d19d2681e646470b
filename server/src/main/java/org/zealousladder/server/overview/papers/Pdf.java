package org.zealousladder.server.overview.papers;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.font.PDFont;

/** HTML to PDF. The typeface is the one that comes with PDFBox, for its wide range of letters. */
public final class Pdf {
    /** A4, numbered pages, tables with hairlines; {@code .next} begins a page, {@code .soft} and {@code .right} are what they say. */
    private static final String STYLE = """
            @page { size: A4; margin: 14mm; font-family: 'Liberation Sans';
              @bottom-right { font-family: 'Liberation Sans'; content: counter(page) " of " counter(pages); font-size: 8pt; color: #555555; } }
            * { font-family: 'Liberation Sans'; }
            body { font-size: 9pt; color: #111111; }
            h1 { font-size: 15pt; margin: 0; font-weight: normal; } h2 { font-size: 11pt; margin: 2.5mm 0 0.5mm 0; font-weight: normal; }
            p { margin: 1mm 0; } .soft { color: #444444; }
            table { border-collapse: collapse; width: 100%; }
            td, th { text-align: left; border-bottom: 0.3pt solid #999999; padding: 0.35mm 2mm 0.35mm 0; font-weight: normal; }
            .right { text-align: right; } tr { page-break-inside: avoid; }
            .next { page-break-before: always; }
            """;

    private Pdf() {}

    /**
     * @param language of the words, as in {@code en}
     * @param style in addition to what all papers have
     * @param body well-formed, with every text in it escaped
     */
    public static byte[] of(String title, String language, String style, String body) {
        String html = "<html lang='" + text(language) + "'><head><title>" + text(title) + "</title><meta name='description' content='"
                + text(title).replace("'", "&#39;")
                + "'/><style>" + STYLE + style + "</style></head><body>" + body + "</body></html>";
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFont(() -> PDFont.class.getResourceAsStream("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf"), "Liberation Sans", 400,
                    BaseRendererBuilder.FontStyle.NORMAL, true);
            // Tagged for those who have it read to them (ISO 14289-1); the tests hold it against a checker.
            builder.usePdfUaAccessibility(true);
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.withHtmlContent(html, null);
            builder.toStream(bytes);
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** Records of earlier days may hold characters that XML cannot (its production 2); they show as the sign for what cannot be shown. */
    private static final Pattern IMPOSSIBLE = Pattern.compile("[^\\t\\n\\r\\x{20}-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]");

    /** As it stands between tags, or between double quotes. */
    public static String text(String raw) {
        return IMPOSSIBLE.matcher(raw).replaceAll("\uFFFD").replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
