package org.zealousladder.server.school.people;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a browser says that it is, in two words that a person knows their own by. */
final class Browsers {
    /** The first that is found counts: most browsers also name those that they are like. */
    private static final Map<String, String> KINDS = ordered("Edg/", "Edge", "OPR/", "Opera", "Firefox/", "Firefox", "Chrome/", "Chrome", "Safari/", "Safari");
    private static final Map<String, String> SYSTEMS = ordered("Android", "Android", "iPhone", "iPhone", "iPad", "iPad", "Windows", "Windows", "CrOS",
            "ChromeOS",
            "Mac OS", "Mac", "Linux", "Linux");

    private Browsers() {}

    static String name(@Nullable String agent) {
        if (agent == null) {
            return "another program";
        }
        String kind = first(KINDS, agent);
        String system = first(SYSTEMS, agent);
        return kind == null ? "another program" : system == null ? kind : kind + " on " + system;
    }

    private static @Nullable String first(Map<String, String> known, String agent) {
        return known.entrySet().stream().filter(e -> agent.contains(e.getKey())).map(Map.Entry::getValue).findFirst().orElse(null);
    }

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return map;
    }
}
