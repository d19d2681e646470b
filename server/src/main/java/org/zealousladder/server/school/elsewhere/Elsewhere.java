package org.zealousladder.server.school.elsewhere;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.oauth2.client.authentication.OAuth2LoginAuthenticationToken;
import org.springframework.security.oauth2.client.endpoint.RestClientAuthorizationCodeTokenResponseClient;
import org.springframework.security.oauth2.client.oidc.authentication.OidcAuthorizationCodeAuthenticationProvider;
import org.springframework.security.oauth2.client.oidc.userinfo.OidcUserService;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.registration.ClientRegistrations;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationExchange;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationResponse;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.web.client.RestClientException;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.ElsewhereProperties;

/**
 * Who the school's own sign-in says somebody is: code flow with PKCE and nonce (<a href="https://openid.net/specs/openid-connect-core-1_0.html">OpenID Connect Core</a>,
 * RFC 7636), by Spring Security's client. Somebody is known by issuer and subject; the first time by the e-mail address that the issuer has verified, where one account has
 * it. No account is made by it.
 */
@Service
public class Elsewhere {
    static final String BACK = "/api/elsewhere/back";
    private static final Logger LOG = LoggerFactory.getLogger(Elsewhere.class);

    private final ElsewhereProperties properties;
    private final ElsewhereStore store;
    private final Audit audit;
    private final TransactionOperations transaction;
    private final OidcAuthorizationCodeAuthenticationProvider provider = new OidcAuthorizationCodeAuthenticationProvider(
            new RestClientAuthorizationCodeTokenResponseClient(), new OidcUserService());
    private volatile @Nullable ClientRegistration registration;

    Elsewhere(ElsewhereProperties properties, ElsewhereStore store, Audit audit, TransactionOperations springSessionTransactionOperations) {
        this.properties = properties;
        this.store = store;
        this.audit = audit;
        this.transaction = springSessionTransactionOperations;
    }

    /** Where to begin: the issuer's page, with what has to fit its answer. */
    String begin(Sent sent) {
        return sent.request(registration()).getAuthorizationRequestUri();
    }

    /** Its description is read when it is first needed, and again until it can be: this program starts without it. */
    private ClientRegistration registration() {
        if (!properties.on()) {
            throw Refusal.notFound("There is no other sign-in here.");
        }
        ClientRegistration known = registration;
        if (known == null) {
            try {
                known = ClientRegistrations.fromIssuerLocation(requireNonNull(properties.issuer())).registrationId("elsewhere")
                        .clientId(requireNonNull(properties.clientId(), "LADDER_OIDC_CLIENT is not set")).clientSecret(properties.clientSecret())
                        .scope("openid", "profile", "email").redirectUri(address() + BACK).build();
            } catch (RestClientException | IllegalArgumentException | IllegalStateException e) {
                LOG.warn("the sign-in at {} does not describe itself: {}", properties.issuer(), e.getMessage());
                throw away();
            }
            registration = known;
        }
        return known;
    }

    private String address() {
        return requireNonNull(properties.address(), "LADDER_OIDC_ADDRESS is not set").replaceAll("/+$", "");
    }

    private Refusal away() {
        return Refusal.conflict("Sign-in by " + properties.name() + " does not answer. Try again in a while, or use your password.");
    }

    /**
     * The person whom the issuer's answer is about.
     *
     * @param sent what was sent, as the browser kept it
     * @throws Refusal 401 when it is about nobody here, or is no answer to what was sent
     */
    int person(Sent sent, Map<String, String> said) {
        if (said.containsKey("error")) {
            throw refused("It was broken off there.");
        }
        OAuth2AuthorizationRequest request = sent.request(registration());
        OAuth2AuthorizationResponse response = OAuth2AuthorizationResponse.success(said.getOrDefault("code", "none")).state(said.getOrDefault("state", "none"))
                .redirectUri(requireNonNull(request.getRedirectUri())).build();
        OidcUser user;
        try {
            OAuth2LoginAuthenticationToken token = (OAuth2LoginAuthenticationToken) requireNonNull(
                    provider.authenticate(new OAuth2LoginAuthenticationToken(registration(), new OAuth2AuthorizationExchange(request, response))));
            user = (OidcUser) requireNonNull(token.getPrincipal());
        } catch (AuthenticationException e) {
            LOG.warn("an answer of {} is not taken: {}", properties.issuer(), e.getMessage());
            throw refused("Its answer does not fit what was asked. Begin again.");
        }
        return requireNonNull(transaction.execute(status -> known(user)));
    }

    private int known(OidcUser user) {
        String issuer = requireNonNull(user.getIssuer()).toString();
        String subject = requireNonNull(user.getSubject());
        return store.linked(issuer, subject).orElseGet(() -> {
            String email = user.getEmail();
            List<Integer> meant = email == null || !Boolean.TRUE.equals(user.getEmailVerified()) ? List.of() : store.byEmail(email);
            if (meant.size() != 1) {
                throw refused(email == null || !Boolean.TRUE.equals(user.getEmailVerified())
                        ? "It tells no e-mail address that it has checked, so nobody here can be found by it. Ask your administrator."
                        : meant.isEmpty() ? "Nobody here has the e-mail address " + email + ". Ask your administrator to put it to your name."
                                : "Several accounts here have the e-mail address " + email + ". Ask your administrator.");
            }
            store.link(issuer, subject, meant.get(0));
            audit.note(meant.get(0), Note.of(Kind.RIGHTS, "linked to the school's own sign-in").whom(meant.get(0)));
            return meant.get(0);
        });
    }

    private Refusal refused(String why) {
        audit.note(null, Note.of(Kind.REFUSED, "sign-in by the school's own sign-in"));
        return Refusal.unauthorized("Sign-in by " + properties.name() + " did not work. " + why);
    }
}
