package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.ScreeningTest;

/** Names are found however their letters are typed, and sorted as people sort them. */
class FindTest extends ScreeningTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"osca | Óscar", "ÓSC | Óscar", "o'm | Nuala", "omal | Nuala", "O’Malley | Nuala", "strasse | Weiß", "anne marie | ", "100% | ",
                    "annem | Anne-Marie"})
    void letters(String words, String found) {
        newNames();
        List<String> names = each(body(read(person("b.calder"), "/api/students?asOf=2026-03-13&find=" + words)))
                .map(s -> s.get("name").asString().split(" ")[0])
                .filter(n -> List.of("Óscar", "Nuala", "Weiß", "Anne-Marie").contains(n))
                .toList();
        assertEquals(found == null ? List.of() : List.of(found), names);
    }

    @org.junit.jupiter.api.Test
    void theyAreSortedByLettersNotByCodes() {
        newNames();
        assertEquals(List.of("Anne-Marie", "Nuala", "Óscar", "Weiß", "Zeb"),
                each(body(read(person("b.calder"), "/api/strip" + scope("2025-FIND", "&measure=" + measure("maze")))).get("rows"))
                        .map(r -> r.at("/student/name").asString().split(" ")[0]).toList());
    }

    private void newNames() {
        newClass("2025-FIND", 3, "b.calder", "Zeb");
        take("student,given_name,family_name", "F1,Óscar,Ó Briain", "F2,Nuala,O’Malley", "F3,Weiß,Strasse", "F4,Anne-Marie,Roy");
        take("student,class,from,to", "F1,2025-FIND,2025-08-25,", "F2,2025-FIND,2025-08-25,", "F3,2025-FIND,2025-08-25,", "F4,2025-FIND,2025-08-25,");
    }

    @org.junit.jupiter.api.Test
    void namesakesOfASchoolAreToldApartByTheirCodes() throws Exception {
        newClass("2025-TWIN", 3, "b.calder", "Ada", "Bo");
        take("student,given_name,family_name", "TWIN-2,ada,2025-twin");
        assertEquals(List.of("Ada 2025-TWIN", "Bo 2025-TWIN"), names("2025-TWIN"), "nobody of the school yet");
        take("student,class,from,to", "TWIN-2,2025-TWIN,2025-08-25,");
        assertEquals(List.of("Ada 2025-TWIN (2025-TWIN-Ada)", "ada 2025-twin (TWIN-2)", "Bo 2025-TWIN").stream().sorted().toList(),
                names("2025-TWIN").stream().sorted().toList());
        take("student,given_name,family_name", "TWIN-2,Adi,2025-TWIN");
        assertEquals(List.of("Ada 2025-TWIN", "Adi 2025-TWIN", "Bo 2025-TWIN"), names("2025-TWIN"));
    }

    private List<String> names(String code) {
        return each(body(read(person("b.calder"), "/api/coverage" + scope(code, "&window=" + window("Winter")))).get("untested"))
                .map(u -> u.at("/student/name").asString()).distinct().toList();
    }
}
