package org.zealousladder.standins;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.RSAKey;
import com.nimbusds.jose.jwk.gen.RSAKeyGenerator;
import com.nimbusds.jose.util.JSONObjectUtils;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Base64;
import java.util.Date;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;

/**
 * A school's own sign-in as it speaks OpenID Connect: it describes itself, asks who somebody is (by letting them choose), and gives a code for which a program that shows its
 * secret and the verifier (PKCE, S256) gets a signed ID token. On loopback only.
 */
public final class SignInStandIn implements AutoCloseable {
    public static final String CLIENT = "zealous-ladder";
    public static final String SECRET = "a secret that is none";

    /** Somebody it knows. */
    public record Person(String subject, String name, @Nullable String email, boolean checked) {}

    /** What it can get wrong, so that it can be seen that this is noticed. */
    public enum Fault {
        NONE,
        ANOTHER_NONCE,
        ANOTHER_KEY,
        ANOTHER_AUDIENCE,
        OLD
    }

    private record Given(Person person, String redirect, String nonce, String challenge) {}

    private final HttpServer server;
    private final List<Person> people;
    private final RSAKey key;
    private final RSAKey another;
    private final Map<String, Given> codes = new ConcurrentHashMap<>();
    private final Map<String, Person> tokens = new ConcurrentHashMap<>();
    private volatile Fault fault = Fault.NONE;

    /**
     * Starts it.
     *
     * @param port 0 for any that is free
     */
    public SignInStandIn(int port, List<Person> people) throws IOException {
        this.people = List.copyOf(people);
        try {
            key = new RSAKeyGenerator(2048).keyID("one").generate();
            another = new RSAKeyGenerator(2048).keyID("one").generate();
        } catch (JOSEException e) {
            throw new IllegalStateException(e);
        }
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        server.createContext("/.well-known/openid-configuration", this::describe);
        server.createContext("/keys", x -> answer(x, 200, "application/json", new JWKSet(key.toPublicJWK()).toString()));
        server.createContext("/authorize", this::authorize);
        server.createContext("/token", this::token);
        server.createContext("/userinfo", this::userInfo);
        server.setExecutor(Executors.newFixedThreadPool(4, r -> {
            Thread thread = new Thread(r, "stand-in");
            thread.setDaemon(true);
            return thread;
        }));
        server.start();
    }

    public String issuer() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    /** From now on it gets this wrong. */
    public void will(Fault wrong) {
        fault = wrong;
    }

    private void describe(HttpExchange x) throws IOException {
        String at = issuer();
        answer(x, 200, "application/json",
                JSONObjectUtils.toJSONString(Map.of("issuer", at, "authorization_endpoint", at + "/authorize", "token_endpoint", at + "/token",
                        "jwks_uri", at + "/keys", "userinfo_endpoint", at + "/userinfo", "response_types_supported", List.of("code"), "subject_types_supported",
                        List.of("public"),
                        "id_token_signing_alg_values_supported", List.of("RS256"), "scopes_supported", List.of("openid", "profile", "email"),
                        "token_endpoint_auth_methods_supported", List.of("client_secret_basic"))));
    }

    /** Asks who it is; whoever is chosen goes back with a code. */
    private void authorize(HttpExchange x) throws IOException {
        Map<String, String> asked = form(x.getRequestURI().getRawQuery());
        if (!CLIENT.equals(asked.get("client_id")) || !"code".equals(asked.get("response_type")) || !asked.containsKey("redirect_uri")) {
            answer(x, 400, "text/plain", "This sign-in does not know the program that asks.");
            return;
        }
        String who = asked.get("who");
        if (who == null) {
            StringBuilder page = new StringBuilder("<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Sign-in of the school (stand-in)</title>"
                    + "<h1>Sign-in of the school</h1><p>A stand-in, for trying. Who are you?</p><ul>");
            people.forEach(p -> page.append("<li><a href=\"/authorize?").append(escape(x.getRequestURI().getRawQuery())).append("&amp;who=")
                    .append(escape(p.subject()))
                    .append("\">").append(escape(p.name())).append("</a></li>"));
            answer(x, 200, "text/html; charset=utf-8", page.append("<li><a href=\"/authorize?").append(escape(x.getRequestURI().getRawQuery()))
                    .append("&amp;who=\">Nobody: break it off</a></li></ul></html>").toString());
            return;
        }
        String state = "&state=" + encode(asked.getOrDefault("state", ""));
        Person person = people.stream().filter(p -> p.subject().equals(who)).findFirst().orElse(null);
        String back = asked.get("redirect_uri");
        if (person == null) {
            redirect(x, back + "?error=access_denied" + state);
            return;
        }
        String code = UUID.randomUUID().toString();
        codes.put(code, new Given(person, back, asked.getOrDefault("nonce", ""), asked.getOrDefault("code_challenge", "")));
        redirect(x, back + "?code=" + code + state);
    }

