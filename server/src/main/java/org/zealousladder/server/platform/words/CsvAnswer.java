package org.zealousladder.server.platform.words;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A table sent as a CSV file to keep. */
public final class CsvAnswer {
    private CsvAnswer() {}

    /** The first row names the columns. No cell, whose ever it is, is a formula where the file is opened. */
    public static ResponseEntity<String> of(String name, List<List<String>> rows) {
        return of(name, text(rows));
    }

    public static String text(List<List<String>> rows) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            rows.forEach(r -> csv.writeRecord(r.stream().map(Spreadsheet::safe).toList()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    public static ResponseEntity<String> of(String name, String text) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString()).body(text);
    }
}
