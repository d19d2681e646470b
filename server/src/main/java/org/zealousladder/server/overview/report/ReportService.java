package org.zealousladder.server.overview.report;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.questions.MeetingQuestions;
import org.zealousladder.core.questions.ScreeningFigures;
import org.zealousladder.server.measures.ladders.Ladders;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.overview.report.ReportView.ReportBand;
import org.zealousladder.server.overview.report.ReportView.ReportStudent;
import org.zealousladder.server.overview.report.ReportView.ReportUntested;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.coverage.CoverageService;
import org.zealousladder.server.screening.coverage.CoverageView.CoverageCount;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.SchoolScores;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.standings.StandingsService;

/** Puts a report together. */
@Service
@Transactional(readOnly = true)
public class ReportService {
    private final ScreeningService screenings;
    private final StandingsService standings;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final LaddersService allLadders;
    private final RosterService roster;
    private final GoalsService goals;

    ReportService(ScreeningService screenings, StandingsService standings, MeasuresService measures, WindowsService allWindows, LaddersService allLadders,
            RosterService roster, GoalsService goals) {
        this.screenings = screenings;
        this.standings = standings;
        this.measures = measures;
        this.allWindows = allWindows;
        this.allLadders = allLadders;
        this.roster = roster;
        this.goals = goals;
    }

    public ReportView view(Who who, int yearId, @Nullable Integer windowId, int measureId, LocalDate asked) {
        Screening screening = screenings.open(who, yearId, windowId, asked);
        Measure measure = measures.measure(measureId, screening.asOf());
        Window window = screening.window();
        SchoolScores school = standings.ofSchool(screening.everyone().toList(), window, List.of(measure), screening.asOf());
        Optional<Window> next = allWindows.windows(screening.asOf()).stream().filter(w -> w.yearId() == window.yearId() && w.starts().isAfter(window.ends()))
                .min(Comparator.comparing(Window::starts));
        int set = allLadders.defaultSet(screening.schoolId(), screening.asOf());
        Ladders ahead = allLadders.ladders(next.map(List::of).orElse(List.of(window)), screening.asOf(), set);
        int aheadId = next.orElse(window).id();

        List<Enrolled> screened = screening.expected().stream().filter(s -> screening.cell(s.id(), measureId).scored()).toList();
        Map<String, List<Enrolled>> byBand = new LinkedHashMap<>();
        bandNames(screening, measure, screening.expected()).forEach(b -> byBand.put(b.name(), new ArrayList<>()));
        Map<String, Integer> tiers = bandNames(screening, measure, screening.expected()).stream()
                .collect(Collectors.toMap(Band::name, Band::tier, (a, b) -> a));
        screened.forEach(s -> {
            Cell cell = screening.cell(s.id(), measureId);
            if (cell.bandName() != null) {
                byBand.computeIfAbsent(cell.bandName(), k -> new ArrayList<>()).add(s);
            }
        });
        Set<Integer> grades = screening.expected().stream().map(Enrolled::grade).collect(Collectors.toSet());
        boolean compare = who.kind() != Who.Kind.SCHOOL;
        Map<String, Integer> inSchool = compare ? inSchool(screening, measure, school, grades) : Map.of();
        int schoolCount = inSchool.values().stream().mapToInt(Integer::intValue).sum();
        Map<String, Integer> then = before(screening, measureId, screened);
        int thenCount = then.values().stream().mapToInt(Integer::intValue).sum();

        List<ReportBand> bands = new ArrayList<>();
        byBand.forEach((name, students) -> bands.add(0, new ReportBand(name, tiers.getOrDefault(name, 1), students.size(),
                screened.isEmpty() ? 0 : (double) students.size() / screened.size(),
                schoolCount == 0 ? null : (Double) ((double) inSchool.getOrDefault(name, 0) / schoolCount),
                thenCount == 0 ? null : (Double) ((double) then.getOrDefault(name, 0) / thenCount),
                students.stream().map(s -> student(screening, s, measure, school, ahead, aheadId))
                        .sorted(Comparator.comparingDouble(s -> measure.direction().sign() * s.value())).toList())));
        List<ReportUntested> untested = screening.expected().stream().filter(s -> !screening.cell(s.id(), measureId).scored() && screening.given(s, measure))
                .map(s -> new ReportUntested(s.ref(), screening.cell(s.id(), measureId).status())).toList();
        CoverageCount count = CoverageService.count(screening, screening.expected(), measure);
        return new ReportView(roster.title(who), measure.ref(), window, screening.before().map(Window::name).orElse(null),
                next.map(Window::name).orElse(null),
                screening.asOf(), coverage(count), screened.size(), thenCount, schoolCount, bands, untested,
                MeetingQuestions.of(figures(screening, measure, bands, screened, count, schoolCount)));
    }

