package org.zealousladder.core;

import java.util.List;

/** An enum whose constants have one name in files, in the database and on the wire: the Java name in small letters, with dashes. */
public interface Coded {
    /** The constant's Java name; enums have it. */
    String name();

    /** The constant's place among the kind's, from 0; enums have it. */
    int ordinal();

    /** Name in files, in the database and on the wire: {@code NOT_MET} is {@code not-met}. */
    default String code() {
        return CodeTable.of(((Enum<?>) this).getDeclaringClass()).codes.get(ordinal());
    }

    /**
     * The constant of a code.
     *
     * @param noun what the code should have been, as in "a rule"
     * @throws IllegalArgumentException naming the known codes
     */
    static <E extends Coded> E of(Class<E> kind, String code, String noun) {
        Coded found = CodeTable.of(kind).byCode.get(code);
        if (found == null) {
            throw new IllegalArgumentException("'" + code + "' is not " + noun + "; use " + known(kind));
        }
        return kind.cast(found);
    }

    /** All codes, in the constants' order. */
    static List<String> codes(Class<? extends Coded> kind) {
        return CodeTable.of(kind).codes;
    }

    /** The known codes in words: {@code a, b or c}. */
    static String known(Class<? extends Coded> kind) {
        List<String> all = codes(kind);
        int last = all.size() - 1;
        return last < 1 ? String.join("", all) : String.join(", ", all.subList(0, last)) + " or " + all.get(last);
    }
}
