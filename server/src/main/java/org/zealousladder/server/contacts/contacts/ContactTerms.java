package org.zealousladder.server.contacts.contacts;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.school.sight.SightService;

/** Whether somebody at home was reached: called, talked with, or written to by a letter that went out. */
@Component
class ContactTerms implements AnswersTerms {
    private final SightService sight;

    ContactTerms(SightService sight) {
        this.sight = sight;
    }

    /** To whom contacts are not shown, it cannot be told whether there was one. */
    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.CONTACT, (s, a) -> sight.sees(Sight.CONTACTS) ? contact(s, a).orNo() : contact(s, a));
    }

    private static Values contact(Subject s, Asking a) {
        return Values.of(Sql.of("""
                select b.student_id, true as value from base b join contacts_contact c on c.student_id = b.student_id
                  left join contacts_letter l on l.id = c.letter_id
                 where c.whom = 'home' and c.reached and c.on_day >= {from} and c.on_day <= :to and c.known_from <= :asOf
                   and (c.withdrawn_on is null or c.withdrawn_on > :asOf) and (l.id is null or l.state = 'sent') group by 1""")
                .put("from", a.from(s.when(), "b"))
                .bind("to", a.to(s.when())));
    }
}
