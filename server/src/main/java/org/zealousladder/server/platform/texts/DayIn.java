package org.zealousladder.server.platform.texts;

import java.time.LocalDate;
import org.springframework.boot.jackson.JacksonComponent;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;

/** Every day that comes in, by JSON or in an address; files ask {@link Days} themselves. */
@JacksonComponent
class DayIn extends StdScalarDeserializer<LocalDate> {
    DayIn() {
        super(LocalDate.class);
    }

    @Override
    public LocalDate deserialize(JsonParser parser, DeserializationContext context) {
        if (parser.currentToken() != JsonToken.VALUE_STRING) {
            return (LocalDate) context.handleUnexpectedToken(context.constructType(LocalDate.class), parser);
        }
        try {
            return Days.parse(parser.getString());
        } catch (IllegalArgumentException e) {
            throw context.weirdStringException(parser.getString(), LocalDate.class, String.valueOf(e.getMessage()));
        }
    }

    @Configuration
    static class InAddresses implements WebMvcConfigurer, Converter<String, LocalDate> {
        @Override
        public void addFormatters(FormatterRegistry registry) {
            registry.addConverter(String.class, LocalDate.class, this);
        }

        @Override
        public LocalDate convert(String text) {
            return Days.parse(text);
        }
    }
}
