package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** When somebody at a student's home was last spoken to, for tables of students; told by whoever keeps the contacts. */
public interface SpokenHome {
    /** As the column is called wherever columns are chosen. */
    String COLUMN = "Home last spoken to";

    /** By student; nobody whose home was not. Null where {@code asked} is no. */
    @Nullable
    Map<Integer, LocalDate> of(@Nullable Boolean asked, Who who, int yearId, LocalDate asOf);
}
