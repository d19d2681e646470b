package org.zealousladder.server.overview.reports;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.core.summary.Shares;
import org.zealousladder.server.learning.answers.AnswersService.DayCount;
import org.zealousladder.server.learning.answers.AnswersService.Timed;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.Period.Course;
import org.zealousladder.server.overview.periods.Period.TookPart;
import org.zealousladder.server.overview.reports.ReportTable.ColumnKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportColumn;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportLine;
import org.zealousladder.server.overview.reports.ReportTable.ReportPart;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.screening.standings.Cell;

/** The tables of a period. What a column is called and what it counts stands here alone: for the screen, the PDF and the workbook. */
final class Tables {
    private static final String SKILLS_OF_A_STUDENT = ", as on the Skills page on the last day; of skills with an answer in this time";

    private final Period period;
    private final Map<Integer, Map<Integer, SkillState>> states;
    private final List<Enrolled> students;
    private final List<Sight> unseen;

    /** @param states of the students on the last day, by student and skill; @param unseen what the viewer's role does not see */
    Tables(Period period, Map<Integer, Map<Integer, SkillState>> states, List<Sight> unseen) {
        this.unseen = unseen;
        this.period = period;
        this.states = states;
        students = period.students().stream().sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).toList();
    }

    List<ReportTable> all() {
        return List.of(takingPart(), results(), skills(), studentsSkills());
    }

    private record Part(Enrolled student, TookPart took, List<Sight> unseen) {
        /** Nothing where the viewer's role does not see it: none would be wrong. */
        @Nullable
        Object shown(Sight of, Object value) {
            return unseen.contains(of) ? null : value;
        }
    }

    private static final List<TableColumn<Part>> PART = List.of(
            TableColumn.of("Class", "The class on the last day.", ColumnKind.TEXT, p -> p.student().className()),
            TableColumn.count("Sessions", "Sessions of intervention plans that were held.", p -> p.shown(Sight.PLANS, p.took().sessions())),
            TableColumn.count("Active days", "Days on which anything was done in a program, or is on record as practice.",
                    p -> p.shown(Sight.TIME, p.took().activeDays())),
            TableColumn.count("Minutes", "Minutes of such activity.", p -> p.shown(Sight.TIME, Math.round(p.took().minutes()))),
            TableColumn.count("Work due", "Pieces of work that were due, without those excused.", p -> p.shown(Sight.WORK, p.took().due())),
            TableColumn.count("Handed in", "Of these handed in, marked or not.", p -> p.shown(Sight.WORK, p.took().in())),
            TableColumn.count("Points", "Points earned in work that was marked.", p -> p.took().possible() > 0 ? round(p.took().points()) : null),
            TableColumn.count("Of points", "Points that could be earned there.", p -> p.took().possible() > 0 ? round(p.took().possible()) : null),
            TableColumn.of("Share earned", "Points earned of those that could be.", ColumnKind.SHARE,
                    p -> p.took().possible() > 0 ? p.took().points() / p.took().possible() : null),
            TableColumn.count("School days", "Days on which the school was open while the student was enrolled; empty where nobody tells of the class's days.",
                    p -> p.took().schoolDays()),
            TableColumn.count("Absent", "Of these absent.", p -> p.took().schoolDays() == null ? null : p.took().away()),
            TableColumn.count("Late", "Of these late.", p -> p.took().schoolDays() == null ? null : p.took().late()));

    private static double round(double points) {
        return Math.round(points * 100) / 100.0;
    }

    private ReportTable takingPart() {
        List<Part> rows = students.stream().map(e -> new Part(e, requireNonNull(period.part().get(e.id())), unseen)).toList();
        return new ReportTable(ReportKind.TAKING_PART, "Taking part", "Sessions, days, minutes and work of each student.", "Student", heads(PART),
                List.of(part(PART, rows, p -> new ReportLine(p.student().ref(), null, cells(PART, p)))));
    }

    private record Result(Enrolled student, Course course, @Nullable Cell standing) {}

    private static final List<TableColumn<Result>> RESULT = List.of(
            TableColumn.number("Scores", "How many scores fall into this time.", 0, r -> r.course().n()),
            TableColumn.of("First day", "Day of the first of them.", ColumnKind.DAY, r -> r.course().firstOn()),
            TableColumn.number("First", "The first score.", 0, r -> r.course().first()),
            TableColumn.of("Best day", "Day of the best; the earliest of several as good.", ColumnKind.DAY, r -> r.course().bestOn()),
            TableColumn.number("Best", "The best score; the lowest, of measures where lower is better.", 0, r -> r.course().best()),
            TableColumn.of("Latest day", "Day of the latest.", ColumnKind.DAY, r -> r.course().latestOn()),
            TableColumn.number("Latest", "The latest score.", 0, r -> r.course().latest()),
            change("First to latest", "Latest less first; of one score none.", r -> r.course().latest() - r.course().first()),
            change("First to best", "Best less first; of one score none.", r -> r.course().best() - r.course().first()),
            change("Best to latest", "Latest less best; of one score none.", r -> r.course().latest() - r.course().best()),
            TableColumn.of("Band", "Band of the newest screening in this time.", ColumnKind.TEXT, r -> r.standing() == null ? null : r.standing().bandName()),
            TableColumn.of("Tier", "Tier of that band.", ColumnKind.TEXT, r -> r.standing() == null ? null : String.valueOf(r.standing().tier())));

    private static TableColumn<Result> change(String name, String explains, Function<Result, Double> of) {
        return new TableColumn<>(new ReportColumn(name, explains, ColumnKind.CHANGE, 0), false, r -> r.course().n() > 1 ? of.apply(r) : null);
    }

    private ReportTable results() {
        List<ReportPart> parts = new ArrayList<>();
        for (Measure m : period.measures()) {
            List<Result> rows = new ArrayList<>();
            for (Enrolled e : students) {
                period.course(e.id(), m).ifPresent(c -> rows.add(new Result(e, c, period.standings().getOrDefault(e.id(), Map.of()).get(m.id()))));
            }
            ReportPart part = part(RESULT, rows, r -> new ReportLine(r.student().ref(), null, cells(RESULT, r)));
            parts.add(new ReportPart(m.name(), m.unit(), m.area(), m.decimals(), part.lines(), part.foot()));
        }
        return new ReportTable(ReportKind.RESULTS, "Results", "First, best and latest score of each student on each measure.", "Student", heads(RESULT), parts);
    }

    private record OfSkill(Skill skill, int answers, double right, int students, Map<SkillState, Long> states, double timedRight, double seconds) {
        @Nullable
        Interval share() {
            return answers == 0 ? null : Shares.wilson(Math.min(answers, right), answers);
        }
    }

    private static @Nullable Double perMinute(double right, double seconds) {
        return seconds > 0 ? (Double) (right / seconds * 60) : null;
    }

    private static final List<TableColumn<OfSkill>> SKILL = List.of(
            TableColumn.of("Domain", "Domain of the skill.", ColumnKind.TEXT, s -> s.skill().domain()),
            TableColumn.number("Answers", "Answers on it in this time.", 0, OfSkill::answers),
            TableColumn.number("Students", "Students who gave them.", 0, OfSkill::students),
            TableColumn.of("Share right", "Points of the answers, of those that could be had.", ColumnKind.SHARE,
                    s -> s.share() == null ? null : s.share().value()),
            TableColumn.of("From", "Lower end of the 95 % range of that share.", ColumnKind.SHARE, s -> s.share() == null ? null : s.share().low()),
            TableColumn.of("To", "Upper end of it.", ColumnKind.SHARE, s -> s.share() == null ? null : s.share().high()),
            TableColumn.number("Secure", "Students who are secure in it" + SKILLS_OF_A_STUDENT + ".", 0, s -> s.states().getOrDefault(SkillState.SECURE, 0L)),
            TableColumn.number("Shaky", "Students who are shaky in it.", 0, s -> s.states().getOrDefault(SkillState.SHAKY, 0L)),
            TableColumn.number("Not yet", "Students who do not have it yet.", 0, s -> s.states().getOrDefault(SkillState.NOT_YET, 0L)),
            TableColumn.number("Right a minute", "Right answers a minute, of the answers whose time is on record.", 1,
                    s -> perMinute(s.timedRight(), s.seconds())));

    private ReportTable skills() {
        Map<Integer, List<DayCount>> answers = period.answers().stream().collect(Collectors.groupingBy(DayCount::skill));
        Map<Integer, List<Timed>> timed = period.timed().stream().collect(Collectors.groupingBy(Timed::skill));
        List<OfSkill> rows = new ArrayList<>();
        for (Skill k : period.skills()) {
            List<DayCount> own = answers.getOrDefault(k.id(), List.of());
            if (!own.isEmpty()) {
                List<Integer> who = own.stream().map(DayCount::student).distinct().toList();
                List<Timed> clocked = timed.getOrDefault(k.id(), List.of());
                rows.add(new OfSkill(k, own.stream().mapToInt(DayCount::n).sum(), own.stream().mapToDouble(DayCount::shares).sum(), who.size(),
                        who.stream().map(s -> states.getOrDefault(s, Map.of()).getOrDefault(k.id(), SkillState.NOT_TRIED))
                                .collect(Collectors.groupingBy(s -> s, Collectors.counting())),
                        clocked.stream().mapToDouble(Timed::shares).sum(), clocked.stream().mapToDouble(Timed::seconds).sum()));
            }
        }
        // Weaknesses first: they are what is taught next.
        rows.sort(Comparator.comparingDouble(r -> requireNonNull(r.share()).value()));
        return new ReportTable(ReportKind.SKILLS, "Skills", "Skills with an answer in this time, from the least right to the most.", "Skill", heads(SKILL),
                List.of(new ReportPart(null, null, null, 0, rows.stream().map(r -> new ReportLine(null, r.skill().name(), cells(SKILL, r))).toList(),
                        List.of())));
    }

    private record OfStudent(Enrolled student, int answers, double right, List<String> strong, List<String> weak, double timedRight, double seconds) {}

    private static final List<TableColumn<OfStudent>> STUDENT = List.of(
            TableColumn.count("Answers", "Answers on skills in this time.", OfStudent::answers),
            TableColumn.of("Share right", "Points of the answers, of those that could be had.", ColumnKind.SHARE, s -> s.right() / s.answers()),
            TableColumn.number("Right a minute", "Right answers a minute, of the answers whose time is on record.", 1,
                    s -> perMinute(s.timedRight(), s.seconds())),
            TableColumn.of("Strengths", "Skills the student is secure in" + SKILLS_OF_A_STUDENT + ".", ColumnKind.TEXT, s -> String.join("; ", s.strong())),
            TableColumn.of("Weaknesses", "Skills that the student does not have yet, or is shaky in.", ColumnKind.TEXT, s -> String.join("; ", s.weak())));

    private ReportTable studentsSkills() {
        Map<Integer, List<DayCount>> answers = period.answers().stream().collect(Collectors.groupingBy(DayCount::student));
        Map<Integer, List<Timed>> timed = period.timed().stream().collect(Collectors.groupingBy(Timed::student));
        List<OfStudent> rows = new ArrayList<>();
        for (Enrolled e : students) {
            List<DayCount> own = answers.getOrDefault(e.id(), List.of());
            if (!own.isEmpty()) {
                Map<SkillState, List<String>> named = new LinkedHashMap<>();
                List<Integer> tried = own.stream().map(DayCount::skill).distinct().toList();
                period.skills().stream().filter(k -> tried.contains(k.id())).forEach(k -> named.computeIfAbsent(
                        states.getOrDefault(e.id(), Map.of()).getOrDefault(k.id(), SkillState.NOT_TRIED), s -> new ArrayList<>()).add(k.name()));
                List<String> weak = new ArrayList<>(named.getOrDefault(SkillState.NOT_YET, List.of()));
                named.getOrDefault(SkillState.SHAKY, List.of()).forEach(name -> weak.add(name + " (shaky)"));
                List<Timed> clocked = timed.getOrDefault(e.id(), List.of());
                rows.add(new OfStudent(e, own.stream().mapToInt(DayCount::n).sum(), own.stream().mapToDouble(DayCount::shares).sum(),
                        named.getOrDefault(SkillState.SECURE, List.of()), weak, clocked.stream().mapToDouble(Timed::shares).sum(),
                        clocked.stream().mapToDouble(Timed::seconds).sum()));
            }
        }
        return new ReportTable(ReportKind.STUDENTS_SKILLS, "Students' skills", "Strengths and weaknesses of each student with an answer in this time.",
                "Student",
                heads(STUDENT), List.of(part(STUDENT, rows, r -> new ReportLine(r.student().ref(), null, cells(STUDENT, r)))));
    }

    private static <T> List<ReportColumn> heads(List<TableColumn<T>> columns) {
        return columns.stream().map(TableColumn::column).toList();
    }

    private static <T> List<ReportTable.ReportCell> cells(List<TableColumn<T>> columns, T row) {
        return columns.stream().map(c -> c.cell(row)).toList();
    }

    private static <T> ReportPart part(List<TableColumn<T>> columns, List<T> rows, Function<T, ReportLine> line) {
        return new ReportPart(null, null, null, 0, rows.stream().map(line).toList(), TableColumn.foot(columns, rows));
    }
}
