package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** Whatever comes in, by a request or in a file, gets an answer that is no failure of the server. Seeded: what fails today fails tomorrow. */
class BadInputTest extends ScreeningTest {
    private static final int ROUNDS = 10_000;

    /** Two at a time, each with a seed of its own. */
    private static final int HANDS = 2;

    private void withTwoHands(Hand hand) throws Exception {
        ExecutorService hands = Executors.newFixedThreadPool(HANDS);
        try {
            List<Future<Object>> done = new ArrayList<>();
            for (int seed = 1; seed <= HANDS; seed++) {
                Mutator mutator = new Mutator(20260313L * seed);
                done.add(hands.submit(() -> {
                    hand.work(mutator);
                    return "";
                }));
            }
            for (Future<Object> each : done) {
                each.get();
            }
        } finally {
            hands.shutdownNow();
        }
    }

    private interface Hand {
        void work(Mutator mutator) throws Exception;
    }

    private record Asked(HttpMethod method, String path, Map<String, String> query, String body) {}

    private List<Asked> good() {
        int oral = measure("oral-reading");
        int sunniva = student("Sunniva Hale");
        int year = thisYear();
        int winter = window("Winter");
        String who = "class-" + classId("2025-KITTIWAKE");
        Map<String, String> scope = Map.of("who", who, "year", "" + year, "asOf", "2026-03-13", "measure", "" + oral);
        List<Asked> all = new ArrayList<>();
        for (String path : List.of("/api/desk", "/api/ladder", "/api/trends", "/api/table", "/api/tiers", "/api/coverage", "/api/report", "/api/plans",
                "/api/meeting",
                "/api/strip", "/api/entry", "/api/reading", "/api/records/scores.csv", "/api/trends/spans", "/api/norms", "/api/cuts")) {
            all.add(new Asked(HttpMethod.GET, path, scope, ""));
        }
        for (String path : List.of("/api/students", "/api/students/" + sunniva, "/api/trends/" + sunniva + "/" + oral, "/api/scope", "/api/session",
                "/api/account",
                "/api/measures", "/api/changes", "/api/reading/1", "/api/records/kinds", "/api/records/imports/turn", "/api/erasures",
                "/api/erasures/leavers")) {
            all.add(new Asked(HttpMethod.GET, path, Map.of("asOf", "2026-03-13", "find", "sun", "school", "1", "measure", "" + oral), ""));
        }
        for (Object[] post : new Object[][] {
                {"/api/scores", "{'studentId':%d,'measureId':%d,'takenOn':'2026-03-13','value':60,'status':'scored','sure':true}"},
                {"/api/scores/1/corrections", "{'value':61,'status':'scored','reason':'misread','sure':true}"},
                {"/api/strip", "{'studentId':%d,'measureId':%d,'day':'2026-03-13','values':[60,62],'status':'scored','seen':3,'sure':true}"},
                {"/api/strip/median", "{'classId':1,'measureId':2,'day':'2026-03-13','value':60}"},
                {"/api/entry",
                        "{'studentId':%d,'measureId':%d,'windowId':" + winter + ",'takenOn':'2026-01-14','status':'scored','value':60,'seen':3,'sure':true}"},
                {"/api/goals", "{'studentId':%d,'measureId':%d,'startDate':'2026-01-08','startScore':60,'goalDate':'2026-05-08','goalScore':90,'replaces':4}"},
                {"/api/decisions", "{'studentId':%d,'measureId':%d,'kind':'hold','proposed':'change','because':'x','reason':'y','until':'2026-04-10'}"},
                {"/api/plans/sessions", "{'plans':[1,2],'day':'2026-03-12','given':1}"},
                {"/api/plans/concerns", "{'studentId':%d,'area':'Reading','level':2,'note':'tires','seen':1}"},
                {"/api/table/export",
                        "{'who':'" + who + "','year':" + year + ",'asOf':'2026-03-13','format':'xlsx','students':[%d],'columns':[0,1],'codes':false}"},
                {"/api/reading/outcome",
                        "{'studentId':%d,'passageId':1,'readOn':'2026-03-12','seconds':60,'lastWord':80,'marks':[{'word':3,'kind':'error','at':2}],"
                                + "'answers':[],'seen':[]}"},
                {"/api/tiers",
                        "{'window':" + winter + ",'area':'Reading','decisions':[{'studentId':%d,'outcome':'overridden','tier':2,'reason':'seen in class'}]}"},
                {"/api/tiers/opinions", "{'window':" + winter + ",'studentId':%d,'area':'Reading','tier':2,'note':'reads well'}"},
                {"/api/coverage/make-ups", "{'students':[%d],'measures':[%d],'window':" + winter + ",'onDay':'2026-03-20'}"},
                {"/api/changes/preview",
                        "{'change':{'window':{'id':" + winter + ",'yearId':" + year + ",'name':'Winter','starts':'2026-01-12','ends':'2026-01-23'}}}"},
                {"/api/report/pdf", "{'who':'" + who + "','year':" + year + ",'asOf':'2026-03-13','measure':" + oral + ",'codes':false}"},
                {"/api/trends/" + sunniva + "/" + oral + "/goal-advice", "{'startDate':'2026-01-08','startScore':60,'goalDate':'2026-05-08','goalScore':90}"},
                {"/api/people", "{'login':'n.ew','name':'N. Ew','role':'teacher','schoolId':1}"},
                {"/api/join", "{'token':'abc','password':'otter lamp sixteen rafts'}"},
                {"/api/erasures/leavers", "{'count':3}"},
                {"/api/erasures/batches/1/confirmation", "{'count':3}"},
                {"/api/account/factor/confirmation", "{'code':'123456'}"},
                {"/api/account/factor/removal", "{'current':'three words','code':'123456'}"},
                {"/api/session", "{'login':'r.oduya','password':'three words','code':'123456'}"}}) {
            String body = ((String) post[1]).replaceFirst("%d", "" + sunniva).replaceFirst("%d", "" + oral).replace('\'', '"');
            all.add(new Asked(HttpMethod.POST, (String) post[0], Map.of(), body));
        }
        return all;
    }

