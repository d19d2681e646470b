package org.zealousladder.server.platform.pages;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.Coded;

/** Every part of a wire record is required unless it is marked {@link Nullable}; absent parts are left out of the JSON. No two have the same name. */
@Component
class OpenApiSchemas implements ModelConverter {
    private final Map<String, Class<?>> taken = new ConcurrentHashMap<>();

    @Override
    public @Nullable Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        if (!chain.hasNext()) {
            return null;
        }
        Schema<?> schema = chain.next().resolve(type, context, chain);
        JavaType java = type.getType() == null ? null : Json.mapper().constructType(type.getType());
        if (java == null || schema == null) {
            return schema;
        }
        if (java.getRawClass().isEnum() && Coded.class.isAssignableFrom(java.getRawClass())) {
            setEnum(schema, Coded.codes(java.getRawClass().asSubclass(Coded.class)));
        }
        if (!java.getRawClass().isRecord()) {
            return schema;
        }
        if (schema.get$ref() != null) {
            Class<?> other = taken.putIfAbsent(schema.get$ref(), java.getRawClass());
            if (other != null && other != java.getRawClass()) {
                throw new IllegalStateException("Two records would have one name on the wire: " + other.getName() + " and " + java.getRawClass().getName());
            }
        }
        Schema<?> defined = schema.get$ref() == null ? schema
                : context.getDefinedModels().get(schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1));
        if (defined != null) {
            defined.setRequired(required(java.getRawClass()));
        }
        return schema;
    }

    @SuppressWarnings("unchecked") // a schema of unknown values takes strings
    private static void setEnum(Schema<?> schema, List<String> codes) {
        ((Schema<String>) schema).setEnum(codes);
    }

    private static List<String> required(Class<?> wire) {
        List<String> names = new ArrayList<>();
        for (RecordComponent part : wire.getRecordComponents()) {
            if (!part.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                names.add(part.getName());
            }
        }
        return names;
    }
}
