package org.zealousladder.server.exchange.records.matching;

import static java.util.Objects.requireNonNull;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.files.Cells;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.Subject;

/**
 * Turns the rows of a table into lines of its subject's fields, as its matching says. A row of a sheet with a column per measure or week is folded into a line for
 * each. A line has a number that tells its row and its column: {@link #width} times the row's number as a spreadsheet shows it, and the place of the column among
 * those that are folded.
 */
public final class Lines {
    /** Takes what comes of a row. */
    public interface Sink {
        void line(int number, @Nullable String[] cells);

        /** @param heading of the column as the table has it; @param cause what could help */
        void refuse(int number, String heading, String value, String message, Cause cause);
    }

    private final Subject subject;
    private final Forms forms;
    private final List<Column> columns;
    private final String[] headings;
    private final int[] places;
    private final @Nullable String[] fixed;
    private final List<Map<String, String>> words;
    private final List<Fold> folds = new ArrayList<>();
    private final int foldedAt;
    private final int composedAt;
    private final int unlessAt;
    private final int[] composedOf;
    private final @Nullable String[] row;

    private record Fold(int place, String heading, @Nullable String[] with) {}

    public Lines(Subject subject, Matching matching, Forms forms) {
        this.subject = subject;
        this.forms = forms;
        columns = subject.fields().stream().map(Subject.Field::column).toList();
        headings = new String[columns.size()];
        places = new int[columns.size()];
        fixed = values(matching.fixed());
        row = new String[columns.size()];
        words = new ArrayList<>();
        foldedAt = subject.folded() == null ? -1 : at(requireNonNull(subject.folded()));
        List<Matching.Use> folded = matching.folds(subject);
        for (int i = 0; i < places.length; i++) {
            String field = columns.get(i).name();
            places[i] = -1;
            headings[i] = field;
            for (int c = 0; c < matching.columns().size() && (folded.isEmpty() || i != foldedAt); c++) {
                if (field.equals(matching.columns().get(c).field())) {
                    places[i] = c;
                    headings[i] = matching.columns().get(c).heading();
                }
            }
            Map<String, String> plain = new HashMap<>();
            matching.words().getOrDefault(field, Map.of()).forEach((word, means) -> plain.put(key(word), means));
            words.add(plain);
        }
        for (int c = 0; c < matching.columns().size() && !folded.isEmpty(); c++) {
            Matching.Use use = matching.columns().get(c);
            if (requireNonNull(subject.folded()).equals(use.field())) {
                Fold fold = new Fold(c, use.heading(), values(use.with()));
                int named = subject.foldedName() == null ? -1 : at(requireNonNull(subject.foldedName()));
                if (named >= 0 && fold.with()[named] == null) {
                    fold.with()[named] = use.heading();
                }
                folds.add(fold);
            }
        }
        Subject.Composed composed = subject.composed();
        composedAt = composed == null ? -1 : at(composed.field());
        unlessAt = composed == null ? -1 : at(composed.unless());
        composedOf = composed == null ? new int[0] : composed.of().stream().mapToInt(this::at).toArray();
    }

