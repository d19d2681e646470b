package org.zealousladder.server.school.elsewhere;

import static java.util.Objects.requireNonNull;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Map;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.endpoint.OAuth2ParameterNames;
import org.springframework.security.oauth2.core.endpoint.PkceParameterNames;
import org.springframework.security.oauth2.core.oidc.endpoint.OidcParameterNames;

/** What goes to the issuer with somebody and has to fit what comes back: three numbers that nobody guesses. The browser keeps them in between, in a cookie of minutes. */
record Sent(String state, String nonce, String verifier) {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int BYTES = 32;

    static Sent fresh() {
        return new Sent(random(), random(), random());
    }

    private static String random() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    String kept() {
        return state + "." + nonce + "." + verifier;
    }

    /** @throws IllegalArgumentException when it is not of the form */
    static Sent of(String kept) {
        String[] parts = kept.split("\\.");
        if (parts.length != 3) {
            throw new IllegalArgumentException("not what was sent");
        }
        return new Sent(parts[0], parts[1], parts[2]);
    }

    /** The same for the same numbers, so that nothing of it has to be kept but them. */
    OAuth2AuthorizationRequest request(ClientRegistration at) {
        return OAuth2AuthorizationRequest.authorizationCode().authorizationUri(requireNonNull(at.getProviderDetails().getAuthorizationUri()))
                .clientId(at.getClientId())
                .redirectUri(at.getRedirectUri()).scopes(at.getScopes()).state(state)
                .additionalParameters(Map.of(OidcParameterNames.NONCE, hash(nonce), PkceParameterNames.CODE_CHALLENGE, hash(verifier),
                        PkceParameterNames.CODE_CHALLENGE_METHOD,
                        "S256"))
                .attributes(a -> a.putAll(Map.of(OAuth2ParameterNames.REGISTRATION_ID, at.getRegistrationId(), OidcParameterNames.NONCE, nonce,
                        PkceParameterNames.CODE_VERIFIER, verifier)))
                .build();
    }

    private static String hash(String text) {
        try {
            return Base64.getUrlEncoder().withoutPadding()
                    .encodeToString(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.US_ASCII)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
