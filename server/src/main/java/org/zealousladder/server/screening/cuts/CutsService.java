package org.zealousladder.server.screening.cuts;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.summary.Histogram;
import org.zealousladder.core.summary.NormPercentiles;
import org.zealousladder.server.measures.ladders.CutSet;
import org.zealousladder.server.measures.ladders.DrawnLadder;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;
import org.zealousladder.server.measures.ladders.LadderEditor;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.measures.ladders.SetKind;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.cuts.CutsPreview.AtPercentile;
import org.zealousladder.server.screening.cuts.CutsPreview.BandChange;
import org.zealousladder.server.screening.cuts.CutsPreview.Mover;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;

/** Shows a set's ladders, says who would move, and saves. */
@Service
public class CutsService {
    private static final int MOST_BINS = 24;

    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final LaddersService allLadders;
    private final LadderEditor editor;
    private final SetupRights rights;
    private final RosterService roster;
    private final StandingsService standings;
    private final SchoolCalendar calendar;

    CutsService(MeasuresService measures, WindowsService allWindows, LaddersService allLadders, LadderEditor editor, SetupRights rights, RosterService roster,
            StandingsService standings, SchoolCalendar calendar) {
        this.measures = measures;
        this.allWindows = allWindows;
        this.allLadders = allLadders;
        this.editor = editor;
        this.rights = rights;
        this.roster = roster;
        this.standings = standings;
        this.calendar = calendar;
    }

    /** @param asked which set; the one that counts if null */
    @Transactional(readOnly = true)
    public CutsView view(int measureId, int yearId, int school, @Nullable Integer asked, LocalDate asOf) {
        Measure measure = measures.measure(measureId, asOf);
        List<Window> windows = allWindows.windows(asOf).stream().filter(w -> w.yearId() == yearId).toList();
        int counts = allLadders.defaultSet(school, asOf);
        CutSet set = allLadders.set(asked == null ? counts : asked);
        List<CutSet> sets = allLadders.sets().stream().filter(s -> s.schoolId() == null || s.schoolId() == school).toList();
        List<DrawnLadder> ladders = allLadders.drawn(sets.stream().map(CutSet::id).toList(), measureId, windows.stream().map(Window::id).toList(), asOf);
        Set<Integer> grades = new TreeSet<>(ladders.stream().map(DrawnLadder::grade).toList());
        roster.classes().stream().filter(c -> c.yearId() == yearId && c.schoolId() == school).map(ClassRef::grade).forEach(grades::add);
        boolean live = asOf.equals(calendar.today());
        return new CutsView(measure.ref(), windows, List.copyOf(grades),
                sets, set.id(), counts, school,
                live && rights.mayChange(set.schoolId()), live && rights.mayChange(school), ladders, measure.sem());
    }

    /** Who would move if {@code bands} were the ladder, among everyone of the grade in the school. Nothing is saved. */
    @Transactional(readOnly = true)
    public CutsPreview preview(int setId, int measureId, int grade, int windowId, int school, List<DrawnBand> bands) {
        Measure measure = measures.measure(measureId);
        Window window = allWindows.window(windowId);
        List<Enrolled> students = ofGrade(school, grade, window);
        LocalDate today = calendar.today();
        Standings standing = standings.of(students, List.of(measure), List.of(window), today, setId);
        double[] values = students.stream().map(s -> cell(standing, s, measure)).filter(Cell::scored).mapToDouble(Cell::value).toArray();
        List<Histogram.Bin> bins = Histogram.of(values, MOST_BINS);
        String problem = LadderEditor.problem(bands, measure).orElse("");
        if (!problem.isEmpty()) {
            return new CutsPreview(problem, List.of(), List.of(), bins, "", percentiles(values, measure));
        }
        BandLadder after = LadderEditor.ladder(bands, measure);
        Optional<BandLadder> before = standing.ladders().of(measureId, windowId, grade);
        List<Mover> movers = new ArrayList<>();
        int[] afterCounts = new int[bands.size()];
        for (Enrolled s : students) {
            Cell cell = cell(standing, s, measure);
            if (cell.scored()) {
                int to = after.index(requireNonNull(cell.value()));
                afterCounts[to]++;
                if (before.isPresent() && !Objects.equals(cell.bandName(), bands.get(to).name())) {
                    movers.add(new Mover(s.ref(), cell.value(), requireNonNull(cell.bandName()), bands.get(to).name(),
                            bands.get(to).tier() > requireNonNull(cell.tier())));
                }
            }
        }
        movers.sort(Comparator.comparing(Mover::value));
        List<BandChange> changes = changes(before, bands, afterCounts, students.stream().map(s -> cell(standing, s, measure)).toList());
        return new CutsPreview("", changes, movers, bins, sentence(movers, values.length, before.isPresent()), percentiles(values, measure));
    }

