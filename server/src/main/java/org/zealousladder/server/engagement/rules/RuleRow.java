package org.zealousladder.server.engagement.rules;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;

/** A rule as it was set in a place, or left to the wider one ({@code setting} null). */
public record RuleRow(Place place, EngagementRule rule, @Nullable RuleSetting setting, String because, LocalDate knownFrom, @Nullable String by) {}
