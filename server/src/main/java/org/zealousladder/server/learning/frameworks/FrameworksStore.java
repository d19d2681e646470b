package org.zealousladder.server.learning.frameworks;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Frameworks and their skills, in the order of teaching. */
@Repository
class FrameworksStore {
    private static final String FRAMEWORK = "select id, code, school_id, name, source from skills_framework ";

    private final JdbcClient db;

    FrameworksStore(JdbcClient db) {
        this.db = db;
    }

    /** Of every school and of {@code school}. */
    List<Framework> frameworks(int school) {
        return db.sql(FRAMEWORK + "where not ended and (school_id is null or school_id = :school) order by name, id").param("school", school)
                .query(Framework.class).list();
    }

    /** Of every school and of some. */
    List<Framework> frameworks(Collection<Integer> schools) {
        return db.sql(FRAMEWORK + "where not ended and (school_id is null or school_id = any(:schools)) order by name, id")
                .param("schools", schools.toArray(Integer[]::new)).query(Framework.class).list();
    }

    Optional<Framework> framework(int id) {
        return db.sql(FRAMEWORK + "where id = :id").param("id", id).query(Framework.class).optional();
    }

    Optional<Integer> frameworkOf(int skill) {
        return db.sql("select framework_id from skills_skill where id = :id and not ended").param("id", skill).query(Integer.class).optional();
    }

    private static final String SKILLS = """
            select k.id, k.framework_id, k.code, k.name, k.statement, k.area, k.domain, k.grade, k.place,
                   array(select g.rests_on from skills_ground g where g.skill_id = k.id order by 1) as rests_on
              from skills_skill k where %s = any(:of) and not k.ended order by k.framework_id, k.place, k.id""";

    List<Skill> skills(Collection<Integer> frameworks) {
        return db.sql(SKILLS.formatted("k.framework_id")).param("of", frameworks.toArray(Integer[]::new)).query(FrameworksStore::skill).list();
    }

    List<Skill> byIds(Collection<Integer> ids) {
        return db.sql(SKILLS.formatted("k.id")).param("of", ids.toArray(Integer[]::new)).query(FrameworksStore::skill).list();
    }

    /** Of every school and of {@code school}, as long as they are looked for. */
    List<FrameworksService.SeenBehaviour> seen(int school) {
        return db.sql("""
                select b.id, b.name, array(select k.skill_id from skills_behaviour k where k.behaviour_id = b.id order by 1) as skills
                  from reading_behaviour b where not b.retired and (b.school_id is null or b.school_id = :school) order by b.name collate "und-x-icu\"""")
                .param("school", school)
                .query((r, n) -> new FrameworksService.SeenBehaviour(r.getInt(1), r.getString(2), List.of((Integer[]) r.getArray(3).getArray()))).list();
    }

    void seen(int skill, Collection<Integer> behaviours) {
        db.sql("delete from skills_behaviour where skill_id = :skill and not behaviour_id = any(:seen)").param("skill", skill)
                .param("seen", behaviours.toArray(Integer[]::new)).update();
        db.sql("""
                insert into skills_behaviour (behaviour_id, skill_id) select b.id, :skill from reading_behaviour b where b.id = any(:seen)
                on conflict do nothing""").param("skill", skill).param("seen", behaviours.toArray(Integer[]::new)).update();
    }

    private static Skill skill(ResultSet r, int row) throws SQLException {
        Integer[] rests = (Integer[]) r.getArray("rests_on").getArray();
        Integer grade = r.getObject("grade", Integer.class);
        return new Skill(r.getInt("id"), r.getInt("framework_id"), r.getString("code"), r.getString("name"), r.getString("statement"), r.getString("area"),
                r.getString("domain"), grade, r.getInt("place"), List.of(rests));
    }

    int add(String code, @Nullable Integer school, String name, @Nullable String source) {
        return db.sql("insert into skills_framework (code, school_id, name, source) values (:code, :school, :name, :source) returning id").param("code", code)
                .param("school", school).param("name", name).param("source", source).query(Integer.class).single();
    }

    void change(int id, String name, @Nullable String source, boolean ended) {
        db.sql("update skills_framework set name = :name, source = :source, ended = :ended, changed_at = now() where id = :id").param("id", id)
                .param("name", name).param("source", source).param("ended", ended).update();
    }

    int addSkill(int framework, SkillForm f, String code) {
        return db.sql("""
                insert into skills_skill (framework_id, code, name, statement, area, domain, grade, place)
                values (:framework, :code, :name, :statement, :area, :domain, :grade,
                        coalesce(:place, (select coalesce(max(place), 0) + 1 from skills_skill where framework_id = :framework))) returning id""")
                .param("framework", framework).param("code", code).param("name", f.name()).param("statement", f.statement()).param("area", f.area())
                .param("domain", f.domain()).param("grade", f.grade(), java.sql.Types.SMALLINT).param("place", f.place(), java.sql.Types.INTEGER)
                .query(Integer.class).single();
    }

