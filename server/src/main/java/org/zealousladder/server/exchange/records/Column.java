package org.zealousladder.server.exchange.records;

import java.util.List;
import org.zealousladder.server.exchange.records.csv.Cells;

/**
 * A column of a file.
 *
 * @param choices allowed words, for {@link Type#CHOICE}
 */
record Column(String name, Type type, boolean required, boolean mayBeEmpty, List<String> choices) {

    enum Type {
        TEXT("text"), DATE("date"), NUMBER("double precision"), WHOLE("integer"), CHOICE("text");

        private final String sql;

        Type(String sql) {
            this.sql = sql;
        }

        String sql() {
            return sql;
        }
    }

    /** A column that must be there, with something in every row. */
    static Column of(String name, Type type) {
        return new Column(name, type, true, false, List.of());
    }

    /** A column that may be left out or empty. */
    static Column optional(String name, Type type) {
        return new Column(name, type, false, true, List.of());
    }

    static Column choice(String name, boolean required, String... choices) {
        return new Column(name, Type.CHOICE, required, !required, List.of(choices));
    }

    Column emptyAllowed() {
        return new Column(name, type, required, true, choices);
    }

    /** Checks a cell that is not empty and gives it as COPY takes it. */
    String read(String text) {
        switch (type) {
            case DATE -> Cells.date(text);
            case NUMBER -> Cells.number(text);
            case WHOLE -> Cells.whole(text);
            case CHOICE -> {
                if (!choices.contains(text)) {
                    throw new IllegalArgumentException("'" + text + "' is not known here; use " + String.join(", ", choices) + ".");
                }
            }
            case TEXT -> {
                if (text.indexOf('\0') >= 0) {
                    throw new IllegalArgumentException("The cell has a character that cannot be stored.");
                }
            }
            default -> throw new IllegalStateException();
        }
        return text;
    }
}
