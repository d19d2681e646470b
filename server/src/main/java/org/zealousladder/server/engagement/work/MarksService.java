package org.zealousladder.server.engagement.work;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.work.WorkState;
import org.zealousladder.server.engagement.work.MarkForm.Mark;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Saves marks one cell at a time. */
@Service
class MarksService {
    /** Points beyond those that can be earned are asked about, and refused beyond this multiple. */
    private static final int MOST = 2;

    private final WorkStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    MarksService(WorkStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** @param scoreId grows with every change of the cell; null: nothing ever stood there */
    record MarkEntry(@Nullable Long scoreId, @Nullable Double value, @Nullable Mark status) {}

    /** What stands in a cell, as it is typed. */
    static MarkEntry entry(Piece p, Cell cell) {
        Long seen = cell.seen() == 0 ? null : cell.seen();
        if (cell.told() == WorkState.EXCUSED) {
            return new MarkEntry(seen, null, Mark.EXCUSED);
        }
        Cell.AttemptRow last = last(cell);
        if (last != null) {
            return last.points() != null ? new MarkEntry(seen, last.points(), Mark.SCORED)
                    : new MarkEntry(seen, null, requireNonNull(last.onDay()).isAfter(p.due()) ? Mark.LATE : Mark.HANDED_IN);
        }
        return new MarkEntry(seen, null, cell.told() == null ? null : cell.told() == WorkState.MISSING ? Mark.MISSING : Mark.IN_PROGRESS);
    }

    private static Cell.@Nullable AttemptRow last(Cell cell) {
        return cell.attempts().isEmpty() ? null : cell.attempts().get(cell.attempts().size() - 1);
    }

    /**
     * Points go to the newest attempt; where there is none, to one that came in time.
     *
     * @throws Refusal 409 where somebody else was first, or for more points than can be earned; 422 for points that cannot be
     */
    @Transactional
    MarkEntry type(MarkForm f) {
        roster.requireStudents(Set.of(f.student()));
        Piece p = store.piece(f.piece()).orElseThrow(() -> Refusal.notFound("That piece of work has been ended. Nothing was saved."));
        LocalDate today = calendar.today();
        store.lock(p.id(), f.student());
        if (store.whose(List.of(f.student()), p.due(), p.due(), today).stream().noneMatch(w -> w.pieceId() == p.id())) {
            throw Refusal.invalid("student", "The student did not have this work to do. Nothing was saved.");
        }
        Cell cell = cell(p, f.student(), today);
        if (cell.seen() != (f.seen() == null ? 0 : f.seen())) {
            throw Refusal.conflict("Somebody else has changed this meanwhile. Yours was not saved.").with("theirs", entry(p, cell));
        }
        Cell.AttemptRow last = last(cell);
        switch (f.status()) {
            case SCORED -> mark(p, f, cell, last, today);
            case HANDED_IN, LATE -> handedIn(p, f, cell, last, today);
            case EXCUSED -> store.told(p.id(), f.student(), WorkState.EXCUSED, null, today);
            case MISSING, IN_PROGRESS -> {
                cell.attempts().forEach(a -> store.attempt(p.id(), f.student(), a.number(), null, null, a, today));
                store.told(p.id(), f.student(), f.status() == Mark.MISSING ? WorkState.MISSING : WorkState.IN_PROGRESS, null, today);
            }
            case WITHDRAWN -> withdraw(p, f.student(), cell, last, today);
        }
        return entry(p, cell(p, f.student(), today));
    }

    private Cell cell(Piece p, int student, LocalDate today) {
        return store.cells(List.of(student), List.of(p.id()), today).getOrDefault(student, Map.of()).getOrDefault(p.id(), Cell.NOTHING);
    }

    private void mark(Piece p, MarkForm f, Cell cell, Cell.@Nullable AttemptRow last, LocalDate today) {
        Double value = f.value();
        double possible = last == null || last.possible() == null ? p.possible() : last.possible();
        if (value == null || !(value >= 0 && value <= MOST * possible)) {
            throw Refusal.invalid("value",
                    "Points are from 0 to " + Words.plain(possible) + (value != null && value > possible ? "; that is more than twice as many." : "."));
        }
        if (value > possible && !f.sure()) {
            throw new Refusal(HttpStatus.CONFLICT, "unlikely", "value",
                    "Sure? " + Words.plain(value) + " is more than the " + Words.plain(possible) + " that can be earned. Press Enter again to keep it.");
        }
        clearTold(p, f.student(), cell, today);
        store.attempt(p.id(), f.student(), last == null ? 1 : last.number(), last == null ? inTime(p, today) : last.onDay(), value, last, today);
    }

    private void handedIn(Piece p, MarkForm f, Cell cell, Cell.@Nullable AttemptRow last, LocalDate today) {
        boolean late = f.status() == Mark.LATE;
        if (late && !today.isAfter(p.due())) {
            throw Refusal.invalid("value", "It is due on " + Words.shortDay(p.due()) + ", so nothing is late yet. Type h for handed in.");
        }
        clearTold(p, f.student(), cell, today);
        store.attempt(p.id(), f.student(), last == null ? 1 : last.number(), late ? today : inTime(p, today), null, last, today);
    }

    /** What was told comes back to nothing; else a mark that was given to something handed in goes and leaves it handed in; else all of it goes. */
    private void withdraw(Piece p, int student, Cell cell, Cell.@Nullable AttemptRow last, LocalDate today) {
        if (cell.told() != null) {
            store.told(p.id(), student, null, null, today);
        } else if (last != null && last.points() != null && store.cameUnmarked(p.id(), student, last.number())) {
            store.attempt(p.id(), student, last.number(), last.onDay(), null, last, today);
        } else if (last != null) {
            store.attempt(p.id(), student, last.number(), null, null, last, today);
        }
    }

    private void clearTold(Piece p, int student, Cell cell, LocalDate today) {
        if (cell.told() != null) {
            store.told(p.id(), student, null, null, today);
        }
    }

    private static LocalDate inTime(Piece p, LocalDate today) {
        return today.isBefore(p.due()) ? today : p.due();
    }
}
