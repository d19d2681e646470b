package org.zealousladder.demo;

import static java.util.Objects.requireNonNull;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** The demo's roster as a school office's system would send it: a OneRoster 1.2 bundle, made of the demo's own files. */
final class RosterBundle {
    /** The files of which nothing is left to bring in when the bundle is. */
    static final List<String> COVERED = List.of("schools.csv", "years.csv", "classes.csv", "enrolments.csv", "teaches.csv");

    private static final LocalDateTime MADE = LocalDateTime.of(2026, 3, 12, 22, 0);

    private final Path folder;
    private final Map<String, StringWriter> files = new LinkedHashMap<>();
    private final Map<String, CsvWriter> writers = new LinkedHashMap<>();
    private final Map<String, String> schoolOf = new LinkedHashMap<>();
    private int enrolments;

    private RosterBundle(Path folder) {
        this.folder = folder;
    }

    /** Writes it beside the files; returns where. */
    static Path write(Path folder) throws IOException {
        return new RosterBundle(folder).write();
    }

    private Path write() throws IOException {
        begin("orgs", "name,type,identifier,parentSourcedId");
        begin("academicSessions", "title,type,startDate,endDate,parentSourcedId,schoolYear");
        begin("courses", "schoolYearSourcedId,title,courseCode,grades,orgSourcedId,subjects,subjectCodes");
        begin("classes", "title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods");
        begin("users",
                "enabledUser,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password,userMasterIdentifier,"
                        + "resourceSourcedIds,preferredGivenName,preferredMiddleName,preferredFamilyName,primaryOrgSourcedId,pronouns");
        begin("roles", "userSourcedId,roleType,role,beginDate,endDate,orgSourcedId,userProfileSourcedId");
        begin("enrollments", "classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate");
        schools();
        classes();
        people();
        students();
        Path path = folder.resolve("roster.zip");
        try (OutputStream out = Files.newOutputStream(path); ZipOutputStream zip = new ZipOutputStream(out)) {
            StringBuilder manifest = new StringBuilder(
                    "propertyName,value\nmanifest.version,1.0\noneroster.version,1.2\nsource.systemName,Skerrow school office\n"
                            + "source.systemCode,skerrow-office\n");
            files.keySet().forEach(f -> manifest.append("file.").append(f).append(",bulk\n"));
            put(zip, "manifest", manifest.toString());
            for (Map.Entry<String, StringWriter> f : files.entrySet()) {
                requireNonNull(writers.get(f.getKey())).close();
                put(zip, f.getKey(), f.getValue().toString());
            }
        }
        return path;
    }

    private void schools() throws IOException {
        for (NamedCsvRecord s : read("schools")) {
            row("orgs", org(s.getField("school")), s.getField("name"), "school", s.getField("school"), "");
        }
        for (NamedCsvRecord y : read("years")) {
            String ends = y.getField("ends");
            row("academicSessions", "year-" + y.getField("year"), y.getField("year"), "schoolYear", y.getField("starts"), ends, "", ends.substring(0, 4));
        }
    }

    private void classes() throws IOException {
        Set<String> courses = new HashSet<>();
        for (NamedCsvRecord c : read("classes")) {
            String year = "year-" + c.getField("year");
            String course = "course-" + c.getField("year");
            if (courses.add(course)) {
                row("courses", course, year, "All lessons", "", "", org(c.getField("school")), "", "");
            }
            schoolOf.put(c.getField("class"), org(c.getField("school")));
            row("classes", "class-" + c.getField("class"), c.getField("name"), "%02d".formatted(Integer.parseInt(c.getField("grade"))), course,
                    c.getField("class"), "homeroom",
                    "", org(c.getField("school")), year, "", "", "");
        }
    }

    private void people() throws IOException {
        for (NamedCsvRecord p : read("people")) {
            if (p.getField("role").equals("administrator")) {
                continue;
            }
            String[] names = p.getField("person").split(" ", 2);
            user("staff-" + p.getField("login"), p.getField("login"), names[0], names[1], "",
                    p.getField("role").equals("coordinator") ? "principal" : "teacher",
                    org(p.getField("school")));
        }
        for (NamedCsvRecord t : read("teaches")) {
            enrolment(t.getField("class"), "staff-" + t.getField("login"), "teacher", "true", "", "");
        }
    }

    private void students() throws IOException {
        String school = schoolOf.values().iterator().next();
        for (NamedCsvRecord s : read("students")) {
            String code = s.getField("student");
            user("pupil-" + code, code.toLowerCase(Locale.ROOT), s.getField("given_name"), s.getField("family_name"), code, "student", school);
        }
        for (NamedCsvRecord e : read("enrolments")) {
            enrolment(e.getField("class"), "pupil-" + e.getField("student"), "student", "", e.getField("from"), e.getField("to"));
        }
    }

    private void user(String id, String login, String given, String family, String identifier, String role, String school) {
        row("users", id, "true", login, "", given, family, "", identifier, "", "", "", "", "", "", "", "", "", "", "", school, "");
        row("roles", "role-" + id, id, "primary", role, "", "", school, "");
    }

    private void enrolment(String code, String user, String role, String primary, String from, String to) {
        row("enrollments", "enrollment-" + ++enrolments, "class-" + code, requireNonNull(schoolOf.get(code)), user, role, primary, from, to);
    }

    private static String org(String school) {
        return "org-" + school;
    }

    private void begin(String file, String own) {
        StringWriter text = new StringWriter();
        files.put(file, text);
        CsvWriter writer = CsvWriter.builder().build(text);
        writers.put(file, writer);
        writer.writeRecord(("sourcedId,status,dateLastModified," + own).split(","));
    }

    private void row(String file, String id, String... own) {
        List<String> cells = new ArrayList<>(List.of(id, "", ""));
        cells.addAll(List.of(own));
        requireNonNull(writers.get(file)).writeRecord(cells);
    }

    private List<NamedCsvRecord> read(String sheet) throws IOException {
        try (CsvReader<NamedCsvRecord> in = CsvReader.builder().ofNamedCsvRecord(folder.resolve(sheet + ".csv"))) {
            return in.stream().toList();
        }
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        ZipEntry entry = new ZipEntry(name + ".csv");
        entry.setTimeLocal(MADE);
        zip.putNextEntry(entry);
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }
}
