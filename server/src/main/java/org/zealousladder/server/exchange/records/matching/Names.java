package org.zealousladder.server.exchange.records.matching;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.files.Reference;

/**
 * Puts the code in place of a name that only one thing has, and of what a person has said a name means. A name that several have is asked: its rows are refused
 * until somebody has said which is meant.
 */
public final class Names {
    private static final int MOST_ASKED = 50;
    private static final int MOST_CHOICES = 60;

    private final Sql sql;

    public Names(Sql sql) {
        this.sql = sql;
    }

    /** What could be meant. */
    public record Meant(String code, String label) {}

    /**
     * A name in a file for which a person has to choose.
     *
     * @param field in which it stands
     * @param name as it stands there, and what narrows it
     * @param rows lines that have it
     * @param choices none where nothing like it is on record
     */
    public record Doubt(int file, String field, String noun, String name, int rows, List<Meant> choices) {}

    /**
     * A column to settle.
     *
     * @param table temporary table it stands in
     * @param column its name there
     * @param heading as the person's own table has it
     * @param to what it refers to
     * @param narrowing column that tells namesakes apart; null for none
     * @param mayBeNew whether what is not on record is new, rather than in doubt
     */
    public record Named(int file, String table, String column, String heading, Reference to, @Nullable String narrowing, boolean mayBeNew) {
        private String text() {
            return "t.\"" + column + '"';
        }

        private String narrower() {
            return narrowing == null ? "null::text" : "t.\"" + narrowing + "\"::text";
        }
    }

    /**
     * Replaces the names in one column.
     *
     * @param said the code of what is called so, by name
     * @return what is in doubt; the lines that say it have gone into {@code refused}
     */
    public List<Doubt> settle(Named named, Map<String, String> said) throws SQLException {
        Reference to = named.to();
        sql.execute("""
                create temporary table asked on commit drop as
                select d.text, d.narrower, count(*)::integer as n from (select %s as text, %s as narrower from %s t) d
                 where d.text is not null and not exists (select from (%s) k (code) where k.code = d.text)
                 group by d.text, d.narrower""".formatted(named.text(), named.narrower(), named.table(), to.codes()));
        List<Doubt> doubts = List.of();
        if (sql.exists("select from asked")) {
            sql.execute("analyze asked");
            sql.execute(
                    "create temporary table meant on commit drop as select distinct m.text, m.narrower, m.code, m.label, m.sure from (" + to.meant() + ") m");
            say(said);
            sql.execute(
                    "create temporary table clear on commit drop as select text, narrower, min(code) as code from meant group by text, narrower having count(*) = 1"
                            + (named.mayBeNew() ? "" : " and bool_and(sure)"));
            sql.execute("update %s t set \"%s\" = c.code from clear c where %s = c.text and %s is not distinct from c.narrower"
                    .formatted(named.table(), named.column(), named.text(), named.narrower()));
            doubts = doubts(named);
            refuse(named);
            sql.execute("drop table meant, clear");
        }
        sql.execute("drop table asked");
        return doubts;
    }

    /** What somebody has said stands in place of all else that could be meant. */
    private void say(Map<String, String> said) throws SQLException {
        try (PreparedStatement gone = sql.connection().prepareStatement("delete from meant where concat_ws(' · ', text, narrower) = ?");
                PreparedStatement put = sql.connection().prepareStatement(
                        "insert into meant select text, narrower, ?, ?, true from asked where concat_ws(' · ', text, narrower) = ?")) {
            for (Map.Entry<String, String> e : said.entrySet()) {
                gone.setString(1, e.getKey());
                gone.addBatch();
                put.setString(1, e.getValue());
                put.setString(2, e.getValue());
                put.setString(3, e.getKey());
                put.addBatch();
            }
            gone.executeBatch();
            put.executeBatch();
        }
    }

    private List<Doubt> doubts(Named named) throws SQLException {
        Map<String, Doubt> doubts = new LinkedHashMap<>();
        sql.list("""
                select concat_ws(' · ', a.text, a.narrower), a.n, m.code, m.label
                  from (select * from asked a
                         where not exists (select from clear c where c.text = a.text and c.narrower is not distinct from a.narrower) and %s
                         order by n desc, text limit %d) a
                  left join meant m on m.text = a.text and m.narrower is not distinct from a.narrower
                 order by a.n desc, a.text, m.label, m.code""".formatted(
                named.mayBeNew() ? "exists (select from meant m where m.text = a.text and m.narrower is not distinct from a.narrower)" : "true", MOST_ASKED),
                r -> {
                    int rows = r.getInt(2);
                    Doubt d = doubts.computeIfAbsent(r.getString(1),
                            n -> new Doubt(named.file(), named.column(), named.to().noun(), n, rows, new ArrayList<>()));
                    if (r.getString(3) != null && d.choices().size() < MOST_CHOICES) {
                        d.choices().add(new Meant(r.getString(3), r.getString(4)));
                    }
                    return d;
                });
        if (doubts.values().stream().noneMatch(d -> d.choices().isEmpty())) {
            return List.copyOf(doubts.values());
        }
        List<Meant> all = sql.list(named.to().all() + " limit " + (MOST_CHOICES + 1), r -> new Meant(r.getString(1), r.getString(2)));
        return doubts.values().stream().map(d -> d.choices().isEmpty() && all.size() <= MOST_CHOICES
                ? new Doubt(d.file(), d.field(), d.noun(), d.name(), d.rows(), all) : d).toList();
    }

    private void refuse(Named named) throws SQLException {
        sql.execute("""
                insert into refused (file_no, row_no, col, value, message, cause)
                select %d, t.row_no, %s, %s,
                       case s.n when 1 then 'The only one called ''' || s.text || ''' is ' || s.who || '. Say whether that is meant.'
                                else 'There are ' || s.n || ' called ''' || s.text || ''': ' || s.who || '. Say which is meant.' end, 'several'
                  from %s t
                  join (select m.text, m.narrower, count(*) as n, string_agg(m.code || ' (' || m.label || ')', ', ' order by m.label, m.code) as who
                          from meant m where not exists (select from clear c where c.text = m.text and c.narrower is not distinct from m.narrower)
                         group by m.text, m.narrower) s
                    on %s = s.text and %s is not distinct from s.narrower""".formatted(named.file(), Sql.literal(named.heading()), named.text(), named.table(),
                named.text(), named.narrower()));
        sql.execute(
                "delete from " + named.table() + " t using refused r where r.file_no = " + named.file() + " and r.row_no = t.row_no and r.cause = 'several'");
    }
}
