package org.zealousladder.e2e;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.UUID;

/** A sample person whose browser asks through a web server in front of several: one that does not answer is passed over. */
final class AnyServer {
    /** An error that lasts for longer is one. */
    private static final Duration LASTS = Duration.ofSeconds(5);

    private final List<String> addresses;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).version(HttpClient.Version.HTTP_1_1).connectTimeout(Duration.ofSeconds(2))
            .build();
    private final Duration patience;
    private int at;

    record Answer(int status, String body) {}

    AnyServer(List<String> addresses, int first, String login) throws IOException, InterruptedException {
        this(addresses, first, login, LASTS);
    }

    /** @param patience for how long what fails is asked for again */
    AnyServer(List<String> addresses, int first, String login, Duration patience) throws IOException, InterruptedException {
        this.patience = patience;
        this.addresses = addresses;
        this.at = first;
        get("/api/session");
        Answer answer = post("/api/session", "{\"login\":\"" + login + "\"}");
        if (answer.status() != 200) {
            throw new IOException(login + ": " + answer);
        }
        // The token goes with the new session.
        get("/api/session");
    }

    Answer get(String path) throws IOException, InterruptedException {
        Answer answer = send("GET", path, "");
        if (answer.status() != 200) {
            throw new IOException(path + ": " + answer);
        }
        return answer;
    }

    Answer post(String path, String body) throws IOException, InterruptedException {
        return send("POST", path, body);
    }

    /** Asks until the answer holds {@code text}, for a minute. */
    boolean becomes(String path, String text) throws IOException, InterruptedException {
        for (int i = 0; i < 240; i++) {
            if (get(path).body().contains(text)) {
                return true;
            }
            Thread.sleep(250);
        }
        return false;
    }

    /** As the pages do: what was not answered is sent again under the same key. */
    private Answer send(String method, String path, String body) throws IOException, InterruptedException {
        String key = UUID.randomUUID().toString();
        long until = System.nanoTime() + patience.toNanos();
        while (true) {
            try {
                HttpResponse<String> answer = client.send(request(method, path, body, key), HttpResponse.BodyHandlers.ofString());
                if (answer.statusCode() < 500 || System.nanoTime() > until) {
                    return new Answer(answer.statusCode(), answer.body());
                }
            } catch (IOException e) {
                if (System.nanoTime() > until) {
                    throw new IOException(method + " " + path + " lasts: " + e, e);
                }
                at = (at + 1) % addresses.size();
            }
            Thread.sleep(100);
        }
    }

    private HttpRequest request(String method, String path, String body, String key) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(addresses.get(at) + path)).timeout(Duration.ofSeconds(20)).method(method,
                body.isEmpty() ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        cookies.getCookieStore().getCookies().stream().filter(c -> c.getName().equals("XSRF-TOKEN")).map(HttpCookie::getValue).findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        if (!body.isEmpty()) {
            request.header("Content-Type", "application/json").header("Idempotency-Key", key);
        }
        return request.build();
    }
}
