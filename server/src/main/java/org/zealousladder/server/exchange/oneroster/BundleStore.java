package org.zealousladder.server.exchange.oneroster;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.words.Words;

/** The rows of the bundle's files, as {@code oneroster/bundle.sql} says. */
@Repository
class BundleStore {
    private static final String FILE = "-- file: ";
    private static final int ROWS_AT_ONCE = 2_000;

    private final JdbcClient db;
    private final Map<String, String> selects = new LinkedHashMap<>();

    BundleStore(JdbcClient db) {
        this.db = db;
        try (InputStream in = new ClassPathResource("oneroster/bundle.sql").getInputStream()) {
            for (String part : new String(in.readAllBytes(), StandardCharsets.UTF_8).split(";\n")) {
                int at = part.indexOf(FILE);
                if (at >= 0) {
                    String named = part.substring(at + FILE.length());
                    int end = named.indexOf('\n');
                    selects.put(named.substring(0, end).strip(), named.substring(end + 1));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Names of the files, in the order in which they refer to each other. */
    List<String> files() {
        return List.copyOf(selects.keySet());
    }

    /** The system that most of what is on record has come from; its numbers are those that go out. */
    String source() {
        return db.sql("select source from roster_foreign group by source order by count(*) desc, source limit 1").query(String.class).optional().orElse("");
    }

    /** Who is in a class of the year. */
    List<Integer> students(int year, @Nullable Integer school) {
        return db.sql("""
                select distinct e.student_id from roster_enrolment e join roster_class c on c.id = e.class_id
                 where c.year_id = :year and (:school::integer is null or c.school_id = :school)""").param("year", year)
                .param("school", school, java.sql.Types.INTEGER).query(Integer.class).list();
    }

    /**
     * Gives the header and then each row of a file.
     *
     * @param school null for all
     */
    void each(String file, int year, LocalDate asOf, @Nullable Integer school, String source, Consumer<List<String>> each) {
        boolean[] begun = new boolean[1];
        String select = selects.get(file);
        if (select == null) {
            throw new IllegalArgumentException(file);
        }
        db.sql(select).withFetchSize(ROWS_AT_ONCE).param("year", year).param("day", asOf).param("school", school, java.sql.Types.INTEGER)
                .param("source", source)
                .query((RowCallbackHandler) r -> {
                    if (!begun[0]) {
                        begun[0] = true;
                        each.accept(header(r));
                    }
                    List<String> cells = new ArrayList<>();
                    for (int c = 1; c <= r.getMetaData().getColumnCount(); c++) {
                        Object value = r.getObject(c);
                        cells.add(value == null ? "" : value instanceof Double d ? Words.plain(d) : value.toString());
                    }
                    each.accept(cells);
                });
    }

    private static List<String> header(ResultSet r) throws SQLException {
        List<String> names = new ArrayList<>();
        for (int c = 1; c <= r.getMetaData().getColumnCount(); c++) {
            names.add(r.getMetaData().getColumnLabel(c));
        }
        return names;
    }
}