    @Test
    void noRequestFailsTheServer() throws Exception {
        List<Asked> good = good();
        List<Viewer> people = List.of(person("r.oduya"), person("m.tveit"), person("a.sandvik"));
        Map<String, String> failed = new ConcurrentSkipListMap<>();
        withTwoHands(m -> {
            for (int round = 0; round < ROUNDS / HANDS; round++) {
                ask(m, m.any(good), m.any(people), failed);
            }
        });
        assertEquals(Map.of(), failed);
    }

    private void ask(Mutator m, Asked asked, Viewer person, Map<String, String> failed) throws Exception {
        String path = m.random.nextInt(8) == 0 ? asked.path().replaceFirst("\\d+", enc(m.any(Mutator.NASTY))) : asked.path();
        StringBuilder address = new StringBuilder(path);
        for (Map.Entry<String, String> e : asked.query().entrySet()) {
            String value = m.random.nextInt(4) == 0 ? m.any(Mutator.NASTY) : e.getValue();
            address.append(address.indexOf("?") < 0 ? '?' : '&').append(e.getKey()).append('=').append(m.random.nextInt(20) == 0 ? "%ff" : enc(value));
        }
        MockHttpServletRequestBuilder request;
        try {
            request = MockMvcRequestBuilders.request(asked.method(), URI.create(address.toString()));
        } catch (IllegalArgumentException e) {
            return;
        }
        String body = asked.body().isEmpty() ? "" : m.mutated(json.readTree(asked.body()));
        request.with(authentication(as(person))).with(csrf()).contentType("application/json").content(body);
        MockHttpServletResponse answer = http.perform(request).andReturn().getResponse();
        if (answer.getStatus() >= 500) {
            failed.putIfAbsent(asked.method() + " " + asked.path().replaceAll("\\d+", "1") + " " + answer.getStatus(), address + " " + body);
        }
    }

    private static String enc(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    @Test
    void noFileFailsTheServer() throws Exception {
        List<List<String>> good = List.of(
                List.of("student,measure,date,score,status,known", "S1001,oral-reading,2026-03-02,61,scored,2026-03-03", "S1002,maze,2026-03-02,,absent,"),
                List.of("student,given_name,family_name,support", "BAD1,Óscar,Ó Briain,", "BAD2,Nia,\"Sol, ano\",individual plan"),
                List.of("student,class,from,to", "S1001,2025-KITTIWAKE,2025-08-25,", "S1002,2025-TERN,2025-08-25,2026-01-12"),
                List.of("student,measure,start_date,start_score,goal_date,goal_score", "S1001,oral-reading,2026-01-08,60,2026-05-08,90"),
                List.of("measure,grade,year,window,band,tier,from_score,set", "maze,3,2025-26,Winter,Low,3,,local", "maze,3,2025-26,Winter,High,1,12,local"),
                List.of("year,window,opens,closes", "2025-26,Winter,2026-01-12,2026-01-23"),
                List.of("measure,title,kind,area,unit,lowest,highest,decimals,better,sem,rule", "maze,Maze,screening,Reading,words,0,60,0,higher,2,chance"),
                List.of("login,person,role,school", "bad.input,B. Input,teacher,SKERROW"), List.of("login,class", "bad.input,2025-KITTIWAKE"),
                List.of("student,area,level,since,note", "S1001,Reading,2,2026-01-08,tires"),
                List.of("student,measure,starts,ends,worry,strategy,per_week,minutes", "S1001,oral-reading,2026-01-08,2026-05-08,slow,Paired reading,3,20"),
                List.of("student,measure,held_on,given", "S1001,oral-reading,2026-01-12,1"),
                List.of("student,passage,read_on,seconds,last_word,level", "S1001,tide-table,2026-01-12,60,80,Reads it alone"));
        Map<String, String> failed = new ConcurrentSkipListMap<>();
        withTwoHands(m -> {
            signInHere(Viewer.SYSTEM);
            Path file = Files.createTempFile("bad-", ".csv");
            try {
                for (int left = ROUNDS / HANDS; left > 0;) {
                    // Some files are mutated anywhere, most in one cell of each of many rows.
                    int rows = m.random.nextInt(4) == 0 ? 1 : 25;
                    look(file, m.bytes(m.any(good), rows), failed);
                    left -= rows;
                }
            } finally {
                Files.delete(file);
            }
        });
        assertEquals(Map.of(), failed);
    }

    private void look(Path file, byte[] bytes, Map<String, String> failed) throws Exception {
        Files.write(file, bytes);
        try {
            imports.look(file);
        } catch (Refusal refusal) {
            if (refusal.status().is5xxServerError()) {
                failed.putIfAbsent(String.valueOf(refusal.getMessage()), new String(bytes, StandardCharsets.UTF_8));
            }
        } catch (RuntimeException e) {
            Throwable cause = e;
            while (cause.getCause() != null) {
                cause = cause.getCause();
            }
            failed.putIfAbsent(
                    cause.getClass().getSimpleName() + ": " + String.valueOf(cause.getMessage()).lines().findFirst().orElse("").replaceAll("\\d+", "1"),
                    new String(bytes, StandardCharsets.UTF_8));
        }
    }
}
