package org.zealousladder.server.engagement.xapi;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Answers that programs tell of become answers to the items whose name they say. */
class AnsweredTest extends XapiCase {
    private List<String> answers(String item) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select s.given_name || ' ' || a.number || ' ' || coalesce(a.answer, '-') || ' ' || coalesce(a.points::text, 'waits') || ' ' || coalesce(a.seconds::text, '-')
                  from skills_answer a join roster_student s on s.id = a.student_id join skills_item i on i.id = a.item_id
                 where i.code = :item and a.superseded_by is null order by 1""").param("item", item).query(String.class).list());
    }

    private ObjectNode answered(String student, String page, String response) {
        ObjectNode s = statement(student, ANSWERED, page);
        ((ObjectNode) s.get("result")).put("response", response);
        return s;
    }

    @Test
    void whatAProgramSaysOfAnAnswerCountsElseTheItemsKey() throws Exception {
        take("item,prompt,item_kind,of_school,uri", "XA-1,3 + 4 =,number,SKERROW,https://stories.example/sum-1",
                "XA-2,Which?,text,SKERROW,https://stories.example/sum-2");
        take("item,answer,worth", "XA-1,7,1");
        signOutHere();
        ObjectNode scaled = answered("XAPI-Ada", "sum-2", "half of it");
        ((ObjectNode) scaled.get("result")).putObject("score").put("scaled", 0.5);
        ObjectNode success = answered("XAPI-Ben", "sum-2", "no");
        ((ObjectNode) success.get("result")).put("success", false);
        JsonNode list = json.createArrayNode().add(answered("XAPI-Ada", "sum-1", " 7 ")).add(answered("XAPI-Ada", "sum-1", "8")).add(scaled).add(success)
                .add(answered("XAPI-Ada", "sum-unknown", "7")).add(statement("XAPI-Ben", "http://adlnet.gov/expapi/verbs/experienced", "sum-1"));
        var sent = send(list);
        assertEquals(200, sent.getStatus(), sent.getContentAsString());
        assertEquals(2, answers("XA-1").size());
        assertEquals(List.of("7 1", "8 0"), answers("XA-1").stream().map(a -> a.replaceAll("Ada \\d +([78]) +(\\d) 750", "$1 $2")).sorted().toList());
        assertEquals(List.of("Ada 1 half of it 0.5 750", "Ben 1 no 0 750"), answers("XA-2"));
        // Voided, it is taken back.
        String id = json.readTree(sent.getContentAsString()).get(2).asString();
        ObjectNode voiding = statement("XAPI-Ada", VOIDED, "x");
        voiding.putObject("object").put("objectType", "StatementRef").put("id", id);
        assertEquals(200, send(voiding).getStatus());
        assertEquals(List.of("Ben 1 no 0 750"), answers("XA-2"));
    }
}
