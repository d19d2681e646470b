package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.screening.cuts.CutsService;
import org.zealousladder.server.screening.cuts.SetChoice;

/** A school's scores are read by another set of cut scores. */
@Component
class SetChanging implements Changing {
    private final CutsService cuts;
    private final LaddersService allLadders;
    private final Reaches reaches;
    private final SchoolCalendar calendar;

    SetChanging(CutsService cuts, LaddersService allLadders, Reaches reaches, SchoolCalendar calendar) {
        this.cuts = cuts;
        this.allLadders = allLadders;
        this.reaches = reaches;
        this.calendar = calendar;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.SET);
    }

    @Override
    public SetupChange now(SetupChange change) {
        int school = requireNonNull(change.set()).school();
        return SetupChange.of(new SetChoice(allLadders.defaultSet(school, calendar.today()), school));
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        SetupChange before = now(change);
        SetChoice choice = requireNonNull(change.set());
        cuts.choose(choice);
        return new Made("set of school " + choice.school(), choice.school(), before, change, "Scores were read by " + name(before) + "; they are now read by "
                + name(change) + ".");
    }

    private String name(SetupChange change) {
        return allLadders.set(requireNonNull(change.set()).set()).name();
    }

    @Override
    public Reach reach(SetupChange change) {
        List<Integer> school = List.of(requireNonNull(change.set()).school());
        return new Reach(school, reaches.begun(school));
    }
}
