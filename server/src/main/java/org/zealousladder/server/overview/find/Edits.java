package org.zealousladder.server.overview.find;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Criterion;
import org.zealousladder.core.criteria.Criterion.And;
import org.zealousladder.core.criteria.Criterion.Counted;
import org.zealousladder.core.criteria.Criterion.Gap;
import org.zealousladder.core.criteria.Criterion.HowMany;
import org.zealousladder.core.criteria.Criterion.Not;
import org.zealousladder.core.criteria.Criterion.Or;
import org.zealousladder.core.criteria.CriterionText;
import org.zealousladder.core.criteria.Test;

/** What a criterion would read like, changed in one place. */
final class Edits {
    private Edits() {}

    /** Null where nothing would be left. @param what one of its nodes, by identity */
    static @Nullable String without(Criterion whole, Criterion what) {
        Criterion left = replaced(whole, what, c -> null);
        return left == null ? null : CriterionText.of(left).text();
    }

    static String turned(Criterion whole, Criterion what) {
        return text(replaced(whole, what, c -> c instanceof Not n ? n.of() : new Not(c)));
    }

    /** The node that a line is: where it says that something is not so, with its "not". */
    static Criterion node(Criterion whole, Criterion.Condition line) {
        if (whole instanceof Not n && n.of() == line && line.test() instanceof Test.Holds) {
            return whole;
        }
        return whole.beneath().stream().map(c -> node(c, line)).filter(c -> c != line).findFirst().orElse(line);
    }

    /** With a gap beside it. */
    static String either(Criterion whole, Criterion what) {
        return text(replaced(whole, what, c -> new Or(List.of(c, new Gap()))));
    }

    /** With "or" for "and", or the other way round. */
    static String joinedOtherwise(Criterion whole, Criterion what) {
        return text(replaced(whole, what, c -> c instanceof And a ? new Or(a.of()) : c instanceof Or o ? new And(o.of()) : c));
    }

    /** With one more condition that must hold, to be said. */
    static String more(Criterion whole) {
        if (whole instanceof And a) {
            return text(new And(java.util.stream.Stream.concat(a.of().stream(), java.util.stream.Stream.of(new Gap())).toList()));
        }
        return text(new And(List.of(whole, new Gap())));
    }

    private static String text(@Nullable Criterion c) {
        return c == null ? "" : CriterionText.of(c).text();
    }

    private static @Nullable Criterion replaced(Criterion in, Criterion what, Function<Criterion, @Nullable Criterion> by) {
        if (in == what) {
            return by.apply(in);
        } else if (in instanceof Not n) {
            Criterion c = replaced(n.of(), what, by);
            return c == null ? null : new Not(c);
        }
        List<Criterion> left = in.beneath().stream().map(c -> replaced(c, what, by)).filter(java.util.Objects::nonNull).map(java.util.Objects::requireNonNull)
                .toList();
        if (in instanceof And || in instanceof Or) {
            return left.isEmpty() ? null : left.size() == 1 ? left.get(0) : in instanceof And ? new And(left) : new Or(left);
        } else if (in instanceof Counted n) {
            return left.isEmpty() ? null : new Counted(n.howMany(), n.howMany() == HowMany.AT_LEAST ? Math.min(n.n(), left.size()) : 0, left);
        }
        return in;
    }
}
