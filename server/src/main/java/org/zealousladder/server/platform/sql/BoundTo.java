package org.zealousladder.server.platform.sql;

import java.sql.Types;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.namedparam.SimplePropertySqlParameterSource;

/** The parameters of a statement: the components of a record by their names, and some more. A component that is null keeps the type it is declared with. */
public final class BoundTo extends SimplePropertySqlParameterSource {
    private final Map<String, @Nullable Object> more = new HashMap<>();

    public BoundTo(Object values) {
        super(values);
    }

    public BoundTo and(String name, @Nullable Object value) {
        more.put(name, value);
        return this;
    }

    @Override
    public boolean hasValue(String name) {
        return more.containsKey(name) || super.hasValue(name);
    }

    @Override
    public @Nullable Object getValue(String name) {
        return more.containsKey(name) ? more.get(name) : super.getValue(name);
    }

    @Override
    public int getSqlType(String name) {
        if (!more.containsKey(name)) {
            return super.getSqlType(name);
        }
        return more.get(name) == null ? Types.NULL : TYPE_UNKNOWN;
    }
}
