package org.zealousladder.server.measures.windows;

import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.sql.Known;

@Repository
class WindowsStore {
    private final JdbcClient db;

    WindowsStore(JdbcClient db) {
        this.db = db;
    }

    List<Window> windows() {
        return db.sql("select id, year_id, name, starts, ends from measures_window order by starts").query(Window.class).list();
    }

    /** With the days they had as was known on a day. */
    List<Window> windows(LocalDate asOf) {
        return db.sql("select id, year_id, name, starts, ends from (" + Known.version("measures_window", "measures_change") + ") w order by starts")
                .param("asOf", asOf).query(Window.class).list();
    }

    int insertWindow(int yearId, String name, LocalDate starts, LocalDate ends) {
        return db.sql("insert into measures_window (year_id, name, starts, ends) values (:year, :name, :starts, :ends) returning id")
                .param("year", yearId).param("name", name).param("starts", starts).param("ends", ends).query(Integer.class).single();
    }

    void changeWindow(int id, String name, LocalDate starts, LocalDate ends) {
        db.sql("update measures_window set name = :name, starts = :starts, ends = :ends where id = :id")
                .param("id", id).param("name", name).param("starts", starts).param("ends", ends).update();
    }

    void deleteWindow(int id) {
        db.sql("delete from measures_window where id = :id").param("id", id).update();
    }
}
