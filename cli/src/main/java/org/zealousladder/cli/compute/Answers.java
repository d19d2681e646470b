package org.zealousladder.cli.compute;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.core.skills.SkillTally;
import org.zealousladder.server.exchange.records.csv.BadCsvException;

/** Answers of students as a file tells them, tallied by student and skill while they are read: millions do not fit as rows. */
final class Answers {
    private final double halfLife;
    private final @Nullable LocalDate asOf;
    /** By name, the place in the order of coming. */
    final Map<String, Integer> students = new HashMap<>();
    final Map<String, Integer> skills = new HashMap<>();
    private final List<@Nullable SkillTally[]> tallies = new ArrayList<>();
    final List<Problem> problems = new ArrayList<>();
    private LocalDate latest = LocalDate.EPOCH;

    /** @param asOf the last day that counts; null: all do */
    Answers(double halfLife, @Nullable LocalDate asOf) {
        this.halfLife = halfLife;
        this.asOf = asOf;
    }

    void read(Path path) throws IOException, BadCsvException {
        AnswerFile.each(path, problems, this::add);
    }

    private void add(AnswerFile.AnswerRow row) {
        LocalDate date = row.date();
        if (asOf != null && date.isAfter(asOf)) {
            return;
        }
        latest = date.isAfter(latest) ? date : latest;
        int who = students.computeIfAbsent(row.student(), s -> tallies.size());
        if (who == tallies.size()) {
            tallies.add(new SkillTally[Math.max(4, skills.size())]);
        }
        int what = skills.computeIfAbsent(row.skill(), s -> skills.size());
        @Nullable
        SkillTally[] own = tallies.get(who);
        if (what >= own.length) {
            own = Arrays.copyOf(own, Math.max(what + 1, own.length * 2));
            tallies.set(who, own);
        }
        SkillTally tally = own[what];
        if (tally == null) {
            tally = new SkillTally();
            own[what] = tally;
        }
        tally.add(row.points() / row.possible(), date.toEpochDay(), halfLife);
    }

    /** Null where the student never tried. */
    @Nullable
    SkillTally of(int student, int skill) {
        @Nullable
        SkillTally[] own = tallies.get(student);
        return skill < own.length ? own[skill] : null;
    }

    /**
     * Reckons each student's chance on each skill, once and on all processors: it costs more than everything else.
     *
     * @return by student, then by skill; what was never tried has none that is ever asked for
     */
    double[][] chances(SkillSettings settings) {
        long day = day().toEpochDay();
        double[][] all = new double[tallies.size()][];
        IntStream.range(0, all.length).parallel().forEach(who -> {
            @Nullable
            SkillTally[] own = tallies.get(who);
            double[] chances = new double[own.length];
            for (int what = 0; what < own.length; what++) {
                SkillTally tally = own[what];
                if (tally != null) {
                    chances[what] = tally.on(day, settings).chance();
                }
            }
            all[who] = chances;
        });
        return all;
    }

    /** The day that was asked for, or that of the latest answer. */
    LocalDate day() {
        return asOf == null ? latest : asOf;
    }
}
