package org.zealousladder.server.school.folder;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.sql.Known;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.folder.Folder.FolderFile;
import org.zealousladder.server.school.folder.Folder.FolderNote;

/** Notes and files. Who may read which is the database's. */
@Repository
class FolderStore {
    private final JdbcClient db;

    FolderStore(JdbcClient db) {
        this.db = db;
    }

    private static Readers readers(String code) {
        return Coded.of(Readers.class, code, "a reader");
    }

    private static boolean mayTakeBack(int by) {
        return by == Viewer.current().id() || Viewer.current().role() == Viewer.Role.ADMINISTRATOR;
    }

    List<FolderNote> notes(int student, LocalDate asOf) {
        return db.sql("select f.id, f.words, f.readers, f.on_day, p.name, f.recorded_by from folder_note f left join people_person p on p.id = f.recorded_by"
                + " where f.student_id = :student and " + Known.asOf("f") + " order by f.on_day desc, f.id desc").param("student", student).param("asOf", asOf)
                .query((r, n) -> new FolderNote(r.getLong(1), r.getString(2), readers(r.getString(3)), r.getObject(4, LocalDate.class), r.getString(5),
                        r.getInt(6) == Viewer.current().id(), mayTakeBack(r.getInt(6))))
                .list();
    }

    List<FolderFile> files(int student, LocalDate asOf) {
        return db.sql("select f.id, f.name, f.about, f.kind, f.size, f.grouped_id, f.readers, f.known_from, p.name, f.recorded_by from folder_file f"
                + " left join people_person p on p.id = f.recorded_by where f.student_id = :student and " + Known.asOf("f")
                + " order by f.known_from desc, f.id desc").param("student", student).param("asOf", asOf)
                .query((r, n) -> new FolderFile(r.getLong(1), r.getString(2), r.getString(3), r.getString(4), r.getInt(5), r.getObject(6, Long.class),
                        readers(r.getString(7)), r.getObject(8, LocalDate.class), r.getString(9), r.getInt(10) == Viewer.current().id(),
                        mayTakeBack(r.getInt(10))))
                .list();
    }

    /** @param root of the note that it is another version of; null for a new one */
    record NewNote(int student, String words, String readers, LocalDate on, LocalDate today, int by, @Nullable Long root) {}

    long add(NewNote note) {
        return db.sql("""
                insert into folder_note (student_id, words, readers, on_day, known_from, recorded_by, root)
                values (:student, :words, :readers, :on, :today, :by, :root) returning id""").paramSource(note).query(Long.class).single();
    }

    record NewFile(int student, String name, @Nullable String about, String kind, byte[] content, @Nullable Long grouped, String readers, LocalDate today,
            int by) {}

    long add(NewFile f) {
        return db.sql("""
                insert into folder_file (student_id, name, about, kind, size, content, grouped_id, readers, known_from, recorded_by)
                values (:student, :name, :about, :kind, octet_length(:content), :content, :grouped, :readers, :today, :by) returning id""").paramSource(f)
                .query(Long.class).single();
    }

    /** Where the paper of a support would not be of this student. */
    boolean groupedOf(long grouped, int student) {
        return db.sql("select exists (select from roster_grouped where id = :id and student_id = :student)").param("id", grouped).param("student", student)
                .query(Boolean.class).single();
    }

    boolean end(String table, int student, long id, @Nullable String because, LocalDate today) {
        return db
                .sql("update " + table
                        + " set superseded_on = :today, withdrawn_because = :because where id = :id and student_id = :student and superseded_on is null")
                .param("today", today).param("because", because).param("id", id).param("student", student).update() == 1;
    }

    /** @param by who put it there */
    record Standing(long id, @Nullable Long root, int recordedBy) {}

    Optional<Standing> note(int student, long id) {
        return db.sql("select id, root, recorded_by from folder_note where id = :id and student_id = :student and superseded_on is null").param("id", id)
                .param("student", student).query(Standing.class).optional();
    }

    Optional<Standing> file(int student, long id) {
        return db.sql("select id, null::bigint as root, recorded_by from folder_file where id = :id and student_id = :student and superseded_on is null")
                .param("id", id).param("student", student).query(Standing.class).optional();
    }

    /** A file with its content. */
    record Content(String name, String kind, byte[] content) {}

    Optional<Content> content(int student, long id) {
        return db.sql("select name, kind, content from folder_file where id = :id and student_id = :student and superseded_on is null").param("id", id)
                .param("student", student).query((r, n) -> new Content(r.getString(1), r.getString(2), r.getBytes(3))).optional();
    }
}
