package org.zealousladder.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A sample person of the district demo, signed in as a browser would be. */
final class DemoPerson {
    static final String TODAY = "2026-03-13";

    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).version(HttpClient.Version.HTTP_1_1).build();

    DemoPerson(String address, String login) throws IOException, InterruptedException {
        this.address = address;
        get("/api/session");
        HttpResponse<byte[]> answer = send("POST", "/api/session", "application/json", "{\"login\":\"" + login + "\"}");
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(login + ": " + text(answer));
        }
        // The token goes with the new session.
        get("/api/session");
    }

    String classScope() throws IOException, InterruptedException {
        return scope("class-", "id");
    }

    String schoolScope() throws IOException, InterruptedException {
        return scope("school-", "schoolId");
    }

    private String scope(String kind, String part) throws IOException, InterruptedException {
        String choices = get("/api/scope");
        Matcher m = Pattern.compile("\"code\":\"[^\"]*-25-[^\"]*\"[^}]*").matcher(choices);
        m.find();
        // The id stands before the code within the same object.
        String object = choices.substring(choices.lastIndexOf('{', m.start()), m.end());
        return "who=" + kind + number(object, part) + "&year=" + number(object, "yearId") + "&asOf=" + TODAY;
    }

    long timed(String path) throws IOException, InterruptedException {
        long start = System.nanoTime();
        get(path);
        return System.nanoTime() - start;
    }

    /** @throws IllegalStateException for any answer but 200 */
    String get(String path) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = send("GET", path, null, "");
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(path + ": " + answer.statusCode() + " " + text(answer));
        }
        return text(answer);
    }

    HttpResponse<byte[]> send(String method, String path, String type, String body) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path)).method(method,
                body.isEmpty() ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        cookies.getCookieStore().getCookies().stream().filter(c -> c.getName().equals("XSRF-TOKEN")).map(HttpCookie::getValue).findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        if (type != null) {
            request.header("Content-Type", type);
        }
        return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** Sends a file as the page does. */
    HttpResponse<byte[]> upload(Path file) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + "/api/records/imports?name=" + file.getFileName()))
                .header("Content-Type", "application/octet-stream").POST(HttpRequest.BodyPublishers.ofFile(file));
        cookies.getCookieStore().getCookies().stream().filter(c -> c.getName().equals("XSRF-TOKEN")).map(HttpCookie::getValue).findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    String cookieLine() {
        return String.join("; ", cookies.getCookieStore().getCookies().stream().map(c -> c.getName() + "=" + c.getValue()).toList());
    }

    static String text(HttpResponse<byte[]> answer) {
        return new String(answer.body(), StandardCharsets.UTF_8);
    }

    private static String number(String object, String name) {
        return Arrays.stream(object.split(",")).filter(p -> p.contains("\"" + name + "\":")).map(p -> p.replaceAll("\\D+", "")).findFirst().orElseThrow();
    }
}
