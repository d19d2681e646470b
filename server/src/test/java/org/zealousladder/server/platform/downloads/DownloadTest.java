package org.zealousladder.server.platform.downloads;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.zealousladder.server.platform.problems.Refusal;

public class DownloadTest {
    /** What somebody gets who takes the file. */
    public static String text(ResponseEntity<Resource> answer) throws IOException {
        try (InputStream in = Objects.requireNonNull(answer.getBody()).getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @TempDir
    Path folder;

    private long waiting() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.count();
        }
    }

    @Test
    void everyCellOfAFileIsLookedAt() throws IOException {
        ResponseEntity<Resource> answer = Download.csv("names.csv", rows -> {
            rows.add("student", "name");
            rows.add("=1+1", "+Eve, or not");
        });
        assertEquals("student,name\r\n'=1+1,\"'+Eve, or not\"\r\n", text(answer).replaceAll("\r?\n", "\r\n"));
        assertEquals("attachment; filename=\"names.csv\"", answer.getHeaders().getFirst("Content-Disposition"));
    }

    @Test
    void aFileLargerThanItsPiecesSaysHowLongItIsAndLeavesNothingOnTheDisk() throws IOException {
        byte[] piece = new byte[1 << 20];
        ResponseEntity<Resource> answer = Download.of(folder, "much.bin", MediaType.APPLICATION_OCTET_STREAM, out -> {
            for (int i = 0; i < 30; i++) {
                out.write(piece);
            }
        });
        assertEquals(30L << 20, answer.getHeaders().getContentLength());
        assertEquals(0, waiting());
        try (InputStream in = Objects.requireNonNull(answer.getBody()).getInputStream()) {
            long length = 0;
            for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                length += n;
            }
            assertEquals(30L << 20, length);
        }
    }

    @Test
    void whatIsRefusedOnTheWayIsToldAndLeavesNothingEither() throws IOException {
        assertThrows(Refusal.class, () -> Download.of(folder, "half.bin", MediaType.APPLICATION_OCTET_STREAM, out -> {
            out.write(new byte[100_000]);
            throw Refusal.conflict("It has changed meanwhile.");
        }));
        assertEquals(0, waiting());
    }
}
