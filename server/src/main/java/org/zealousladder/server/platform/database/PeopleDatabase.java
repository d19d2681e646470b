package org.zealousladder.server.platform.database;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.beans.factory.annotation.Qualifier;

/**
 * The same database as its role for people sees it: accounts, passwords and sessions, and nothing of students. Whoever signs in is nobody yet, so
 * that no policy could ask who it is; what this role may touch is all it can reach.
 */
@Qualifier
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.PARAMETER, ElementType.FIELD, ElementType.METHOD})
public @interface PeopleDatabase {
    /** The name of its transactions. */
    String TRANSACTIONS = "peopleTransactions";
}
