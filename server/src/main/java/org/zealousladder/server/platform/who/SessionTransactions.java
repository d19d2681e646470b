package org.zealousladder.server.platform.who;

import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sessions are read in transactions that do not ask who is signed in: {@link ScopedTransactionManager} would ask the session,
 * which is what is being read.
 */
@Configuration
class SessionTransactions {
    @Bean
    TransactionOperations springSessionTransactionOperations(DataSource dataSource) {
        TransactionTemplate template = new TransactionTemplate(new JdbcTransactionManager(dataSource));
        template.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        return template;
    }
}
