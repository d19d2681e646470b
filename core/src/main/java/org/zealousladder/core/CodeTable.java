package org.zealousladder.core;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The codes of each kind, worked out once: views carry and read tens of thousands of them. */
final class CodeTable {
    private static final ClassValue<CodeTable> TABLES = new ClassValue<>() {
        @Override
        protected CodeTable computeValue(Class<?> kind) {
            return new CodeTable(kind.asSubclass(Coded.class).getEnumConstants());
        }
    };

    final List<String> codes;
    final Map<String, Coded> byCode = new LinkedHashMap<>();

    private CodeTable(Coded[] constants) {
        for (Coded constant : constants) {
            byCode.put(constant.name().toLowerCase(Locale.ROOT).replace('_', '-'), constant);
        }
        codes = List.copyOf(byCode.keySet());
    }

    static CodeTable of(Class<?> kind) {
        return TABLES.get(kind);
    }
}
