package org.zealousladder.demo;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Skerrow's frameworks of skills, its bank of items, four checks and what students answered. It draws from a stream of its own. */
final class Checks {
    /** Of Kittiwake class: they take the smaller digit from the larger, whichever stands above. */
    private static final Set<String> GAP = Set.of("Sunniva Hale", "Idris Falk", "Emre Castellan", "Jory Tamsin", "Caspian Ng", "Dalia Stroud", "Zuri Halloran",
            "Oskar Vane", "Hana Whitlock");
    private static final String ACROSS_ZERO = "m-sub-zero";
    private static final List<Check> ALL = List.of(
            new Check("numbers-autumn", "Numbers, autumn", LocalDate.of(2025, 10, 17), 2, "largest-1", "largest-2", "largest-3", "tens-of-1", "tens-of-2",
                    "tens-of-3", "add-two-1", "add-two-2", "take-two-1", "take-two-2"),
            new Check("adding-taking", "Adding and taking away", LocalDate.of(2026, 1, 23), 2, "regroup-add-1", "regroup-add-2", "regroup-add-3",
                    "regroup-add-4",
                    "regroup-away-1", "regroup-away-2", "regroup-away-3", "regroup-away-4", "zero-1", "zero-2", "zero-3", "zero-4"),
            new Check("words-meaning", "Words and meaning", LocalDate.of(2026, 2, 6), 2, "word-1", "word-2", "word-3", "prefix-1", "prefix-2", "prefix-3",
                    "main-1",
                    "main-2", "main-3", "why-1"),
            new Check("taking-again", "Taking away again", LocalDate.of(2026, 3, 6), 3, "zero-1", "zero-4", "zero-5", "zero-6", "groups-1", "groups-2",
                    "groups-3",
                    "bars-1", "bars-2", "clock-1"));

    private static final String[][] ADVICE = {{"skerrow-maths", "Number", "weak", "Ten minutes a day with bundles of sticks: build the number, then write it."},
            {"skerrow-maths", "Number", "weak", "Let them lay four numbers in order on a string and say why."},
            {"skerrow-maths", "Adding and taking away", "weak", "Blocks on a place value mat before the sum is written."},
            {"skerrow-maths", "Adding and taking away", "weak", "Guess first, then work it out, then compare the two."},
            {"skerrow-maths", "Times and sharing", "weak", "Draw boats and oars; write the sum under the drawing."},
            {"skerrow-maths", "Times and sharing", "strong", "Let them write times stories for a partner."},
            {"skerrow-maths", "Adding and taking away", "strong", "Two-step stories in place of bare sums."},
            {"skerrow-maths", "Number", "strong", "Numbers beyond 1000, from the lighthouse log."},
            {"skerrow-reading", "Words", "weak", "Three new words a day, each in a sentence about the island."},
            {"skerrow-reading", "Understanding", "weak", "Stop after each paragraph: who, what, why?"},
            {"skerrow-reading", "Understanding", "strong", "Compare two reports of the same storm."}};

    private final Sheets sheets;
    private final Random random = new Random(20255);
    private final Map<String, Item> items = new LinkedHashMap<>();

    /** @param grade from which on it was given */
    private record Check(String code, String name, LocalDate on, int grade, List<String> items) {
        Check(String code, String name, LocalDate on, int grade, String... items) {
            this(code, name, on, grade, List.of(items));
        }
    }

    private static final class Item {
        private final String skill;
        private final int grade;
        private final boolean maths;
        private String right = "";
        private final List<String> wrong = new ArrayList<>();

        Item(String skill, int grade, boolean maths) {
            this.skill = skill;
            this.grade = grade;
            this.maths = maths;
        }
    }

    Checks(Sheets sheets) {
        this.sheets = sheets;
    }

    private static List<NamedCsvRecord> rows(String name) throws IOException {
        try (Reader in = new InputStreamReader(Objects.requireNonNull(Checks.class.getResourceAsStream(name + ".csv")), StandardCharsets.UTF_8);
                CsvReader<NamedCsvRecord> csv = CsvReader.builder().ofNamedCsvRecord(in)) {
            return csv.stream().toList();
        }
    }

    /** What does not depend on students. */
    void write(String school) throws IOException {
        sheets.row("frameworks", "skerrow-maths", "Skerrow maths", school, "Written for Skerrow Island School; invented");
        sheets.row("frameworks", "skerrow-reading", "Skerrow reading", school, "Written for Skerrow Island School; invented");
        Map<String, NamedCsvRecord> skills = new LinkedHashMap<>();
        for (NamedCsvRecord r : rows("skills")) {
            skills.put(r.getField("skill"), r);
            sheets.row("skills", r.getFields().toArray());
        }
        for (NamedCsvRecord r : rows("skill-grounds")) {
            sheets.row("skill-grounds", r.getFields().toArray());
        }
        for (NamedCsvRecord r : rows("item-skills")) {
            NamedCsvRecord k = Objects.requireNonNull(skills.get(r.getField("skill")));
            items.putIfAbsent(r.getField("item"), new Item(r.getField("skill"), Integer.parseInt(k.getField("grade")), k.getField("area").equals("Maths")));
            sheets.row("item-skills", r.getFields().toArray());
        }
        for (NamedCsvRecord r : rows("items")) {
            List<Object> cells = new ArrayList<>(r.getFields());
            cells.add(school);
            sheets.row("items", cells.toArray());
        }
        for (NamedCsvRecord r : rows("item-answers")) {
            Item item = Objects.requireNonNull(items.get(r.getField("item")));
            if (r.getField("worth").equals("1")) {
                item.right = r.getField("answer");
            } else {
                item.wrong.add(r.getField("answer"));
            }
            sheets.row("item-answers", r.getFields().toArray());
        }
        for (String[] a : ADVICE) {
            sheets.row("skill-advice", a[0], a[1], a[2], a[3], school);
        }
        for (Check c : ALL) {
            sheets.row("checks", c.code(), c.name(), school, "here");
            for (int i = 0; i < c.items().size(); i++) {
                sheets.row("check-items", c.code(), c.items().get(i), i + 1);
            }
        }
    }

