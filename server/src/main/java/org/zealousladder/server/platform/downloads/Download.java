package org.zealousladder.server.platform.downloads;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/**
 * A file to keep. It is written to this machine's disk first and sent from there: it may be of any size, what goes wrong is told in a sentence instead of a file
 * that breaks off, and whoever takes long to receive it holds no connection of the database.
 */
public final class Download {
    public static final MediaType XLSX = MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
    private static final MediaType CSV = MediaType.parseMediaType("text/csv;charset=UTF-8");

    private Download() {}

    /** Writes what is in a file, piece by piece. */
    @FunctionalInterface
    public interface Content {
        void writeTo(OutputStream out) throws IOException;
    }

    /** Rows, the first of which names the columns. */
    public static ResponseEntity<Resource> csv(String name, Consumer<CsvRows> rows) {
        return of(name, CSV, out -> {
            try (CsvWriter csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                rows.accept(new CsvRows(csv));
            }
        });
    }

    /** A table with its description, found by the header that <a href="https://www.w3.org/TR/tabular-data-model/#link-header">CSV on the Web</a> says. */
    public static ResponseEntity<Resource> described(ResponseEntity<Resource> table, String description) {
        return ResponseEntity.status(table.getStatusCode()).headers(table.getHeaders())
                .header(HttpHeaders.LINK, "<" + description + ">; rel=\"describedby\"; type=\"application/csvm+json\"").body(table.getBody());
    }

    public static ResponseEntity<Resource> of(String name, MediaType type, Content content) {
        return of(Path.of(System.getProperty("java.io.tmpdir")), name, type, content);
    }

    static ResponseEntity<Resource> of(Path folder, String name, MediaType type, Content content) {
        try {
            Path path = Files.createTempFile(folder, "ladder-download-", null);
            try {
                try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(path))) {
                    content.writeTo(out);
                }
                long size = Files.size(path);
                InputStream in = Files.newInputStream(path);
                return ResponseEntity.ok().contentType(type).contentLength(size)
                        .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString())
                        .body(new InputStreamResource(in));
            } finally {
                // What is open can still be read: nothing stays, however the sending ends.
                Files.deleteIfExists(path);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
