package org.zealousladder.server.learning.reading;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.server.platform.sql.Known;

/** Passages with their questions, the library of behaviours, and the tables of levels. */
@Repository
class PassagesStore {
    private final JdbcClient db;

    PassagesStore(JdbcClient db) {
        this.db = db;
    }

    private record PassageRow(int id, String title, @Nullable Integer grade, String body, boolean retired) {}

    private record QuestionRow(int id, int passageId, Passage.QuestionKind kind, String question, int points) {}

    /** Those of the school and those for every school, also retired ones; old readings need them. */
    List<Passage> passages(int school) {
        Map<Integer, List<Passage.Question>> questions = db.sql("""
                select q.id, q.passage_id, q.kind, q.question, q.points from reading_question q order by q.passage_id, q.position""")
                .query(QuestionRow.class).stream().collect(Collectors.groupingBy(QuestionRow::passageId,
                        Collectors.mapping(q -> new Passage.Question(q.id(), q.kind(), q.question(), q.points()), Collectors.toList())));
        return db.sql(
                "select id, title, grade, body, retired from reading_passage where school_id is null or school_id = :school order by retired, grade, title")
                .param("school", school).query(PassageRow.class).stream().map(p -> {
                    List<List<String>> lines = Passage.split(p.body());
                    return new Passage(p.id(), p.title(), p.grade(), lines, lines.stream().mapToInt(List::size).sum(), p.retired(),
                            questions.getOrDefault(p.id(), List.of()));
                }).toList();
    }

    int insert(int school, String title, @Nullable Integer grade, String body, int by) {
        return db.sql("""
                insert into reading_passage (code, school_id, title, grade, body, recorded_by)
                values ('own-' || gen_random_uuid(), :school, :title, :grade, :body, :by) returning id""").param("school", school).param("title", title)
                .param("grade", grade).param("body", body).param("by", by).query(Integer.class).single();
    }

    void ask(int passage, List<Passage.Question> questions) {
        db.sql("""
                insert into reading_question (passage_id, position, kind, question, points)
                select :passage, n, kind, question, points from unnest(:kinds, :questions, :points) with ordinality as q(kind, question, points, n)""")
                .param("passage", passage).param("kinds", questions.stream().map(q -> q.kind().code()).toArray(String[]::new))
                .param("questions", questions.stream().map(Passage.Question::question).toArray(String[]::new))
                .param("points", questions.stream().map(q -> (short) q.points()).toArray(Short[]::new)).update();
    }

    boolean retire(int passage, int school, boolean retired) {
        return db.sql("update reading_passage set retired = :retired where id = :id and (school_id = :school or school_id is null)")
                .param("id", passage).param("school", school).param("retired", retired).update() == 1;
    }

    List<ReadingViews.Behaviour> behaviours(int school) {
        return db.sql("select id, school_id, name, teach, retired from reading_behaviour where school_id is null or school_id = :school order by retired, id")
                .param("school", school).query(ReadingViews.Behaviour.class).list();
    }

    void saveBehaviour(@Nullable Integer id, int school, String name, String teach, boolean retired) {
        if (id == null) {
            db.sql("insert into reading_behaviour (school_id, name, teach) values (:school, :name, :teach)").param("school", school).param("name", name)
                    .param("teach", teach).update();
        } else {
            db.sql("update reading_behaviour set name = :name, teach = :teach, retired = :retired where id = :id and (school_id = :school or school_id is null)")
                    .param("id", id).param("school", school).param("name", name).param("teach", teach).param("retired", retired).update();
        }
    }

    /** The school's table, or the one for every school. */
    LevelTable levels(int school, LocalDate asOf) {
        return new LevelTable(db.sql("""
                select l.name, l.accuracy, l.comprehension from reading_level l where l.table_id =
                  (select t.id from reading_level_table t where (t.school_id = :school or t.school_id is null) and""" + Known.asOf("t") + """
                    order by t.school_id nulls last, t.id desc limit 1)
                 order by l.position""").param("school", school).param("asOf", asOf).query(LevelTable.Level.class).list());
    }

    void replaceLevels(int school, LevelTable table, LocalDate today, int by) {
        db.sql("update reading_level_table set superseded_on = greatest(:today, known_from) where school_id = :school and superseded_on is null")
                .param("school", school).param("today", today).update();
        int id = db.sql("insert into reading_level_table (school_id, known_from, recorded_by) values (:school, :today, :by) returning id")
                .param("school", school).param("today", today).param("by", by).query(Integer.class).single();
        db.sql("""
                insert into reading_level (table_id, position, name, accuracy, comprehension)
                select :id, n - 1, name, accuracy, comprehension from unnest(:names, :accuracies, :comprehensions) with ordinality as l(name, accuracy, comprehension, n)""")
                .param("id", id).param("names", table.levels().stream().map(LevelTable.Level::name).toArray(String[]::new))
                .param("accuracies", table.levels().stream().map(LevelTable.Level::accuracy).toArray(Double[]::new))
                .param("comprehensions", table.levels().stream().map(LevelTable.Level::comprehension).toArray(Double[]::new)).update();
    }
}
