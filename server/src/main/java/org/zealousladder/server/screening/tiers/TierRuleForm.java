package org.zealousladder.server.screening.tiers;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.screening.tiers.TiersView.Weighed;

/** How a school combines measures of an area into a tier, as it is sent. */
public record TierRuleForm(int school, @NotBlank(message = "say the area") String area, @NotNull(message = "choose a rule") TierRule rule,
        @NotNull(message = "choose at least one measure") List<Weighed> measures) {}
