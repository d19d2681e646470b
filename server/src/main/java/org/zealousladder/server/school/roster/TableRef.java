package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A small group that was kept. @param title of the groups it is one of @param standing whether it lasts @param ends null: until it is ended */
public record TableRef(int id, String name, String title, int schoolId, int yearId, boolean standing, LocalDate starts, @Nullable LocalDate ends) {}
