package org.zealousladder.server.platform.who;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings under {@code ladder}.
 *
 * @param today ISO date that stands in for the real one in the demo; empty otherwise
 * @param zone where the school is, like Europe/Oslo: its day is today; empty for the zone of the machine
 * @param demo whether the sample people may be chosen at sign-in
 * @param proxy the addresses, as a regular expression, of the web server in front, whose word about where a request comes from counts; empty: nobody's
 * @param pace by how much more than usual one sender may ask; 1 where nothing is set
 * @param leaverYears for how many years a student's records are kept after leaving; 0: until they are erased one by one
 * @param secondStep who has to have a second step at sign-in: no, administrators, coordinators (and administrators), or everyone
 * @param servers how many answer over the same records; each gives out its part of what one sender may ask
 */
@ConfigurationProperties("ladder")
public record LadderProperties(@Nullable String today, @Nullable String zone, boolean demo, @Nullable String proxy, @DefaultValue("1") int pace,
        @DefaultValue("1") int servers, @DefaultValue("0") int leaverYears,
        @DefaultValue("no") String secondStep) {}
