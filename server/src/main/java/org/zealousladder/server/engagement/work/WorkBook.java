package org.zealousladder.server.engagement.work;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.zealousladder.core.work.WorkState;

/**
 * The work of some students in a year.
 *
 * @param students by id; those without any work are left out
 */
public record WorkBook(List<Piece> pieces, Map<Integer, StudentWork> students, Map<Integer, Map<Integer, Cell>> cells, Map<Integer, Setting> settings) {

    /** How a school counts. */
    public Setting of(int schoolId) {
        return settings.getOrDefault(schoolId, Setting.STANDARD);
    }

    /** Results of a piece that wait to be marked. */
    public record ToMark(int piece, String title, String ofName, java.time.LocalDate due, int results) {}

    /** What waits to be marked, what was due first before the rest. */
    public List<ToMark> toMark() {
        Map<Integer, Long> waiting = students.values().stream().flatMap(w -> w.results().entrySet().stream())
                .filter(e -> e.getValue().state() == WorkState.HANDED_IN)
                .collect(Collectors.groupingBy(Map.Entry::getKey, Collectors.counting()));
        return pieces.stream().filter(p -> waiting.containsKey(p.id()))
                .map(p -> new ToMark(p.id(), p.title(), p.ofName(), p.due(), waiting.getOrDefault(p.id(), 0L).intValue()))
                .toList();
    }
}
