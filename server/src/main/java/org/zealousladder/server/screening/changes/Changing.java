package org.zealousladder.server.screening.changes;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.windows.Window;

/** How one kind of change is made. Who may is asked where it is made. */
interface Changing {
    Set<ChangeKind> kinds();

    /** What would bring back how it is now; null where there is nothing yet. */
    @Nullable
    SetupChange now(SetupChange change);

    /** Makes the change, and says it as it is kept: with the number of what is new. */
    Made make(SetupChange change, @Nullable String reason);

    /** Whose standing may differ, and when. Asked before the change and after it. */
    Reach reach(SetupChange change);

    /**
     * A change that was made.
     *
     * @param about what it is about, the same for every change of the same thing
     * @param schoolId null: of every school
     * @param before what brings back how it was; null where that cannot be
     * @param after the change with the number of what is new
     * @param words what was changed, in a sentence
     */
    record Made(String about, @Nullable Integer schoolId, @Nullable SetupChange before, SetupChange after, String words) {}

    /** The windows in which students of some schools may stand elsewhere. */
    record Reach(List<Integer> schools, List<Window> windows) {
        static final Reach NOBODY = new Reach(List.of(), List.of());
    }
}
