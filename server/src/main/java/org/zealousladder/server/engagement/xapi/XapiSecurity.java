package org.zealousladder.server.engagement.xapi;

import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.zealousladder.server.platform.limits.Turns;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.who.LadderProperties;

/** Programs have no session and no cookie: each request brings its key. */
@Configuration
@ConditionalOnWebApplication
class XapiSecurity {
    @Bean
    @Order(1)
    SecurityFilterChain xapi(HttpSecurity http, SendersService senders, ProblemWriter problems, LadderProperties properties) throws Exception {
        return http.securityMatcher("/xapi/**").authorizeHttpRequests(requests -> requests.anyRequest().permitAll()).csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS)).securityContext(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable).anonymous(AbstractHttpConfigurer::disable)
                .addFilterBefore(new XapiGate(senders, problems, new Turns(Turns.PROGRAM.times(properties.pace(), properties.servers()))),
                        AuthorizationFilter.class)
                .build();
    }
}
