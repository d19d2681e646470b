package org.zealousladder.server.learning.reading;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.reading.Mark;
import org.zealousladder.server.platform.sql.Known;

/** Readings with their marks, answers and what was seen. */
@Repository
class ReadingStore {
    private static final String READINGS = """
            select r.id, r.student_id, r.passage_id, r.read_on, r.seconds, r.limit_seconds, r.last_word, r.retelling, r.proposed_level, r.level,
                   r.level_reason, r.note, p.name as by
              from reading_reading r left join people_person p on p.id = r.recorded_by
             where""" + Known.notWithdrawn("r") + "and ";

    private final JdbcClient db;

    ReadingStore(JdbcClient db) {
        this.db = db;
    }

    record ReadingRow(long id, int studentId, int passageId, LocalDate readOn, double seconds, @Nullable Integer limitSeconds, int lastWord,
            @Nullable Integer retelling, String proposedLevel, String level, @Nullable String levelReason, @Nullable String note, @Nullable String by) {}

    List<ReadingRow> ofStudents(Collection<Integer> students, LocalDate from, LocalDate asOf) {
        return db.sql(READINGS + "r.student_id = any(:students) and r.read_on >= :from order by r.read_on desc, r.id desc")
                .param("students", students.toArray(Integer[]::new))
                .param("from", from).param("asOf", asOf).query(ReadingRow.class).list();
    }

    Optional<ReadingRow> byId(long id, LocalDate asOf) {
        return db.sql(READINGS + "r.id = :id").param("id", id).param("asOf", asOf).query(ReadingRow.class).optional();
    }

    private record MarkRow(long readingId, int word, Mark.Kind kind, double at) {}

    Map<Long, List<ReadingForm.MarkAt>> marks(Collection<Long> readings) {
        return db.sql("select reading_id, word, kind, at_seconds as at from reading_mark where reading_id = any(:ids) order by reading_id, position")
                .param("ids", readings.toArray(Long[]::new)).query(MarkRow.class).stream()
                .collect(Collectors.groupingBy(MarkRow::readingId,
                        Collectors.mapping(m -> new ReadingForm.MarkAt(m.word(), m.kind(), m.at()), Collectors.toList())));
    }

    private record AnswerRow(long readingId, int questionId, int points) {}

    Map<Long, List<ReadingForm.Answer>> answers(Collection<Long> readings) {
        return db.sql("select reading_id, question_id, points from reading_answer where reading_id = any(:ids)")
                .param("ids", readings.toArray(Long[]::new)).query(AnswerRow.class).stream()
                .collect(Collectors.groupingBy(AnswerRow::readingId,
                        Collectors.mapping(a -> new ReadingForm.Answer(a.questionId(), a.points()), Collectors.toList())));
    }

    private record SeenRow(long readingId, int behaviourId, boolean shown) {}

    Map<Long, List<ReadingForm.Seen>> seen(Collection<Long> readings) {
        return db.sql("select reading_id, behaviour_id, shown from reading_seen where reading_id = any(:ids) order by behaviour_id")
                .param("ids", readings.toArray(Long[]::new)).query(SeenRow.class).stream()
                .collect(Collectors.groupingBy(SeenRow::readingId,
                        Collectors.mapping(s -> new ReadingForm.Seen(s.behaviourId(), s.shown()), Collectors.toList())));
    }

    long insert(ReadingForm f, String proposed, String level, @Nullable String reason, LocalDate today, int by) {
        long id = db.sql("""
                insert into reading_reading (student_id, passage_id, read_on, seconds, limit_seconds, last_word, retelling, proposed_level, level,
                                             level_reason, note, known_from, recorded_by)
                values (:student, :passage, :on, :seconds, :limit, :last, :retelling, :proposed, :level, :reason, :note, :today, :by) returning id""")
                .param("student", f.studentId()).param("passage", f.passageId()).param("on", f.readOn()).param("seconds", f.seconds())
                .param("limit", f.limitSeconds()).param("last", f.lastWord()).param("retelling", f.retelling()).param("proposed", proposed)
                .param("level", level).param("reason", reason).param("note", f.note()).param("today", today).param("by", by).query(Long.class).single();
        List<ReadingForm.MarkAt> marks = new ArrayList<>(f.marks());
        db.sql("""
                insert into reading_mark (reading_id, position, word, kind, at_seconds)
                select :id, n, word, kind, at from unnest(:words, :kinds, :ats) with ordinality as m(word, kind, at, n)""").param("id", id)
                .param("words", marks.stream().map(m -> (short) m.word()).toArray(Short[]::new))
                .param("kinds", marks.stream().map(m -> m.kind().code()).toArray(String[]::new))
                .param("ats", marks.stream().map(ReadingForm.MarkAt::at).toArray(Double[]::new)).update();
        db.sql("insert into reading_answer (reading_id, question_id, points) select :id, question, points from unnest(:questions, :points) as a(question, points)")
                .param("id", id).param("questions", f.answers().stream().map(ReadingForm.Answer::questionId).toArray(Integer[]::new))
                .param("points", f.answers().stream().map(a -> (short) a.points()).toArray(Short[]::new)).update();
        db.sql("insert into reading_seen (reading_id, behaviour_id, shown) select :id, behaviour, shown from unnest(:behaviours, :shown) as s(behaviour, shown)")
                .param("id", id).param("behaviours", f.seen().stream().map(ReadingForm.Seen::behaviourId).toArray(Integer[]::new))
                .param("shown", f.seen().stream().map(ReadingForm.Seen::shown).toArray(Boolean[]::new)).update();
        return id;
    }

    /** @return whether it was the same person who took it back on the same day */
    boolean restore(long id, LocalDate today, int by) {
        return db.sql("update reading_reading set withdrawn_on = null, withdrawn_by = null where id = :id and withdrawn_on = :today and withdrawn_by = :by")
                .param("id", id).param("today", today).param("by", by).update() == 1;
    }

    /** @return whether it stood until now */
    boolean withdraw(long id, LocalDate today, int by) {
        return db.sql("update reading_reading set withdrawn_on = :today, withdrawn_by = :by where id = :id and withdrawn_on is null")
                .param("id", id).param("today", today).param("by", by).update() == 1;
    }
}
