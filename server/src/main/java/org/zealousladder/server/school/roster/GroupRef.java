package org.zealousladder.server.school.roster;

import org.jspecify.annotations.Nullable;

/** A teaching group. */
public record GroupRef(int id, String name, @Nullable String subject, int schoolId, int yearId) {}
