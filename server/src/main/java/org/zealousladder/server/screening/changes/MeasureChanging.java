package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.measures.MeasureEditor;
import org.zealousladder.server.measures.measures.MeasureForm;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.words.Words;

/** The properties of a measure are changed: its name, range, decimals, error. */
@Component
class MeasureChanging implements Changing {
    private final MeasureEditor editor;
    private final MeasuresService measures;
    private final Reaches reaches;

    MeasureChanging(MeasureEditor editor, MeasuresService measures, Reaches reaches) {
        this.editor = editor;
        this.measures = measures;
        this.reaches = reaches;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.MEASURE);
    }

    @Override
    public SetupChange now(SetupChange change) {
        return SetupChange.of(MeasureForm.of(measures.measure(requireNonNull(change.measure()).id())));
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        SetupChange before = now(change);
        editor.save(requireNonNull(change.measure()));
        SetupChange after = now(change);
        return new Made("measure " + requireNonNull(change.measure()).id(), null, before, after,
                words(requireNonNull(before.measure()), requireNonNull(after.measure())));
    }

    private static String words(MeasureForm before, MeasureForm after) {
        List<String> parts = new ArrayList<>();
        add(parts, "name", before.name(), after.name());
        add(parts, "area", before.area(), after.area());
        add(parts, "unit", before.unit(), after.unit());
        add(parts, "range", range(before), range(after));
        add(parts, "decimals", String.valueOf(before.decimals()), String.valueOf(after.decimals()));
        add(parts, "standard error of measurement", error(before), error(after));
        return before.name() + ": " + (parts.isEmpty() ? "nothing is different" : String.join("; ", parts)) + ".";
    }

    private static void add(List<String> parts, String what, String before, String after) {
        if (!Objects.equals(before, after)) {
            parts.add(what + " " + before + " becomes " + after);
        }
    }

    private static String range(MeasureForm m) {
        return Words.plain(m.lowest()) + " to " + Words.plain(m.highest());
    }

    private static String error(MeasureForm m) {
        return m.sem() == null ? "not stated" : Words.plain(m.sem());
    }

    @Override
    public Reach reach(SetupChange change) {
        List<Integer> schools = reaches.schools();
        return new Reach(schools, reaches.begun(schools));
    }
}
