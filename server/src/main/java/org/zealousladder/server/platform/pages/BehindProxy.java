package org.zealousladder.server.platform.pages;

import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.LadderProperties;

/** Where a request comes from is what its connection says; what a header says counts only from the web server that the settings name. */
@Component
@ConditionalOnWebApplication
class BehindProxy implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final LadderProperties properties;

    BehindProxy(LadderProperties properties) {
        this.properties = properties;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        String proxy = properties.proxy();
        if (proxy == null || proxy.isBlank()) {
            return;
        }
        RemoteIpValve valve = new RemoteIpValve();
        valve.setInternalProxies(proxy);
        valve.setRemoteIpHeader("X-Forwarded-For");
        valve.setProtocolHeader("X-Forwarded-Proto");
        factory.addEngineValves(valve);
    }
}
