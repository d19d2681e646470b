package org.zealousladder.server.platform.pages;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * The one page behind every view's address. It is served with a fresh nonce, the only one under which the page may add a
 * style of its own (the focus trap of an open dialog does); everything else must come from this origin.
 */
@Hidden
@Controller
class Pages {
    private final SecureRandom random = new SecureRandom();

    /** Every address that is neither the interface's nor a file's: which ones lead somewhere is the page's matter. */
    @GetMapping({"/", "/index.html", "/{view:(?!api$)[^.]+}", "/{view:(?!api$)[^.]+}/{part:[^.]+}", "/{view:(?!api$)[^.]+}/{part:[^.]+}/{rest:[^.]+}"})
    ResponseEntity<String> page(HttpServletResponse response) throws IOException {
        byte[] bytes = new byte[16];
        random.nextBytes(bytes);
        String nonce = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        response.setHeader("Content-Security-Policy", policy("'nonce-" + nonce + "'"));
        String html = new ClassPathResource("static/index.html").getContentAsString(StandardCharsets.UTF_8);
        return ResponseEntity.ok().contentType(MediaType.TEXT_HTML).cacheControl(CacheControl.noStore())
                .body(html.replace("%NONCE%", nonce));
    }

    /** The strict policy; {@code styleNonce} is empty for everything but the page itself. */
    static String policy(String styleNonce) {
        return "default-src 'none'; script-src 'self'; style-src 'self' " + styleNonce + "; img-src 'self' data:; "
                + "font-src 'self'; connect-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    }
}
