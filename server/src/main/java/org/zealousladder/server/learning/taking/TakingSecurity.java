package org.zealousladder.server.learning.taking;

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
import org.zealousladder.server.platform.who.Cookies;
import org.zealousladder.server.platform.who.LadderProperties;

/** Students have no account: a card's cookie opens their own side and nothing else. */
@Configuration
@ConditionalOnWebApplication
class TakingSecurity {
    /** A whole school may sit a check behind one address; each answer is one request. */
    private static final Turns.Allowance SCHOOL = new Turns.Allowance(600, 60, 48);

    @Bean
    @Order(2)
    SecurityFilterChain takingChain(HttpSecurity http, TakingService taking, ProblemWriter problems, Cookies cookies, LadderProperties properties)
            throws Exception {
        return http.securityMatcher("/api/taking", "/api/taking/**").authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable).sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .securityContext(AbstractHttpConfigurer::disable).requestCache(AbstractHttpConfigurer::disable).anonymous(AbstractHttpConfigurer::disable)
                .addFilterBefore(new TakingGate(taking, problems, cookies, new Turns(SCHOOL.times(properties.pace(), properties.servers()))),
                        AuthorizationFilter.class)
                .build();
    }
}