    private void token(HttpExchange x) throws IOException {
        Map<String, String> asked = form(new String(x.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
        Given given = codes.remove(asked.getOrDefault("code", ""));
        String basic = "Basic " + Base64.getEncoder().encodeToString((encode(CLIENT) + ":" + encode(SECRET)).getBytes(StandardCharsets.UTF_8));
        if (!basic.equals(x.getRequestHeaders().getFirst("Authorization"))) {
            answer(x, 401, "application/json", "{\"error\":\"invalid_client\"}");
        } else
            if (given == null || !given.redirect().equals(asked.get("redirect_uri"))
                    || !given.challenge().equals(challenge(asked.getOrDefault("code_verifier", "")))) {
                        answer(x, 400, "application/json", "{\"error\":\"invalid_grant\"}");
                    } else {
                        String token = UUID.randomUUID().toString();
                        tokens.put(token, given.person());
                        answer(x, 200, "application/json", JSONObjectUtils
                                .toJSONString(Map.of("access_token", token, "token_type", "Bearer", "expires_in", 300, "id_token", signed(given))));
                    }
    }

    private String signed(Given given) {
        Instant now = fault == Fault.OLD ? Instant.now().minusSeconds(7200) : Instant.now();
        JWTClaimsSet.Builder claims = new JWTClaimsSet.Builder().issuer(issuer()).audience(fault == Fault.ANOTHER_AUDIENCE ? "another" : CLIENT)
                .issueTime(Date.from(now)).expirationTime(Date.from(now.plusSeconds(300)))
                .claim("nonce", fault == Fault.ANOTHER_NONCE ? "another" : given.nonce());
        claims(given.person()).forEach(claims::claim);
        try {
            SignedJWT jwt = new SignedJWT(new JWSHeader.Builder(JWSAlgorithm.RS256).keyID(key.getKeyID()).build(), claims.build());
            jwt.sign(new RSASSASigner(fault == Fault.ANOTHER_KEY ? another : key));
            return jwt.serialize();
        } catch (JOSEException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, Object> claims(Person p) {
        Map<String, Object> claims = new HashMap<>(Map.of("sub", p.subject(), "name", p.name()));
        if (p.email() != null) {
            claims.put("email", p.email());
            claims.put("email_verified", p.checked());
        }
        return claims;
    }

    private void userInfo(HttpExchange x) throws IOException {
        String said = x.getRequestHeaders().getFirst("Authorization");
        Person p = said == null ? null : tokens.get(said.replaceFirst("^Bearer ", ""));
        if (p == null) {
            answer(x, 401, "application/json", "{\"error\":\"invalid_token\"}");
        } else {
            answer(x, 200, "application/json", JSONObjectUtils.toJSONString(claims(p)));
        }
    }

    private static String challenge(String verifier) {
        try {
            return Base64.getUrlEncoder().withoutPadding()
                    .encodeToString(MessageDigest.getInstance("SHA-256").digest(verifier.getBytes(StandardCharsets.US_ASCII)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, String> form(@Nullable String text) {
        Map<String, String> form = new HashMap<>();
        for (String pair : text == null ? new String[0] : text.split("&")) {
            int equals = pair.indexOf('=');
            if (equals > 0) {
                form.put(URLDecoder.decode(pair.substring(0, equals), StandardCharsets.UTF_8),
                        URLDecoder.decode(pair.substring(equals + 1), StandardCharsets.UTF_8));
            }
        }
        return form;
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
    }

    private static void redirect(HttpExchange x, String to) throws IOException {
        x.getResponseHeaders().set("Location", URI.create(to).toString());
        answer(x, 302, "text/plain", "");
    }

    private static void answer(HttpExchange x, int status, String type, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        x.getResponseHeaders().set("Content-Type", type);
        x.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
        if (bytes.length > 0) {
            x.getResponseBody().write(bytes);
        }
        x.close();
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
