package org.zealousladder.server.exchange.records;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.jdbc.support.SQLExceptionTranslator;
import org.springframework.jdbc.support.SQLStateSQLExceptionTranslator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.exchange.records.ImportResult.FileRead;
import org.zealousladder.server.exchange.records.ImportResult.Told;
import org.zealousladder.server.exchange.records.TableReader.Given;
import org.zealousladder.server.exchange.records.matching.Matchings;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.undoing.Undoing;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.json.JsonMapper;

/**
 * The one way in for data: the interface, the command line and the demo all come through here. A preview says what a file
 * would do; taking it is one transaction, all accepted rows or none, and is refused when the records have changed since the
 * preview so that it would do something else.
 */
@Service
public class ImportService {
    /** Largest file, in bytes. */
    public static final long LIMIT = 100L * 1024 * 1024;

    private static final int FILES_LIMIT = 30;
    private static final Logger LOG = LoggerFactory.getLogger(ImportService.class);

    private final RecordsStore store;
    private final DataSource dataSource;
    private final Audit audit;
    private final JsonMapper json;
    private final ImportKinds kinds;
    private final Matchings matchings;
    private final Undoing undoing;
    private final SQLExceptionTranslator translator = new SQLStateSQLExceptionTranslator();

    ImportService(RecordsStore store, DataSource dataSource, JsonMapper json, ImportKinds kinds, Matchings matchings, Undoing undoing, Audit audit) {
        this.undoing = undoing;
        this.matchings = matchings;
        this.audit = audit;
        this.store = store;
        this.dataSource = dataSource;
        this.json = json;
        this.kinds = kinds;
    }

    /** A preview that waits to be taken. */
    public record Preview(long id, String fileName, ImportResult result) {}

    /**
     * Takes the file at {@code path} at once: for the command line.
     *
     * @param days which part of a day comes first, where the file does not tell; null: then it is refused
     */
    @Transactional
    public ImportResult take(Path path, Forms.@Nullable DayForm days) {
        return take(path, days, false);
    }

    /**
     * As {@link #take(Path, Forms.DayForm)}.
     *
     * @param yes whether so many may be ended as the file has it
     */
    @Transactional
    public ImportResult take(Path path, Forms.@Nullable DayForm days, boolean yes) {
        ImportResult result = run(path, How.surely(days), true);
        meant(result, yes);
        return noted(result);
    }

    /** Takes a file whose days can be read in one way alone. */
    @Transactional
    public ImportResult take(Path path) {
        return take(path, null);
    }

    /** Says what the file at {@code path} would do, read as it looks. */
    @Transactional
    public ImportResult look(Path path) {
        return run(path, How.AS_IT_LOOKS, false);
    }

    /** Says what {@link #take(Path, Forms.DayForm)} would do. */
    @Transactional
    public ImportResult look(Path path, Forms.@Nullable DayForm days) {
        return run(path, How.surely(days), false);
    }

