package org.zealousladder.server.exchange.records.workbook;

import static org.zealousladder.server.platform.files.SafeXml.child;
import static org.zealousladder.server.platform.files.SafeXml.children;
import static org.zealousladder.server.platform.files.SafeXml.text;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;
import org.zealousladder.server.platform.files.SafeXml;

/**
 * What students answered elsewhere, as QTI 3.0 reports it (Results Reporting, {@code assessmentResult}): read as a table of our own, a row an item's result. What
 * the item earned is its outcome SCORE; a result without one says no points.
 */
public final class ResultsReport {
    private static final int BEGINNING = 2000;
    private static final List<String> HEADER = List.of("student", "item", "date", "points", "possible", "answer", "seconds");
    private static final int LONGEST_ANSWER = 500;

    private ResultsReport() {}

    /** By its first lines. */
    public static boolean looksLikeOne(Path path) throws IOException {
        try (InputStream in = Files.newInputStream(path)) {
            String begins = new String(in.readNBytes(BEGINNING), StandardCharsets.UTF_8);
            return begins.replace("\uFEFF", "").stripLeading().startsWith("<") && begins.contains("assessmentResult");
        }
    }

    /** @throws Workbook.BadWorkbookException for what cannot be read, with a sentence for whoever chose it */
    public static void write(Path path, Path table) throws IOException, Workbook.BadWorkbookException {
        try (InputStream in = Files.newInputStream(path);
                Writer out = Files.newBufferedWriter(table);
                CsvWriter csv = CsvWriter.builder().build(out)) {
            Element root = SafeXml.read(in).getDocumentElement();
            csv.writeRecord(HEADER);
            List<Element> reports = root.getLocalName().equals("assessmentResult") ? List.of(root)
                    : SafeXml.within(root).stream().filter(e -> e.getLocalName().equals("assessmentResult")).toList();
            for (Element report : reports) {
                String student = child(report, "context").map(c -> c.getAttribute("sourcedId")).orElse("");
                for (Element item : children(report, "itemResult")) {
                    if (!item.getAttribute("sessionStatus").equals("initial")) {
                        csv.writeRecord(row(student, item));
                    }
                }
            }
        } catch (SAXException e) {
            throw new Workbook.BadWorkbookException("The results cannot be read: they are no well-formed XML, or have a document type, which is not read.");
        }
    }

    private static List<String> row(String student, Element item) {
        Optional<String> score = outcome(item, "SCORE");
        String answer = children(item, "responseVariable").stream().filter(v -> !List.of("duration", "numAttempts").contains(v.getAttribute("identifier")))
                .flatMap(v -> children(v, "candidateResponse").stream()).flatMap(c -> children(c, "value").stream()).map(SafeXml::text)
                .collect(Collectors.joining("|"));
        String stamp = item.getAttribute("datestamp");
        return List.of(student, item.getAttribute("identifier"), stamp.length() >= 10 ? stamp.substring(0, 10) : stamp, score.orElse(""),
                outcome(item, "MAXSCORE").orElse(""),
                // An answer by a program's own names is worth what the program says, and nothing by our key.
                score.isEmpty() ? "" : answer.length() > LONGEST_ANSWER ? answer.substring(0, LONGEST_ANSWER) : answer, seconds(item));
    }

    private static Optional<String> outcome(Element item, String name) {
        return children(item, "outcomeVariable").stream().filter(v -> v.getAttribute("identifier").equals(name)).flatMap(v -> children(v, "value").stream())
                .map(v -> text(v)).findFirst();
    }

    private static String seconds(Element item) {
        return children(item, "responseVariable").stream().filter(v -> v.getAttribute("identifier").equals("duration"))
                .flatMap(v -> children(v, "candidateResponse").stream()).flatMap(c -> children(c, "value").stream()).map(SafeXml::text)
                .filter(t -> t.matches("\\d+([.]\\d+)?")).map(t -> String.valueOf(Math.round(Double.parseDouble(t)))).findFirst().orElse("");
    }
}
