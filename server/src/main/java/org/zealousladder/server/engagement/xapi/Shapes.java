package org.zealousladder.server.engagement.xapi;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** The small parts of statements: addresses, languages, durations, times. */
final class Shapes {
    private static final Pattern IRI = Pattern.compile("[A-Za-z][A-Za-z0-9+.-]*:[^\\s\\p{Cntrl}<>\"{}|\\\\^`]+");
    private static final Pattern UUID = Pattern.compile("[0-9a-fA-F]{8}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{12}");
    private static final Pattern LANGUAGE = Pattern.compile("[A-Za-z]{1,8}(-[A-Za-z0-9]{1,8})*");
    private static final Pattern DURATION = Pattern
            .compile(
                    "P(?=.)(?:(\\d+(?:\\.\\d+)?)W|(?:(\\d+)Y)?(?:(\\d+)M)?(?:(\\d+(?:\\.\\d+)?)D)?(?:T(?=.)(?:(\\d+(?:\\.\\d+)?)H)?(?:(\\d+(?:\\.\\d+)?)M)?(?:(\\d+(?:\\.\\d+)?)S)?)?)");
    private static final Pattern ZONE = Pattern.compile("(?<=\\d)([+-]\\d\\d):?(\\d\\d)?$");
    private static final double[] MINUTES = {7 * 1440, 365 * 1440, 30 * 1440, 1440, 60, 1, 1 / 60.0};
    private static final int LONGEST_IRI = 2000;

    private Shapes() {}

    static void only(JsonNode node, String where, Set<String> known) {
        if (!node.isObject()) {
            throw new BadStatement(where, "has to be an object");
        }
        node.propertyNames().forEach(name -> {
            if (!known.contains(name)) {
                throw new BadStatement(where, "has a property '" + name + "' that is none; capitals count");
            }
        });
    }

    static String text(JsonNode node, String where) {
        if (!node.isString()) {
            throw new BadStatement(where, "has to be a text");
        }
        return node.asString();
    }

    static String iri(JsonNode node, String where) {
        String text = text(node, where);
        if (text.length() > LONGEST_IRI || !IRI.matcher(text).matches()) {
            throw new BadStatement(where, "has to be an IRI with its scheme, like https://school.example/books/1");
        }
        return text;
    }

    static java.util.UUID uuid(JsonNode node, String where) {
        String text = text(node, where);
        if (!UUID.matcher(text).matches()) {
            throw new BadStatement(where, "has to be a UUID");
        }
        return java.util.UUID.fromString(text);
    }

    static void languages(JsonNode node, String where) {
        if (!node.isObject()) {
            throw new BadStatement(where, "has to be texts by language");
        }
        node.properties().forEach(e -> {
            if (!LANGUAGE.matcher(e.getKey()).matches()) {
                throw new BadStatement(where, "'" + e.getKey() + "' is no language");
            }
            text(e.getValue(), where + "." + e.getKey());
        });
    }

    static void extensions(JsonNode node, String where) {
        if (!node.isObject()) {
            throw new BadStatement(where, "has to be an object");
        }
        node.propertyNames().forEach(name -> {
            if (!IRI.matcher(name).matches()) {
                throw new BadStatement(where, "'" + name + "' has to be an IRI");
            }
        });
    }

    static void yesNo(@Nullable JsonNode node, String where) {
        if (node != null && !node.isBoolean()) {
            throw new BadStatement(where, "has to be true or false");
        }
    }

    static Instant time(JsonNode node, String where) {
        String text = text(node, where);
        try {
            if (text.endsWith("-00:00") || text.endsWith("-0000") || text.endsWith("-00")) {
                throw new BadStatement(where, "has to have a zone that is known");
            }
            // Zones of whole hours, and without the colon, are well-formed, too.
            String whole = ZONE.matcher(text).replaceFirst(z -> z.group(1) + ":" + (z.group(2) == null ? "00" : z.group(2)));
            return OffsetDateTime.parse(whole).toInstant();
        } catch (DateTimeException e) {
            throw new BadStatement(where, "has to be a time with a zone, like 2026-03-13T09:12:00+01:00");
        }
    }

    /** Minutes of an ISO 8601 duration. */
    static double minutes(JsonNode node, String where) {
        var m = DURATION.matcher(text(node, where));
        if (!m.matches()) {
            throw new BadStatement(where, "has to be a duration, like PT12M30S");
        }
        double sum = 0;
        for (int i = 0; i < MINUTES.length; i++) {
            sum += m.group(i + 1) == null ? 0 : MINUTES[i] * Double.parseDouble(m.group(i + 1));
        }
        return sum;
    }
}
