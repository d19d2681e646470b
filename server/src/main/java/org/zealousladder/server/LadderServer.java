package org.zealousladder.server;

import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server's configuration root; started by the command's {@code serve}. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class LadderServer {}
