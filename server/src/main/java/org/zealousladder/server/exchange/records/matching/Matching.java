package org.zealousladder.server.exchange.records.matching;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.files.Subject;

/**
 * What a table's columns, words and names mean: said once by a person, and remembered for the next table with the same headings.
 *
 * @param subject code of what its rows are about; null while nobody has said it
 * @param columns one for each column of the table, in its order
 * @param fixed values by field that hold for every row, such as the measure of a sheet of one measure
 * @param words by field: what a word in a cell means, one of the field's codes, a value of its type, or {@link #NOTHING}
 * @param names by field: the code of what is called so
 */
public record Matching(@Nullable String subject, List<Use> columns, Map<String, String> fixed, Map<String, Map<String, String>> words,
        Map<String, Map<String, String>> names) {

    /** A word that means that the cell is empty. */
    public static final String NOTHING = "nothing";

    /**
     * What one column means.
     *
     * @param heading as the table has it
     * @param field null for a column that is not used
     * @param with values by field that its cells bring along, such as the measure of a column of a sheet with many
     */
    public record Use(String heading, @Nullable String field, Map<String, String> with) {
        public static Use none(String heading) {
            return new Use(heading, null, Map.of());
        }

        public static Use of(String heading, String field) {
            return new Use(heading, field, Map.of());
        }
    }

    /** A file of ours: every column means what it is called. */
    public static Matching own(Subject subject, List<String> header) {
        return new Matching(subject.code(), header.stream().map(h -> subject.field(h) == null ? Use.none(h) : Use.of(h, h)).toList(), Map.of(), Map.of(),
                Map.of());
    }

    /** The columns that are used for {@code field}. */
    public List<Use> of(String field) {
        return columns.stream().filter(u -> field.equals(u.field())).toList();
    }

    /** Whether a value for {@code field} stands anywhere. */
    public boolean has(String field) {
        return fixed.containsKey(field) || columns.stream().anyMatch(u -> field.equals(u.field()) || u.field() != null && u.with().containsKey(field));
    }

    /** The columns of the folded field, where each gives a row of its own; empty for a table with a row for each. */
    public List<Use> folds(Subject subject) {
        String folded = subject.folded();
        List<Use> uses = folded == null ? List.of() : of(folded);
        return uses.size() > 1 || subject.foldedName() != null || uses.stream().anyMatch(u -> !u.with().isEmpty()) ? uses : List.of();
    }

    /** What has still to be said before its rows can be read, in sentences. */
    public List<String> open(Subject about) {
        List<String> open = new ArrayList<>();
        List<Use> folds = folds(about);
        for (Subject.Need need : about.needs()) {
            boolean met = need.oneOf().stream().anyMatch(set -> set.stream().allMatch(f -> has(f) && (folds.isEmpty() || everyFoldHas(folds, f, about))));
            if (!met) {
                open.add(need.sentence());
            }
        }
        for (Subject.Field f : about.fields()) {
            if (!f.name().equals(about.folded()) && of(f.name()).size() > 1) {
                open.add("Two columns are said to hold: " + f.label() + ". Keep one of them.");
            }
        }
        return open;
    }

    private boolean everyFoldHas(List<Use> folds, String field, Subject about) {
        return field.equals(about.folded()) || fixed.containsKey(field) || !of(field).isEmpty() || folds.stream().allMatch(u -> u.with().containsKey(field));
    }

    /** The meanings that stand here, and for words without one those of {@code usual}. */
    public Matching withUsual(Map<String, Map<String, String>> usual) {
        Map<String, Map<String, String>> all = new TreeMap<>(usual);
        words.forEach((field, said) -> {
            Map<String, String> both = new TreeMap<>(all.getOrDefault(field, Map.of()));
            both.putAll(said);
            all.put(field, both);
        });
        return new Matching(subject, columns, fixed, all, names);
    }
}
