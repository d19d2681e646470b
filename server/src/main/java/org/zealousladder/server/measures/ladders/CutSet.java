package org.zealousladder.server.measures.ladders;

import org.jspecify.annotations.Nullable;

/**
 * A set of cut scores.
 *
 * @param schoolId the school it belongs to; null for a set that is for every school
 */
public record CutSet(int id, String code, String name, SetKind kind, @Nullable Integer schoolId, @Nullable String note) {}
