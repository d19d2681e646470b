package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/** Last month's small groups: a class sat in fours and fives on six days, partly by need, and reads in standing groups. It draws from a stream of its own. */
final class Tables {
    private static final LocalDate[] DAYS = {LocalDate.of(2026, 1, 26), LocalDate.of(2026, 2, 2), LocalDate.of(2026, 2, 9), LocalDate.of(2026, 2, 16),
            LocalDate.of(2026, 2, 23), LocalDate.of(2026, 3, 2)};
    private static final String[] LEADERS = {"R. Oduya", "I. Mensah", "", "", ""};
    private static final String[] BOATS = {"Cutter", "Dory", "Skiff", "Yawl"};

    private final Sheets sheets;
    private final Random random = new Random(20256);

    Tables(Sheets sheets) {
        this.sheets = sheets;
    }

    void write(String classCode, List<Pupil> pupils) throws IOException {
        List<Pupil> byNeed = new ArrayList<>(pupils);
        byNeed.sort((a, b) -> Double.compare(a.maths(), b.maths()));
        for (int d = 0; d < DAYS.length; d++) {
            List<Pupil> order = new ArrayList<>(byNeed);
            // Neighbours change places now and then, so that the same do not always sit together.
            for (int i = 0; i + 3 < order.size(); i++) {
                Collections.swap(order, i, i + random.nextInt(4));
            }
            for (int i = 0; i < order.size(); i++) {
                int table = Math.min(i / 5, 4);
                sheets.row("small-groups", order.get(i).code(), classCode, d % 2 == 0 ? "Take away with one regrouping" : "Equal groups to multiply",
                        "Table " + (table + 1),
                        DAYS[d], LEADERS[table], "day");
            }
        }
        List<Pupil> readers = new ArrayList<>(pupils);
        readers.sort((a, b) -> Double.compare(a.reading(), b.reading()));
        for (int i = 0; i < readers.size(); i++) {
            sheets.row("small-groups", readers.get(i).code(), classCode, "Reading crews", BOATS[Math.min(i / 6, 3)], LocalDate.of(2026, 1, 12), "", "standing");
        }
    }
}
