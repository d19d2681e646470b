package org.zealousladder.server.platform.files;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What the rows of somebody's own table are about: what its columns can mean, and which of our kinds its rows fill. Every kind of file is the subject of a table that
 * has its columns under other names; a capability declares those that need more.
 *
 * @param code name on the wire and in a kept matching
 * @param label what people call such rows
 * @param needs without which no row says anything
 * @param composed a field that is put together of others where it has no column of its own; null for none
 * @param folded the field that several columns can hold, each for a row of its own (a sheet with a column per week); null for none
 * @param foldedName the field that the heading of such a column tells; null where it tells none
 * @param narrowing the field by which namesakes are told apart; null for none
 * @param standing the temporary table in which the rows of a bundle's file stand for the others of the bundle; null for a file that speaks for itself
 * @param knownBy columns by which a file of a standard form is known; none where people say what it is about
 * @param told select over the temporary table {@code raw} that says what the rows mean before they are told apart into kinds; null where they stand as they are
 * @param found field whose names are looked for before its rows are told apart into kinds, and are new where they are not on record; null for none
 */
public record Subject(String code, String label, List<Field> fields, List<Need> needs, @Nullable Composed composed, @Nullable String folded,
        @Nullable String foldedName, @Nullable String narrowing, @Nullable String found, @Nullable String told, @Nullable String standing, List<String> knownBy,
        List<Part> parts) {

    /**
     * What a column can mean.
     *
     * @param label what people call it
     * @param instead words that can stand in such a cell instead of a value of its type, with what they put where: {@code absent} puts it into {@code status}
     * @param helps whether it only helps to find what another field names, and is in no file of ours
     */
    public record Field(Column column, String label, Map<String, Put> instead, boolean helps) {
        public String name() {
            return column.name();
        }
    }

    /** A value for a field. */
    public record Put(String field, String value) {}

    /** @param oneOf sets of fields of which one must be there, whole; @param sentence what is asked for */
    public record Need(List<List<String>> oneOf, String sentence) {}

    /**
     * @param unless another field in whose presence it is not needed
     * @param of in the order in which they are written
     */
    public record Composed(String field, String unless, List<String> of) {}

    /**
     * The rows of one kind.
     *
     * @param kind its code
     * @param wants the fields without which there are none
     * @param rows select over the temporary table {@code raw} that gives {@code row_no} and the kind's columns; null where the table's rows are the kind's
     */
    public record Part(String kind, List<String> wants, @Nullable String rows) {}

    /** Null for a field that the subject does not have. */
    public @Nullable Field field(@Nullable String name) {
        return fields.stream().filter(f -> f.name().equals(name)).findFirst().orElse(null);
    }

    /** Whether its rows stand as they are, in no need of being told apart into kinds. */
    public boolean direct() {
        return parts.size() == 1 && parts.get(0).rows() == null;
    }

    /** The subject of a table with the columns of {@code kind}, whatever they are called. */
    public static Subject of(FileKind kind) {
        Builder subject = named(kind.code(), kind.label());
        for (Column c : kind.columns()) {
            subject.field(c, c.name().replace('_', ' '));
            if (c.required()) {
                subject.need("Say which column holds: " + c.name().replace('_', ' ') + ".", List.of(c.name()));
            }
        }
        return subject.rowsOf(kind.code()).build();
    }

    public static Builder named(String code, String label) {
        return new Builder(code, label);
    }

    /** Collects the parts of a subject. */
    public static final class Builder {
        private final String code;
        private final String label;
        private final List<Field> fields = new ArrayList<>();
        private final List<Need> needs = new ArrayList<>();
        private final List<Part> parts = new ArrayList<>();
        private @Nullable Composed composed;
        private @Nullable String folded;
        private @Nullable String foldedName;
        private @Nullable String narrowing;
        private @Nullable String found;
        private @Nullable String told;
        private @Nullable String standing;
        private List<String> knownBy = List.of();

        private Builder(String code, String label) {
            this.code = code;
            this.label = label;
        }

        public Builder field(Column column, String name) {
            fields.add(new Field(column, name, Map.of(), false));
            return this;
        }

        /** A field that only helps to find what another one names. */
        public Builder helper(String column, String name) {
            fields.add(new Field(Column.optional(column, Column.Type.TEXT), name, Map.of(), true));
            return this;
        }

        /** A field in whose cells the {@code codes} can stand, which then are put into {@code into}. */
        public Builder field(Column column, String name, List<String> codes, String into) {
            Map<String, Put> instead = new LinkedHashMap<>();
            codes.forEach(c -> instead.put(c, new Put(into, c)));
            fields.add(new Field(column, name, instead, false));
            return this;
        }

        @SafeVarargs
        public final Builder need(String sentence, List<String>... oneOf) {
            needs.add(new Need(List.of(oneOf), sentence));
            return this;
        }

        public Builder composed(String field, String unless, String... of) {
            composed = new Composed(field, unless, List.of(of));
            return this;
        }

        public Builder folded(String field) {
            folded = field;
            return this;
        }

        /** The heading of a column of the folded field stands for {@code field}. */
        public Builder foldedName(String field) {
            foldedName = field;
            return this;
        }

        public Builder narrowing(String field) {
            narrowing = field;
            return this;
        }

        public Builder found(String field) {
            found = field;
            return this;
        }

        public Builder told(String select) {
            told = select;
            return this;
        }

        /** It is of a bundle: its rows stand in {@code table}. */
        public Builder standing(String table, String... columns) {
            standing = table;
            return knownBy(columns);
        }

        /** It is a file of a standard form, with columns that are called so. */
        public Builder knownBy(String... columns) {
            knownBy = List.of(columns);
            return this;
        }

        public Builder rowsOf(String kind) {
            parts.add(new Part(kind, List.of(), null));
            return this;
        }

        public Builder part(String kind, List<String> wants, String rows) {
            parts.add(new Part(kind, wants, rows));
            return this;
        }

        public Subject build() {
            return new Subject(code, label, List.copyOf(fields), List.copyOf(needs), composed, folded, foldedName, narrowing, found, told, standing, knownBy,
                    List.copyOf(parts));
        }
    }
}
