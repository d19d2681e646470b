package org.zealousladder.server.monitoring.plans;

import org.jspecify.annotations.Nullable;

/** Something a school does about a concern. One without a school is for every school; a retired one stays on old plans. */
public record Strategy(int id, @Nullable Integer schoolId, String area, String name, @Nullable String how, boolean retired) {}
