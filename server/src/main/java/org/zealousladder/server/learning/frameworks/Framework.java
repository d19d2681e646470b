package org.zealousladder.server.learning.frameworks;

import org.jspecify.annotations.Nullable;

/**
 * A framework of skills.
 *
 * @param schoolId null for every school's
 * @param source who wrote it, and where it comes from
 */
public record Framework(int id, String code, @Nullable Integer schoolId, String name, @Nullable String source) {}
