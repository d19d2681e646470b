package org.zealousladder.server.contacts.texts;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.who.Viewer;

/** Texts with their wordings. */
@Repository
class TextsStore {
    private final JdbcClient db;

    TextsStore(JdbcClient db) {
        this.db = db;
    }

    private record TextRow(int id, @Nullable Integer schoolId, String name, String purpose) {}

    private record WordingRow(int textId, String language, String subject, String body) {}

    List<SchoolText> all() {
        Map<Integer, List<SchoolText.Wording>> wordings = db.sql("select text_id, language, subject, body from contacts_wording order by language")
                .query(WordingRow.class).stream()
                .collect(Collectors.groupingBy(WordingRow::textId,
                        Collectors.mapping(w -> new SchoolText.Wording(w.language(), w.subject(), w.body()), Collectors.toList())));
        return db.sql("select id, school_id, name, purpose from contacts_text where not ended order by id").query(TextRow.class).stream()
                .map(t -> new SchoolText(t.id(), t.schoolId(), t.name(), Coded.of(SchoolText.Purpose.class, t.purpose(), "a purpose"),
                        wordings.getOrDefault(t.id(), List.of())))
                .toList();
    }

    int add(SchoolText t) {
        return db.sql("insert into contacts_text (school_id, name, purpose, made_by) values (:school, :name, :purpose, :by) returning id")
                .param("school", t.schoolId())
                .param("name", t.name().strip()).param("purpose", t.purpose().code()).param("by", Viewer.current().id()).query(Integer.class).single();
    }

    boolean change(int id, SchoolText t) {
        return db.sql("update contacts_text set name = :name, purpose = :purpose where id = :id and not ended").param("id", id).param("name", t.name().strip())
                .param("purpose", t.purpose().code()).update() == 1;
    }

    void wordings(int id, List<SchoolText.Wording> all) {
        db.sql("delete from contacts_wording where text_id = :id").param("id", id).update();
        all.forEach(w -> db.sql("insert into contacts_wording (text_id, language, subject, body) values (:id, :language, :subject, :body)").param("id", id)
                .param("language", w.language().strip()).param("subject", w.subject().strip()).param("body", w.body().strip()).update());
    }

    boolean end(int id) {
        return db.sql("update contacts_text set ended = true where id = :id and not ended").param("id", id).update() == 1;
    }
}