    /** What Kittiwake class is being taught this month. */
    void taught(String classCode) throws IOException {
        for (String skill : List.of(ACROSS_ZERO, "m-equal-groups", "m-bars", "r-main-idea")) {
            sheets.row("taught", classCode, skill, LocalDate.of(2026, 3, 2));
        }
    }

    void student(Pupil pupil, int grade, boolean kittiwake, @Nullable Story story) throws IOException {
        boolean gap = kittiwake && GAP.contains(pupil.given() + " " + pupil.family());
        for (Check c : ALL) {
            boolean away = random.nextDouble() < 0.03 && !gap;
            boolean there = (story == null || !story.is("left in December") || c.on().isBefore(LocalDate.of(2025, 12, 19)))
                    && (story == null || !story.is("moved from Fulmar in November") || c.on().isAfter(LocalDate.of(2025, 11, 10)));
            for (String code : c.items()) {
                double luck = random.nextDouble();
                double which = random.nextDouble();
                if (!away && there && grade >= c.grade()) {
                    answer(pupil, grade, gap, kittiwake, c.on(), c.code(), code, luck, which);
                }
            }
        }
        practice(pupil, grade, kittiwake, story);
    }

    /** A quarter of an hour each Thursday: items of the skills of the student's grade and the one before, in turns. */
    private void practice(Pupil pupil, int grade, boolean kittiwake, @Nullable Story story) throws IOException {
        List<String> maths = skills(true, grade);
        List<String> reading = skills(false, grade);
        int turn = 0;
        for (LocalDate day = LocalDate.of(2025, 10, 2); day.isBefore(DemoFiles.TODAY); day = day.plusWeeks(1), turn++) {
            if (Calendar.closed(day) || story != null && (story.is("left in December") && day.isAfter(LocalDate.of(2025, 12, 19))
                    || story.is("moved from Fulmar in November") && day.isBefore(LocalDate.of(2025, 11, 10))
                    || story.is("never screened in winter") && turn % 3 > 0)) {
                continue;
            }
            for (int k = 0; k < 7; k++) {
                List<String> of = k < 4 ? maths : reading;
                String skill = of.get((turn * (k < 4 ? 4 : 3) + k) % of.size());
                List<String> own = items.entrySet().stream().filter(e -> e.getValue().skill.equals(skill)).map(Map.Entry::getKey).toList();
                for (int i = 0; i < Math.min(2, own.size()); i++) {
                    double luck = random.nextDouble();
                    double which = random.nextDouble();
                    answer(pupil, grade, false, kittiwake, day, "", own.get((turn + i) % own.size()), luck, which);
                }
            }
        }
    }

    private List<String> skills(boolean maths, int grade) {
        return items.values().stream().filter(i -> i.maths == maths && i.grade <= grade && i.grade >= grade - 1 && !i.skill.equals(ACROSS_ZERO))
                .map(i -> i.skill)
                .distinct().toList();
    }

    private void answer(Pupil pupil, int grade, boolean gap, boolean kittiwake, LocalDate on, String check, String code, double luck, double which)
            throws IOException {
        Item item = Objects.requireNonNull(items.get(code));
        boolean zero = item.skill.equals(ACROSS_ZERO);
        // Some skills come more easily than others of their grade.
        double ease = 1.1 + 0.8 * (grade - item.grade) + (Math.floorMod(item.skill.hashCode(), 23) - 11) / 9.0 + (zero && kittiwake ? 1.3 : 0)
                + (item.skill.equals("m-equal-groups") ? 1.5 : 0);
        double able = 1 / (1 + Math.exp(-(1.1 * (item.maths ? pupil.maths() : pupil.reading()) + ease)));
        boolean right = zero && gap ? luck < 0.08 : luck < able;
        int seconds = (int) (18 + 40 * which + (item.maths ? 0 : 15));
        if (right) {
            row(pupil, on, check, code, "", item.right, seconds);
        } else if (zero && gap) {
            row(pupil, on, check, code, "", item.wrong.get(luck < 0.95 ? 0 : 1), seconds);
        } else if (which < 0.08 || item.wrong.isEmpty()) {
            row(pupil, on, check, code, "0", "", seconds);
        } else {
            row(pupil, on, check, code, "", item.wrong.get((int) (which * which * item.wrong.size())), seconds);
        }
    }

    private void row(Pupil pupil, LocalDate on, String check, String code, String points, String answer, int seconds) throws IOException {
        sheets.row("answers", pupil.code(), code, on, points, answer, check, seconds);
    }
}
