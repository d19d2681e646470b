package org.zealousladder.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.test.context.TestSecurityContextHolder;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.ResultMatcher;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import org.zealousladder.demo.DemoFiles;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.exchange.records.ImportService;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The whole server on a real database that holds the Skerrow demo, brought in by the ordinary way. */
@SpringBootTest
@AutoConfigureMockMvc
public abstract class ServerTest {
    @Autowired
    protected MockMvc http;
    @Autowired
    protected ImportService imports;
    @Autowired
    protected JdbcClient db;
    @Autowired
    @PeopleDatabase
    protected JdbcClient people;
    @Autowired
    protected JsonMapper json;
    @Autowired
    private Rights rights;
    @Autowired
    private PlatformTransactionManager transactions;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        TestServer.database(registry);
    }

    @BeforeEach
    void demo() throws IOException {
        signInHere(Viewer.SYSTEM);
        if (db.sql("select not exists (select from roster_school)").query(Boolean.class).single()) {
            Path folder = Files.createTempDirectory("ladder-demo-");
            for (Path file : DemoFiles.write(folder, DemoFiles.Size.SKERROW)) {
                ImportResult result = imports.take(file);
                if (result.refused() > 0) {
                    throw new AssertionError(file.getFileName() + ": " + result.refusals());
                }
            }
            FileSystemUtils.deleteRecursively(folder);
        }
    }

    @AfterEach
    protected void signOutHere() {
        // Both: what a request was sent as is remembered for the next one.
        TestSecurityContextHolder.clearContext();
        SecurityContextHolder.clearContext();
    }

    protected static void signInHere(Viewer viewer) {
        SecurityContextHolder.getContext().setAuthentication(as(viewer));
    }

    protected static Authentication as(Viewer viewer) {
        return UsernamePasswordAuthenticationToken.authenticated(viewer, null, List.of(new SimpleGrantedAuthority("ROLE_" + viewer.role())));
    }

    /** The account of that name. */
    protected Viewer person(String login) {
        int id = people.sql("select id from people_person where login = :login").param("login", login).query(Integer.class).single();
        rights.changed(id);
        return rights.now(id).orElseThrow();
    }

    /** Runs {@code work} in a transaction as {@code viewer}: the database then knows who asks. */
    protected <T> T asking(Viewer viewer, Callable<T> work) {
        Authentication before = SecurityContextHolder.getContext().getAuthentication();
        signInHere(viewer);
        try {
            return new TransactionTemplate(transactions).execute(status -> {
                try {
                    return work.call();
                } catch (RuntimeException e) {
                    throw e;
                } catch (Exception e) {
                    throw new IllegalStateException(e);
                }
            });
        } finally {
            SecurityContextHolder.getContext().setAuthentication(before);
        }
    }

    protected int student(String name) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where given_name || ' ' || family_name = :name").param("name", name)
                .query(Integer.class).single());
    }

    protected int classId(String code) {
        return db.sql("select id from roster_class where code = :code").param("code", code).query(Integer.class).single();
    }

    protected int measure(String code) {
        return db.sql("select id from measures_measure where code = :code").param("code", code).query(Integer.class).single();
    }

    protected int thisYear() {
        return db.sql("select id from roster_year where name = '2025-26'").query(Integer.class).single();
    }

    protected ResultActions read(Viewer viewer, String path) {
        return call(viewer, get(path));
    }

    protected ResultActions send(Viewer viewer, String path, Map<String, ?> body) {
        return call(viewer, post(path).contentType("application/json").content(json.writeValueAsString(body)));
    }

    /** Changes how scores are read, with a reason. */
    protected ResultActions change(Viewer viewer, String part, Object to) {
        return send(viewer, "/api/changes", Map.of("change", Map.of(part, to), "reason", "agreed in the meeting"));
    }

    /** Refused with this status, type of problem and field, like {@code 422 invalid value}; without a field where none is at fault. */
    protected ResultMatcher refused(String how) {
        return result -> {
            JsonNode problem = json.readTree(result.getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8));
            String type = problem.path("type").asString("");
            Assertions.assertEquals(how, (result.getResponse().getStatus() + " " + type.substring(type.lastIndexOf(':') + 1).replaceAll(".*/", "") + " "
                    + problem.path("field").asString("")).strip(), problem.path("detail").asString(""));
        };
    }

    /** As {@link #send}, under the key by which the sender would send it again. */
    protected ResultActions sendOnce(Viewer viewer, String path, String key, Map<String, ?> body) {
        return call(viewer, post(path).header("Idempotency-Key", key).contentType("application/json").content(json.writeValueAsString(body)));
    }

    protected ResultActions call(Viewer viewer, org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder request) {
        try {
            return http.perform(request.with(authentication(as(viewer))).with(csrf()));
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    protected ResultActions upload(Viewer viewer, Path file) {
        try {
            return call(viewer, MockMvcRequestBuilders.post("/api/records/imports?name=test.csv").contentType("application/octet-stream")
                    .content(Files.readAllBytes(file)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    protected JsonNode body(ResultActions answer) {
        try {
            return json.readTree(answer.andReturn().getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8));
        } catch (java.io.UnsupportedEncodingException e) {
            throw new IllegalStateException(e);
        }
    }
}
