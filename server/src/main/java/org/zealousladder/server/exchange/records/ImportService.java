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
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;
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

    private static final Logger LOG = LoggerFactory.getLogger(ImportService.class);

    private final RecordsStore store;
    private final DataSource dataSource;
    private final Audit audit;
    private final JsonMapper json;
    private final ImportKinds kinds;
    private final SQLExceptionTranslator translator = new SQLStateSQLExceptionTranslator();

    ImportService(RecordsStore store, DataSource dataSource, JsonMapper json, ImportKinds kinds, Audit audit) {
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
        return noted(run(path, How.surely(days), true, new ImportProgress()));
    }

    /** Takes a file whose days can be read in one way alone. */
    @Transactional
    public ImportResult take(Path path) {
        return take(path, null);
    }

    /** Says what the file at {@code path} would do, read as it looks. */
    @Transactional
    public ImportResult look(Path path) {
        return run(path, How.AS_IT_LOOKS, false, new ImportProgress());
    }

    /** Says what {@link #take(Path, Forms.DayForm)} would do. */
    @Transactional
    public ImportResult look(Path path, Forms.@Nullable DayForm days) {
        return run(path, How.surely(days), false, new ImportProgress());
    }

    /** Says what a file that was sent would do, and keeps it until it is taken. */
    @Transactional
    Preview preview(String fileName, Path path, ImportProgress progress) {
        store.deleteAbandoned();
        try (InputStream in = Files.newInputStream(path)) {
            long id = store.addUpload(Viewer.current().id(), fileName, in);
            return kept(id, fileName, run(path, How.AS_IT_LOOKS, false, progress));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Preview kept(long id, String fileName, ImportResult result) {
        store.keepPreview(id, result.kind(), json.writeValueAsString(result));
        return new Preview(id, fileName, result);
    }

    /** Says what a previewed file would do, read in another way. */
    @Transactional
    Preview readAs(long id, How how, ImportProgress progress) {
        RecordsStore.Upload upload = waiting(id);
        return kept(id, upload.fileName(), again(id, how, false, progress));
    }

    /** Takes a previewed file. */
    @Transactional
    ImportResult accept(long id, ImportProgress progress) {
        RecordsStore.Upload upload = waiting(id);
        ImportResult shown = json.readValue(upload.preview(), ImportResult.class);
        if (!shown.sureOfDays()) {
            throw Refusal.invalid("days", "Say first whether the day or the month comes first. Nothing was saved.");
        }
        ImportResult result = again(id, How.as(shown.forms(), shown.sheets().isEmpty() ? null : shown.sheets().get(0)), true, progress);
        if (result.differsFrom(shown)) {
            throw Refusal.conflict(
                    "The records have changed since you looked at this file, so it would now do something else. Nothing was saved; choose the file again.");
        }
        store.markApplied(id);
        return noted(result);
    }

    private ImportResult noted(ImportResult result) {
        audit.note(
                Note.of(kinds.named(result.kind()).changesRights() ? Kind.RIGHTS : Kind.IMPORT, "file of " + result.label() + ": " + result.added() + " new, "
                        + result.changed() + " changed, " + result.refused() + " refused"));
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

    private ImportResult run(Path path, How how, boolean take, ImportProgress progress) {
        Connection connection = DataSourceUtils.getConnection(dataSource);
        try {
            return new ImportRun(connection, kinds, progress).run(path, how, take);
        } catch (SQLException e) {
            RuntimeException translated = translator.translate("import", null, e);
            throw translated == null ? new IllegalStateException(e) : translated;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            DataSourceUtils.releaseConnection(connection, dataSource);
        }
    }

    /** COPY cannot read and write one connection at once, so the content stands in a file between the two. */
    private ImportResult again(long id, How how, boolean take, ImportProgress progress) {
        try (ReceivedFile file = ReceivedFile.empty()) {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file.path()))) {
                store.writeContent(id, out);
            }
            return run(file.path(), how, take, progress);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Refusal tooLarge() {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "too-large", null,
                "The file is larger than 100 MB. Split it, by school or by year, and bring in the parts. Nothing was saved.");
    }
}
