package org.zealousladder.server.measures.measures;

import org.jspecify.annotations.Nullable;

/**
 * A set of cut scores.
 *
 * @param kind local, published (by an authority) or trial
 * @param schoolId the school it belongs to; null for a set that is for every school
 */
public record CutSet(int id, String code, String name, String kind, @Nullable Integer schoolId, @Nullable String note) {}