    /** Bands from most to least support, of all ladders the students stand on. */
    private static List<Band> bandNames(Screening screening, Measure measure, List<Enrolled> students) {
        return students.stream().flatMap(s -> screening.standings().ladder(s.id(), measure.id(), screening.window()).stream()).distinct()
                .flatMap(l -> l.bands().stream()).distinct().sorted(Comparator.comparing(Band::tier).reversed()).toList();
    }

    private static Map<String, Integer> inSchool(Screening screening, Measure measure, SchoolScores school, Set<Integer> grades) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (int grade : grades) {
            Optional<BandLadder> ladder = screening.standings().ladders().of(measure.id(), screening.window().id(), grade);
            if (ladder.isPresent()) {
                for (double v : school.of(measure.id(), grade)) {
                    counts.merge(ladder.get().band(v).name(), 1, Integer::sum);
                }
            }
        }
        return counts;
    }

    private static Map<String, Integer> before(Screening screening, int measureId, List<Enrolled> students) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        if (screening.before().isPresent()) {
            students.stream().map(s -> screening.standings().of(s.id(), measureId).get(0).bandName()).filter(Objects::nonNull)
                    .forEach(b -> counts.merge(b, 1, Integer::sum));
        }
        return counts;
    }

    private static ReportStudent student(Screening screening, Enrolled s, Measure measure, SchoolScores school, Ladders ahead, int aheadId) {
        Cell cell = screening.cell(s.id(), measure.id());
        Optional<BandLadder> ladder = ahead.of(measure.id(), aheadId, s.grade());
        Double goal = null;
        String goalBand = null;
        if (ladder.isPresent() && cell.band() != null) {
            // The same band by name where the next ladder has it; else by its place.
            List<String> names = ladder.get().bands().stream().map(Band::name).toList();
            int here = names.contains(cell.bandName()) ? names.indexOf(cell.bandName()) : Math.min(cell.band(), names.size() - 1);
            if (here + 1 < names.size()) {
                goal = ladder.get().cuts()[here];
                goalBand = names.get(here + 1);
            }
        }
        String bandBefore = screening.before().isEmpty() ? null : screening.standings().of(s.id(), measure.id()).get(0).bandName();
        return new ReportStudent(s.ref(), requireNonNull(cell.date()), requireNonNull(cell.value()), cell.closeCall(),
                school.percentile(measure, s.grade(), cell.value()), goal, goalBand,
                bandBefore,
                s.support());
    }

    private static String coverage(CoverageCount c) {
        List<String> parts = new ArrayList<>(List.of(c.tested() + " of " + c.expected() + " screened"));
        if (c.absent() > 0) {
            parts.add(c.absent() + " absent");
        }
        if (c.exempt() > 0) {
            parts.add(c.exempt() + " exempt");
        }
        if (c.invalid() > 0) {
            parts.add(c.invalid() + " invalid");
        }
        if (c.none() > 0) {
            parts.add(c.none() + " not on record");
        }
        return String.join(", ", parts) + ".";
    }

    private ScreeningFigures figures(Screening screening, Measure measure, List<ReportBand> bands, List<Enrolled> screened, CoverageCount count,
            int schoolCount) {
        if (bands.isEmpty()) {
            return new ScreeningFigures(count.expected() - count.exempt(), screened.size(), "", 0, "", screened.size(), null, "", 0, 0, 0, 0, 0);
        }
        ReportBand lowest = bands.get(bands.size() - 1);
        Set<Integer> ids = lowest.students().stream().map(s -> s.student().id()).collect(Collectors.toSet());
        Map<Integer, Measure> byId = measures.byId(screening.asOf());
        Set<Integer> withGoal = goals.knownOn(ids, null, screening.asOf()).stream()
                .filter(g -> requireNonNull(byId.get(g.measureId())).area().equals(measure.area()) && !g.goalDate().isBefore(screening.asOf()))
                .map(Goal::studentId)
                .collect(Collectors.toSet());
        int up = 0;
        int down = 0;
        int close = 0;
        for (Enrolled s : screened) {
            List<Cell> cells = screening.standings().of(s.id(), measure.id());
            Cell now = cells.get(cells.size() - 1);
            close += now.closeCall() ? 1 : 0;
            if (cells.size() > 1 && cells.get(0).band() != null && now.band() != null) {
                up += now.band() > cells.get(0).band() ? 1 : 0;
                down += now.band() < cells.get(0).band() ? 1 : 0;
            }
        }
        int twice = (int) lowest.students().stream().filter(s -> lowest.name().equals(s.bandBefore())).count();
        return new ScreeningFigures(count.expected() - count.exempt(), screened.size(), lowest.name(), lowest.count(), bands.get(0).name(),
                bands.get(0).count(),
                schoolCount < MeetingQuestions.ENOUGH ? null : (Double) lowest.shareInSchool(),
                screening.before().map(w -> w.name().toLowerCase(Locale.ROOT)).orElse(""),
                up, down, twice, lowest.count() - withGoal.size(), close);
    }
}
