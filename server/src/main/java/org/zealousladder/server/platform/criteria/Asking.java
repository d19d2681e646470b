package org.zealousladder.server.platform.criteria;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.zealousladder.core.criteria.When;

/**
 * What every term is asked with. In the statement stand, before what the terms say: {@code base}, the students asked about, with {@code student_id, class_id,
 * class_name, grade, school_id, year_id, year_starts, enrolled_from, enrolled_to}; {@code years}, the school years of their schools ({@code school_id, year_id}); and the
 * parameter {@code asOf}.
 *
 * @param reckoned what several conditions of one criterion need, by a key of the capability's own
 */
public record Asking(LocalDate asOf, Map<Object, Object> reckoned) {
    public Asking(LocalDate asOf) {
        this(asOf, new HashMap<>());
    }

    /** What was reckoned for another condition already, or else is now. */
    @SuppressWarnings("unchecked")
    public <T> T once(Object key, Supplier<T> how) {
        Object known = reckoned.get(key);
        if (known == null) {
            known = how.get();
            reckoned.put(key, known);
        }
        return (T) known;
    }

    /** First day of a time as SQL; of this school year where nothing is said. Binds {@code from}. @param base the alias of {@code base} */
    public Sql from(When when, String base) {
        return when instanceof When.Unsaid ? Sql.of(base + ".year_starts") : Sql.of(":from::date").bind("from", first(when));
    }

    /** Last day of a time, no later than the day of the scope. */
    public LocalDate to(When when) {
        LocalDate to = when instanceof When.Days d && d.to() != null ? d.to() : asOf;
        return to.isAfter(asOf) ? asOf : to;
    }

    /** First day of a time that was said; until a day: from the beginning of all records. */
    public LocalDate first(When when) {
        if (when instanceof When.Latest l) {
            return asOf.minusDays((long) l.n() * l.unit().days() - 1);
        }
        return when instanceof When.Days d && d.from() != null ? d.from() : LocalDate.of(1990, 1, 1);
    }
}
