package org.zealousladder.server.platform.who;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings under {@code ladder}.
 *
 * @param today ISO date that stands in for the real one in the demo; empty otherwise
 * @param demo whether the sample people may be chosen at sign-in
 */
@ConfigurationProperties("ladder")
public record LadderProperties(String today, boolean demo) {}
