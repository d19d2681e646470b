package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.changes.ChangePreview.Move;
import org.zealousladder.server.screening.changes.ChangePreview.PlaceMoved;
import org.zealousladder.server.screening.changes.ChangePreview.StudentMoved;
import org.zealousladder.server.screening.changes.ChangePreview.Support;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Place;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Reading;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Readings;

/** Who stands elsewhere after a change. */
final class Movers {
    private Movers() {}

    /** More support first, then by class and name. */
    static List<StudentMoved> between(Readings before, Readings after) {
        Map<Integer, List<Place>> byStudent = new TreeMap<>();
        moved(before, after).forEach(p -> byStudent.computeIfAbsent(p.studentId(), k -> new ArrayList<>()).add(p));
        List<StudentMoved> movers = new ArrayList<>();
        byStudent.forEach((id, moved) -> movers.add(mover(requireNonNull(after.students().getOrDefault(id, before.students().get(id))), moved, before, after)));
        movers.sort(Comparator.comparing(StudentMoved::support).thenComparing(m -> m.student().className()).thenComparing(StudentMoved::student,
                StudentRef.BY_NAME));
        return movers;
    }

    private static List<Place> moved(Readings before, Readings after) {
        Set<Place> places = new LinkedHashSet<>(before.places().keySet());
        places.addAll(after.places().keySet());
        return places.stream().filter(p -> {
            Reading from = before.places().get(p);
            Reading to = after.places().get(p);
            return from == null || to == null || !from.text().equals(to.text());
        }).toList();
    }

    /** The same, counted for each measure or area and window. */
    static List<PlaceMoved> places(Readings before, Readings after) {
        Map<String, int[]> counts = new LinkedHashMap<>();
        for (Place p : moved(before, after)) {
            Reading from = before.places().get(p);
            Reading to = after.places().get(p);
            int[] n = counts.computeIfAbsent(requireNonNull(to == null ? from : to).about(), k -> new int[5]);
            n[kind(from, to)]++;
        }
        return counts.entrySet().stream().map(e -> new PlaceMoved(e.getKey(), e.getValue()[0], e.getValue()[1], e.getValue()[2], e.getValue()[3],
                e.getValue()[4])).toList();
    }

    /** In the order of {@link PlaceMoved}. */
    private static int kind(@Nullable Reading from, @Nullable Reading to) {
        if (to == null || from == null) {
            return to == null ? 2 : 3;
        }
        if (from.tier() == null || to.tier() == null || from.tier().equals(to.tier())) {
            return 4;
        }
        return to.tier() > from.tier() ? 0 : 1;
    }

    private static StudentMoved mover(StudentRef student, List<Place> places, Readings before, Readings after) {
        List<Move> moves = new ArrayList<>();
        boolean more = false;
        boolean less = false;
        for (Place p : places) {
            Reading from = before.places().get(p);
            Reading to = after.places().get(p);
            String none = p.area() == null ? "no score" : "no tier";
            moves.add(new Move(requireNonNull(to == null ? from : to).about(), text(from, none), text(to, none)));
            Integer old = from == null ? null : from.tier();
            Integer now = to == null ? null : to.tier();
            more |= old != null && now != null && now > old;
            less |= old != null && now != null && now < old;
        }
        return new StudentMoved(student, more == less ? Support.OTHER : more ? Support.MORE : Support.LESS, moves);
    }

    private static String text(@Nullable Reading reading, String none) {
        return reading == null ? none : reading.text();
    }

    /** "Seven of 148 students would be read differently: three with more support, four with less." */
    static String sentence(List<StudentMoved> movers, int of) {
        if (of == 0) {
            return "No scores rest on it yet, so nobody moves.";
        }
        if (movers.isEmpty()) {
            return "Nobody of " + of + " students would move.";
        }
        List<String> parts = new ArrayList<>();
        part(parts, movers, Support.MORE, "with more support");
        part(parts, movers, Support.LESS, "with less");
        part(parts, movers, Support.OTHER, "in other ways");
        return Words.sentence(Words.number(movers.size()) + " of " + of + " students would be read differently: " + Words.list(parts));
    }

    private static void part(List<String> parts, List<StudentMoved> movers, Support support, String words) {
        long n = movers.stream().filter(m -> m.support() == support).count();
        if (n > 0) {
            parts.add(Words.number(n) + " " + words);
        }
    }
}