    private int at(String field) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).name().equals(field)) {
                return i;
            }
        }
        return -1;
    }

    /** Values by field, in the order of the fields, as COPY takes them. */
    private @Nullable String[] values(Map<String, String> said) {
        @Nullable
        String[] values = new String[columns.size()];
        said.forEach((field, value) -> {
            int i = at(field);
            if (i >= 0 && !value.isBlank()) {
                values[i] = columns.get(i).read(value.strip(), Forms.OWN);
            }
        });
        return values;
    }

    /** How words are compared. */
    static String key(String word) {
        return word.strip().toLowerCase(Locale.ROOT);
    }

    /** Lines of one row at most. */
    public int width() {
        return Math.max(1, folds.size());
    }

    /** Each heading of a column that is folded, by its place among them; empty when none is. */
    public List<String> foldedHeadings() {
        return folds.stream().map(Fold::heading).toList();
    }

    /** Whether several columns hold the field, each for a line of its own. */
    public boolean isFolded(String field) {
        return !folds.isEmpty() && foldedAt == at(field);
    }

    /** The heading of each field, or the field's own name where it has no column. */
    public String heading(String field) {
        int i = at(field);
        return i < 0 ? field : headings[i];
    }

    public List<Column> columns() {
        return columns;
    }

    /** Gives what comes of {@code record}, in the row with that number. */
    public void of(CsvRecord record, int rowNumber, Sink sink) {
        int number = rowNumber * width();
        System.arraycopy(fixed, 0, row, 0, row.length);
        boolean good = true;
        for (int i = 0; i < places.length; i++) {
            if (places[i] >= 0) {
                good &= cell(record, places[i], i, headings[i], number, sink);
            }
        }
        if (composedAt >= 0 && row[composedAt] == null && row[unlessAt] == null) {
            row[composedAt] = composed();
        }
        if (folds.isEmpty()) {
            if (good && whole(record, number, sink)) {
                sink.line(number, row);
            }
            return;
        }
        if (good) {
            fold(record, number, sink);
        }
    }

    private void fold(CsvRecord record, int number, Sink sink) {
        @Nullable
        String[] base = Arrays.copyOf(row, row.length);
        for (int k = 0; k < folds.size(); k++) {
            Fold fold = folds.get(k);
            if (text(record, fold.place()).isEmpty()) {
                continue;
            }
            System.arraycopy(base, 0, row, 0, row.length);
            for (int i = 0; i < row.length; i++) {
                if (fold.with()[i] != null) {
                    row[i] = fold.with()[i];
                }
            }
            if (cell(record, fold.place(), foldedAt, fold.heading(), number + k, sink) && somethingOf() && whole(record, number + k, sink)) {
                sink.line(number + k, row);
            }
        }
    }

    /** A folded cell with a word that means nothing gives no line. */
    private boolean somethingOf() {
        return row[foldedAt] != null || subject.fields().get(foldedAt).instead().values().stream().anyMatch(p -> row[at(p.field())] != null);
    }

    private static String text(CsvRecord record, int place) {
        return place >= record.getFieldCount() ? "" : record.getField(place).strip();
    }

    /** Reads one cell into the line; false where it is refused. */
    private boolean cell(CsvRecord record, int place, int field, String heading, int number, Sink sink) {
        String text = text(record, place);
        Column column = columns.get(field);
        if (!text.isEmpty() && !words.get(field).isEmpty()) {
            String means = words.get(field).get(key(text));
            if (means != null) {
                Subject.Put put = subject.fields().get(field).instead().get(means);
                if (put != null) {
                    row[at(put.field())] = put.value();
                    row[field] = null;
                    return true;
                }
                text = means.equals(Matching.NOTHING) ? "" : means;
            }
        }
        if (text.isEmpty()) {
            return true;
        }
        try {
            row[field] = column.read(text, forms);
            return true;
        } catch (IllegalArgumentException e) {
            sink.refuse(number, heading, text, requireNonNull(e.getMessage()), cause(column, text));
            return false;
        }
    }

    private Cause cause(Column column, String text) {
        return switch (column.type()) {
            case NUMBER -> Cells.hasComma(text) ? Cause.COMMA : Cause.WORD;
            case CHOICE, WHOLE, GRADE -> Cause.WORD;
            case DATE -> Cause.DAY;
            case FORM, TEXT -> Cause.OTHER;
        };
    }

    /** Whether nothing is missing that every line must have; what is, is refused. */
    private boolean whole(CsvRecord record, int number, Sink sink) {
        boolean good = true;
        for (int i = 0; i < row.length; i++) {
            if (row[i] == null && !columns.get(i).mayBeEmpty()) {
                sink.refuse(number, headings[i], "", "The cell is empty; a " + columns.get(i).name().replace('_', ' ') + " belongs here.", Cause.OTHER);
                good = false;
            }
        }
        return good;
    }

    private @Nullable String composed() {
        StringBuilder all = new StringBuilder();
        for (int i : composedOf) {
            if (row[i] != null) {
                all.append(all.isEmpty() ? "" : " ").append(row[i]);
            }
        }
        return all.isEmpty() ? null : all.toString();
    }
}
