package org.zealousladder.server.contacts.contacts;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.platform.who.Viewer;

/** Contacts with how their letters fare. */
@Repository
class ContactsStore {
    private final JdbcClient db;

    ContactsStore(JdbcClient db) {
        this.db = db;
    }

    record ContactRow(long id, int studentId, String way, String whom, @Nullable String name, LocalDate onDay, boolean reached, @Nullable String words,
            @Nullable LocalDate lookAgainOn, @Nullable LocalDate lookedOn, @Nullable Integer recordedBy, @Nullable String by, @Nullable Long letterId,
            @Nullable String state,
            @Nullable String subject, @Nullable String body, @Nullable String said) {}

    private static final String CONTACTS = """
            select c.id, c.student_id, c.way, c.whom, c.name, c.on_day, c.reached, c.words, c.look_again_on, c.looked_on, c.recorded_by, p.name as by, l.id as letter_id, l.state, l.subject,
                   l.body, l.said
              from contacts_contact c left join people_person p on p.id = c.recorded_by left join contacts_letter l on l.id = c.letter_id
             where c.student_id = any(:students) and c.known_from <= :asOf and (c.withdrawn_on is null or c.withdrawn_on > :asOf) and\s""";

    List<ContactRow> newest(Collection<Integer> students, LocalDate asOf, int most) {
        return db.sql(CONTACTS + "true order by c.on_day desc, c.id desc limit :most").param("students", students.toArray(Integer[]::new)).param("asOf", asOf)
                .param("most", most).query(ContactRow.class).list();
    }

    List<ContactRow> due(Collection<Integer> students, LocalDate asOf) {
        return db.sql(CONTACTS + "c.look_again_on <= :asOf and (c.looked_on is null or c.looked_on > :asOf) order by c.look_again_on, c.id")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(ContactRow.class).list();
    }

    /** When somebody at home was last reached: called, talked with, or a letter that went out. */
    List<HomeSpoken> home(Collection<Integer> students, LocalDate asOf) {
        return db.sql("""
                select c.student_id as student, max(c.on_day) as last from contacts_contact c left join contacts_letter l on l.id = c.letter_id
                 where c.student_id = any(:students) and c.whom = 'home' and c.reached and c.on_day <= :asOf and c.known_from <= :asOf
                   and (c.withdrawn_on is null or c.withdrawn_on > :asOf) and (l.id is null or l.state = 'sent') group by c.student_id""")
                .param("students", students.toArray(Integer[]::new)).param("asOf", asOf).query(HomeSpoken.class).list();
    }

    void add(int student, NoteForm note, @Nullable String name, @Nullable String words, LocalDate today) {
        db.sql("""
                insert into contacts_contact (student_id, way, whom, name, on_day, reached, words, look_again_on, known_from, recorded_by)
                values (:student, :way, :whom, :name, :on, :reached, :words, :again, :today, :by)""")
                .param("student", student).param("way", note.way().code()).param("whom", note.whom().code()).param("name", name).param("on", note.on())
                .param("reached", note.reached()).param("words", words).param("again", note.lookAgainOn()).param("today", today)
                .param("by", Viewer.current().id()).update();
    }

    void written(int student, Contact.Whom whom, String name, LocalDate today, long letter) {
        db.sql("""
                insert into contacts_contact (student_id, way, whom, name, on_day, reached, known_from, recorded_by, letter_id)
                values (:student, 'mail', :whom, :name, :today, true, :today, :by, :letter)""")
                .param("student", student).param("whom", whom.code()).param("name", name).param("today", today).param("by", Viewer.current().id())
                .param("letter", letter).update();
    }

    boolean looked(long id, LocalDate today) {
        return db.sql(
                "update contacts_contact set looked_on = :today, looked_by = :by where id = :id and looked_on is null and look_again_on is not null and withdrawn_on is null")
                .param("id", id).param("today", today).param("by", Viewer.current().id()).update() == 1;
    }

    /** Only by who noted it, or an administrator. */
    boolean withdraw(long id, String because, LocalDate today, boolean anybodys) {
        return db.sql("""
                update contacts_contact set withdrawn_on = :today, withdrawn_by = :by, withdrawn_because = :because
                 where id = :id and withdrawn_on is null and letter_id is null and (recorded_by = :by or :any)""")
                .param("id", id).param("today", today).param("by", Viewer.current().id()).param("because", because).param("any", anybodys).update() == 1;
    }
}
