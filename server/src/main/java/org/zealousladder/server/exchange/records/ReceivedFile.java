package org.zealousladder.server.exchange.records;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A file as it was sent, on this machine's disk for as long as it is looked at. */
record ReceivedFile(Path path) implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(ReceivedFile.class);
    static final String PREFIX = "ladder-import-";
    /** Of this process: another's files are not its own to count. */
    static final String OWN_PREFIX = PREFIX + ProcessHandle.current().pid() + "-";

    static ReceivedFile receive(InputStream content) throws IOException {
        ReceivedFile file = empty();
        try (content; OutputStream out = Files.newOutputStream(file.path())) {
            byte[] buffer = new byte[1 << 16];
            long total = 0;
            for (int n = content.read(buffer); n >= 0; n = content.read(buffer)) {
                total += n;
                if (total > ImportService.LIMIT) {
                    throw ImportService.tooLarge();
                }
                out.write(buffer, 0, n);
            }
        } catch (IOException | RuntimeException e) {
            file.close();
            throw e;
        }
        return file;
    }

    /** What a server that was killed has left behind; of another server on this machine nothing is so old. */
    static void clearUp(Path folder, Instant before) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.getFileName().toString().startsWith(PREFIX)).toList()) {
                if (Files.getLastModifiedTime(file).toInstant().isBefore(before)) {
                    Files.deleteIfExists(file);
                }
            }
        }
    }

    static ReceivedFile empty() throws IOException {
        return new ReceivedFile(Files.createTempFile(OWN_PREFIX, ".csv"));
    }

    /** Takes it away where nobody can do anything about its staying. */
    void discard() {
        try {
            close();
        } catch (IOException e) {
            // It goes with those that are left behind, at the next start.
            LOG.warn("a file was left behind: {}", e.getClass().getSimpleName());
        }
    }

    @Override
    public void close() throws IOException {
        Files.deleteIfExists(path);
    }
}
