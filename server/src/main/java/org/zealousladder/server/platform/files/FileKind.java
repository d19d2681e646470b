package org.zealousladder.server.platform.files;

import java.util.ArrayList;
import java.util.List;
import org.zealousladder.server.platform.who.Viewer;

/**
 * One kind of file. The rows of a file stand in the temporary table {@code stage} (a column {@code row_no} and one per
 * file column); what is said here turns them into records with set-based SQL.
 *
 * @param code name on the wire and in docs/formats.md
 * @param label what people call it
 * @param least the role that may bring in such files
 * @param speaksOfStudents whether its column {@code student} names students on record, found as {@code student_id}
 * @param changesRights whether it says who may see what
 * @param joined select over {@code stage} that looks up what the rows refer to and what is on record already; it must give
 *     {@code row_no}, the file's columns, and {@code outcome}: {@code new}, {@code changed} or {@code unchanged}
 * @param problems what makes a row refused
 * @param key expression list over {@code joined} that may come only once in a file
 * @param payload expression list, with the alias {@code %s}, in which rows of one key must agree
 * @param whole expression list over {@code joined} of what counts only as a whole: a refused row takes the others with it; empty where rows stand alone
 * @param apply statements over the table {@code accepted} ({@code joined} without the refused)
 */
public record FileKind(String code, String label, Viewer.Role least, boolean speaksOfStudents, boolean changesRights, List<Column> columns, String joined,
        List<Problem> problems, String key, String payload, String whole, List<String> apply) {

    /**
     * Rows of {@code joined} for which {@code when} holds are refused. {@code value} and {@code message} are SQL texts.
     *
     * @param unknown whether the cell names something that is not there, so that saying what is meant would help
     */
    public record Problem(String column, String when, String value, String message, boolean unknown) {}

    /** Whether its rows refer to something on record by the column of that name. */
    public boolean refersTo(String column) {
        return problems.stream().anyMatch(p -> p.unknown() && p.column().replace("\"", "").equals(column));
    }

    public static Builder named(String code, String label) {
        return new Builder(code, label);
    }

    /** Collects the parts of a kind. */
    public static final class Builder {
        private final String code;
        private final String label;
        private Viewer.Role least = Viewer.Role.ADMINISTRATOR;
        private boolean ofStudents;
        private boolean ofRights;
        private final List<Column> columns = new ArrayList<>();
        private final List<Problem> problems = new ArrayList<>();
        private final List<String> apply = new ArrayList<>();
        private String joined = "";
        private String key = "";
        private String payload = "%s.outcome";
        private String whole = "";

        private Builder(String code, String label) {
            this.code = code;
            this.label = label;
        }

        public Builder least(Viewer.Role role) {
            least = role;
            return this;
        }

        /** It says who may see what: taking it is noted as a change of rights. */
        public Builder ofRights() {
            ofRights = true;
            return this;
        }

        /**
         * The column {@code student} names a student on record; {@code joined} gives {@code student_id}, null for one who is not the viewer's. Said after who may bring it in:
         * a coordinator brings in what is a coordinator's for the own school only, not for students taught elsewhere.
         */
        public Builder ofStudents() {
            ofStudents = true;
            if (least == Viewer.Role.COORDINATOR) {
                problem("student", "student_id is not null and (select scope_role()) <> 'administrator' and student_id not in (select scope_led_students())",
                        "'You do not coordinate the school of ' || student || '.'");
            }
            return unknown("student", "student_id", "student among yours with the code or the name");
        }

        public Builder columns(Column... all) {
            columns.addAll(List.of(all));
            return this;
        }

        public Builder joined(String select) {
            joined = select;
            return this;
        }

        /** The cell of {@code column} refers to something that is not there: {@code id} is the looked-up id. */
        public Builder unknown(String column, String id, String what) {
            problems.add(new Problem(column, id + " is null and " + column + " is not null", column, "'There is no " + what + " ''' || " + column + " || '''.'",
                    true));
            return this;
        }

        public Builder problem(String column, String when, String message) {
            problems.add(new Problem(column, when, column, message, false));
            return this;
        }

        public Builder key(String expressions) {
            key = expressions;
            return this;
        }

        public Builder payload(String expressions) {
            payload = expressions;
            return this;
        }

        /** Rows that agree in these are one thing, such as the bands of a ladder: all of it is taken, or nothing. */
        public Builder whole(String expressions) {
            whole = expressions;
            return this;
        }

        public Builder apply(String statement) {
            apply.add(statement);
            return this;
        }

        public FileKind build() {
            return new FileKind(code, label, least, ofStudents, ofRights, List.copyOf(columns), joined, List.copyOf(problems), key, payload, whole,
                    List.copyOf(apply));
        }
    }
}
