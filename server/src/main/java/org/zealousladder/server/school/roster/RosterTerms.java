package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;

/** Where students are: class, grade, school and groups. */
@Component
class RosterTerms implements AnswersTerms {
    private final JdbcClient db;

    RosterTerms(JdbcClient db) {
        this.db = db;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.CLASS, (s, a) -> Values.of(Sql.of("select student_id, class_name as value from base")),
                Term.GRADE, (s, a) -> Values.of(Sql.of("select student_id, grade::double precision as value from base")),
                Term.SCHOOL, (s, a) -> Values.of(Sql.of("select b.student_id, s.name as value from base b join roster_school s on s.id = b.school_id")),
                Term.TEACHING_GROUP, RosterTerms::groups,
                Term.SMALL_GROUP, RosterTerms::tables,
                Term.ENROLLED, RosterTerms::enrolled);
    }

    private static Values groups(Subject s, Asking a) {
        return Values.orNo(Sql.of("""
                select m.student_id, array_agg(g.name) as value from roster_member m join roster_group g on g.id = m.group_id
                 where m.student_id in (select student_id from base) and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf) group by 1"""));
    }

    private static Values tables(Subject s, Asking a) {
        return Values.orNo(Sql.of("""
                select m.student_id, array_agg(t.name) as value from groups_seat m join groups_table t on t.id = m.table_id
                 where m.student_id in (select student_id from base) and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf) group by 1"""));
    }

    private static Values enrolled(Subject s, Asking a) {
        return Values.orNo(Sql.of("select b.student_id, true as value from base b where b.enrolled_from >= {from} and b.enrolled_from <= :to")
                .put("from", a.from(s.when(), "b")).bind("to", a.to(s.when())));
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.CLASS, Noun.SCHOOL, Noun.TEACHING_GROUP, Noun.SMALL_GROUP, Noun.YEAR);
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> names(Noun noun, @Nullable String about) {
        String sql = switch (noun) {
            case CLASS -> "select distinct name from roster_class where id in (select scope_classes())";
            case SCHOOL -> "select distinct name from roster_school where id in (select school_id from roster_class where id in (select scope_classes()))";
            case TEACHING_GROUP -> "select distinct name from roster_group where id in (select scope_groups())";
            case SMALL_GROUP -> "select distinct t.name from groups_table t where exists (select from groups_seat s where s.table_id = t.id)";
            default -> "select distinct name from roster_year";
        };
        return db.sql(sql).query(String.class).list().stream().sorted(String.CASE_INSENSITIVE_ORDER).toList();
    }

    /**
     * The students of {@code who} on a day, as it was known then, in the form that {@link Asking} describes.
     *
     * @param who null: everybody of the viewer's
     * @param year school year of a school or a grade; of others of no matter
     * @param only of these alone; null: of all of the scope
     */
    static Sql base(@Nullable Who who, int year, @Nullable Collection<Integer> only, LocalDate asOf, boolean past) {
        Sql base = Sql
                .of("""
                base as materialized (
                  select e.student_id, c.id as class_id, c.name as class_name, coalesce(e.grade, c.grade) as grade, c.school_id, c.year_id,
                         y.starts as year_starts, e.starts as enrolled_from, e.ends as enrolled_to, coalesce(s.preferred_name, s.given_name) as given_name, s.family_name
                    from {enrolments} e join roster_class c on c.id = e.class_id join roster_year y on y.id = c.year_id join roster_student s on s.id = e.student_id
                   where {who} and e.starts <= :asOf and (e.ends is null or e.ends >= :asOf)),
                years as materialized (select s.school_id, y as year_id from (select distinct school_id from base) s
                                           cross join lateral roster_years_of(s.school_id) y)""")
                .put("enrolments", Sql.of(past ? "roster_enrolment_known(:asOf)" : "roster_enrolment"));
        if (only != null) {
            return base.put("who", Sql.of("e.student_id = any(:only)").bind("only", only.toArray(Integer[]::new)));
        }
        return who == null ? base.put("who", Sql.of("true")).wide()
                : base.put("who",
                        Sql.of(RosterStore.in(who)).bind("id", who.id()).bind("year", year).bind("grade", who.grade()).bind("from", asOf).bind("to", asOf))
                        .named("who");
    }
}
