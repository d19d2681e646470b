package org.zealousladder.server.platform.criteria;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * What a term answers for each student: a select of {@code student_id} and {@code value}, at most a row each. The value is a double precision of a number, a
 * text of a name or a word, a text[] where several can hold, a boolean of what is yes or no.
 *
 * @param missing what no row, or no value, means
 * @param figured where it cannot be asked in SQL: what is reckoned, for the students that it is asked of; null otherwise
 */
public record Values(Sql sql, Missing missing, @Nullable Function<List<Integer>, ? extends Map<Integer, ?>> figured) {

    /** What it means that nothing is found. */
    public enum Missing {
        CANNOT_TELL,
        /** No, or none of the names. */
        NO,
        /** It is not shown to the viewer: nothing can be told, not even whether something is on record. */
        UNSEEN
    }

    /** Nothing found: it cannot be told. */
    public static Values of(Sql sql) {
        return new Values(sql, Missing.CANNOT_TELL, null);
    }

    /** Nothing found: no, or none. */
    public static Values orNo(Sql sql) {
        return new Values(sql, Missing.NO, null);
    }

    /** Reckoned outside the database, by the same code as the views; a student who is left out cannot be told of. */
    public static Values figured(Function<List<Integer>, ? extends Map<Integer, ?>> how) {
        return new Values(Sql.of(""), Missing.CANNOT_TELL, how);
    }

    /** Of what the viewer's role does not see. */
    public static Values unseen() {
        return new Values(Sql.of(""), Missing.UNSEEN, students -> Map.of());
    }

    public Values orNo() {
        return new Values(sql, Missing.NO, figured);
    }
}
