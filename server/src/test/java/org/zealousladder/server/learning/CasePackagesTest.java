package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Packages of competency frameworks: what has no child is a skill, under its area and domain, resting on what precedes it. */
class CasePackagesTest extends ScreeningTest {
    private static String item(String id, String code, String statement, String more) {
        return "{\"identifier\":\"%s\",\"humanCodingScheme\":\"%s\",\"fullStatement\":\"%s\"%s}".formatted(id, code, statement, more);
    }

    private static String link(String from, String type, String to, int sequence) {
        return "{\"originNodeURI\":{\"identifier\":\"%s\"},\"destinationNodeURI\":{\"identifier\":\"%s\"},\"associationType\":\"%s\",\"sequenceNumber\":%d}"
                .formatted(from, to, type, sequence);
    }

    private static String tides(String last) {
        return "{\"CFDocument\":{\"identifier\":\"doc-1\",\"title\":\"Tides\",\"creator\":\"Outer isles\"},\"CFItems\":["
                + String.join(",", item("a", "T", "The sea", ""), item("d", "T.1", "Tide tables", ""),
                        item("s2", "T.1.2", last, ",\"educationLevel\":[\"03\"]"),
                        item("s1", "T.1.1", "Find high water", ",\"abbreviatedStatement\":\"High water\",\"educationLevel\":[\"KG\",\"01\"]"),
                        item("o1", "O", "On its own", ""), item("c1", "C1", "Round", ""), item("c2", "C2", "and round", ""))
                + "],\"CFAssociations\":["
                + String.join(",", link("a", "isChildOf", "doc-1", 1), link("d", "isChildOf", "a", 1), link("s2", "isChildOf", "d", 2),
                        link("s1", "isChildOf", "d", 1),
                        link("s1", "precedes", "s2", 1), link("s2", "isRelatedTo", "o1", 1), link("c1", "isChildOf", "c2", 1), link("c2", "isChildOf", "c1", 1))
                + "]}";
    }

    private ResultActions bring(Viewer who, String body, boolean take) {
        return call(who,
                MockMvcRequestBuilders.post("/api/skills/frameworks/packages?school=" + school() + "&take=" + take).contentType("application/octet-stream")
                        .content(body.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aPackageIsLookedAtTakenAndTakenAgain() throws Exception {
        Viewer coordinator = person("m.tveit");
        JsonNode look = body(bring(coordinator, tides("Read a tide table"), false).andExpect(status().isOk()));
        assertEquals("Tides 3 3 0 1",
                look.get("title").asString() + " " + look.get("skills").asInt() + " " + look.get("added").asInt() + " " + look.get("changed").asInt() + " "
                        + look.get("grounds").asInt());
        assertEquals(List.of("Associations that are not read: isRelatedTo.", "2 items are children of themselves, by way of others, and left out."),
                look.get("notices").valueStream().map(JsonNode::asString).toList());
        assertEquals(0, of(coordinator).size(), "only looked at");
        bring(coordinator, tides("Read a tide table"), true).andExpect(status().isOk());
        assertEquals(
                List.of("High water T.1.1 The sea Tide tables 0 []", "Read a tide table T.1.2 The sea Tide tables 3 [High water]",
                        "On its own O Tides Tides - []"),
                of(coordinator));
        JsonNode again = body(bring(coordinator, tides("Read every tide table"), true).andExpect(status().isOk()));
        assertEquals("0 1", again.get("added").asInt() + " " + again.get("changed").asInt());
        assertTrue(of(coordinator).get(1).startsWith("Read every tide table T.1.2"));
    }

    private List<String> of(Viewer who) throws Exception {
        JsonNode all = body(read(who, "/api/skills/frameworks?who=school-" + school()));
        return all.get("frameworks").valueStream().filter(f -> f.at("/framework/name").asString().equals("Tides")).flatMap(f -> {
            List<JsonNode> skills = f.get("skills").valueStream().toList();
            return skills.stream()
                    .map(k -> k.get("name").asString() + " " + k.get("code").asString() + " " + k.get("area").asString() + " " + k.get("domain").asString()
                            + " "
                            + (k.path("grade").isMissingNode() || k.get("grade").isNull() ? "-" : k.get("grade").asInt()) + " "
                            + k.get("restsOn").valueStream()
                                    .map(r -> skills.stream().filter(o -> o.get("id").asInt() == r.asInt()).findFirst().orElseThrow().get("name").asString())
                                    .toList());
        }).toList();
    }

    @Test
    void whatIsNoPackageIsSaidWithWhatToDo() {
        Viewer coordinator = person("m.tveit");
        for (String[] wrong : new String[][] {{"<xml/>", "This is no JSON. Ask the publisher for the package as JSON (CFPackages). Nothing was saved."},
                {"{\"CFDocument\":{}}",
                        "This is no whole package: it lacks CFItems. Ask the publisher for the package (CFPackages), not for the document alone. Nothing was saved."},
                {"{\"CFDocument\":{\"identifier\":\"x\"},\"CFItems\":[{\"identifier\":\"y\"}]}",
                        "The document of the package lacks its title. Nothing was saved."}}) {
            try {
                bring(coordinator, wrong[0], true).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.detail").value(wrong[1]));
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        }
    }

    @Test
    void teachersDoNotBringFrameworks() throws Exception {
        bring(person("r.oduya"), tides("Read a tide table"), true).andExpect(status().isForbidden());
    }
}
