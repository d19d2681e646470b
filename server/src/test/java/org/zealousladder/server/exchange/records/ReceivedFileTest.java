package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReceivedFileTest {
    private static final Instant NOON = Instant.parse("2026-03-13T12:00:00Z");

    @TempDir
    Path folder;

    @Test
    void whatWasSentIsThereUntilItIsClosed() throws IOException {
        ReceivedFile file = ReceivedFile.receive(new ByteArrayInputStream("a,b\n".getBytes()));
        assertArrayEquals("a,b\n".getBytes(), Files.readAllBytes(file.path()));
        file.close();
        assertFalse(Files.exists(file.path()));
    }

    @Test
    void aLineThatBreaksLeavesNothing() throws IOException {
        List<Path> before = received();
        InputStream breaks = new InputStream() {
            private int left = 10;

            @Override
            public int read() throws IOException {
                if (left-- <= 0) {
                    throw new IOException("the line is gone");
                }
                return 'a';
            }
        };
        assertThrows(IOException.class, () -> ReceivedFile.receive(breaks));
        assertEquals(before, received());
    }

    private static List<Path> received() throws IOException {
        try (Stream<Path> files = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return files.filter(f -> f.getFileName().toString().startsWith(ReceivedFile.OWN_PREFIX)).sorted().toList();
        }
    }

    @Test
    void whatAKilledServerLeftIsTakenAwayAndNothingElse() throws IOException {
        file("ladder-import-1.csv", NOON.minusSeconds(1));
        file("ladder-import-2.csv", NOON.plusSeconds(1));
        file("somebodys.csv", NOON.minusSeconds(1));
        ReceivedFile.clearUp(folder, NOON);
        try (Stream<Path> left = Files.list(folder)) {
            assertEquals(List.of("ladder-import-2.csv", "somebodys.csv"), left.map(f -> f.getFileName().toString()).sorted().toList());
        }
    }

    private void file(String name, Instant modified) throws IOException {
        Files.setLastModifiedTime(Files.createFile(folder.resolve(name)), FileTime.from(modified));
    }
}
