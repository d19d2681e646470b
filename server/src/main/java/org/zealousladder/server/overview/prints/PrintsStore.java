package org.zealousladder.server.overview.prints;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.who.Viewer;

/** The second language of schools' printed pages. */
@Repository
class PrintsStore {
    private final JdbcClient db;

    PrintsStore(JdbcClient db) {
        this.db = db;
    }

    record Language(String name, String tag) {}

    Optional<Language> language(int school) {
        return db.sql("select name, tag from prints_language where school_id = :school").param("school", school).query(Language.class).optional();
    }

    private record WordRow(String phrase, String words) {}

    Map<Phrase, String> words(int school) {
        Map<Phrase, String> all = new EnumMap<>(Phrase.class);
        db.sql("select phrase, words from prints_word where school_id = :school").param("school", school).query(WordRow.class).list()
                .forEach(r -> all.put(Coded.of(Phrase.class, r.phrase(), "a phrase"), r.words()));
        return all;
    }

    void keep(int school, Language language, Map<Phrase, String> words) {
        db.sql("""
                insert into prints_language (school_id, name, tag, changed_by) values (:school, :name, :tag, :by)
                on conflict (school_id) do update set name = excluded.name, tag = excluded.tag, changed_by = excluded.changed_by, changed_at = now()""")
                .param("school", school).param("name", language.name()).param("tag", language.tag()).param("by", Viewer.current().id()).update();
        db.sql("delete from prints_word where school_id = :school").param("school", school).update();
        db.sql("insert into prints_word (school_id, phrase, words) select :school, p, w from unnest(:phrases::text[], :words::text[]) as t(p, w)")
                .param("school", school).param("phrases", words.keySet().stream().map(Coded::code).toArray(String[]::new))
                .param("words", words.values().toArray(String[]::new)).update();
    }
}
