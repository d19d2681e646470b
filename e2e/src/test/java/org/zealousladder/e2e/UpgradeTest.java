package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The demo as an earlier version kept it, brought to this one: nothing goes, and what was there can be worked with. */
class UpgradeTest {
    private static final Path EARLIER = Path.of("src", "test", "resources", "demo-at-schema-20.dump").toAbsolutePath();

    private static Map<String, Long> counts(Operations ops) throws Exception {
        return ops.well("""
                database_value ops ladder "select t.name || ' ' || (xpath('/row/n/text()',
                  query_to_xml('select count(*) as n from ' || t.name, false, true, '')))[1]
                  from (select relname::text as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'
                         and relname not like 'spring_session%' and relname not like 'flyway%') t" """).lines()
                .collect(Collectors.toMap(l -> l.split(" ")[0], l -> Long.parseLong(l.split(" ")[1])));
    }

    @Test
    void theRecordsOfAnEarlierVersionAreBroughtToThisOne() throws Exception {
        assertTrue(Files.exists(EARLIER));
        try (Operations ops = new Operations("ops")) {
            ops.well("database_start ops; PGPASSWORD=$(cat $STATE/ops/owner.password) $(pg_bin)/pg_restore -h 127.0.0.1 -p $(cat $STATE/ops/pg.port)"
                    + " -U ladder_owner -d ladder --exit-on-error " + EARLIER);
            Map<String, Long> before = counts(ops);
            assertEquals("20", ops.well("database_value ops ladder 'select max(version::integer) from flyway_schema_history'"));
            assertTrue(before.get("scores_score") > 5000 && before.get("plans_plan") > 5, before.toString());
            ops.well("server_env ops; migrate ops");
            assertEquals(ops.well("schema_wanted"), ops.well("database_value ops ladder 'select max(version::integer) from flyway_schema_history'"));
            Map<String, Long> after = counts(ops);
            // What a new version changes of measures is in their history, as every change is.
            before.computeIfPresent("measures_change", (table, rows) -> rows + before.get("measures_measure"));
            before.forEach((table, rows) -> assertEquals(rows, after.get(table.equals("report_job") ? "papers_job" : table), table));
            // The server of this version works on them, and knows that there are people.
            ops.well("server_start ops 0; curl -fsS http://127.0.0.1:$(cat $STATE/ops/server.port)/api/session | grep '\"setupNeeded\":false'");
            // An earlier program meets a later schema: it ends and says so.
            ops.well("server_stop ops; database_sql ops ladder \"update flyway_schema_history set version = '999' where version = '$(schema_wanted)'\"");
            Operations.Outcome refused = ops.run("server_start ops 0");
            assertEquals(1, refused.code());
            assertTrue(refused.out().contains("The records are of a newer program (schema 999, this one knows " + ops.well("schema_wanted")
                    + "). Start the newer program; nothing was touched."), refused.out());
        }
    }
}
