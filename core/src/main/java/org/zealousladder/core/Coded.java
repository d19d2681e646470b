package org.zealousladder.core;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** An enum whose constants have one name in files, in the database and on the wire: the Java name in small letters, with dashes. */
public interface Coded {
    /** The constant's Java name; enums have it. */
    String name();

    /** Name in files, in the database and on the wire: {@code NOT_MET} is {@code not-met}. */
    default String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /**
     * The constant of a code.
     *
     * @param noun what the code should have been, as in "a rule"
     * @throws IllegalArgumentException naming the known codes
     */
    static <E extends Coded> E of(Class<E> kind, String code, String noun) {
        return Arrays.stream(kind.getEnumConstants()).filter(e -> e.code().equals(code)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + code + "' is not " + noun + "; use " + known(kind)));
    }

    /** All codes, in the constants' order. */
    static List<String> codes(Class<? extends Coded> kind) {
        return Arrays.stream(kind.getEnumConstants()).map(Coded::code).toList();
    }

    /** The known codes in words: {@code a, b or c}. */
    static String known(Class<? extends Coded> kind) {
        List<String> all = codes(kind);
        int last = all.size() - 1;
        return last < 1 ? String.join("", all) : String.join(", ", all.subList(0, last)) + " or " + all.get(last);
    }
}
