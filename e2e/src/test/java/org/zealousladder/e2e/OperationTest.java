package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.zealousladder.e2e.Operations.Outcome;

/** Starting, mending, backing up and putting back, by the start command's own functions on a database and a server of their own. */
class OperationTest {
    /** As behind a web server with HTTPS, which is this machine. */
    private static final String START = "export LADDER_SECURE_COOKIE=true LADDER_PROXY='127\\.0\\.0\\.1'; database_start ops; server_start ops 0; ";
    private static final String COUNTS = """
            database_value ops ladder "select string_agg(t.name || ' ' || (xpath('/row/n/text()',
              query_to_xml('select count(*) as n from ' || t.name, false, true, '')))[1], ', ' order by t.name)
              from (select relname::text as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'
                       and relname not in ('spring_session', 'spring_session_attributes', 'server_process', 'records_turn')) t" """;
    private static Operations ops;

    @BeforeAll
    static void aServerWithRecords() throws Exception {
        ops = new Operations("ops");
        ops.well(START);
        ops.well("server_env ops; java_run 256m demo-data $STATE/files --size skerrow >/dev/null; "
                + "cd $STATE/files; java_run 512m import schools.csv years.csv classes.csv students.csv enrolments.csv people.csv teaches.csv measures.csv windows.csv scores.csv");
    }

    @AfterAll
    static void stop() throws Exception {
        ops.close();
    }

    private static int status() throws Exception {
        return ops.run("server_healthy ops").code();
    }

