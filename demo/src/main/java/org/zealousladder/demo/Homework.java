package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** Course work in two subjects: what each class had to do since September, what came of it, and what is still to come. It draws from a stream of its own. */
final class Homework {
    private static final LocalDate FIRST = LocalDate.of(2025, 9, 26);
    private static final LocalDate LAST = LocalDate.of(2026, 4, 3);
    private static final String[] READING = {"Sum up a chapter", "Letter to the lighthouse", "Two questions to the text", "A page from the log",
            "Retell the ferry story",
            "Words that help"};
    private static final String[] MATHS = {"Adding on", "Taking away", "Tables to six", "Fair shares", "How long, how far", "Round and count"};
    private static final String[] SKILLS = {"Main idea", "Telling why", "Place value", "Tables"};

    private final Sheets sheets;
    private final Random random = new Random(20254);
    private final List<Piece> pieces = new ArrayList<>();
    private @Nullable Pupil moved;

    private record Piece(String code, LocalDate due, int possible, boolean reading, boolean test) {}

    Homework(Sheets sheets) {
        this.sheets = sheets;
    }

    /** A piece every week, in turns of the two subjects, and a test in each about every eighth week. */
    void pieces(String classCode) throws IOException {
        pieces.clear();
        int n = 0;
        for (LocalDate week = FIRST; !week.isAfter(LAST); week = week.plusWeeks(1)) {
            if (Calendar.closed(week)) {
                continue;
            }
            boolean reading = n % 2 == 0;
            boolean test = n % 8 >= 6;
            String subject = reading ? "Reading" : "Mathematics";
            String title = test ? subject + " test " + (1 + n / 8) : (reading ? READING : MATHS)[n / 2 % 6];
            Piece p = new Piece(classCode + "-" + (n + 1), week, test ? 20 : 10, reading, test);
            pieces.add(p);
            sheets.row("work", p.code(), classCode, title, subject, test ? "test" : "homework", p.due(), p.possible(),
                    test ? SKILLS[(reading ? 0 : 2) + n / 8 % 2] : "",
                    test ? "" : "https://work.skerrow.example/" + p.code().toLowerCase(java.util.Locale.ROOT));
            n++;
        }
        // What they had to do in the class that they came from.
        Pupil from = moved;
        if (from != null && classCode.endsWith("-FULMAR")) {
            write(from, false, FIRST, LocalDate.of(2025, 11, 7));
        }
    }

    void student(Pupil pupil, @Nullable Story story) throws IOException {
        boolean came = story != null && story.is("moved from Fulmar in November");
        if (came) {
            moved = pupil;
        }
        write(pupil, story != null && story.is("one wild outlier"), came ? LocalDate.of(2025, 11, 10) : FIRST,
                story != null && story.is("left in December") ? LocalDate.of(2025, 12, 19) : DemoFiles.TODAY);
    }

    /** @param lax whether most of the newest work did not come */
    private void write(Pupil pupil, boolean lax, LocalDate from, LocalDate to) throws IOException {
        double able = random.nextGaussian() * 0.04;
        for (Piece p : pieces) {
            double luck = random.nextDouble();
            double swing = random.nextGaussian();
            boolean early = random.nextInt(3) == 0;
            boolean again = random.nextInt(6) == 0;
            if (p.due().isBefore(from) || p.due().isAfter(to) || p.due().isAfter(DemoFiles.TODAY)) {
                continue;
            }
            double share = 0.74 + able + 0.1 * (p.reading() ? pupil.reading() : pupil.maths()) + 0.09 * swing;
            long points = Math.max(1, Math.min(p.possible(), Math.round(p.possible() * share)));
            boolean recent = p.due().isAfter(LocalDate.of(2026, 2, 13));
            if (!p.test() && luck < (lax && recent ? 0.95 : 0.035)) {
                continue;
            } else if (luck < 0.06) {
                sheets.row("work-results", pupil.code(), p.code(), "", "", "", "", "", "excused", luck < 0.05 ? "ill" : "away with the school team", "");
                continue;
            }
            LocalDate on = !p.test() && luck > 0.93 && p.due().plusDays(4).isBefore(DemoFiles.TODAY) ? p.due().plusDays(3)
                    : early && !p.test() ? p.due().minusDays(1) : p.due();
            // The newest piece is on the teacher's table.
            boolean marked = p.test() || p.due().isBefore(LocalDate.of(2026, 3, 6));
            sheets.row("work-results", pupil.code(), p.code(), "1", on, marked ? points : "", "", p.test() ? 900 + (int) (luck * 900) : "", "handed-in", "",
                    p.test() ? "" : "https://work.skerrow.example/" + p.code().toLowerCase(java.util.Locale.ROOT) + "/"
                            + pupil.code().toLowerCase(java.util.Locale.ROOT));
            if (p.test() && share < 0.7 && again && p.due().plusDays(7).isBefore(DemoFiles.TODAY)) {
                sheets.row("work-results", pupil.code(), p.code(), "2", p.due().plusDays(7), Math.min(p.possible(), points + 3), "", 1200, "handed-in", "", "");
            }
        }
    }
}
