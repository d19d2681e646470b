package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowEditor;
import org.zealousladder.server.measures.windows.WindowForm;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.scores.scores.ScoresService;

/** A screening window is added, moved, renamed or deleted. */
@Component
class WindowChanging implements Changing {
    private final WindowEditor editor;
    private final WindowsService allWindows;
    private final ScoresService scores;
    private final RosterService roster;
    private final Reaches reaches;

    WindowChanging(WindowEditor editor, WindowsService allWindows, ScoresService scores, RosterService roster, Reaches reaches) {
        this.editor = editor;
        this.allWindows = allWindows;
        this.scores = scores;
        this.roster = roster;
        this.reaches = reaches;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.WINDOW, ChangeKind.WINDOW_REMOVED);
    }

    @Override
    public @Nullable SetupChange now(SetupChange change) {
        Integer id = id(change);
        return id == null ? null : allWindows.windows().stream().filter(w -> w.id() == id).findFirst().map(w -> SetupChange.of(WindowForm.of(w))).orElse(null);
    }

    private static @Nullable Integer id(SetupChange change) {
        return change.removedWindow() != null ? change.removedWindow() : requireNonNull(change.window()).id();
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        if (change.removedWindow() != null) {
            Window gone = allWindows.window(change.removedWindow());
            if (scores.anyIn(gone)) {
                throw Refusal.conflict("There are scores on the days of " + gone.name() + ", so it cannot be deleted. Its name and days can be changed.");
            }
            editor.remove(gone.id());
            WindowForm again = new WindowForm(null, gone.yearId(), gone.name(), gone.starts(), gone.ends());
            return new Made(about(gone), null, SetupChange.of(again), change, title(gone) + ", " + span(gone) + ", was deleted.");
        }
        WindowForm form = requireNonNull(change.window());
        Window before = form.id() == null ? null : allWindows.window(form.id());
        Window now = editor.save(form);
        SetupChange after = SetupChange.of(WindowForm.of(now));
        return before == null
                ? new Made(about(now), null, SetupChange.removed(now.id()), after, title(now) + ", " + span(now) + ", was added.")
                : new Made(about(now), null, SetupChange.of(WindowForm.of(before)), after, words(before, now));
    }

    private String words(Window before, Window now) {
        String name = before.name().equals(now.name()) ? "" : " is now called " + now.name();
        String days = span(before).equals(span(now)) ? "" : (name.isEmpty() ? ": " : ": ") + span(before) + " becomes " + span(now);
        return title(before) + name + days + ".";
    }

    private String title(Window w) {
        return w.name() + " " + roster.year(w.yearId()).name();
    }

    private static String span(Window w) {
        return Words.day(w.starts()) + " to " + Words.day(w.ends());
    }

    private static String about(Window w) {
        return "window " + w.id();
    }

    @Override
    public Reach reach(SetupChange change) {
        Integer id = id(change);
        return id == null ? Reach.NOBODY : allWindows.windows().stream().filter(w -> w.id() == id).findFirst()
                .map(w -> new Reach(reaches.schools(w.yearId()), List.of(w))).orElse(Reach.NOBODY);
    }
}
