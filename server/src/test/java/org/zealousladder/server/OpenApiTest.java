package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.node.ObjectNode;

/** The pages' types are generated from web/openapi.json; this holds it to what the server really does. */
class OpenApiTest extends ServerTest {
    private static final Path COMMITTED = Path.of("..", "web", "openapi.json");

    @Test
    void theCommittedDescriptionIsTheServers() throws IOException {
        ObjectNode served = (ObjectNode) body(read(Viewer.SYSTEM, "/api/openapi"));
        served.remove("servers");
        JsonNode committed = json.readTree(COMMITTED);
        if (!served.equals(committed)) {
            Path fresh = Path.of("target", "openapi.json");
            Files.writeString(fresh, json.rebuild().enable(SerializationFeature.INDENT_OUTPUT).build().writeValueAsString(served) + "\n");
            assertEquals(committed.toPrettyString(), served.toPrettyString(),
                    "copy server/target/openapi.json over web/openapi.json and run 'npm run api' in web/");
        }
    }
}
