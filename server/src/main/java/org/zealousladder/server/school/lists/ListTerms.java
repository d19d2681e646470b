package org.zealousladder.server.school.lists;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;

/** Who is on a list; of two lists of a name, the viewer's own. */
@Component
class ListTerms implements AnswersTerms {
    private final ListsStore store;

    ListTerms(ListsStore store) {
        this.store = store;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.ON_LIST, (s, a) -> Values.orNo(Sql.of("""
                select m.student_id, true as value from lists_member m
                 where m.list_id = (select l.id from lists_list l where l.name = :list and l.ended_on is null order by l.owner_id = scope_person() desc, l.id limit 1)
                   and m.starts <= :asOf and (m.ends is null or m.ends >= :asOf) group by 1""").bind("list", s.about())));
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.LIST);
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> names(Noun noun, @Nullable String about) {
        return store.names();
    }
}
