package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.type.filter.AssignableTypeFilter;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Kinds are told apart by their columns alone. */
class ImportKindsTest {
    /** What the capabilities declare, found as the server finds it. */
    private static final ImportKinds KINDS = new ImportKinds(declared());

    private static List<DeclaresFiles> declared() {
        ClassPathScanningCandidateComponentProvider scan = new ClassPathScanningCandidateComponentProvider(false);
        scan.addIncludeFilter(new AssignableTypeFilter(DeclaresFiles.class));
        return scan.findCandidateComponents("org.zealousladder.server").stream().map(found -> {
            try {
                var constructor = Class.forName(found.getBeanClassName()).getDeclaredConstructors()[0];
                constructor.setAccessible(true);
                return (DeclaresFiles) constructor.newInstance(Stream.of(constructor.getParameterTypes()).map(p -> inUtc()).toArray());
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }).toList();
    }

    /** What a kind may ask for. */
    private static SchoolCalendar inUtc() {
        SchoolCalendar calendar = mock(SchoolCalendar.class);
        when(calendar.zone()).thenReturn(ZoneId.of("UTC"));
        return calendar;
    }

    static Stream<FileKind> kinds() {
        return KINDS.all().stream();
    }

    private static List<String> names(FileKind kind, boolean withOptional) {
        return new ArrayList<>(kind.columns().stream().filter(c -> withOptional || c.required()).map(Column::name).toList());
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void itsOwnColumnsMakeAKindInAnyOrderAndWithOthersBetween(FileKind kind) throws BadCsvException {
        for (boolean optional : new boolean[] {true, false}) {
            List<String> header = names(kind, optional);
            assertEquals(kind.code(), KINDS.of(header).code());
            Collections.reverse(header);
            header.add(1, "remarks");
            assertEquals(kind.code(), KINDS.of(header).code());
        }
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aMissingColumnIsNamed(FileKind kind) {
        List<String> header = names(kind, true);
        String last = names(kind, false).get(names(kind, false).size() - 1);
        header.remove(last);
        try {
            assertFalse(KINDS.of(header).code().equals(kind.code()), "without " + last + " it is another kind, if any");
        } catch (BadCsvException e) {
            assertTrue(e.getMessage().contains(last), e.getMessage());
        }
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyKindIsInTheFormatsPageWithItsColumns(FileKind kind) throws IOException {
        String page = Files.readString(Path.of("..", "docs", "formats.md"));
        assertTrue(page.contains("**" + kind.code() + "**"), kind.code());
        assertTrue(page.lines().anyMatch(l -> l.startsWith(String.join(",", names(kind, false).subList(0, 2)))), kind.code());
    }

    @Test
    void onlyFilesAboutStudentsWorkAreForTeachers() {
        assertEquals(
                Set.of("attendance", "scores", "goals", "plan-changes", "concerns", "plans", "plan-phases", "sessions", "readings", "reading-marks", "work",
                        "work-results", "taught", "small-groups", "skill-advice", "items", "item-skills", "item-answers", "checks", "check-items", "answers"),
                KINDS.all().stream().filter(k -> k.least() == Viewer.Role.TEACHER).map(FileKind::code).collect(Collectors.toSet()));
    }

    @Test
    void nothingInCommonIsSaid() {
        String message = assertThrows(BadCsvException.class, () -> KINDS.of(List.of("foo", "bar"))).getMessage();
        assertTrue(message.contains("foo, bar") && message.contains("student, measure, date, score"), message);
    }
}
