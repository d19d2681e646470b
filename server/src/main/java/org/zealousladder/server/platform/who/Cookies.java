package org.zealousladder.server.platform.who;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/**
 * The cookies' names and their attributes. Behind HTTPS each is named with {@code __Host-}: a browser then takes it over HTTPS alone, from this very host, for all of it
 * (RFC 6265bis, section 4.1.3).
 */
@Component
public final class Cookies {
    private static final String HOST = "__Host-";
    private final boolean secure;

    public Cookies(@Value("${server.servlet.session.cookie.secure:false}") boolean secure) {
        this.secure = secure;
    }

    /** Whether they go over HTTPS alone. */
    public boolean secure() {
        return secure;
    }

    public String named(String name) {
        return secure ? HOST + name : name;
    }

    /** One that no script reads. */
    public String line(String name, String value, Duration lasts) {
        return ResponseCookie.from(named(name), value).httpOnly(true).secure(secure).sameSite("Strict").path("/").maxAge(lasts).build().toString();
    }
}
