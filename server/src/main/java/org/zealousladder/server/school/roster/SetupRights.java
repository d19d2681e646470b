package org.zealousladder.server.school.roster;

import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Who may change how scores are read. A coordinator changes what is the own school's, an administrator everything; where there
 * is only one school, its coordinator changes what is for all schools, too.
 */
@Component
public class SetupRights {
    private final RosterStore store;

    SetupRights(RosterStore store) {
        this.store = store;
    }

    /** @param schoolId null: what is for every school */
    public boolean mayChange(@Nullable Integer schoolId) {
        Viewer viewer = Viewer.current();
        return switch (viewer.role()) {
            case ADMINISTRATOR -> true;
            case COORDINATOR -> schoolId != null ? viewer.leads(schoolId) : store.oneSchool();
            case TEACHER -> false;
        };
    }

    /** @throws Refusal 403 naming who may */
    public void require(@Nullable Integer schoolId, String what) {
        if (!mayChange(schoolId)) {
            throw Refusal.forbidden(Viewer.current().role() == Viewer.Role.TEACHER
                    ? what + " are changed by coordinators and administrators. You can look at them; nothing was saved."
                    : schoolId == null ? what + " for every school are changed by administrators. Nothing was saved."
                            : what + " of another school are not yours to change. Nothing was saved.");
        }
    }
}
