package org.zealousladder.server.learning.items;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.server.learning.items.BankService.Picture;
import tools.jackson.databind.json.JsonMapper;

/** Writes items, and finds them. */
@Repository
class BankStore {
    private final JdbcClient db;
    private final JsonMapper json;

    BankStore(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    record Found(int id, @Nullable Integer schoolId, int answered) {}

    List<Found> find(int school, @Nullable List<Integer> skills, @Nullable String words, int most) {
        return db.sql("""
                select i.id, i.school_id, (select count(distinct a.student_id)::integer from skills_answer a where a.item_id = i.id) as answered from skills_item i
                 where not i.ended and i.kind <> 'elsewhere' and (i.school_id is null or i.school_id = :school)
                   and (:skills::integer[] is null or i.id in (select k.item_id from skills_item_skill k where k.skill_id = any(:skills::integer[])))
                   and (:words::text is null or i.prompt ilike '%' || replace(replace(:words::text, '%', ''), '_', ' ') || '%')
                 order by answered desc, i.id desc limit :most""").param("school", school)
                .param("skills", skills == null ? null : skills.toArray(Integer[]::new), java.sql.Types.ARRAY)
                .param("words", words, java.sql.Types.VARCHAR).param("most", most).query(Found.class).list();
    }

    List<BankService.SkillItems> bySkill(int school) {
        return db.sql("""
                select k.skill_id as skill, count(*)::integer as items from skills_item i join skills_item_skill k on k.item_id = i.id
                 where not i.ended and i.kind <> 'elsewhere' and (i.school_id is null or i.school_id = :school) group by 1""").param("school", school)
                .query(BankService.SkillItems.class).list();
    }

    boolean answered(int id) {
        return db.sql("select exists (select from skills_answer where item_id = :id)").param("id", id).query(Boolean.class).single();
    }

    /** A code that no item has. */
    String code(String wanted) {
        return db.sql("select :wanted || '-' || (coalesce((select max(id) from skills_item), 0) + 1)").param("wanted", wanted).query(String.class).single();
    }

    int add(ItemForm f, String code, @Nullable String identifier) {
        int id = db.sql("""
                insert into skills_item (code, school_id, kind, prompt, body, possible, identifier, made_by)
                values (:code, :school, :kind, :prompt, :body::jsonb, :possible, :identifier, (select scope_person())) returning id""").param("code", code)
                .param("school", f.school(), java.sql.Types.INTEGER).param("kind", f.kind()).param("prompt", f.prompt())
                .param("body", json.writeValueAsString(f.body())).param("possible", f.possible()).param("identifier", identifier, java.sql.Types.VARCHAR)
                .query(Integer.class).single();
        keys(id, f);
        return id;
    }

    void change(int id, ItemForm f) {
        db.sql("update skills_item set kind = :kind, prompt = :prompt, body = :body::jsonb, possible = :possible, changed_at = now() where id = :id")
                .param("kind", f.kind()).param("prompt", f.prompt()).param("body", json.writeValueAsString(f.body())).param("possible", f.possible())
                .param("id", id).update();
        db.sql("delete from skills_key where item_id = :id and not answer = any(:answers)").param("id", id)
                .param("answers", f.keys().stream().map(Item.ItemKey::answer).toArray(String[]::new)).update();
        db.sql("delete from skills_item_skill where item_id = :id").param("id", id).update();
        keys(id, f);
    }

    private void keys(int id, ItemForm f) {
        db.sql("""
                insert into skills_key (item_id, answer, share, shows, said_by)
                select :id, k.answer, k.share, k.shows, (select scope_person())
                  from unnest(:answers::text[], :shares::float8[], :shows::text[]) k(answer, share, shows)
                on conflict (item_id, answer) do update set share = excluded.share, shows = excluded.shows, said_by = excluded.said_by, said_at = now()""")
                .param("id", id).param("answers", f.keys().stream().map(Item.ItemKey::answer).toArray(String[]::new))
                .param("shares", f.keys().stream().map(Item.ItemKey::share).toArray(Double[]::new))
                .param("shows", f.keys().stream().map(Item.ItemKey::shows).toArray(String[]::new)).update();
        db.sql("insert into skills_item_skill (item_id, skill_id) select :id, k from unnest(:skills::integer[]) k").param("id", id)
                .param("skills", f.skills().toArray(Integer[]::new)).update();
    }

    void end(int id, boolean ended) {
        db.sql("update skills_item set ended = :ended, changed_at = now() where id = :id").param("ended", ended).param("id", id).update();
    }

    /** By what packages call them. */
    List<String> known(@Nullable Integer school, Collection<String> identifiers) {
        return db.sql("select identifier from skills_item where identifier = any(:ids) and school_id is not distinct from :school::integer and not ended")
                .param("ids", identifiers.toArray(String[]::new)).param("school", school, java.sql.Types.INTEGER).query(String.class).list();
    }

    Optional<Integer> byIdentifier(@Nullable Integer school, String identifier) {
        return db.sql("select min(id) from skills_item where identifier = :id and school_id is not distinct from :school::integer and not ended")
                .param("id", identifier).param("school", school, java.sql.Types.INTEGER).query((r, n) -> Optional.ofNullable(r.getObject(1, Integer.class)))
                .single();
    }

    boolean knowsPictures(Collection<Integer> ids) {
        return ids.isEmpty() || db.sql("select count(*) from skills_picture where id = any(:ids)").param("ids", ids.toArray(Integer[]::new))
                .query(Integer.class).single() == ids.size();
    }

    boolean knowsSkills(Collection<Integer> ids) {
        return ids.isEmpty() || db.sql("select count(*) from skills_skill where id = any(:ids) and not ended").param("ids", ids.toArray(Integer[]::new))
                .query(Integer.class).single() == ids.size();
    }

    int addPicture(@Nullable Integer school, String type, byte[] content, String words, int by) {
        return db.sql("insert into skills_picture (school_id, type, content, words, made_by) values (:school, :type, :content, :words, :by) returning id")
                .param("school", school, java.sql.Types.INTEGER).param("type", type).param("content", content).param("words", words).param("by", by)
                .query(Integer.class).single();
    }

    Optional<Picture> picture(int id) {
        return db.sql("select type, content, words from skills_picture where id = :id").param("id", id)
                .query((r, n) -> new Picture(r.getString(1), r.getBytes(2), r.getString(3))).optional();
    }
}
