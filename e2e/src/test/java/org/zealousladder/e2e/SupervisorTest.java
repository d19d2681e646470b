package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The script that keeps the server running. */
class SupervisorTest {
    @TempDir
    Path folder;

    private Process supervise(String command) throws IOException {
        return new ProcessBuilder("../scripts/supervise.sh", folder.toString(), "bash", "-c", command).redirectErrorStream(true).start();
    }

    private static void until(BooleanSupplier holds) throws InterruptedException {
        for (int i = 0; i < 200 && !holds.getAsBoolean(); i++) {
            Thread.sleep(50);
        }
        assertTrue(holds.getAsBoolean());
    }

    private List<String> lines(String file) {
        try {
            return Files.exists(folder.resolve(file)) ? Files.readAllLines(folder.resolve(file)) : List.of();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** What is supervised may have begun before its id is written. */
    private ProcessHandle running() throws InterruptedException {
        until(() -> lines("runs").size() == 1 && lines("server.pid").size() == 1);
        return ProcessHandle.of(Long.parseLong(lines("server.pid").get(0))).orElseThrow();
    }

    @Test
    void whatEndsByItselfIsStartedAnewUntilItIsToldToStop() throws Exception {
        Process supervisor = supervise("echo began >>" + folder.resolve("runs") + "; exit 3");
        until(() -> lines("runs").size() >= 3);
        assertEquals(List.of("3", "3"), lines("ended").subList(0, 2));
        supervisor.destroy();
        assertTrue(supervisor.waitFor(10, TimeUnit.SECONDS));
        int runs = lines("runs").size();
        Thread.sleep(2500);
        assertEquals(runs, lines("runs").size());
        assertFalse(Files.exists(folder.resolve("supervisor.pid")));
    }

    @Test
    void whatRunsIsStoppedWithIt() throws Exception {
        Process supervisor = supervise("echo began >>" + folder.resolve("runs") + "; exec sleep 300");
        ProcessHandle child = running();
        assertTrue(child.isAlive());
        supervisor.destroy();
        assertTrue(supervisor.waitFor(10, TimeUnit.SECONDS));
        assertEquals(0, supervisor.exitValue());
        until(() -> !child.isAlive());
        assertTrue(lines("ended").isEmpty());
    }

    /** As the machine does it when memory runs out. */
    @Test
    void whatIsKilledComesBack() throws Exception {
        Process supervisor = supervise("echo began >>" + folder.resolve("runs") + "; exec sleep 300");
        running().destroyForcibly();
        until(() -> lines("runs").size() == 2);
        assertEquals(List.of("137"), lines("ended"));
        supervisor.destroy();
        assertTrue(supervisor.waitFor(10, TimeUnit.SECONDS));
    }
}
