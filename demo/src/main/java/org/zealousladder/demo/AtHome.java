package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Random;

/** Birthdays, groupings and people at home. They draw from a stream of their own, so that scores are the same with and without them. */
final class AtHome {
    private static final String[] LANGUAGES = {"Tamil", "Arabic", "Polish", "Norwegian", "Somali", "Portuguese"};
    private static final String[] GIVEN = {"Ane", "Bashir", "Celia", "Dov", "Elin", "Farida", "Goran", "Hanna", "Ivo", "Jamila", "Kofi", "Lena"};
    private static final String[] RELATIONS = {"mother", "father", "grandmother", "aunt"};
    private static final String[] REACH = {"phone", "message", "email", ""};
    private static final String[] WHEN = {"after 5", "before 8", "when the ferry is in", ""};
    /** The one whom the lists call otherwise than the papers. */
    private static final String CALLED = "S1040";

    /** Whose mother must not be written to. */
    private static final String NO_LETTERS = "S1058";

    private final Sheets sheets;
    private final Random random = new Random(20251);

    AtHome(Sheets sheets) {
        this.sheets = sheets;
    }

    void groupings() throws IOException {
        sheets.row("groupings", "ferry", "Comes by ferry", "SKERROW", "no");
        sheets.row("groupings", "looked-after", "Looked after by the council", "SKERROW", "yes");
    }

    /** @param grade this year's */
    void student(Pupil p, int grade, String support) throws IOException {
        LocalDate born = LocalDate.of(2025 - 6 - grade, 9, 1).plusDays(random.nextInt(365));
        sheets.row("students", p.code(), p.given(), p.family(), p.code().equals(CALLED) ? "Bee" : "", born);
        if (!support.isEmpty()) {
            sheets.row("grouped", p.code(), "support", support, grade > 2 ? "2024-08-26" : "2025-08-25", "");
        }
        String language = random.nextDouble() < 0.2 ? LANGUAGES[random.nextInt(LANGUAGES.length)] : "";
        if (!language.isEmpty()) {
            sheets.row("grouped", p.code(), "home-language", language, "", "");
        }
        if (random.nextDouble() < 0.3) {
            sheets.row("grouped", p.code(), "ferry", random.nextBoolean() ? "North isles" : "East isles", "2025-09-01", "");
        }
        if (random.nextDouble() < 0.03) {
            sheets.row("grouped", p.code(), "looked-after", "yes", "2025-11-10", "");
        }
        int people = 1 + random.nextInt(2);
        for (int i = 0; i < people; i++) {
            String name = GIVEN[random.nextInt(GIVEN.length)] + " " + p.family();
            sheets.row("people-at-home", p.code(), i == 0 ? name : GIVEN[i] + " " + p.family() + "-Vik", RELATIONS[random.nextInt(RELATIONS.length)],
                    "0555 %03d %03d".formatted(random.nextInt(1000), random.nextInt(1000)),
                    i == 0 ? p.code().toLowerCase(java.util.Locale.ROOT) + "@home.example" : "",
                    language, REACH[random.nextInt(REACH.length)], WHEN[random.nextInt(WHEN.length)],
                    i == 0 && p.code().equals(NO_LETTERS) ? "yes" : "", "");
        }
        // From grade 3 on they have an address of their own.
        if (grade > 2) {
            sheets.row("people-at-home", p.code(), p.given() + " " + p.family(), "", "",
                    p.code().toLowerCase(java.util.Locale.ROOT) + "@pupils.skerrow.example", "", "", "", "",
                    "yes");
        }
    }
}
