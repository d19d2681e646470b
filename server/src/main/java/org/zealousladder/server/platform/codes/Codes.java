package org.zealousladder.server.platform.codes;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.support.DefaultConversionService;
import org.springframework.format.FormatterRegistry;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcOperations;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Codes in addresses, and in the rows that a store maps to records. */
@Configuration
public class Codes implements WebMvcConfigurer {
    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverterFactory(new FromCode());
    }

    @Bean
    JdbcClient jdbcClient(NamedParameterJdbcOperations operations) {
        return client(operations);
    }

    /** One that reads codes of the database as what they stand for. */
    public static JdbcClient client(NamedParameterJdbcOperations operations) {
        DefaultConversionService conversions = new DefaultConversionService();
        conversions.addConverterFactory(new FromCode());
        return JdbcClient.create(operations, conversions);
    }
}
