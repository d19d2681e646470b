package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.List;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.Criterion.Counted;
import org.zealousladder.core.criteria.Criterion.HowMany;

/**
 * Reads a criterion from its sentence. In short:
 *
 * <pre>
 * criterion = item { "and" item } | item { "or" item }
 * item      = "not" item | "(" criterion ")" | howmany "(" criterion { ";" criterion } ")" | condition
 * howmany   = ("at least" n | "all" | "any" | "none") "of"
 * condition = [lead] ["no" | "not"] subject [test]        (see {@link ConditionReader})
 * </pre>
 *
 * "And" and "or" side by side without brackets could be read two ways and are refused. The whole grammar, with every term, stands in docs/criteria.md.
 */
public final class CriterionParser {
    /** So that a text cannot make the server dig without end. */
    private static final int DEEPEST = 20;
    private static final int MOST = 60;

    private final Reader reader;
    private final ConditionReader conditions;
    private int depth;
    private int read;

    private CriterionParser(String text) {
        reader = new Reader(text);
        conditions = new ConditionReader(reader);
    }

    /** @throws MistakeException saying where and what is expected there */
    public static Criterion parse(String text) {
        CriterionParser p = new CriterionParser(text);
        Criterion whole = p.criterion();
        if (!p.reader.ended()) {
            throw p.reader.mistake("Something is said here that does not fit what stands before it.", p.conditions.after(whole));
        }
        return whole;
    }

    /** Columns of a table: subjects, between semicolons or commas. */
    public static List<Subject> columns(String text) {
        CriterionParser p = new CriterionParser(text);
        List<Subject> all = new ArrayList<>();
        do {
            all.add(p.conditions.column());
        } while (p.reader.tookAny(";", ","));
        if (!p.reader.ended()) {
            throw p.reader.mistake("Columns stand between semicolons.", List.of(";"));
        }
        return all;
    }

    private Criterion criterion() {
        Criterion first = item();
        List<Criterion> all = new ArrayList<>(List.of(first));
        boolean and = false;
        while (true) {
            int before = reader.position();
            reader.took(",");
            Place join = reader.now().place();
            boolean thisAnd = reader.took("and");
            if (!thisAnd && !reader.took("or")) {
                reader.back(before);
                break;
            }
            if (all.size() > 1 && thisAnd != and) {
                throw new MistakeException(join,
                        "\"and\" and \"or\" side by side can be read two ways. Put brackets round what belongs together, like (… or …) and ….",
                        List.of("(", ")"));
            }
            and = thisAnd;
            all.add(item());
        }
        return all.size() == 1 ? first : and ? new Criterion.And(List.copyOf(all)) : new Criterion.Or(List.copyOf(all));
    }

    private Criterion item() {
        if (++depth > DEEPEST) {
            throw reader.mistake("There are more than " + DEEPEST + " brackets within each other. Say it more simply.", List.of());
        }
        Criterion c = itemWithin();
        depth--;
        return c;
    }

    private Criterion itemWithin() {
        if (reader.now().is("not") && (reader.ahead(1).is("(") || reader.ahead(1).is("not") || HowManyReader.comes(reader, 1))) {
            reader.skip();
            return new Criterion.Not(item());
        }
        if (reader.took("(")) {
            Criterion c = criterion();
            close();
            return c;
        }
        HowManyReader.Read counted = HowManyReader.read(reader);
        if (counted != null) {
            List<Criterion> all = new ArrayList<>();
            do {
                all.add(criterion());
            } while (reader.tookAny(";", ","));
            close();
            if (counted.howMany() == HowMany.AT_LEAST && counted.n() > all.size()) {
                throw new MistakeException(counted.place(), "At least " + counted.n() + " of " + all.size() + " cannot be: there are fewer in the brackets.",
                        List.of());
            }
            return new Counted(counted.howMany(), counted.n(), List.copyOf(all));
        }
        if (++read > MOST) {
            throw reader.mistake("There are more than " + MOST + " conditions. Keep some of them as a list, and ask whether students are on it.", List.of());
        }
        boolean no = conditions.lead();
        Condition condition = conditions.condition();
        return no ? new Criterion.Not(condition) : condition;
    }

    private void close() {
        if (!reader.took(")")) {
            throw reader.mistake(reader.ended() ? "A bracket is open and not closed." : "Here the bracket should close, or go on with and, or, or ;.",
                    List.of(")", "and", "or", ";"));
        }
    }
}
