package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.CookieManager;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Many who send little and slowly keep nobody else from working. */
class SlowSendersTest extends BrowserTest {
    private final List<Socket> slow = new ArrayList<>();

    @AfterEach
    void hangUp() throws IOException {
        for (Socket socket : slow) {
            socket.close();
        }
        slow.clear();
    }

    /** Somebody signed in, as a program would be. */
    private record Person(HttpClient client, CookieManager cookies) {
        String cookieLine() {
            return cookies.getCookieStore().getCookies().stream().map(c -> c.getName() + "=" + c.getValue()).collect(Collectors.joining("; "));
        }

        String token() {
            return cookies.getCookieStore().getCookies().stream().filter(c -> c.getName().equals("XSRF-TOKEN")).findFirst().orElseThrow().getValue();
        }
    }

    private Person signedIn(String login) throws IOException, InterruptedException {
        CookieManager cookies = new CookieManager();
        HttpClient client = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).cookieHandler(cookies).build();
        Person person = new Person(client, cookies);
        client.send(HttpRequest.newBuilder(URI.create(address + "/api/session")).build(), BodyHandlers.discarding());
        HttpRequest signIn = HttpRequest.newBuilder(URI.create(address + "/api/session")).header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", person.token()).POST(HttpRequest.BodyPublishers.ofString("{\"login\":\"" + login + "\"}")).build();
        assertEquals(200, client.send(signIn, BodyHandlers.discarding()).statusCode());
        return person;
    }

    /** One address takes many connections and says nothing on any of them: those over the limit are closed at once, and when they go, all is as before. */
    @Test
    void oneAddressDoesNotTakeAllConnections() throws Exception {
        URI to = URI.create(address);
        int most = 500;
        for (int i = 0; i < most + 60; i++) {
            slow.add(new Socket(to.getHost(), to.getPort()));
        }
        Socket last = slow.get(slow.size() - 1);
        last.setSoTimeout(5000);
        assertEquals(-1, last.getInputStream().read(), "closed by the server");
        Socket first = slow.get(0);
        first.setSoTimeout(5000);
        first.getOutputStream()
                .write(("GET /api/health HTTP/1.1\r\nHost: " + to.getAuthority() + "\r\nConnection: close\r\n\r\n").getBytes(StandardCharsets.UTF_8));
        assertTrue(new String(first.getInputStream().readAllBytes(), StandardCharsets.UTF_8).startsWith("HTTP/1.1 200"), "who is in is served");
        hangUp();
        Thread.sleep(500);
        assertEquals(200,
                HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(address + "/api/session")).build(), BodyHandlers.discarding()).statusCode());
    }

    /** What the container refuses before any filter of ours hears of it: a sentence, and the headers of every answer. */
    @Test
    void whatCannotBeReadIsRefusedInASentence() throws IOException {
        URI to = URI.create(address);
        for (String request : List.of("BAD", "GET /%zz HTTP/1.1\r\nHost: x", "GET / HTTP/1.1\r\nHost: a b",
                "GET / HTTP/1.1\r\nHost: x\r\nA: " + "a".repeat(20_000))) {
            try (Socket socket = new Socket(to.getHost(), to.getPort())) {
                socket.getOutputStream().write((request + "\r\n\r\n").getBytes(StandardCharsets.UTF_8));
                String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                assertTrue(answer.startsWith("HTTP/1.1 400") && answer.contains("X-Content-Type-Options: nosniff")
                        && answer.contains("Content-Security-Policy: default-src 'none'")
                        && answer.endsWith("The request could not be read. Go back, or begin anew at the first page."), answer);
            }
        }
    }

    /** Begins to send and then says nothing more. */
    private void begin(String path, String type, String cookies, String token) throws IOException {
        URI to = URI.create(address);
        Socket socket = new Socket(to.getHost(), to.getPort());
        slow.add(socket);
        socket.getOutputStream()
                .write(("POST " + path + " HTTP/1.1\r\nHost: " + to.getAuthority() + "\r\nContent-Type: " + type + "\r\nContent-Length: 60000\r\n"
                        + "Cookie: " + cookies + "\r\nX-XSRF-TOKEN: " + token + "\r\n\r\nstudent,").getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
    }

    private int sees(Person person) throws IOException, InterruptedException {
        return person.client().send(HttpRequest.newBuilder(URI.create(address + "/api/scope")).timeout(Duration.ofSeconds(30)).build(),
                BodyHandlers.discarding()).statusCode();
    }

    /** The pool has twelve connections; an upload that is on its way holds none of them. */
    @Test
    void uploadsOnTheirWayHoldNoConnection() throws Exception {
        Person reader = signedIn("r.oduya");
        for (String login : List.of("m.tveit", "a.sandvik")) {
            Person sender = signedIn(login);
            for (int i = 0; i < 10; i++) {
                begin("/api/records/imports?name=slow.csv", "application/octet-stream", sender.cookieLine(), sender.token());
            }
        }
        Thread.sleep(1000);
        for (int i = 0; i < 5; i++) {
            assertEquals(200, sees(reader));
        }
        Person late = signedIn("b.calder");
        assertEquals(200, sees(late), "and others can still sign in");
    }

    /** Threads that waited for these would be free again after a minute of silence, long after the reader gave up. */
    @Test
    void whoHasNotSignedInHoldsFewThreads() throws Exception {
        address = DemoServer.get().beside(Map.of("SERVER_TOMCAT_CONNECTIONTIMEOUT", "60s"));
        Person reader = signedIn("r.oduya");
        Person stranger = new Person(reader.client(), new CookieManager());
        assertTrue(stranger.cookieLine().isEmpty());
        for (int i = 0; i < 230; i++) {
            begin("/api/session", "application/json", "XSRF-TOKEN=x", "x");
        }
        for (int i = 0; i < 230; i++) {
            begin("/api/session", "application/json", "XSRF-TOKEN=x", "of no token");
        }
        Thread.sleep(1000);
        for (int i = 0; i < 5; i++) {
            assertEquals(200, sees(reader));
        }
    }
}
