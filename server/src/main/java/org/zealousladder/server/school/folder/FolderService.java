package org.zealousladder.server.school.folder;

import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.files.ContentType;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Reads and writes students' folders. */
@Service
@Transactional
public class FolderService {
    /** Bytes of a file. */
    public static final int LARGEST = 10 * 1024 * 1024;
    private static final int LONGEST_NAME = 120;
    private static final Pattern ENDING = Pattern.compile("\\.\\p{Alnum}{1,5}$");
    private static final Pattern NOT_IN_A_NAME = Pattern.compile("[\\p{Cntrl}/\\\\:*?\"<>|]+");

    private final FolderStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    FolderService(FolderStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** What of a student the viewer may read. */
    @Transactional(readOnly = true)
    public Folder of(int student, LocalDate asOf) {
        return new Folder(store.notes(student, asOf), store.files(student, asOf));
    }

    /** @param seen the version that it stands in for; null for a new note @throws Refusal 403 for somebody else's, 409 where it was changed meanwhile */
    long note(int student, FolderController.NoteForm f, @Nullable Long seen) {
        roster.requireStudent(student);
        LocalDate today = calendar.today();
        LocalDate on = f.on() == null ? today : f.on();
        if (on.isAfter(today)) {
            throw Refusal.invalid("on", "That day is still to come. Nothing was saved.");
        }
        Long root = null;
        if (seen != null) {
            FolderStore.Standing now = standing(store.note(student, seen));
            if (now.recordedBy() != Viewer.current().id()) {
                throw Refusal.forbidden("A note is changed by whoever wrote it. Nothing was saved.");
            }
            root = now.root() == null ? now.id() : now.root();
            store.end("folder_note", student, seen, null, today);
        }
        return store.add(new FolderStore.NewNote(student, f.words().strip(), f.readers().code(), on, today, Viewer.current().id(), root));
    }

    private static FolderStore.Standing standing(Optional<FolderStore.Standing> found) {
        return found.orElseThrow(() -> Refusal.conflict("It has been changed or taken back meanwhile, or is not for you to read. Nothing was saved."));
    }

    /** Stays for whoever asks for an earlier day. */
    void takeBackNote(int student, long id, String because) {
        roster.requireStudent(student);
        requireTakes(standing(store.note(student, id)));
        store.end("folder_note", student, id, because.strip(), calendar.today());
    }

    void takeBackFile(int student, long id, String because) {
        roster.requireStudent(student);
        requireTakes(standing(store.file(student, id)));
        store.end("folder_file", student, id, because.strip(), calendar.today());
    }

    private static void requireTakes(FolderStore.Standing now) {
        if (now.recordedBy() != Viewer.current().id() && Viewer.current().role() != Viewer.Role.ADMINISTRATOR) {
            throw Refusal.forbidden("It is taken back by whoever put it there, or by an administrator. Nothing was changed.");
        }
    }

    /** @param grouped the support whose paper it is; null for none */
    record Sent(String name, @Nullable String about, Readers readers, @Nullable Long grouped, byte[] content) {}

    /** @throws Refusal 422 for one that is of no kind that is kept, empty, or larger than 10 MB */
    long file(int student, Sent f) {
        roster.requireStudent(student);
        if (f.content().length == 0) {
            throw Refusal.invalid("file", "The file is empty. Nothing was kept.");
        }
        if (f.content().length > LARGEST) {
            throw tooLarge();
        }
        ContentType type = ContentType.of(f.content()).orElseThrow(() -> Refusal.invalid("file",
                "By its content it is neither a PDF, a picture (PNG, JPEG, GIF, WebP) nor a plain text in UTF-8, whatever it is called."
                        + " Save it as one of these first. Nothing was kept."));
        if (f.grouped() != null && !store.groupedOf(f.grouped(), student)) {
            throw Refusal.invalid("grouped", "That support is not this student's any more. Choose another, or none. Nothing was kept.");
        }
        if (f.about() != null && f.about().length() > 300) {
            throw Refusal.invalid("about", "That is longer than 300 letters. Nothing was kept.");
        }
        return store.add(new FolderStore.NewFile(student, named(f.name(), type), Words.orNull(f.about()), type.code(), f.content(),
                f.grouped(), f.readers().code(), calendar.today(), Viewer.current().id()));
    }

    static Refusal tooLarge() {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "too-large", "file",
                "The file is larger than 10 MB. Make it smaller first: scan it in fewer dots, or in parts. Nothing was kept.");
    }

    /** Without folders and what a machine may not have in a name, and with the ending of what it is. */
    private static String named(String given, ContentType type) {
        String plain = NOT_IN_A_NAME.matcher(given.substring(Math.max(given.lastIndexOf('/'), given.lastIndexOf('\\')) + 1)).replaceAll(" ").strip();
        String stem = ENDING.matcher(plain).replaceAll("").replaceAll("^[. ]+|[. ]+$", "");
        String shown = stem.isEmpty() ? "file" : stem.substring(0, Math.min(stem.length(), LONGEST_NAME - 6)).strip();
        return shown + "." + type.ending();
    }

    /** A file as it is downloaded. */
    record Served(String name, ContentType type, byte[] content) {}

    /** @throws Refusal 404 for one that is not there, or not for the viewer to read */
    @Transactional(readOnly = true)
    Served content(int student, long id) {
        roster.requireStudent(student);
        FolderStore.Content c = store.content(student, id)
                .orElseThrow(() -> Refusal.notFound("There is no such file in the folder, or it is not for you to read."));
        return new Served(c.name(), Coded.of(ContentType.class, c.kind(), "a kind of file"), c.content());
    }
}
