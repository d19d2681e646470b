package org.zealousladder.server.school.folder;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the viewer may read, as it was known on a day; the newest first. */
public record Folder(List<FolderNote> notes, List<FolderFile> files) {

    /** @param by who wrote it @param own whether the viewer did */
    public record FolderNote(long id, String words, Readers readers, LocalDate on, @Nullable String by, boolean own, boolean mayTakeBack) {}

    /**
     * A file, without its content.
     *
     * @param kind told by its content: pdf, png, jpeg, gif, webp or text
     * @param size bytes
     * @param grouped the support or other grouping whose paper it is; null for none
     */
    public record FolderFile(long id, String name, @Nullable String about, String kind, int size, @Nullable Long grouped, Readers readers, LocalDate on,
            @Nullable String by, boolean own, boolean mayTakeBack) {}
}
