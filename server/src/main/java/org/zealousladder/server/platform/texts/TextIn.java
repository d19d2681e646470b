package org.zealousladder.server.platform.texts;

import org.springframework.boot.jackson.JacksonComponent;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;

/** Every text that comes in by JSON. */
@JacksonComponent
class TextIn extends StdScalarDeserializer<String> {
    private static final ValueDeserializer<String> PLAIN = StringDeserializer.instance;

    TextIn() {
        super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
        String text = PLAIN.deserialize(parser, context);
        try {
            return Texts.clean(text);
        } catch (Texts.BadTextException e) {
            throw context.weirdStringException("", String.class, String.valueOf(e.getMessage()));
        }
    }
}
