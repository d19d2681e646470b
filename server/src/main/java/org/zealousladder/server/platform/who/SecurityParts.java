package org.zealousladder.server.platform.who;

import java.time.Clock;
import java.util.Map;
import org.springframework.boot.session.autoconfigure.DefaultCookieSerializerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;

/** What the commands without a web server need of security, too. */
@Configuration
class SecurityParts {
    private static final int BCRYPT_COST = 12;

    /** The token against forged requests is a cookie that the page reads; it goes over HTTPS only where the session's does. */
    @Bean
    CsrfTokenRepository tokens(Cookies cookies) {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieName(cookies.named("XSRF-TOKEN"));
        tokens.setCookieCustomizer(cookie -> cookie.secure(cookies.secure()).sameSite("Strict"));
        return tokens;
    }

    /** Everything else of it stands in the settings. */
    @Bean
    DefaultCookieSerializerCustomizer sessionCookie(Cookies cookies) {
        return serializer -> serializer.setCookieName(cookies.named("LADDER"));
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    PasswordEncoder encoder() {
        // A quarter of a second of one core: what OWASP's guidance calls for, and more than its least (10). Hashes of before are renewed at sign-in.
        return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(BCRYPT_COST)));
    }
}