    boolean changeSkill(int framework, int id, SkillForm f) {
        return db.sql("""
                update skills_skill set name = :name, statement = :statement, area = :area, domain = :domain, grade = :grade, place = coalesce(:place,
                  place), ended = false,
                       changed_at = now() where id = :id and framework_id = :framework""").param("id", id).param("framework", framework).param("name", f.name())
                .param("statement", f.statement()).param("area", f.area()).param("domain", f.domain()).param("grade", f.grade(), java.sql.Types.SMALLINT)
                .param("place", f.place(), java.sql.Types.INTEGER).update() == 1;
    }

    boolean end(int framework, int id, boolean ended) {
        return db.sql("update skills_skill set ended = :ended, changed_at = now() where id = :id and framework_id = :framework").param("id", id)
                .param("framework", framework).param("ended", ended).update() == 1;
    }

    /** Whether {@code skill} is among what {@code ground} rests on, at whatever remove. */
    boolean rests(int ground, int skill) {
        return db.sql("""
                with recursive reach(s) as (select rests_on from skills_ground
                  where skill_id = :ground union select g.rests_on from reach r join skills_ground g on g.skill_id = r.s)
                select exists (select from reach where s = :skill)""").param("ground", ground).param("skill", skill).query(Boolean.class).single();
    }

    void ground(int skill, Collection<Integer> restsOn) {
        db.sql("delete from skills_ground where skill_id = :skill and not rests_on = any(:on)").param("skill", skill)
                .param("on", restsOn.toArray(Integer[]::new))
                .update();
        db.sql("insert into skills_ground (skill_id, rests_on) select :skill, x from unnest(:on::integer[]) x on conflict do nothing").param("skill", skill)
                .param("on", restsOn.toArray(Integer[]::new)).update();
    }

    /** Whether the code is free. */
    boolean free(String table, String code) {
        return Stream.of("skills_framework", "skills_skill").filter(table::equals).findFirst()
                .map(t -> db.sql("select not exists (select from " + t + " where code = :code)").param("code", code).query(Boolean.class).single())
                .orElseThrow();
    }

    /** A framework that came in a package. */
    record Known(int id, @Nullable Integer schoolId) {}

    Optional<Known> byUri(String uri) {
        return db.sql("select id, school_id from skills_framework where uri = :uri order by id limit 1").param("uri", uri).query(Known.class).optional();
    }

    /** A skill that came in a package. */
    record KnownSkill(int id, String uri, String name, @Nullable String statement, String area, String domain, @Nullable Integer grade, int place,
            boolean ended) {
        boolean same(CasePackage.CaseSkill k, int at) {
            return !ended && place == at && name.equals(k.name()) && area.equals(k.area()) && domain.equals(k.domain())
                    && java.util.Objects.equals(statement, k.statement())
                    && java.util.Objects.equals(grade, k.grade());
        }
    }

    List<KnownSkill> knownSkills(int framework) {
        return db
                .sql("select id, uri, name, statement, area, domain, grade, place, ended from skills_skill where framework_id = :framework and uri is not null")
                .param("framework", framework).query(KnownSkill.class).list();
    }

    int addFromPackage(String uri, @Nullable Integer school, String name, @Nullable String source) {
        return db.sql("insert into skills_framework (code, school_id, name, source, uri) values (left(:uri, 80), :school, :name, :source, :uri) returning id")
                .param("uri", uri)
                .param("school", school, java.sql.Types.INTEGER).param("name", name).param("source", source).query(Integer.class).single();
    }

    int addFromPackage(int framework, CasePackage.CaseSkill k, String code, int place) {
        return db.sql("""
                insert into skills_skill (framework_id, code, name, statement, area, domain, grade, place, uri)
                values (:framework, :code, :name, :statement, :area, :domain, :grade, :place, :uri) returning id""").param("framework", framework)
                .param("code", code)
                .param("name", k.name()).param("statement", k.statement()).param("area", k.area()).param("domain", k.domain())
                .param("grade", k.grade(), java.sql.Types.SMALLINT).param("place", place).param("uri", k.uri()).query(Integer.class).single();
    }

    void changeFromPackage(int id, CasePackage.CaseSkill k, int place) {
        db.sql("""
                update skills_skill set name = :name, statement = :statement, area = :area, domain = :domain, grade = :grade, place = :place, ended = false,
                  changed_at = now()
                 where id = :id""").param("id", id).param("name", k.name()).param("statement", k.statement()).param("area", k.area())
                .param("domain", k.domain())
                .param("grade", k.grade(), java.sql.Types.SMALLINT).param("place", place).update();
    }

    void addGround(int skill, int ground) {
        db.sql("insert into skills_ground (skill_id, rests_on) values (:skill, :ground) on conflict do nothing").param("skill", skill).param("ground", ground)
                .update();
    }
}
