package org.zealousladder.server.exchange.records;

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
 * @param joined select over {@code stage} that looks up what the rows refer to and what is on record already; it must give
 *     {@code row_no}, the file's columns, and {@code outcome}: {@code new}, {@code changed} or {@code unchanged}
 * @param problems what makes a row refused
 * @param key expression list over {@code joined} that may come only once in a file
 * @param payload expression list, with the alias {@code %s}, in which rows of one key must agree
 * @param apply statements over the table {@code accepted} ({@code joined} without the refused)
 */
record ImportKind(String code, String label, Viewer.Role least, List<Column> columns, String joined, List<Problem> problems,
        String key, String payload, List<String> apply) {

    /** Rows of {@code joined} for which {@code when} holds are refused. {@code value} and {@code message} are SQL texts. */
    record Problem(String column, String when, String value, String message) {}

    static Builder named(String code, String label) {
        return new Builder(code, label);
    }

    /** Collects the parts of a kind. */
    static final class Builder {
        private final String code;
        private final String label;
        private Viewer.Role least = Viewer.Role.ADMINISTRATOR;
        private final List<Column> columns = new ArrayList<>();
        private final List<Problem> problems = new ArrayList<>();
        private final List<String> apply = new ArrayList<>();
        private String joined = "";
        private String key = "";
        private String payload = "%s.outcome";

        private Builder(String code, String label) {
            this.code = code;
            this.label = label;
        }

        Builder least(Viewer.Role role) {
            least = role;
            return this;
        }

        Builder columns(Column... all) {
            columns.addAll(List.of(all));
            return this;
        }

        Builder joined(String select) {
            joined = select;
            return this;
        }

        /** The cell of {@code column} refers to something that is not there: {@code id} is the looked-up id. */
        Builder unknown(String column, String id, String what) {
            return problem(column, id + " is null and " + column + " is not null", "'There is no " + what + " ''' || " + column + " || '''.'");
        }

        Builder problem(String column, String when, String message) {
            problems.add(new Problem(column, when, column, message));
            return this;
        }

        Builder key(String expressions) {
            key = expressions;
            return this;
        }

        Builder payload(String expressions) {
            payload = expressions;
            return this;
        }

        Builder apply(String statement) {
            apply.add(statement);
            return this;
        }

        ImportKind build() {
            return new ImportKind(code, label, least, List.copyOf(columns), joined, List.copyOf(problems), key, payload, List.copyOf(apply));
        }
    }
}
