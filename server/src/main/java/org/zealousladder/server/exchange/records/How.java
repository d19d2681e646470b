package org.zealousladder.server.exchange.records;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.exchange.records.csv.FormFinder.Found;
import org.zealousladder.server.exchange.records.matching.Matching;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * How a file is to be read.
 *
 * @param forms as somebody has said; null: as it looks
 * @param sheet of a workbook; null: the first with something in it
 * @param matching as somebody has said; null: as its headings tell
 * @param days which part of a day comes first, where the file does not tell
 * @param sure whether what is in doubt is refused; otherwise it is shown, for somebody to say
 */
record How(@Nullable Forms forms, @Nullable String sheet, @Nullable Matching matching, Forms.@Nullable DayForm days, boolean sure) {
    static final How AS_IT_LOOKS = new How(null, null, null, null, false);

    static How surely(Forms.@Nullable DayForm days) {
        return new How(null, null, null, days, true);
    }

    Found settle(Found found) {
        if (found.sureOfDays()) {
            return found;
        }
        if (days != null) {
            return new Found(found.forms().with(days), true);
        }
        if (sure) {
            throw new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", "days",
                    "Its days can begin with the day or with the month, and none of them tells. Say --days day-first or --days month-first. Nothing was saved.");
        }
        return found;
    }
}
