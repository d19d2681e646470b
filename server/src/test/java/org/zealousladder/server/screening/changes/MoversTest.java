package org.zealousladder.server.screening.changes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.changes.ChangePreview.PlaceMoved;
import org.zealousladder.server.screening.changes.ChangePreview.StudentMoved;
import org.zealousladder.server.screening.changes.ChangePreview.Support;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Place;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Reading;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Readings;

/** Who stands elsewhere: from how everybody stood before and stands after. */
class MoversTest {
    private static final int WINTER = 5;

    private final Map<Integer, StudentRef> students = new TreeMap<>();
    private final Map<Place, Reading> before = new LinkedHashMap<>();
    private final Map<Place, Reading> after = new LinkedHashMap<>();

    private void student(int id, String name, String className) {
        students.put(id, new StudentRef(id, "S" + id, name, "X", className, className.hashCode()));
    }

    private static Place maze(int student) {
        return new Place(student, WINTER, 2, null);
    }

    private static Reading reading(String text, Integer tier) {
        return new Reading("Maze, Winter", text, tier);
    }

    private List<StudentMoved> movers() {
        return Movers.between(new Readings(students, before), new Readings(students, after));
    }

    private List<PlaceMoved> places() {
        return Movers.places(new Readings(students, before), new Readings(students, after));
    }

    @Test
    void whoStandsAsBeforeIsNotNamed() {
        student(1, "Ada", "Tern");
        before.put(maze(1), reading("12, Secure", 1));
        after.put(maze(1), reading("12, Secure", 1));
        assertEquals(List.of(), movers());
        assertEquals(List.of(), places());
        assertEquals("Nobody of 1 students would move.", Movers.sentence(movers(), 1));
        assertEquals("No scores rest on it yet, so nobody moves.", Movers.sentence(movers(), 0));
    }

    @Test
    void moreSupportStandsFirstThenByClassAndName() {
        student(1, "Zoe", "Tern");
        student(2, "Ada", "Tern");
        student(3, "Bo", "Gannet");
        student(4, "Cy", "Auk");
        for (int id : List.of(1, 2, 3)) {
            before.put(maze(id), reading("20, Secure", 1));
            after.put(maze(id), reading("20, Needs a lift", 3));
        }
        before.put(maze(4), reading("9, Needs a lift", 3));
        after.put(maze(4), reading("9, Within reach", 2));
        assertEquals(List.of("Bo", "Ada", "Zoe", "Cy"), movers().stream().map(m -> m.student().name()).toList());
        assertEquals(List.of(Support.MORE, Support.MORE, Support.MORE, Support.LESS), movers().stream().map(StudentMoved::support).toList());
        assertEquals("Four of 30 students would be read differently: three with more support and one with less.", Movers.sentence(movers(), 30));
        assertEquals(List.of(new PlaceMoved("Maze, Winter", 3, 1, 0, 0, 0)), places());
    }

    @Test
    void aScoreThatCountsNoMoreOrNewlyIsSaidSo() {
        student(1, "Ada", "Tern");
        student(2, "Bo", "Tern");
        before.put(maze(1), reading("20, Secure", 1));
        after.put(maze(2), reading("7, Needs a lift", 3));
        Place tier = new Place(2, WINTER, null, "Reading");
        after.put(tier, new Reading("Reading tier, Winter", "tier 3", 3));
        List<StudentMoved> movers = movers();
        assertEquals("no score", movers.get(0).moves().get(0).to());
        assertEquals(List.of("no score", "no tier"), movers.get(1).moves().stream().map(ChangePreview.Move::from).toList());
        assertEquals(List.of(Support.OTHER, Support.OTHER), movers.stream().map(StudentMoved::support).toList());
        assertEquals(List.of(new PlaceMoved("Maze, Winter", 0, 0, 1, 1, 0), new PlaceMoved("Reading tier, Winter", 0, 0, 0, 1, 0)), places());
    }

    @Test
    void whoGetsMoreInOnePlaceAndLessInAnotherIsNeither() {
        student(1, "Ada", "Tern");
        before.put(maze(1), reading("20, Secure", 1));
        after.put(maze(1), reading("20, Within reach", 2));
        Place oral = new Place(1, WINTER, 1, null);
        before.put(oral, new Reading("Oral reading, Winter", "70, Needs a lift", 3));
        after.put(oral, new Reading("Oral reading, Winter", "70, Secure", 1));
        assertEquals(Support.OTHER, movers().get(0).support());
        assertEquals(2, movers().get(0).moves().size());
    }

    @Test
    void aCloseCallThatBeginsOrEndsIsAMoveInTheSameTier() {
        student(1, "Ada", "Tern");
        before.put(maze(1), reading("20, Secure", 1));
        after.put(maze(1), reading("20, Secure, a close call", 1));
        assertEquals(List.of(new PlaceMoved("Maze, Winter", 0, 0, 0, 0, 1)), places());
    }

    /** The counts of the places and the names agree, whatever happens, and a change that is taken back mirrors the first. */
    @Test
    void countsAndNamesAgreeAndTheWayBackIsTheMirror() {
        Random random = new Random(11);
        for (int round = 0; round < 200; round++) {
            students.clear();
            before.clear();
            after.clear();
            int n = 1 + random.nextInt(12);
            for (int id = 0; id < n; id++) {
                student(id, "P" + id, "C" + id % 3);
                for (Map<Place, Reading> side : List.of(before, after)) {
                    if (random.nextInt(4) > 0) {
                        int tier = 1 + random.nextInt(3);
                        side.put(maze(id), reading("x, tier " + tier, tier));
                    }
                }
            }
            List<StudentMoved> there = movers();
            List<StudentMoved> back = Movers.between(new Readings(students, after), new Readings(students, before));
            assertEquals(there.size(), back.size());
            assertEquals(count(there, Support.MORE), count(back, Support.LESS));
            assertEquals(count(there, Support.LESS), count(back, Support.MORE));
            int counted = places().stream().mapToInt(p -> p.more() + p.less() + p.lost() + p.gained() + p.other()).sum();
            assertEquals(there.size(), counted);
            assertTrue(there.stream().allMatch(m -> m.moves().stream().noneMatch(x -> x.from().equals(x.to()))));
        }
    }

    private static long count(List<StudentMoved> movers, Support support) {
        return movers.stream().filter(m -> m.support() == support).count();
    }
}
