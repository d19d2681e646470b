package org.zealousladder.standins;

import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Random;
import java.util.UUID;

/** A program that tells what students do in it, as xAPI statements: an invented library of stories, with books, chapters, pages and questions. The same seed sends the same. */
public final class ActivitySender {
    private static final String HOME = "https://saltmarsh.example/";
    private static final String VERBS = "http://adlnet.gov/expapi/verbs/";
    private static final String[] BOOKS = {"The lighthouse cat", "Nets and knots", "Seven tides", "A map of the isles"};
    private static final int LIST = 100;

    private final URI statements;
    private final String authorization;
    private final HttpClient http = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();

    /** @param to address of Zealous Ladder */
    public ActivitySender(String to, String key, String secret) {
        statements = URI.create(to.replaceFirst("/+$", "") + "/xapi/statements");
        authorization = "Basic " + Base64.getEncoder().encodeToString((key + ":" + secret).getBytes(StandardCharsets.UTF_8));
    }

    /** What a student did, one after another through a morning: pages read, and a question after every fourth. */
    public static List<String> morning(List<String> students, int howMany, LocalDate day, long seed) {
        Random random = new Random(seed);
        List<String> all = new ArrayList<>();
        for (int i = 0; i < howMany; i++) {
            String student = students.get(i % students.size());
            int book = random.nextInt(BOOKS.length);
            int chapter = 1 + random.nextInt(4);
            int page = 1 + random.nextInt(6);
            boolean question = i % 4 == 3;
            String at = HOME + "books/" + (book + 1);
            String of = at + "/" + chapter;
            String object = question ? of + "/question/" + page : of + "/" + page;
            all.add("""
                    {"id":"%s","actor":{"objectType":"Agent","account":{"homePage":"%s","name":"%s"}},"verb":{"id":"%s%s","display":{"en":"%s"}},\
                    "object":{"id":"%s","definition":{"type":"%s","name":{"en":"%s %d"}}},"result":{"duration":"PT%dS"%s},\
                    "context":{"contextActivities":{"grouping":[{"id":"%s","definition":{"name":{"en":"Saltmarsh Library"}}},{"id":"%s","definition":{"name":{"en":"%s"}}}],\
                    "parent":[{"id":"%s","definition":{"name":{"en":"Chapter %d"}}}]}},"timestamp":"%sT%02d:%02d:%02dZ"}"""
                    .formatted(new UUID(random.nextLong(), random.nextLong()), HOME, student, VERBS, question ? "answered" : "experienced",
                            question ? "answered" : "read", object,
                            HOME + (question ? "types/question" : "types/page"), question ? "Question" : "Page", page, 60 + random.nextInt(240),
                            question ? ",\"success\":" + random.nextBoolean() : "", HOME, at, BOOKS[book], of, chapter, day, 8 + random.nextInt(6),
                            random.nextInt(60), random.nextInt(60)));
        }
        return all;
    }

    /**
     * Sends them, a hundred at a time.
     *
     * @return how many were taken
     * @throws IOException with what was answered where they were not
     */
    public int send(List<String> all) throws IOException, InterruptedException {
        int taken = 0;
        for (int from = 0; from < all.size(); from += LIST) {
            List<String> part = all.subList(from, Math.min(all.size(), from + LIST));
            HttpResponse<String> answer = http.send(request("[" + String.join(",", part) + "]"), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() == 429) {
                Thread.sleep(1000L * answer.headers().firstValueAsLong("Retry-After").orElse(1));
                from -= LIST;
            } else if (answer.statusCode() != 200) {
                throw new IOException("Answered " + answer.statusCode() + ": " + answer.body());
            } else {
                taken += part.size();
            }
        }
        return taken;
    }

    private HttpRequest request(String body) {
        return HttpRequest.newBuilder(statements).timeout(Duration.ofSeconds(60)).header("Authorization", authorization)
                .header("X-Experience-API-Version", "1.0.3")
                .header("Content-Type", "application/json").POST(HttpRequest.BodyPublishers.ofString(body)).build();
    }

    /** Sends the first half of a list and goes away in the middle of a word, as a program does whose network is gone. */
    public void cutOff(List<String> all) throws IOException {
        byte[] body = ("[" + String.join(",", all) + "]").getBytes(StandardCharsets.UTF_8);
        try (Socket line = new Socket(statements.getHost(), statements.getPort()); OutputStream out = line.getOutputStream()) {
            out.write(("POST " + statements.getPath() + " HTTP/1.1\r\nHost: " + statements.getAuthority() + "\r\nAuthorization: " + authorization
                    + "\r\nX-Experience-API-Version: 1.0.3\r\nContent-Type: application/json\r\nContent-Length: " + body.length + "\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            out.write(body, 0, body.length / 2);
            out.flush();
        }
    }
}
