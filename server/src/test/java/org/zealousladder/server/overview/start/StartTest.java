package org.zealousladder.server.overview.start;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.overview.start.StartView.ProposedWindow;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SchoolYear;
import tools.jackson.databind.JsonNode;

class StartTest extends ServerTest {
    private Viewer admin;

    @BeforeEach
    void somebody() {
        admin = person("a.sandvik");
    }

    @ParameterizedTest
    @CsvSource({"2026-08-25,2027-06-25", "2026-01-12,2026-12-04", "2026-09-01,2026-12-18"})
    void windowsAreProposedInSchoolWeeksWithinTheYearAndApart(LocalDate starts, LocalDate ends) {
        List<ProposedWindow> all = StartService.proposed(new SchoolYear(1, "x", starts, ends));
        assertEquals(List.of("Autumn", "Winter", "Spring"), all.stream().map(ProposedWindow::name).toList());
        LocalDate before = starts.minusDays(1);
        for (ProposedWindow w : all) {
            assertTrue(w.starts().isAfter(before) && !w.ends().isAfter(ends) && !w.ends().isBefore(w.starts()), w.toString());
            assertEquals(DayOfWeek.MONDAY, w.starts().getDayOfWeek());
            before = w.ends();
        }
    }

    @Test
    void whatIsThereIsCountedAndSetUpByAdministratorsAlone() throws Exception {
        JsonNode start = body(read(admin, "/api/setup/start").andExpect(status().isOk()));
        assertEquals("2025-26", start.at("/year/name").asString());
        assertTrue(start.at("/counts/classes").asInt() >= 6 && start.at("/counts/students").asInt() > 140, start.toString());
        assertEquals(3, start.at("/counts/windows").asInt());
        assertEquals(1000, start.at("/counts/scores").asInt(), "more are not counted");
        assertTrue(start.at("/proposedWindows").isEmpty());
        read(person("m.tveit"), "/api/setup/start").andExpect(refused("403 forbidden"));
        send(person("m.tveit"), "/api/schools", Map.of("name", "Another")).andExpect(refused("403 forbidden"));
        send(person("m.tveit"), "/api/years", Map.of("starts", "2031-08-01", "ends", "2032-06-20")).andExpect(refused("403 forbidden"));
        send(person("i.mensah"), "/api/measures", Map.of("measures", List.of(measure("Mine", 0, 10)))).andExpect(refused("403 forbidden"));
    }

    @Test
    void aYearNeedsDaysThatCanBeAndApartFromTheOthers() throws Exception {
        send(admin, "/api/years", Map.of("starts", "2026-03-01", "ends", "2027-01-20")).andExpect(refused("422 invalid starts"));
        send(admin, "/api/years", Map.of("starts", "2032-08-20", "ends", "2032-08-01")).andExpect(refused("422 invalid ends"));
        send(admin, "/api/years", Map.of("starts", "2032-08-20", "ends", "2034-08-01")).andExpect(refused("422 invalid ends"));
        send(admin, "/api/years", Map.of("starts", "2032-08-20")).andExpect(refused("422 invalid ends"));
    }

    /** Other tests count the measures. */
    private static final class Undone extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    @Test
    void measuresToBeginWithAndOnesOwnAreAdded() {
        assertThrows(Undone.class, () -> asking(Viewer.SYSTEM, () -> {
            addMeasures();
            throw new Undone();
        }));
    }

    private void addMeasures() throws Exception {
        JsonNode kit = body(read(admin, "/api/setup/start")).get("kit");
        JsonNode first = StreamSupport.stream(kit.spliterator(), false).filter(m -> m.get("code").asString().equals("letter-sounds")).findFirst().orElseThrow();
        send(admin, "/api/measures", Map.of("measures", List.of(json.treeToValue(first, Map.class), measure("Wörter / Minute", 0, 99.5))))
                .andExpect(status().isNoContent());
        List<String> added = db.sql("select code || ' ' || highest from measures_measure where name in ('Letter sounds', 'Wörter / Minute') order by 1")
                .query(String.class).list();
        assertEquals(List.of("letter-sounds 150", "worter-minute 99.5"), added);
        assertTrue(StreamSupport.stream(body(read(admin, "/api/setup/start")).get("kit").spliterator(), false)
                .noneMatch(m -> m.get("code").asString().equals("letter-sounds")));
        send(admin, "/api/measures", Map.of("measures", List.of(measure("letter SOUNDS", 0, 10)))).andExpect(refused("422 invalid name"));
        send(admin, "/api/measures", Map.of("measures", List.of(measure("Upside down", 10, 0)))).andExpect(refused("422 invalid highest"));
    }

    private static Map<String, Object> measure(String name, double lowest, double highest) {
        return Map.of("name", name, "kind", "probe", "area", "Reading", "unit", "points", "lowest", lowest, "highest", highest, "decimals", 1, "better",
                "higher");
    }

    @Test
    void aYearWithWindowsGetsNoFirstOnes() throws Exception {
        send(admin, "/api/setup/windows",
                Map.of("windows", List.of(Map.of("yearId", thisYear(), "name", "Late", "starts", "2026-06-01", "ends", "2026-06-05"))))
                .andExpect(refused("409 conflict"));
    }
}