    private ImportResult run(Path path, How how, boolean take) {
        try (Archive.Tables tables = Archive.tables(path, String.valueOf(path.getFileName()), FILES_LIMIT)) {
            return run(given(tables, how), take, new ImportProgress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Given> given(Archive.Tables tables, How how) {
        return tables.all().stream().map(t -> new Given(t.name(), t.path(), how)).toList();
    }

    /** Where the roster says that many have gone, somebody has to say so too. */
    private static void meant(ImportResult result, boolean yes) {
        result.endings().stream().filter(e -> e.many() && !yes).findFirst().ifPresent(e -> {
            throw new Refusal(HttpStatus.CONFLICT, "many-endings", null, "It would end " + e.ended() + " of " + e.current() + " " + e.what()
                    + ", because they are no longer in it. That is more than one in ten; say that it is meant. Nothing was saved.");
        });
    }

    /** Says what a file that was sent would do, and keeps it until it is taken. */
    @Transactional
    Preview preview(String fileName, Path path, ImportProgress progress) {
        store.deleteAbandoned();
        long id = store.addUpload(Viewer.current().id(), fileName);
        try (Archive.Tables tables = Archive.tables(path, fileName, FILES_LIMIT)) {
            tables.all().forEach(t -> add(id, t.name(), t.path()));
            return kept(id, fileName, run(given(tables, How.AS_IT_LOOKS), false, progress));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Says what the files of a preview would do together with one more. */
    @Transactional
    Preview previewWith(long id, String fileName, Path path, ImportProgress progress) {
        RecordsStore.Upload upload = waiting(id);
        List<How> hows = new ArrayList<>(shown(upload).files().stream().map(ImportService::as).toList());
        if (hows.size() >= FILES_LIMIT) {
            throw Refusal.invalid("files", "At most " + FILES_LIMIT + " files are brought in together. Save these first.");
        }
        try (Archive.Tables tables = Archive.tables(path, fileName, FILES_LIMIT - hows.size())) {
            if (store.size(id) + Files.size(path) > LIMIT) {
                throw tooLarge();
            }
            tables.all().forEach(t -> add(id, t.name(), t.path()));
            hows.addAll(Collections.nCopies(tables.all().size(), How.AS_IT_LOOKS));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return kept(id, upload.fileName(), again(id, hows, false, progress));
    }

    private void add(long id, String fileName, Path path) {
        try (InputStream in = Files.newInputStream(path)) {
            store.addFile(id, fileName, in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Preview kept(long id, String fileName, ImportResult result) {
        store.keepPreview(id, json.writeValueAsString(result));
        return new Preview(id, fileName, result);
    }

    /** How a file was read that is not read otherwise. What is not known yet is found again. */
    private static How as(FileRead file) {
        return new How(file.sureOfDays() ? file.forms() : null, file.sheets().isEmpty() ? null : file.sheets().get(0),
                file.matching().subject() == null ? null : file.matching(), null, false);
    }

    /**
     * Says what a previewed file would do, read in another way.
     *
     * @param file its number among those of the preview
     */
    @Transactional
    Preview readAs(long id, int file, How how, ImportProgress progress) {
        RecordsStore.Upload upload = waiting(id);
        List<How> hows = new ArrayList<>(shown(upload).files().stream().map(ImportService::as).toList());
        if (file >= hows.size()) {
            throw Refusal.invalid("file", "There is no file of that number.");
        }
        hows.set(file, how);
        return kept(id, upload.fileName(), again(id, hows, false, progress));
    }

    /** What the viewer looked at last and has neither taken nor left: who leaves the page comes back to it. */
    @Transactional(readOnly = true)
    public Optional<Preview> waiting() {
        return store.waiting().map(u -> new Preview(u.id(), u.fileName(), shown(u)));
    }

    /**
     * Takes what was previewed.
     *
     * @param yes whether so many may be ended as was shown
     */
    @Transactional
    ImportResult accept(long id, boolean yes, ImportProgress progress) {
        RecordsStore.Upload upload = waiting(id);
        ImportResult shown = shown(upload);
        if (!shown.open().isEmpty()) {
            throw Refusal.invalid("matching", shown.open().get(0) + " Nothing was saved.");
        }
        if (!shown.sureOfDays()) {
            throw Refusal.invalid("days", "Say first whether the day or the month comes first. Nothing was saved.");
        }
        meant(shown, yes);
        ImportResult result = again(id, shown.files().stream().map(ImportService::as).toList(), true, progress);
        if (result.differsFrom(shown)) {
            throw Refusal.conflict(
                    "The records have changed since you looked at this file, so it would now do something else. Nothing was saved; choose the file again.");
        }
        store.markApplied(id);
        shown.files().stream().filter(f -> f.told() != Told.OURS && f.told() != Told.STANDARD).forEach(
                f -> matchings.keep(f.name(), kinds.subject(f.matching().subject()).orElseThrow(), f.matching(), f.forms()));
        return noted(result);
    }

    private ImportResult shown(RecordsStore.Upload upload) {
        return json.readValue(upload.preview(), ImportResult.class);
    }

    private ImportResult noted(ImportResult result) {
        audit.note(Note.of(result.parts().stream().anyMatch(p -> kinds.named(p.kind()).changesRights()) ? Kind.RIGHTS : Kind.IMPORT,
                "file of " + result.label() + ": " + result.added() + " new, " + result.changed() + " changed, " + result.refused() + " refused"));
        return result;
    }

    @Transactional
    public void discard(long id) {
        require(id);
        store.delete(id);
    }

    @Transactional
    public void refusals(long id, Consumer<ImportResult.RowRefusal> each) {
        require(id);
        store.refusals(id, each);
    }

    /**
     * Writes the refused rows of one file as they stand there, each with what is wrong with it, to be put right and brought in again.
     *
     * @param file its number among those of the preview
     */
    @Transactional
    public void refusedRows(long id, int file, CsvRows rows) {
        ImportResult shown = shown(require(id));
        if (file < 0 || file >= shown.files().size()) {
            throw Refusal.notFound("There is no file of that number.");
        }
        Map<Integer, String> reasons = new HashMap<>();
        store.refusals(id, r -> {
            if (r.file() == file) {
                reasons.merge(r.row(), r.message(), (a, b) -> a + " " + b);
            }
        });
        try (ReceivedFile content = ReceivedFile.empty()) {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(content.path()))) {
                store.writeContent(id, file, out);
            }
            RefusedRows.write(content.path(), shown.files().get(file), reasons, rows);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private RecordsStore.Upload waiting(long id) {
        RecordsStore.Upload upload = require(id);
        if (upload.applied()) {
            throw Refusal.conflict("This file has been taken already. Choose it again if you want to look at it once more.");
        }
        return upload;
    }

    private RecordsStore.Upload require(long id) {
        return store.upload(id).orElseThrow(() -> Refusal.notFound("That file is no longer here. Choose it again."));
    }

    private ImportResult run(List<Given> files, boolean take, ImportProgress progress) {
        Connection connection = DataSourceUtils.getConnection(dataSource);
        try {
            return new ImportRun(connection, kinds, matchings, progress, undoing).run(files, take);
        } catch (SQLException e) {
            RuntimeException translated = translator.translate("import", null, e);
            throw translated == null ? new IllegalStateException(e) : translated;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            DataSourceUtils.releaseConnection(connection, dataSource);
        }
    }

    /** COPY cannot read and write one connection at once, so the content stands in files between the two. */
    private ImportResult again(long id, List<How> hows, boolean take, ImportProgress progress) {
        List<ReceivedFile> files = new ArrayList<>();
        try {
            List<String> names = store.files(id);
            List<Given> given = new ArrayList<>();
            for (int i = 0; i < names.size(); i++) {
                ReceivedFile file = ReceivedFile.empty();
                files.add(file);
                try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file.path()))) {
                    store.writeContent(id, i, out);
                }
                given.add(new Given(names.get(i), file.path(), hows.get(i)));
            }
            return run(given, take, progress);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            files.forEach(ReceivedFile::discard);
        }
    }

    static Refusal tooLarge() {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "too-large", null,
                "The file is larger than 100 MB. Split it, by school or by year, and bring in the parts. Nothing was saved.");
    }
}