    @Test
    void aBackupPutBackHoldsTheSameRecordsWhileTheServerRuns() throws Exception {
        String before = ops.well(COUNTS);
        assertTrue(!before.contains("roster_student 0"), before);
        ops.well("backup_take ops $STATE/one.dump");
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(ops.file("one.dump"))));
        ops.well("database_sql ops ladder 'delete from people_teaches' \"update roster_student set given_name = 'X'\"");
        assertNotEquals(before, ops.well(COUNTS));
        ops.well("backup_put_back ops $STATE/one.dump");
        assertEquals(before, ops.well(COUNTS));
        assertEquals("0", ops.well("database_value ops ladder \"select count(*) from roster_student where given_name = 'X'\""));
        assertNotEquals("0", ops.well("database_value ops ladder_before \"select count(*) from roster_student where given_name = 'X'\""));
        ops.well("server_recovers ops");
    }

    @Test
    void behindHttpsBrowsersAreToldToAskForNothingElseAndTheProxySaysWhoAsks() throws Exception {
        String address = "http://127.0.0.1:" + ops.well("cat $STATE/ops/server.port");
        HttpClient client = HttpClient.newHttpClient();
        HttpResponse<String> page = client.send(HttpRequest.newBuilder(URI.create(address + "/api/session")).build(), HttpResponse.BodyHandlers.ofString());
        assertEquals("max-age=31536000", page.headers().firstValue("Strict-Transport-Security").orElse("none"));
        String token = page.headers().allValues("Set-Cookie").stream().filter(c -> c.startsWith("__Host-XSRF-TOKEN=")).findFirst().orElseThrow();
        assertTrue(token.contains("; Secure") && token.contains("Path=/;"), token);
        String value = token.substring(token.indexOf('=') + 1, token.indexOf(';'));
        // What somebody writes into the header beforehand is not believed: only the last, which the web server in front has put there.
        HttpResponse<String> refused = client.send(HttpRequest.newBuilder(URI.create(address + "/api/session")).header("Content-Type", "application/json")
                .header("Cookie", "__Host-XSRF-TOKEN=" + value).header("X-XSRF-TOKEN", value).header("X-Forwarded-For", "198.51.100.7, 203.0.113.9")
                .POST(HttpRequest.BodyPublishers.ofString("{\"login\":\"nobody\",\"password\":\"not the right one\"}")).build(),
                HttpResponse.BodyHandlers.ofString());
        assertEquals(401, refused.statusCode(), refused.body());
        assertEquals("203.0.113.9", ops.well("database_value ops ladder \"select address from audit_event where kind = 'refused' order by id desc limit 1\""));
    }

    @Test
    void aServerOutOfMemoryEnds() throws Exception {
        assertTrue(ops.well("tr '\\0' '\\n' </proc/$(server_pid ops)/cmdline").lines().toList().contains("-XX:+ExitOnOutOfMemoryError"));
        // The same switch, on a program that takes more than there is: it ends with 3, which the supervisor takes for any other end.
        Files.writeString(ops.file("Greedy.java"), "class Greedy { public static void main(String[] a) { try { byte[][] all = new byte[64][]; "
                + "for (int i = 0; i < 64; i++) all[i] = new byte[1 << 20]; } catch (Throwable t) { System.out.println(\"goes on\"); } } }");
        Outcome outcome = ops.run("javac -d $STATE $STATE/Greedy.java; java -Xmx16m -XX:+ExitOnOutOfMemoryError -cp $STATE Greedy");
        assertEquals(3, outcome.code(), outcome.out());
        assertTrue(!outcome.out().contains("goes on"), outcome.out());
    }

    @Test
    void whatIsNoBackupChangesNothing() throws Exception {
        String before = ops.well(COUNTS);
        Files.writeString(ops.file("bad.dump"), "PGDMP and then nothing of the kind");
        Outcome refused = ops.run("backup_put_back ops $STATE/bad.dump");
        assertEquals(1, refused.code());
        assertTrue(refused.out().endsWith("bad.dump is no backup: pg_restore cannot read it. Nothing was changed."), refused.out());
        ops.well(
                "PGPASSWORD=$(cat $STATE/ops/owner.password) $(pg_bin)/pg_dump -h 127.0.0.1 -p $(cat $STATE/ops/pg.port) -U ladder_owner -Fc -f $STATE/other.dump postgres");
        Outcome other = ops.run("backup_put_back ops $STATE/other.dump");
        assertTrue(other.out().endsWith("other.dump is a backup of something else. Nothing was changed."), other.out());
        assertEquals(before, ops.well(COUNTS));
    }

    @Test
    void theNightlyOneIsTakenOnceADayAndTheOldOnesGo() throws Exception {
        ops.well("mkdir -p $STATE/ops/backups; for d in 1 5 20 40; do f=$STATE/ops/backups/ladder-$(date -d \"-$d days\" +%F).dump; "
                + "echo x >$f; touch -d \"-$d days\" $f; done; echo mine >$STATE/ops/backups/ladder-before-the-move.dump; touch -d '-90 days' $STATE/ops/backups/ladder-before-the-move.dump");
        ops.well("backup_nightly ops");
        assertEquals(1, ops.run("backup_due ops").code());
        List<String> left = ops.well("ls $STATE/ops/backups | wc -l; ls $STATE/ops/backups").lines().toList();
        assertEquals("4", left.get(0), left.toString());
        assertTrue(left.contains("ladder-before-the-move.dump"), "what somebody else put there stays");
    }

    @Test
    void aKilledDatabaseComesBackWhereTheServerLooksForIt() throws Exception {
        String server = ops.well("cat $STATE/ops/server.pid");
        ops.well("kill -9 $(database_pid ops); sleep 1; ! database_running ops");
        ops.well(START);
        assertEquals(0, status());
        assertEquals(server, ops.well("cat $STATE/ops/server.pid"), "the server found its records again");
    }

    @Test
    void aKilledServerAndBothAndAStaleFileAreMended() throws Exception {
        ops.well("kill -9 $(supervisor_pid ops) $(server_pid ops); sleep 1");
        ops.well(START);
        assertEquals(0, status());
        ops.well("kill -9 $(supervisor_pid ops) $(server_pid ops); kill -9 $(database_pid ops); sleep 1");
        ops.well("echo $$ >$STATE/ops/server.pid; echo $$ >$STATE/ops/supervisor.pid; " + START);
        assertEquals(0, status());
        assertEquals("1", ops.well("pgrep -fc \"supervise.sh $STATE/ops \""));
    }

    @Test
    void settingsThatCannotBeAreToldWithTheirLineAndTheirRepair() throws Exception {
        Files.writeString(ops.file("ladder.conf"),
                "# a note\nprot = 8410\nport = 99999\nhttps = true\nnonsense\npace = 2\npace=3\nproxy = ((\nmemory = 9000g\n");
        String wrong = ops.well("settings_wrong");
        for (String line : List.of("line 2: there is no setting 'prot'. There are: address, port,", "line 3: port is a number from 1 to 65535, not '99999'.",
                "line 4: https is yes or no, not 'true'.", "line 5: 'nonsense' is no setting. Write name = value, or put a # before it.",
                "line 7: pace stands there twice; the last one counts. Take one away.", "line 8: proxy is no regular expression: '(('.",
                "line 9: memory is 9000g, but the machine has")) {
            assertTrue(wrong.contains("ladder.conf, " + line), line + " in\n" + wrong);
        }
        assertEquals(7, wrong.lines().count(), wrong);
        Files.writeString(ops.file("ladder.conf"), "port = 8499\r\nhttps = yes\n# zone = X\nzone =\tEurope/Oslo  \n");
        assertEquals("", ops.well("settings_wrong"));
        assertEquals("8499 true Europe/Oslo", ops.well("settings_use; echo $LADDER_PORT $LADDER_SECURE_COOKIE $LADDER_ZONE"));
        assertEquals("1 true", ops.run("settings_use; echo $LADDER_PORT $LADDER_SECURE_COOKIE", java.util.Map.of("LADDER_PORT", "1")).out());
        Files.delete(ops.file("ladder.conf"));
    }
}
