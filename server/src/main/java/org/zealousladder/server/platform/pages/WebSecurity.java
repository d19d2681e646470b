package org.zealousladder.server.platform.pages;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.zealousladder.server.platform.limits.SenderFilter;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;

/** Who may reach which address, and the headers on every answer. What a person may see within is each service's matter. */
@Configuration
@ConditionalOnWebApplication
class WebSecurity {
    private final ProblemWriter problems;

    private final boolean secure;

    WebSecurity(ProblemWriter problems, @Value("${server.servlet.session.cookie.secure:false}") boolean secure) {
        this.problems = problems;
        this.secure = secure;
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, CsrfTokenRepository tokens, Rights rights, SenderFilter senders)
            throws Exception {
        return http
                .authorizeHttpRequests(requests -> requests
                        .requestMatchers("/api/session", "/api/setup", "/api/join", "/api/join/look", "/api/health", "/api/passkey/*", "/api/elsewhere",
                                "/api/elsewhere/back")
                        .permitAll()
                        .requestMatchers("/api/**").authenticated()
                        .requestMatchers(HttpMethod.GET, "/**").permitAll()
                        .anyRequest().denyAll())
                .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens))
                .addFilterBefore(new RightsFilter(rights, problems), AuthorizationFilter.class)
                .addFilterAfter(senders, RightsFilter.class)
                .addFilterAfter(new SamePersonFilter(problems), AuthorizationFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .exceptionHandling(errors -> errors
                        .authenticationEntryPoint((request, response, e) -> problems.write(response,
                                new Refusal(HttpStatus.UNAUTHORIZED, "sign-in", null,
                                        "You are not signed in, or your sign-in has run out. Sign in again; nothing was saved.")))
                        .accessDeniedHandler((request, response, e) -> problems.write(response,
                                new Refusal(HttpStatus.FORBIDDEN, "forbidden", null,
                                        "This request was not allowed. Reload the page and try again; nothing was saved."))))
                .headers(headers -> headers
                        .contentSecurityPolicy(csp -> csp.policyDirectives(Pages.policy("")))
                        // The server itself is asked over HTTP by the web server in front; whether browsers use HTTPS is a setting.
                        .httpStrictTransportSecurity(hsts -> hsts.requestMatcher(request -> secure).maxAgeInSeconds(31_536_000).includeSubDomains(false))
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
}
