package apodex.parcel;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.TimeZone;
import java.util.logging.Level;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;

/** Sets a session sheet for printing, from its HTML, with the fonts in it. The same sheet gives the same bytes. */
final class SheetPdf {
    /** A font for scripts that the others lack. */
    private record Rare(String file, String family, Pattern signs) {
        Rare(String file, String family, String signs) {
            this(file, family, Pattern.compile(signs));
        }
    }

    private static final List<Rare> RARE = List.of(
            new Rare(
                    "EastAsianFallback.ttf",
                    "East Asian",
                    "[\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}\\p{IsBopomofo}\\u3000-\\u303F\\uFF00-\\uFFEF]"),
            new Rare("HangulFallback.ttf", "Hangul", "\\p{IsHangul}"));

    private SheetPdf() {}

    /** @param day the day it is dated, so that nothing comes from the clock */
    static byte[] of(Sheet sheet, LocalDate day) throws IOException {
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.OFF));
        PdfRendererBuilder builder = new PdfRendererBuilder();
        font(builder, "Archivo-Regular.ttf", "Archivo", 400);
        font(builder, "Archivo-Bold.ttf", "Archivo", 700);
        font(builder, "IBMPlexMono-Regular.ttf", "IBM Plex Mono", 400);
        // last in every list of fonts, so that signs the others lack are there
        font(builder, "DejaVuSans.ttf", "DejaVu Sans", 400);
        String page = SheetHtml.of(sheet);
        String behind = "\"DejaVu Sans\"";
        for (Rare rare : RARE) { // large, and seldom needed
            if (rare.signs().matcher(page).find()) {
                font(builder, rare.file(), rare.family(), 400);
                behind += ", \"" + rare.family() + "\"";
            }
        }
        String html = page.replace("\"Helvetica Neue\", Arial, sans-serif", behind)
                .replace("Consolas, monospace", behind)
                .replace("\"DejaVu Sans\", sans-serif", behind);
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.defaultTextDirection(BaseRendererBuilder.TextDirection.LTR);
        builder.withHtmlContent(html, null);
        builder.usePdfUaAccessibility(false);
        try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            PDDocument document = renderer.getPdfDocument();
            PDDocumentInformation facts = new PDDocumentInformation();
            facts.setTitle(sheet.title() + ": session sheet");
            facts.setProducer("Apodex");
            Calendar noon = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
            noon.setTimeInMillis(day.toEpochDay() * 86_400_000L + 43_200_000L);
            facts.setCreationDate(noon);
            facts.setModificationDate(noon);
            document.setDocumentInformation(facts);
            document.setDocumentId(day.toEpochDay());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> new ByteArrayInputStream(withoutLigatures(file)), family, weight, FontStyle.NORMAL, true);
    }

    /**
     * A font whose table of substitutions is hidden. With it, two letters drawn as one sign cannot be searched for or copied out of
     * the page: the writer does not say which letters the sign stands for.
     */
    private static byte[] withoutLigatures(String file) {
        try (InputStream in = SheetPdf.class.getResourceAsStream("fonts/" + file)) {
            byte[] font = in.readAllBytes();
            int tables = (font[4] & 0xFF) << 8 | font[5] & 0xFF; // OpenType 1.9, "Table Directory"
            for (int at = 12; at < 12 + 16 * tables; at += 16) {
                if (new String(font, at, 4, StandardCharsets.US_ASCII).equals("GSUB")) {
                    font[at] = 'g';
                }
            }
            return font;
        } catch (IOException | NullPointerException e) {
            throw new IllegalStateException("The font " + file + " is not packed with Apodex.", e);
        }
    }
}
