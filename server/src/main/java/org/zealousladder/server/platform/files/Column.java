package org.zealousladder.server.platform.files;

import java.util.List;
import org.zealousladder.core.Coded;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.words.Grades;
import org.zealousladder.server.platform.words.Spreadsheet;

/**
 * A column of a file.
 *
 * @param choices allowed words, for {@link Type#CHOICE}
 */
public record Column(String name, Type type, boolean required, boolean mayBeEmpty, List<String> choices) {

    /** What a column's cells hold. */
    public enum Type implements Coded {
        TEXT("text"),
        DATE("date"),
        NUMBER("double precision"),
        WHOLE("integer"),
        /** {@code KG}, or a number from 1 to 13, as schools write it. */
        GRADE("integer"),
        /** What the form or passage is called that a score was taken on. */
        FORM("text"),
        CHOICE("text");

        private final String sql;

        Type(String sql) {
            this.sql = sql;
        }

        public String sql() {
            return sql;
        }
    }

    /** A column that must be there, with something in every row. */
    public static Column of(String name, Type type) {
        return new Column(name, type, true, false, List.of());
    }

    /** A column that may be left out or empty. */
    public static Column optional(String name, Type type) {
        return new Column(name, type, false, true, List.of());
    }

    public static Column choice(String name, boolean required, List<String> choices) {
        return new Column(name, Type.CHOICE, required, !required, List.copyOf(choices));
    }

    /** The codes of an enum. */
    public static Column choice(String name, boolean required, Class<? extends Coded> choices) {
        return choice(name, required, Coded.codes(choices));
    }

    public Column emptyAllowed() {
        return new Column(name, type, required, true, choices);
    }

    /** Checks a cell that is not empty, written as {@code forms} say, and gives it as COPY takes it. */
    public String read(String text, Forms forms) {
        switch (type) {
            case DATE -> {
                return Cells.day(text, forms.days());
            }
            case NUMBER -> {
                String point = forms.decimals() == Forms.Decimals.COMMA ? Cells.withPoint(text) : text;
                Cells.number(point);
                return point;
            }
            case WHOLE -> Cells.whole(text);
            case GRADE -> {
                return String.valueOf(Grades.parse(text));
            }
            case CHOICE -> {
                if (!choices.contains(text)) {
                    throw new IllegalArgumentException("'" + text + "' is not known here; use " + String.join(", ", choices) + ".");
                }
            }
            case FORM -> {
                return FormName.of(Texts.clean(Spreadsheet.plain(text))).map(FormName::text).orElse("");
            }
            case TEXT -> {
                return Texts.clean(Spreadsheet.plain(text));
            }
            default -> throw new IllegalStateException();
        }
        return text;
    }
}
