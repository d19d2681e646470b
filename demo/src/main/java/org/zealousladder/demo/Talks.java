package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** Calls and talks that teachers noted: a planned few about the stories, and now and then one about another. */
final class Talks {
    private static final String[] SAID = {"Reads ten minutes after supper, and likes the sea stories.",
            "Glasses forgotten at home twice; a pair now stays at school.",
            "Asked how to help with the tables; sent the cards home.", "Goes to bed late when the ferry is late. Tries with an alarm.",
            "All is well at home. Was glad to hear about the scores.", "Wants to borrow the audio books over the break."};
    private static final LocalDate FIRST = LocalDate.of(2025, 10, 6);

    private final Sheets sheets;
    private final Random random = new Random(20253);

    Talks(Sheets sheets) {
        this.sheets = sheets;
    }

    void student(Pupil p, @Nullable Story story, String teacher) throws IOException {
        // Drawn for everybody, so that a story changes nobody else's.
        boolean some = random.nextInt(7) == 0;
        LocalDate day = FIRST.plusWeeks(random.nextInt(20)).plusDays(random.nextInt(4));
        String said = SAID[random.nextInt(SAID.length)];
        boolean call = random.nextBoolean();
        if (story == null) {
            if (some) {
                note(p, day, call ? "call" : "talk", "home", "", "yes", said, "", teacher);
            }
            return;
        }
        switch (story.given()) {
            case "Sunniva" -> {
                note(p, LocalDate.of(2026, 1, 19), "talk", "home", "mother", "yes", "Told about the daily practice; she reads with Sunniva on Sundays.",
                        "", teacher);
                note(p, LocalDate.of(2026, 2, 26), "call", "home", "mother", "yes", "No change yet. We meet when the plan is looked at.", "2026-03-13",
                        teacher);
            }
            case "Noor" -> note(p, LocalDate.of(2026, 3, 10), "call", "home", "", "no", "", "2026-03-12", teacher);
            case "Caspian" -> note(p, LocalDate.of(2026, 3, 5), "call", "home", "", "yes", "The tablet is broken. The school lends one from Monday on.",
                    "2026-03-20", teacher);
            case "Yusra" -> note(p, LocalDate.of(2026, 3, 3), "talk", "student", "", "yes",
                    "Reads the same chapter again and again to be sure. Tries it aloud with me.", "", teacher);
            case "Jory" -> note(p, LocalDate.of(2026, 2, 24), "letter", "home", "", "yes", "Days absent, and what helps after days away.", "2026-03-17",
                    teacher);
            case "Pema" -> note(p, LocalDate.of(2026, 3, 6), "talk", "student", "", "yes", "Is proud of the goal, and helps others choose books.", "", teacher);
            default -> {
            }
        }
    }

    private void note(Pupil p, LocalDate day, String way, String whom, String name, String reached, String words, String again, String by) throws IOException {
        sheets.row("contacts", p.code(), day, way, whom, name, reached, words, again, by);
    }
}
