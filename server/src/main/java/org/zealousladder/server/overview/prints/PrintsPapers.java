package org.zealousladder.server.overview.prints;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntConsumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.overview.papers.MakesPapers;
import org.zealousladder.server.overview.papers.Pdf;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.PeriodsService;
import org.zealousladder.server.overview.students.StudentPage;
import org.zealousladder.server.overview.students.StudentsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Whose;
import org.zealousladder.server.screening.standings.SchoolScores;
import org.zealousladder.server.screening.standings.StandingsService;

/** Students' sheets as one PDF, each on pages of its own. */
@Component
class PrintsPapers implements MakesPapers<PrintAsked> {
    private static final int MOST = 200;
    private static final int FOUR_WEEKS = 27;

    private final StudentsService students;
    private final RosterService roster;
    private final PeriodsService periods;
    private final MeasuresService measures;
    private final WindowsService windows;
    private final StandingsService standings;
    private final PrintWordsService words;

    PrintsPapers(StudentsService students, RosterService roster, PeriodsService periods, MeasuresService measures,
            WindowsService windows,
            StandingsService standings, PrintWordsService words) {
        this.students = students;
        this.roster = roster;
        this.periods = periods;
        this.measures = measures;
        this.windows = windows;
        this.standings = standings;
        this.words = words;
    }

    @Override
    public String kind() {
        return "student-sheets";
    }

    @Override
    public Class<PrintAsked> asked() {
        return PrintAsked.class;
    }

    private RosterService.Members members(PrintAsked asked) {
        RosterService.Members members = roster.members(Whose.parse(asked.whose()), asked.asOf());
        if (members.students().isEmpty()) {
            throw Refusal.invalid("whose", "Nobody is in there on this day. Choose others.");
        }
        if (members.students().size() > MOST) {
            throw Refusal.invalid("whose", "That is more than " + MOST + " students. Print class by class.");
        }
        return members;
    }

    @Override
    public Outline outline(PrintAsked asked) {
        RosterService.Members members = members(asked);
        words.wording(members.students().get(0).schoolId(), asked.second());
        return new Outline(title(members, asked), members.students().size() + 1, asked.kind() == PrintKind.HOME ? "for-home.pdf" : "for-the-meeting.pdf");
    }

    private static String title(RosterService.Members members, PrintAsked asked) {
        StudentRef one = members.one();
        return one != null ? one.called(asked.codes()) : members.title();
    }

    @Override
    public byte[] make(PrintAsked asked, IntConsumer done) {
        RosterService.Members members = members(asked);
        List<Enrolled> all = members.students();
        Wording wording = words.wording(all.get(0).schoolId(), asked.second());
        LocalDate on = members.day();
        Period year = periods.of(all, members.year().starts(), on, on);
        Period weeks = periods.of(all, on.minusDays(FOUR_WEEKS), on, on);
        Map<Integer, Map<Integer, SkillState>> states = periods.states(year);
        Besides besides = asked.sections().contains(PrintSection.PERCENTILES) ? besides(all, on) : null;
        StringBuilder html = new StringBuilder();
        for (int i = 0; i < all.size(); i++) {
            Enrolled e = all.get(i);
            StudentPage page = students.page(e.id(), on);
            SheetFigures figures = new SheetFigures(page, requireNonNull(year.part().get(e.id())), requireNonNull(weeks.part().get(e.id())),
                    named(year.skills(), states.getOrDefault(e.id(), Map.of()), Set.of(SkillState.SECURE)),
                    named(year.skills(), states.getOrDefault(e.id(), Map.of()), Set.of(SkillState.SHAKY, SkillState.NOT_YET)),
                    besides == null ? List.of() : besides.of(page));
            html.append(new StudentSheet(asked, wording, figures).html(i + 1 == all.size()));
            done.accept(i + 1);
        }
        return Pdf.of(title(members, asked), wording.tag(), StudentSheet.STYLE, html.toString());
    }

    private static List<String> named(List<Skill> skills, Map<Integer, SkillState> own, Set<SkillState> as) {
        return skills.stream().filter(k -> as.contains(own.getOrDefault(k.id(), SkillState.NOT_TRIED))).map(Skill::name).toList();
    }

    /** The newest window that has begun, with the scores of the grades in it. */
    private record Besides(Window window, SchoolScores scores, Map<Integer, Measure> measures) {

        List<SheetFigures.Beside> of(StudentPage page) {
            List<SheetFigures.Beside> all = new ArrayList<>();
            page.lanes().forEach(lane -> lane.seasons().stream().filter(s -> s.starts().equals(window.starts()) && s.cell().value() != null).findFirst()
                    .ifPresent(s -> {
                        Integer p = scores.percentile(requireNonNull(measures.get(lane.measure().id())), page.grade(), requireNonNull(s.cell().value()));
                        if (p != null) {
                            all.add(new SheetFigures.Beside(lane.measure().name(), s.window(), p));
                        }
                    }));
            return all;
        }
    }

    private @Nullable Besides besides(List<Enrolled> all, LocalDate on) {
        List<Window> begun = windows.seasons(all.get(0).schoolId(), on, 1);
        if (begun.isEmpty()) {
            return null;
        }
        Map<Integer, Measure> byId = measures.byId(on);
        return new Besides(begun.get(0), standings.ofSchool(all, begun.get(0), byId.values(), on), byId);
    }
}
