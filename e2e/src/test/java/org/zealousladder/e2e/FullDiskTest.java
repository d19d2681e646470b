package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The records on a file system of 330 MB of their own, which is filled to its last byte. Only where the machine lets one be made. */
class FullDiskTest {
    private static final String WHO = "who=school-1&year=2&asOf=2026-03-13";
    private static final String NO_ROOM = "The server has no room left on its disk. Nothing was saved; tell your administrator.";
    private static final LocalDate FIRST = LocalDate.of(2025, 9, 1);
    private static final int DAYS = 150;
    /** How many saves are tried at most: what room the log has left is not the same every time. */
    private static final int TRIES = 1200;

    /**
     * The database has files of its log made ahead, in which thousands of scores would still find room: all of it but a little is written full, by large pieces and then
     * by small ones.
     */
    private static final String LITTLE_LOG = """
            database_value demo-full postgres "checkpoint"
            for piece in 100000 1000; do
              current=$(database_value demo-full postgres "select pg_walfile_name(pg_current_wal_lsn())")
              ahead=$(ls $STATE/small/pg/pg_wal | grep -E '^[0-9A-F]{24}$' | awk -v c="$current" '$0 > c' | wc -l)
              database_value demo-full postgres "select count(pg_logical_emit_message(false, 'room', repeat('x', $piece)))
                from generate_series(1, greatest(0,
                  ($ahead * 16777216 + 16777216 - (select file_offset from pg_walfile_name_offset(pg_current_wal_lsn()))) / ($piece + 400) - 4))"
            done
            """;

    /** A score that none was saved for: each student in turn has a score on each day. */
    private record Try(String student, String code, LocalDate day) {
        AnyServer.Answer save(AnyServer person) throws IOException, InterruptedException {
            return person.post("/api/scores",
                    "{\"studentId\":" + student + ",\"measureId\":1,\"takenOn\":\"" + day + "\",\"value\":33,\"status\":\"scored\",\"sure\":true}");
        }

        String line() {
            return code + ",oral-reading," + day + ",33,scored";
        }
    }

    private static Try nth(JsonArray rows, int n) {
        JsonObject student = rows.get(5 + n / DAYS).getAsJsonObject().get("student").getAsJsonObject();
        return new Try(student.get("id").getAsString(), student.get("code").getAsString(), FIRST.plusDays(1 + n % DAYS));
    }

    private static void fill(Path file) throws IOException {
        byte[] piece = new byte[1 << 20];
        for (int size = piece.length; size > 0; size /= 2) {
            try (OutputStream out = Files.newOutputStream(file, java.nio.file.StandardOpenOption.CREATE, java.nio.file.StandardOpenOption.APPEND)) {
                while (true) {
                    out.write(piece, 0, size);
                }
            } catch (IOException full) {
                // Smaller pieces may still fit.
            }
        }
    }

    private static void room(Path filler) throws IOException {
        try (FileChannel file = FileChannel.open(filler, java.nio.file.StandardOpenOption.WRITE)) {
            file.truncate(file.size() - (1 << 20));
        }
    }

    @Test
    void aFullDiskIsSaidAndNothingThatWasSavedIsLost() throws Exception {
        try (Operations ops = new Operations("demo-full")) {
            assumeTrue(ops.run("mkdir $STATE/small && mount -t tmpfs -o size=330m,mode=755 tmpfs $STATE/small").code() == 0,
                    "no file system of its own can be made here");
            try {
                ops.well(
                        "mkdir $STATE/demo-full && install -d -o postgres -g postgres -m 700 $STATE/small/pg && echo $STATE/small/pg >$STATE/demo-full/pg.where");
                ops.demoSchool("-c max_wal_size=64MB -c min_wal_size=32MB");
                ops.well("server_start demo-full 0");
                AnyServer person = new AnyServer(List.of("http://127.0.0.1:" + ops.well("cat $STATE/demo-full/server.port")), 0, "m.tveit", Duration.ZERO);
                JsonArray rows = JsonParser.parseString(person.get("/api/table?" + WHO).body()).getAsJsonObject().get("rows").getAsJsonArray();
                List<String> saved = new ArrayList<>();
                fill(ops.file("small/filler"));
                // A new connection may have to write down what the catalogue looks like.
                room(ops.file("small/filler"));
                ops.well(LITTLE_LOG);
                fill(ops.file("small/filler"));
                int refused = 0;
                int next = 0;
                while (next < TRIES && refused < 30) {
                    Try one = nth(rows, next++);
                    AnyServer.Answer answer = one.save(person);
                    if (answer.status() == 204) {
                        saved.add(one.line());
                    } else if (answer.status() != 409) {
                        assertEquals(503, answer.status(), answer.body());
                        assertEquals(NO_ROOM, JsonParser.parseString(answer.body()).getAsJsonObject().get("detail").getAsString());
                        refused++;
                    }
                }
                assertEquals(30, refused);
                assertTrue(person.get("/api/desk?" + WHO).body().contains("\"student\""), "what is on record is still shown");
                Files.delete(ops.file("small/filler"));
                AnyServer.Answer after = nth(rows, next++).save(person);
                for (int i = 0; i < 60 && after.status() != 204; i++) {
                    Thread.sleep(500);
                    after = nth(rows, next++).save(person);
                }
                assertEquals(204, after.status(), after.body());
                Set<String> known = Set.copyOf(saved);
                List<String> kept = person.get("/api/records/scores.csv?measure=1&" + WHO).body().lines().filter(known::contains).sorted().toList();
                assertEquals(saved.stream().sorted().toList(), kept);
            } finally {
                // The database takes its process file away shortly before its last file is closed.
                ops.well("server_stop demo-full || true; database_stop demo-full || true; "
                        + "for try in $(seq 100); do if umount $STATE/small; then exit 0; fi; sleep 0.2; done; ls -l /proc/*/fd 2>/dev/null | grep small; exit 1");
            }
        }
    }
}
