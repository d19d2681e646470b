package org.zealousladder.server.overview.reports;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;

/** Kept settings of reports, each its owner's. */
@Repository
class ReportsStore {
    private static final String COLUMNS = """
            select r.id, r.name, r.who, r.span, r.from_day, r.to_day, r.tables, r.weekly, r.last_on, reports_letter_state(r.id) as state, r.person_id
              from reports_setting r""";

    private final JdbcClient db;

    ReportsStore(JdbcClient db) {
        this.db = db;
    }

    private static KeptReport kept(ResultSet r, int n) throws SQLException {
        return new KeptReport(r.getInt("id"), r.getString("name"), r.getString("who"), Coded.of(ReportSpan.class, r.getString("span"), "a span"),
                r.getObject("from_day", LocalDate.class), r.getObject("to_day", LocalDate.class),
                Arrays.stream((String[]) r.getArray("tables").getArray()).map(ReportKind::valueOf).toList(), r.getBoolean("weekly"),
                r.getObject("last_on", LocalDate.class), r.getString("state"));
    }

    List<KeptReport> of(int person) {
        return db.sql(COLUMNS + " where r.person_id = :person order by r.name, r.id").param("person", person).query(ReportsStore::kept).list();
    }

    Optional<KeptReport> one(int id, int person) {
        return db.sql(COLUMNS + " where r.id = :id and r.person_id = :person").param("id", id).param("person", person).query(ReportsStore::kept).optional();
    }

    /** @param id null: a new one */
    record Written(@Nullable Integer id, int person, String name, String who, String span, @Nullable LocalDate from, @Nullable LocalDate to, String[] tables,
            boolean weekly) {}

    int add(Written w) {
        return db.sql("""
                insert into reports_setting (person_id, name, who, span, from_day, to_day, tables, weekly)
                values (:person, :name, :who, :span, :from, :to, :tables, :weekly) returning id""").paramSource(w).query(Integer.class).single();
    }

    boolean change(Written w) {
        return db.sql("""
                update reports_setting set name = :name, who = :who, span = :span, from_day = :from, to_day = :to, tables = :tables, weekly = :weekly
                 where id = :id and person_id = :person""").paramSource(w).update() == 1;
    }

    boolean drop(int id, int person) {
        return db.sql("delete from reports_setting where id = :id and person_id = :person").param("id", id).param("person", person).update() == 1;
    }

    record Due(int id, int person) {}

    /** Those to be sent that were not since {@code monday}. */
    List<Due> due(LocalDate monday) {
        return db.sql("""
                select r.id, r.person_id as person from reports_setting r join people_person p on p.id = r.person_id
                 where r.weekly and (r.last_on is null or r.last_on < :monday) and p.active and p.email is not null order by 1""").param("monday", monday)
                .query(Due.class).list();
    }

    /** @return whether nobody else has taken it on for that week */
    boolean take(int id, LocalDate monday, LocalDate today) {
        return db.sql("update reports_setting set last_on = :today, letter_id = null where id = :id and weekly and (last_on is null or last_on < :monday)")
                .param("id", id).param("monday", monday).param("today", today).update() == 1;
    }

    void written(int id, long letter) {
        db.sql("update reports_setting set letter_id = :letter where id = :id").param("id", id).param("letter", letter).update();
    }

    record Reader(String name, String email) {}

    Optional<Reader> reader(int person) {
        return db.sql("select name, email from people_person where id = :person and active and email is not null").param("person", person).query(Reader.class)
                .optional();
    }
}
