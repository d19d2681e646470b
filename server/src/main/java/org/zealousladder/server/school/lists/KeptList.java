package org.zealousladder.server.school.lists;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A list of students.
 *
 * @param criterion by which it is brought up to date; null: it stays as it was picked
 * @param scope among whose students; null: among all of the owner's
 * @param columns of its table, as they are typed; null: those that the criterion speaks of
 * @param shared whether the school sees it
 * @param students on it today, of those whom the viewer may see
 * @param mayChange whether the viewer may
 * @param watched whether the viewer is told when somebody new is on it
 * @param news how many are on it since the viewer last looked; only of a watched one
 * @param freshOn the day on which it was last brought up to date
 */
public record KeptList(int id, String name, @Nullable String criterion, @Nullable String scope, @Nullable String columns, boolean shared, String owner,
        boolean own, boolean mayChange, int students, boolean watched, int news, LocalDate madeOn, @Nullable LocalDate freshOn) {

    public boolean living() {
        return criterion != null;
    }
}
