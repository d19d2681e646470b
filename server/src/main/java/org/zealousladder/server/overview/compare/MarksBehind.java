package org.zealousladder.server.overview.compare;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.work.Piece;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.scores.scores.Score;

/** The records behind a line, day by day: scores, answers, pieces of work, days away. Time and sessions have none but their sums. */
@Component
class MarksBehind {
    private static final int LONGEST_PROMPT = 120;

    private final AnswersService answers;
    private final ItemsService items;
    private final WorkService work;
    private final AttendanceService attendance;

    MarksBehind(AnswersService answers, ItemsService items, WorkService work, AttendanceService attendance) {
        this.answers = answers;
        this.items = items;
        this.work = work;
        this.attendance = attendance;
    }

    /** @param what was done; @param value what came of it, in words */
    record Mark(int student, LocalDate day, String what, String value) {}

    List<Mark> of(Line line, Period period, LocalDate asOf) {
        return switch (line.group()) {
            case SCORES, BANDS -> scores(line, period);
            case SKILLS -> answers(line, period);
            case WORK -> pieces(period, asOf);
            case ENGAGEMENT -> line.key().equals("away") ? away(period, asOf) : List.of();
        };
    }

    private static List<Mark> scores(Line line, Period period) {
        int measure = requireNonNull(line.about());
        String name = period.measures().stream().filter(m -> m.id() == measure).map(m -> m.name()).findFirst().orElse("");
        return period.scores().values().stream().flatMap(own -> own.getOrDefault(measure, List.of()).stream())
                .map((Score s) -> new Mark(s.studentId(), s.takenOn(), name, Words.plain(requireNonNull(s.value())))).toList();
    }

    private List<Mark> answers(Line line, Period period) {
        List<Answer> given = answers.answers(period.students(), line.about(), null, period.to()).stream().filter(a -> !a.day().isBefore(period.from()))
                .toList();
        Map<Integer, Item> asked = items.items(given.stream().map(Answer::item).collect(Collectors.toSet()));
        return given.stream().map(a -> {
            Item item = asked.get(a.item());
            String prompt = item == null ? "an item" : item.prompt();
            String said = a.answer() == null || a.answer().isBlank() ? "" : (item == null ? a.answer() : item.said(a.answer())) + ", ";
            return new Mark(a.student(), a.day(), prompt.length() > LONGEST_PROMPT ? prompt.substring(0, LONGEST_PROMPT) + " …" : prompt,
                    said + a.outcome());
        }).toList();
    }

    private List<Mark> pieces(Period period, LocalDate asOf) {
        WorkBook book = work.between(period.students(), period.from(), period.to(), asOf);
        Map<Integer, Piece> byId = book.pieces().stream().collect(Collectors.toMap(Piece::id, p -> p));
        List<Mark> all = new ArrayList<>();
        book.students().values().forEach(w -> w.results().forEach((piece, r) -> {
            Piece p = requireNonNull(byId.get(piece));
            all.add(new Mark(w.studentId(), p.due(), p.title(), r.words()));
        }));
        return all;
    }

    private List<Mark> away(Period period, LocalDate asOf) {
        List<Mark> all = new ArrayList<>();
        attendance.between(period.students(), period.from(), period.to(), asOf)
                .forEach((student, a) -> a.away().forEach(day -> all.add(new Mark(student, day, "Absent", ""))));
        return all;
    }
}
