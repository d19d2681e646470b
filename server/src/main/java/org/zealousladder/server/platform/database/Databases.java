package org.zealousladder.server.platform.database;

import com.zaxxer.hikari.HikariDataSource;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBean;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.core.Ordered;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.session.jdbc.config.annotation.SpringSessionDataSource;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.codes.Codes;
import org.zealousladder.server.platform.who.Cookies;

/** Two roles of one database, each with a pool of its own: that of records, and that of people and their sessions. */
@Configuration(proxyBeanMethods = false)
class Databases {
    @Bean
    @Primary
    @ConfigurationProperties("spring.datasource")
    DataSourceProperties recordsProperties() {
        return new DataSourceProperties();
    }

    @Bean
    @Primary
    @ConfigurationProperties("spring.datasource.hikari")
    RecordsDatabase recordsDatabase(DataSourceProperties properties) {
        RecordsDatabase records = new RecordsDatabase();
        records.setJdbcUrl(properties.determineUrl());
        records.setUsername(properties.determineUsername());
        records.setPassword(properties.determinePassword());
        return records;
    }

    @Bean
    @ConditionalOnExpression("!'${ladder.replica-url}'.isEmpty()")
    Replica replica(RecordsDatabase records, @Value("${ladder.replica-url}") String url) {
        Replica replica = new Replica(records, url, records);
        records.beside(replica);
        return replica;
    }

    @Bean
    @ConditionalOnBean(Replica.class)
    FilterRegistrationBean<SeenFilter> seen(Replica replica, Cookies cookies) {
        FilterRegistrationBean<SeenFilter> registration = new FilterRegistrationBean<>(new SeenFilter(replica, cookies));
        registration.setOrder(Ordered.HIGHEST_PRECEDENCE + 10);
        return registration;
    }

    @Bean(defaultCandidate = false)
    @PeopleDatabase
    @ConfigurationProperties("ladder.people")
    DataSourceProperties peopleProperties() {
        return new DataSourceProperties();
    }

    @Bean(defaultCandidate = false)
    @PeopleDatabase
    @SpringSessionDataSource
    @ConfigurationProperties("ladder.people.hikari")
    HikariDataSource peopleDatabase(@PeopleDatabase DataSourceProperties properties) {
        return properties.initializeDataSourceBuilder().type(HikariDataSource.class).build();
    }

    @Bean(defaultCandidate = false)
    @PeopleDatabase
    JdbcClient peopleClient(@PeopleDatabase DataSource database) {
        return Codes.client(new NamedParameterJdbcTemplate(database));
    }

    @Bean(name = PeopleDatabase.TRANSACTIONS, defaultCandidate = false)
    @PeopleDatabase
    PlatformTransactionManager peopleTransactions(@PeopleDatabase DataSource database) {
        return new JdbcTransactionManager(database);
    }

    /** Sessions are read and written in transactions of their own, whatever else goes on. */
    @Bean
    TransactionOperations springSessionTransactionOperations(@PeopleDatabase PlatformTransactionManager people) {
        TransactionTemplate template = new TransactionTemplate(people);
        template.setPropagationBehavior(TransactionTemplate.PROPAGATION_REQUIRES_NEW);
        return template;
    }
}
