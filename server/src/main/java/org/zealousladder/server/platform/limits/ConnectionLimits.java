package org.zealousladder.server.platform.limits;

import java.util.regex.Pattern;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.LadderProperties;

/** Puts {@link FewFromEach} in Tomcat's place, and {@link HeardOut} around all; the web server in front, where there is one, has everybody's connections. */
@Component
@ConditionalOnWebApplication
class ConnectionLimits implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final LadderProperties properties;

    ConnectionLimits(LadderProperties properties) {
        this.properties = properties;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        String proxy = properties.proxy();
        factory.setProtocol(FewFromEach.class.getName());
        factory.addEngineValves(new HeardOut());
        factory.addProtocolHandlerCustomizers(handler -> {
            if (handler instanceof FewFromEach limited && proxy != null && !proxy.isBlank()) {
                limited.unlimited(Pattern.compile(proxy).asMatchPredicate());
            }
        });
    }
}
