package org.zealousladder.server.platform.pages;

import java.util.Arrays;
import org.apache.catalina.Pipeline;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Tomcat's own error pages give way to {@link PlainErrors}. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class Container implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextCustomizers(context -> {
            StandardHost host = (StandardHost) context.getParent();
            Pipeline pipeline = host.getPipeline();
            Arrays.stream(pipeline.getValves()).filter(ErrorReportValve.class::isInstance).forEach(pipeline::removeValve);
            host.setErrorReportValveClass(PlainErrors.class.getName());
        });
    }
}
