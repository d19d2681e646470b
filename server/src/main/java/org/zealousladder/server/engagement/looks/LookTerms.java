package org.zealousladder.server.engagement.looks;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.roster.RosterService;

/** What the rules of engagement say, set aside or not: the criterion asks what is, not what somebody has looked at. */
@Component
class LookTerms implements AnswersTerms {
    private final LooksService looks;
    private final RosterService roster;

    LookTerms(LooksService looks, RosterService roster) {
        this.looks = looks;
        this.roster = roster;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.ENGAGEMENT, this::flags);
    }

    private Values flags(Subject s, Asking a) {
        return Values.figured(ids -> {
            Map<Integer, Object> all = new HashMap<>();
            roster.byYear(ids, a.asOf()).forEach((year, students) -> {
                for (Look l : looks.of(students, year, a.asOf(), Falls.none()).all()) {
                    List<String> said = Stream.concat(l.flags().stream(), l.quieted().stream()).map(f -> f.rule().code().replace('-', ' ')).toList();
                    if (!said.isEmpty() || l.onRecord()) {
                        all.put(l.student().id(), said);
                    }
                }
            });
            return all;
        });
    }
}
