package org.zealousladder.server.engagement.looks;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.trends.Progress;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;

/** Whose scores fall: a monitored slope whose interval lies wholly below 0, or a band down between the newest two windows. By student, in words. */
public final class Falls {
    private final Map<Integer, String> words = new LinkedHashMap<>();

    private Falls() {}

    /** Where scores are not looked at. */
    public static Falls none() {
        return new Falls();
    }

    /** @param standings over the newest two windows */
    public static Falls of(List<Progress> progress, List<Enrolled> students, Collection<Measure> measures, Standings standings) {
        Falls falls = new Falls();
        progress.stream().filter(Progress::falls).forEach(p -> falls.words.putIfAbsent(p.student().id(), p.measure().name() + " falls"));
        if (standings.windows().size() == 2) {
            for (Enrolled s : students) {
                for (Measure m : measures) {
                    List<Cell> cells = standings.of(s.id(), m.id());
                    Integer before = cells.get(0).tier();
                    Integer now = cells.get(1).tier();
                    if (before != null && now != null && now > before && !cells.get(1).closeCall()) {
                        falls.words.putIfAbsent(s.id(), m.name() + " fell to " + cells.get(1).bandName());
                    }
                }
            }
        }
        return falls;
    }

    /** What falls; null for a student whose scores do not. */
    @org.jspecify.annotations.Nullable
    String of(int student) {
        return words.get(student);
    }
}
