package org.zealousladder.server.contacts.contacts;

import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A call, a talk or a letter that is noted, for one student or for several at once. @param words what was said and agreed */
record NoteForm(@NotEmpty(message = "say about whom") @Size(max = 60, message = "are too many at once") List<Integer> students, Contact.Way way,
        Contact.Whom whom,
        @Nullable @Size(max = 120, message = "is too long") String name, LocalDate on, boolean reached,
        @Nullable @Size(max = 4000, message = "is too long") String words,
        @Nullable LocalDate lookAgainOn) {}
