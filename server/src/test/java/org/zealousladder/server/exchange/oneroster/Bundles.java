package org.zealousladder.server.exchange.oneroster;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A OneRoster bundle in the making: the files of a small school, with what a test makes of them. */
final class Bundles {
    static final String ORGS = "sourcedId,status,dateLastModified,name,type,identifier,parentSourcedId";
    static final String SESSIONS = "sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear";
    static final String COURSES = "sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode,grades,orgSourcedId,subjects,subjectCodes";
    static final String CLASSES = "sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods";
    static final String USERS = "sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,"
            + "password,userMasterIdentifier,resourceSourcedIds,preferredGivenName,preferredMiddleName,preferredFamilyName,primaryOrgSourcedId,pronouns";
    static final String ROLES = "sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId,userProfileSourcedId";
    static final String ENROLLMENTS = "sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate";

    private final String source;
    private final String mode;
    private final Map<String, StringBuilder> files = new LinkedHashMap<>();

    Bundles(String source, String mode) {
        this.source = source;
        this.mode = mode;
    }

    Bundles file(String name, String header, String... rows) {
        StringBuilder text = new StringBuilder(header).append('\n');
        List.of(rows).forEach(r -> text.append(r).append('\n'));
        files.put(name, text);
        return this;
    }

    /** A row more, or with {@code before} in place of one that begins so. */
    Bundles with(String name, String before, String... rows) {
        String kept = files.get(name).toString().lines().filter(l -> before.isEmpty() || !l.startsWith(before)).reduce("", (a, b) -> a + b + "\n");
        files.put(name, new StringBuilder(kept + (rows.length == 0 ? "" : String.join("\n", rows) + "\n")));
        return this;
    }

    static String user(String id, String status, String changed, String login, String given, String family, String identifier) {
        return "%s,%s,%s,true,%s,,%s,%s,,%s,,,,,,,,,,,,,".formatted(id, status, changed, login, given, family, identifier);
    }

    Path zip() {
        try {
            Path path = Files.createTempFile("ladder-test-", ".zip");
            path.toFile().deleteOnExit();
            try (OutputStream out = Files.newOutputStream(path); ZipOutputStream zip = new ZipOutputStream(out)) {
                StringBuilder manifest = new StringBuilder(
                        "propertyName,value\nmanifest.version,1.0\noneroster.version,1.2\nsource.systemCode," + source + "\n");
                files.keySet().forEach(f -> manifest.append("file.").append(f).append(',').append(mode).append('\n'));
                put(zip, "manifest.csv", manifest);
                for (Map.Entry<String, StringBuilder> f : files.entrySet()) {
                    put(zip, f.getKey() + ".csv", f.getValue());
                }
            }
            return path;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void put(ZipOutputStream zip, String name, CharSequence text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.toString().getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    /** One school with a home class of four, a reading group of two, a teacher of each and a principal; in the year that runs. */
    static Bundles school(String source, String school) {
        String p = source + "-";
        return new Bundles(source, "bulk")
                .file("orgs", ORGS, p + "d,,,The isles,district,,",
                        p + "o,,," + school + ",school," + source.toUpperCase(java.util.Locale.ROOT) + "," + p + "d")
                .file("academicSessions", SESSIONS, p + "y,,,This year,schoolYear,2025-08-25,2026-06-19,,2026",
                        p + "t,,,Spring,term,2026-01-05,2026-06-19," + p + "y,2026")
                .file("courses", COURSES, p + "k,,," + p + "y,Reading,,," + p + "o,,")
                .file("classes", CLASSES, p + "h,,,Storm petrel,\"03,04\",," + p + "3A,homeroom,," + p + "o," + p + "t,,,",
                        p + "g,,,Early readers,," + p + "k,,scheduled,," + p
                                + "o," + p + "t,Reading,,")
                .file("users", USERS, user(p + "1", "", "", "", "Ada", "Skerry", source + "1").replace(",true,,", ",true," + p + "ada,"),
                        user(p + "2", "", "", p + "bo", "Bo", "Skerry", source + "2"), user(p + "3", "", "", p + "cy", "Cy", "Skerry", source + "3"),
                        user(p + "4", "", "", p + "di", "Di", "Skerry", ""), user(p + "5", "", "", p + "Kari", "Kari", "Holm", ""),
                        user(p + "6", "", "", p + "per", "Per", "Holm", ""), user(p + "7", "", "", p + "head", "Eva", "Holm", ""),
                        user(p + "8", "", "", p + "mum", "Ida", "Skerry", ""))
                .file("roles", ROLES, p + "r1,,," + p + "1,primary,student,,," + p + "o,", p + "r2,,," + p + "2,primary,student,,," + p + "o,", p + "r3,,," + p
                        + "3,primary,student,,," + p + "o,", p + "r4,,," + p + "4,primary,student,,," + p + "o,",
                        p + "r5,,," + p + "5,primary,teacher,,," + p + "o,",
                        p + "r6,,," + p + "6,primary,teacher,,," + p + "o,", p + "r7,,," + p + "7,primary,principal,,," + p + "o,", p + "r8,,," + p
                                + "8,primary,guardian,,," + p + "o,")
                .file("enrollments", ENROLLMENTS, p + "e1,,," + p + "h," + p + "o," + p + "1,student,,2025-08-25,",
                        p + "e2,,," + p + "h," + p + "o," + p + "2,student,,,",
                        p + "e3,,," + p + "h," + p + "o," + p + "3,student,,,", p + "e4,,," + p + "h," + p + "o," + p + "4,student,,,",
                        p + "e5,,," + p + "h," + p + "o," + p
                                + "5,teacher,true,,",
                        p + "e6,,," + p + "g," + p + "o," + p + "6,teacher,true,,", p + "e7,,," + p + "g," + p + "o," + p
                                + "1,student,,2026-01-12,",
                        p + "e8,,," + p + "g," + p + "o," + p + "2,student,,2026-01-12,");
    }
}
