package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;

/**
 * Flags to set aside, or students to watch.
 *
 * @param rules that are set aside; none for a watch
 * @param reason why; a watch needs none
 */
record AsideForm(List<Integer> students, Aside.What what, @Nullable List<EngagementRule> rules, LocalDate until, @Nullable String reason) {}
