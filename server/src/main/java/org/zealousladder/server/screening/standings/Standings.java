package org.zealousladder.server.screening.standings;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.server.measures.ladders.Ladders;
import org.zealousladder.server.measures.windows.Window;

/** Standings of some students on some measures in some windows, each list in the windows' order. */
public final class Standings {
    private final List<Window> windows;
    private final Ladders ladders;
    private final Map<LocalDate, Map<Integer, Integer>> grades;
    private final Map<Integer, Map<Integer, List<Cell>>> cells;

    Standings(List<Window> windows, Ladders ladders, Map<LocalDate, Map<Integer, Integer>> grades, Map<Integer, Map<Integer, List<Cell>>> cells) {
        this.windows = windows;
        this.ladders = ladders;
        this.grades = grades;
        this.cells = cells;
    }

    public List<Window> windows() {
        return windows;
    }

    /** Cells of a student on a measure, one per window. */
    public List<Cell> of(int studentId, int measureId) {
        return cells.getOrDefault(studentId, Map.of()).getOrDefault(measureId, List.of());
    }

    /** The newest tier the student has on the measure. */
    public Optional<Integer> tier(int studentId, int measureId) {
        List<Cell> own = of(studentId, measureId);
        for (int i = own.size() - 1; i >= 0; i--) {
            if (own.get(i).tier() != null) {
                return Optional.of(requireNonNull(own.get(i).tier()));
            }
        }
        return Optional.empty();
    }

    /** The grade the student was in at the window's end; empty when not here then. */
    public Optional<Integer> grade(int studentId, Window window) {
        return Optional.ofNullable(requireNonNull(grades.get(window.ends())).get(studentId));
    }

    /** All grades that the students were in at the window's end. */
    public Map<Integer, Integer> grades(Window window) {
        return requireNonNull(grades.get(window.ends()));
    }

    /** The ladder on which the student's score in the window is read. */
    public Optional<BandLadder> ladder(int studentId, int measureId, Window window) {
        return grade(studentId, window).flatMap(g -> ladders.of(measureId, window.id(), g));
    }

    public Ladders ladders() {
        return ladders;
    }
}
