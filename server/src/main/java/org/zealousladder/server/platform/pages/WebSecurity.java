package org.zealousladder.server.platform.pages;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.zealousladder.server.platform.problems.Problems;
import org.zealousladder.server.platform.who.Rights;
import tools.jackson.databind.json.JsonMapper;

/** Who may reach which address, and the headers on every answer. What a person may see within is each service's matter. */
@Configuration
@ConditionalOnWebApplication
class WebSecurity {
    private final JsonMapper json;

    WebSecurity(JsonMapper json) {
        this.json = json;
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, Rights rights) throws Exception {
        return http
                .authorizeHttpRequests(requests -> requests
                        .requestMatchers("/api/session", "/api/setup", "/api/health").permitAll()
                        .requestMatchers("/api/**").authenticated()
                        .requestMatchers(HttpMethod.GET, "/**").permitAll()
                        .anyRequest().denyAll())
                .csrf(csrf -> csrf.spa())
                .addFilterBefore(new RightsFilter(rights), AuthorizationFilter.class)
                .addFilterAfter(new SamePersonFilter(response -> write(response, HttpStatus.UNAUTHORIZED, "other-person",
                        "Somebody else has signed in in this browser meanwhile. Nothing was saved.")), AuthorizationFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .exceptionHandling(errors -> errors
                        .authenticationEntryPoint((request, response, e) -> write(response, HttpStatus.UNAUTHORIZED, "sign-in",
                                "You are not signed in, or your sign-in has run out. Sign in again; nothing was saved."))
                        .accessDeniedHandler((request, response, e) -> write(response, HttpStatus.FORBIDDEN, "forbidden",
                                "This request was not allowed. Reload the page and try again; nothing was saved.")))
                .headers(headers -> headers
                        .contentSecurityPolicy(csp -> csp.policyDirectives(Pages.policy("")))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(p -> p.policy("camera=(), microphone=(), geolocation=()"))
                        .cacheControl(cache -> cache.disable())
                        .addHeaderWriter((request, response) -> {
                            if (request.getRequestURI().startsWith("/api/") && !response.containsHeader("Cache-Control")) {
                                response.setHeader("Cache-Control", "no-store");
                            }
                        }))
                .build();
    }

    /** Keeps Spring from making up a user of its own: sign-in is the people capability's. */
    @Bean
    org.springframework.security.core.userdetails.UserDetailsService nobody() {
        return login -> {
            throw new org.springframework.security.core.userdetails.UsernameNotFoundException(login);
        };
    }

    private void write(HttpServletResponse response, HttpStatus status, String type, String sentence) throws IOException {
        ProblemDetail problem = Problems.problem(status, type, sentence);
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        json.writeValue(response.getWriter(), problem);
    }
}
