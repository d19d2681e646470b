package org.zealousladder.server.platform.codes;

import org.springframework.core.convert.converter.Converter;
import org.springframework.core.convert.converter.ConverterFactory;
import org.zealousladder.core.Coded;

/** From the code in an address or in a column of the database to the constant. */
final class FromCode implements ConverterFactory<String, Coded> {
    @Override
    public <E extends Coded> Converter<String, E> getConverter(Class<E> kind) {
        return code -> Coded.of(kind, code, "known here");
    }
}
