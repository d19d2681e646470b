package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.ladders.CutSet;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Grades;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.cuts.CutsService;
import org.zealousladder.server.screening.cuts.LadderForm;

/** The cut scores of one measure, grade and window are drawn anew. */
@Component
class LadderChanging implements Changing {
    private final CutsService cuts;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final LaddersService allLadders;
    private final Reaches reaches;
    private final SchoolCalendar calendar;

    LadderChanging(CutsService cuts, MeasuresService measures, WindowsService allWindows, LaddersService allLadders, Reaches reaches, SchoolCalendar calendar) {
        this.cuts = cuts;
        this.measures = measures;
        this.allWindows = allWindows;
        this.allLadders = allLadders;
        this.reaches = reaches;
        this.calendar = calendar;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.LADDER);
    }

    @Override
    public SetupChange now(SetupChange change) {
        return SetupChange.of(cuts.now(requireNonNull(change.ladder())));
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        LadderForm form = requireNonNull(change.ladder());
        LadderForm old = cuts.now(form);
        cuts.save(form, reason);
        LadderForm now = cuts.now(form);
        CutSet set = allLadders.set(form.set());
        // To bring the old bands back is to change the ladder that stands now.
        SetupChange before = old.bands().isEmpty() ? null
                : SetupChange.of(new LadderForm(old.set(), old.measure(), old.grade(), old.window(), now.seen(), old.bands()));
        return new Made("ladder " + set.id() + " " + form.measure() + " " + form.grade() + " " + form.window(), set.schoolId(), before, SetupChange.of(now),
                measures.measure(form.measure()).name() + ", " + Grades.words(form.grade()) + ", " + allWindows.window(form.window()).name() + ", " + set.name()
                        + ": "
                        + (old.bands().isEmpty() ? "cut scores were set, " + words(now) : words(old) + " becomes " + words(now)) + ".");
    }

    private static String words(LadderForm form) {
        return form.bands().stream().filter(b -> b.fromScore() != null)
                .map(b -> b.name() + " from " + Words.plain(requireNonNull(b.fromScore()))).collect(Collectors.joining(", "));
    }

    @Override
    public Reach reach(SetupChange change) {
        LadderForm form = requireNonNull(change.ladder());
        Window window = allWindows.window(form.window());
        List<Integer> schools = reaches.schools(window.yearId()).stream().filter(s -> allLadders.defaultSet(s, calendar.today()) == form.set()).toList();
        return new Reach(schools, List.of(window));
    }
}