    /** A cut lies between scores that are given: above the percentile, in the measure's own steps. */
    private static List<AtPercentile> percentiles(double[] values, Measure measure) {
        boolean higher = measure.direction() == Direction.HIGHER_IS_BETTER;
        double step = Math.pow(10, measure.decimals());
        return NormPercentiles.of(values, measure.direction()).orElse(List.of()).stream()
                .map(p -> new AtPercentile(p.percentile(), (higher ? Math.ceil(p.value() * step - 1e-9) : Math.floor(p.value() * step + 1e-9)) / step))
                .toList();
    }

    /** Bands of the new ladder, then those of the old one that are gone. */
    private static List<BandChange> changes(Optional<BandLadder> before, List<DrawnBand> bands, int[] afterCounts, List<Cell> cells) {
        List<BandChange> changes = new ArrayList<>(IntStream.range(0, bands.size())
                .mapToObj(i -> new BandChange(bands.get(i).name(), bands.get(i).tier(), in(cells, bands.get(i).name()), afterCounts[i])).toList());
        Set<String> kept = new HashSet<>(bands.stream().map(DrawnBand::name).toList());
        before.ifPresent(b -> b.bands().stream().filter(old -> !kept.contains(old.name()))
                .forEach(old -> changes.add(new BandChange(old.name(), old.tier(), in(cells, old.name()), 0))));
        return changes;
    }

    private static int in(List<Cell> cells, String band) {
        return (int) cells.stream().filter(c -> band.equals(c.bandName())).count();
    }

    private static Cell cell(Standings standing, Enrolled student, Measure measure) {
        return standing.of(student.id(), measure.id()).get(0);
    }

    private static String sentence(List<Mover> movers, int scores, boolean hadLadder) {
        if (scores == 0) {
            return "No scores on record yet, so nobody moves.";
        }
        if (!hadLadder) {
            return "There were no cut scores here before; " + Words.number(scores) + (scores == 1 ? " score gets a band." : " scores get a band.");
        }
        if (movers.isEmpty()) {
            return "Nobody of " + scores + " would move.";
        }
        long more = movers.stream().filter(Mover::moreSupport).count();
        long rest = movers.size() - more;
        String how = rest == 0 ? "all with more support" : more == 0 ? "none of them with more support" : Words.number(more) + " with more support, "
                + Words.number(rest) + " with less or the same";
        return Words.sentence(Words.number(movers.size()) + " of " + scores + " would stand in another band: " + how);
    }

    /** Those whom the ladder is for: of the window's last day, or of today while it runs or is ahead. */
    private List<Enrolled> ofGrade(int school, int grade, Window window) {
        LocalDate today = calendar.today();
        LocalDate day = window.ends().isAfter(today) ? today : window.ends();
        return roster.enrolledThen(new Who(Who.Kind.GRADE, school, grade), window.yearId(), day);
    }

    /** The ladder that stands in the same place now, in the form in which it would be sent; without bands where none stands. */
    @Transactional(readOnly = true)
    public LadderForm now(LadderForm place) {
        return allLadders.drawn(List.of(place.set()), place.measure(), List.of(place.window()), calendar.today()).stream()
                .filter(l -> l.grade() == place.grade()).findFirst()
                .map(l -> new LadderForm(place.set(), place.measure(), place.grade(), place.window(), l.id(), l.bands()))
                .orElseGet(() -> new LadderForm(place.set(), place.measure(), place.grade(), place.window(), null, List.of()));
    }

    @Transactional
    public void save(LadderForm form, @Nullable String reason) {
        CutSet set = allLadders.set(form.set());
        rights.require(set.schoolId(), "Cut scores");
        LadderEditor.Place place = new LadderEditor.Place(set, measures.measure(form.measure()), form.grade(), allWindows.window(form.window()));
        editor.save(place, form.seen(), form.bands(), reason);
    }

    /** Makes a set the one by which the school's scores are read from today on. */
    @Transactional
    public void choose(SetChoice choice) {
        rights.require(choice.school(), "Cut scores");
        CutSet set = allLadders.set(choice.set());
        if (set.schoolId() != null && set.schoolId() != choice.school()) {
            throw Refusal.forbidden("That set belongs to another school. Nothing was changed.");
        }
        editor.choose(set, choice.school());
    }

    /** A new set of the school's own, with the ladders of another to begin with. */
    @Transactional
    public int create(String name, SetKind kind, int school, int copyOf) {
        rights.require(school, "Cut scores");
        if (allLadders.sets().stream().anyMatch(s -> s.name().toLowerCase(Locale.ROOT).equals(name.strip().toLowerCase(Locale.ROOT)))) {
            throw Refusal.conflict("There is already a set called '" + name.strip() + "'. Choose another name.");
        }
        CutSet from = allLadders.set(copyOf);
        if (from.schoolId() != null && from.schoolId() != school) {
            throw Refusal.forbidden("That set belongs to another school. Nothing was changed.");
        }
        return editor.create(name.strip(), kind, school, copyOf);
    }
}
