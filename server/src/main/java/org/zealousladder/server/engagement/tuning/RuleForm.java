package org.zealousladder.server.engagement.tuning;

import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;

/**
 * How a rule shall be set.
 *
 * @param who where: {@code all}, a school, a grade or a class
 * @param setting null: as the wider place has it
 * @param because why; only saving asks for it
 * @param seen what the page showed as set there, so that nobody's change is overlooked
 */
record RuleForm(String who, int year, EngagementRule rule, @Nullable RuleSetting setting, @Nullable String because, @Nullable String seen) {}
