package org.zealousladder.server.platform.sql;

import java.sql.Types;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.namedparam.SimplePropertySqlParameterSource;
import org.zealousladder.core.Coded;

/**
 * The parameters of a statement: the components of a record by their names, and some more. An enum is bound by its code; a component that is
 * null keeps the type it is declared with.
 */
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
        Object value = more.containsKey(name) ? more.get(name) : super.getValue(name);
        return value instanceof Coded coded ? coded.code() : value;
    }

    @Override
    public int getSqlType(String name) {
        if (!more.containsKey(name)) {
            int type = super.getSqlType(name);
            return type == TYPE_UNKNOWN && getValue(name) == null ? Types.NULL : type;
        }
        return more.get(name) == null ? Types.NULL : TYPE_UNKNOWN;
    }
}
