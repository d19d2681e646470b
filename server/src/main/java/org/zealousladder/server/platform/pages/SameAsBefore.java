package org.zealousladder.server.platform.pages;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.web.filter.ShallowEtagHeaderFilter;

/**
 * A view that is asked for again and has not changed is answered with 304 and no body: pages ask often. The tags are weak, since Tomcat does not compress
 * an answer with a strong one. Files are left out: they are sent as they are made.
 */
@Configuration
class SameAsBefore {
    @Bean
    FilterRegistrationBean<ShallowEtagHeaderFilter> etags() {
        ShallowEtagHeaderFilter filter = new ShallowEtagHeaderFilter() {
            @Override
            protected boolean shouldNotFilter(HttpServletRequest request) {
                String path = request.getRequestURI();
                return !HttpMethod.GET.matches(request.getMethod()) || path.endsWith(".csv") || path.endsWith("/file");
            }
        };
        filter.setWriteWeakETag(true);
        FilterRegistrationBean<ShallowEtagHeaderFilter> registration = new FilterRegistrationBean<>(filter);
        registration.addUrlPatterns("/api/*");
        return registration;
    }
}
