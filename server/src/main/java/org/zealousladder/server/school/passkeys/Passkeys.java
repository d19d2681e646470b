package org.zealousladder.server.school.passkeys;

import static java.util.Objects.requireNonNull;

import java.net.URI;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.database.PeopleDatabase;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Passkeys (<a href="https://www.w3.org/TR/webauthn-3/">Web Authentication</a>), by Spring Security's relying party. Whoever uses one has shown to the device who they are
 * (user verification is required), so that it is both steps of a sign-in in one.
 */
@Service
@Transactional(PeopleDatabase.TRANSACTIONS)
public class Passkeys {
    private static final String NAME = "Zealous Ladder";

    private final PasskeyStore store;
    private final Audit audit;
    private final JsonMapper json = JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();

    Passkeys(PasskeyStore store, Audit audit) {
        this.store = store;
        this.audit = audit;
    }

    /** A key of one's own. */
    public record Own(String key, String name, Instant madeAt, @Nullable Instant usedAt) {}

    @Transactional(transactionManager = PeopleDatabase.TRANSACTIONS, readOnly = true)
    public List<Own> own() {
        return store.own(Viewer.current().id()).stream().map(k -> new Own(HexFormat.of().formatHex(k.id()), k.name(), k.madeAt(), k.usedAt())).toList();
    }

    /** For the page at an address: a key is good for the host that it was made at, and no other. */
    private Webauthn4JRelyingPartyOperations at(URI page) {
        String host = page.getHost();
        if (host.matches("[0-9.]+|\\[.*]")) {
            throw Refusal.conflict("A passkey needs a name for this server in the address, like ladder.school.example; at a number it cannot be used.");
        }
        var operations = new Webauthn4JRelyingPartyOperations(store, store, PublicKeyCredentialRpEntity.builder().id(host).name(NAME).build(),
                Set.of(page.getScheme() + "://" + page.getAuthority()));
        operations
                .setCustomizeCreationOptions(o -> o.authenticatorSelection(AuthenticatorSelectionCriteria.builder().residentKey(ResidentKeyRequirement.REQUIRED)
                        .userVerification(UserVerificationRequirement.REQUIRED).build()));
        operations.setCustomizeRequestOptions(o -> o.userVerification(UserVerificationRequirement.REQUIRED));
        return operations;
    }

    private static Authentication asking() {
        return requireNonNull(SecurityContextHolder.getContext().getAuthentication());
    }

    /** What a device is asked to make a key by, for the viewer. */
    PublicKeyCredentialCreationOptions creation(URI page) {
        return at(page).createPublicKeyCredentialCreationOptions(new ImmutablePublicKeyCredentialCreationOptionsRequest(asking()));
    }

    /** What a device is asked to sign, of whomever. */
    PublicKeyCredentialRequestOptions request(URI page) {
        return at(page).createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
    }

    String written(Object options) {
        return json.writeValueAsString(options);
    }

    /**
     * Keeps a key that a device has made.
     *
     * @throws Refusal 422 when it is none, or was not made for what was asked
     */
    void keep(URI page, PublicKeyCredentialCreationOptions asked, String credential, String name) {
        Webauthn4JRelyingPartyOperations operations = at(page);
        try {
            PublicKeyCredential<AuthenticatorAttestationResponse> made = json.readValue(credential, new TypeReference<>() {
            });
            operations.registerCredential(new ImmutableRelyingPartyRegistrationRequest(asked, new RelyingPartyPublicKey(made, name)));
        } catch (JacksonException | com.webauthn4j.util.exception.WebAuthnException | IllegalArgumentException e) {
            throw Refusal.invalid("credential", "The device's key could not be taken. Try once more, or with another device; nothing was saved.");
        }
        audit.note(Note.of(Kind.RIGHTS, "passkey made").whom(Viewer.current().id()));
    }

    /**
     * Whose key has signed what was asked.
     *
     * @throws Refusal 401 when nobody's has
     */
    int signer(URI page, PublicKeyCredentialRequestOptions asked, String credential) {
        Webauthn4JRelyingPartyOperations operations = at(page);
        try {
            PublicKeyCredential<AuthenticatorAssertionResponse> signed = json.readValue(credential, new TypeReference<>() {
            });
            PublicKeyCredentialUserEntity user = operations.authenticate(new RelyingPartyAuthenticationRequest(asked, signed));
            return store.person(user.getId()).orElseThrow(Passkeys::unknown);
        } catch (JacksonException | com.webauthn4j.util.exception.WebAuthnException | IllegalArgumentException | NullPointerException e) {
            audit.note(null, Note.of(Kind.REFUSED, "sign-in with a passkey that is not known"));
            throw unknown();
        }
    }

    private static Refusal unknown() {
        return Refusal
                .unauthorized("That passkey is not known here, or its account has ended. Sign in with your password, and make a new one under your name.");
    }

    void remove(String key) {
        byte[] id;
        try {
            id = HexFormat.of().parseHex(key);
        } catch (IllegalArgumentException e) {
            throw gone();
        }
        if (!store.remove(Viewer.current().id(), id)) {
            throw gone();
        }
        audit.note(Note.of(Kind.RIGHTS, "passkey taken away").whom(Viewer.current().id()));
    }

    private static Refusal gone() {
        return Refusal.notFound("That passkey is gone already.");
    }
}
