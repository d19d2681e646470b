package org.zealousladder.server.platform.who;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings under {@code ladder.elsewhere}: the school's own sign-in, where it has one that speaks OpenID Connect.
 *
 * @param issuer its address, under which it describes itself; empty: there is none
 * @param clientId by which it knows this program
 * @param clientSecret which it shares with this program
 * @param name what people call it
 * @param address this program's own, as browsers see it (https://ladder.school.example); the issuer sends people back there
 */
@ConfigurationProperties("ladder.elsewhere")
public record ElsewhereProperties(@Nullable String issuer, @Nullable String clientId, @Nullable String clientSecret,
        @DefaultValue("the school's sign-in") String name, @Nullable String address) {
    public boolean on() {
        return issuer != null && !issuer.isBlank();
    }
}
