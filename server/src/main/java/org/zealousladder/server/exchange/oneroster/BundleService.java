package org.zealousladder.server.exchange.oneroster;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Looked;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/** The way out for a whole year: its roster and its screening scores as a OneRoster 1.2 CSV bundle. Tiers, flags and plans are nobody else's. */
@Service
@Transactional(readOnly = true)
public class BundleService {
    private final BundleStore store;
    private final RosterService roster;

    BundleService(BundleStore store, RosterService roster) {
        this.store = store;
        this.roster = roster;
    }

    /**
     * Writes the bundle of a school; without one, of the school that the viewer coordinates, or of all for an administrator.
     *
     * @throws Refusal 403 for whoever sees single classes only, 422 where somebody coordinates several schools and says none of them
     */
    public void write(int yearId, @Nullable Integer asked, LocalDate day, OutputStream out) throws IOException {
        Viewer viewer = Viewer.current();
        if (viewer.role() == Viewer.Role.TEACHER) {
            throw Refusal.forbidden("A roster is of a whole school; a coordinator or an administrator takes it out.");
        }
        SchoolYear year = roster.year(yearId);
        if (asked != null && !viewer.leads(asked)) {
            throw Refusal.forbidden("The roster of another school is for its own coordinators.");
        }
        if (asked == null && viewer.role() == Viewer.Role.COORDINATOR && viewer.led().size() != 1) {
            throw Refusal.invalid("school", "Say which of your schools.");
        }
        Integer school = asked == null && viewer.role() == Viewer.Role.COORDINATOR ? viewer.led().iterator().next() : asked;
        String source = store.source();
        Looked.at(store.students(year.id(), school));
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        List<String> written = new ArrayList<>();
        for (String file : store.files()) {
            boolean[] any = new boolean[1];
            CsvWriter[] csv = new CsvWriter[1];
            try {
                store.each(file, year.id(), year.clamp(day), school, source, cells -> {
                    if (!any[0]) {
                        any[0] = true;
                        begin(zip, file);
                        csv[0] = writer(zip);
                    }
                    csv[0].writeRecord(cells);
                });
            } catch (java.io.UncheckedIOException e) {
                throw new IOException(e);
            }
            if (any[0]) {
                written.add(file);
                csv[0].flush();
                zip.closeEntry();
            }
        }
        begin(zip, "manifest");
        CsvWriter manifest = writer(zip);
        manifest.writeRecord("propertyName", "value").writeRecord("manifest.version", "1.0").writeRecord("oneroster.version", "1.2")
                .writeRecord("source.systemName", "Zealous Ladder").writeRecord("source.systemCode", "zealous-ladder");
        MANIFEST.forEach(f -> manifest.writeRecord("file." + f, written.contains(f) ? "bulk" : "absent"));
        manifest.flush();
        zip.closeEntry();
        zip.finish();
    }

    /** All files the standard knows. */
    private static final List<String> MANIFEST = List.of("academicSessions", "categories", "classes", "classResources", "courses", "courseResources",
            "demographics",
            "enrollments", "lineItemLearningObjectiveIds", "lineItems", "lineItemScoreScales", "orgs", "resources", "resultLearningObjectiveIds", "results",
            "resultScoreScales", "roles", "scoreScales", "userProfiles", "userResources", "users");

    private static void begin(ZipOutputStream zip, String file) {
        try {
            zip.putNextEntry(new ZipEntry(file + ".csv"));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Never closed: the archive goes on after it. Its cells are for programs, so that none is changed for a spreadsheet's sake. */
    private static CsvWriter writer(ZipOutputStream zip) {
        Writer letters = new OutputStreamWriter(zip, StandardCharsets.UTF_8);
        return CsvWriter.builder().build(letters);
    }
}
