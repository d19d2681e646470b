package org.zealousladder.server.platform.pages;

import io.swagger.v3.oas.annotations.Hidden;
import java.util.Map;
import org.springframework.dao.DataAccessException;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.database.PeopleDatabase;

/** Whether the server is of use: it answers, and so do both roles of its database. Nothing else is told. */
@RestController
@Hidden
class HealthController {
    private final JdbcClient records;
    private final JdbcClient people;

    HealthController(JdbcClient records, @PeopleDatabase JdbcClient people) {
        this.records = records;
        this.people = people;
    }

    @GetMapping("/api/health")
    ResponseEntity<Map<String, String>> health() {
        try {
            records.sql("select 1").query(Integer.class).single();
            people.sql("select 1").query(Integer.class).single();
            return ResponseEntity.ok(Map.of("status", "UP"));
        } catch (DataAccessException e) {
            return ResponseEntity.status(503).body(Map.of("status", "DOWN"));
        }
    }
}
