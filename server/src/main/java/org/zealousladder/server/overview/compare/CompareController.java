package org.zealousladder.server.overview.compare;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Two sides, what is behind a row, and a class year over year. */
@RestController
class CompareController {
    private final CompareService compare;
    private final YearsService years;

    CompareController(CompareService compare, YearsService years) {
        this.compare = compare;
        this.years = years;
    }

    @GetMapping("/api/compare")
    CompareView view(@RequestParam String a, @RequestParam LocalDate aFrom, @RequestParam LocalDate aTo, @RequestParam String b,
            @RequestParam LocalDate bFrom, @RequestParam LocalDate bTo, @RequestParam LocalDate asOf) {
        return compare.view(new CompareService.Side(a, aFrom, aTo), new CompareService.Side(b, bFrom, bTo), asOf);
    }

    /** @param row key of the row */
    @GetMapping("/api/compare/behind")
    CompareView.CompareBehind behind(@RequestParam String a, @RequestParam LocalDate aFrom, @RequestParam LocalDate aTo, @RequestParam String b,
            @RequestParam LocalDate bFrom, @RequestParam LocalDate bTo, @RequestParam LocalDate asOf, @RequestParam String row) {
        return compare.behind(new CompareService.Side(a, aFrom, aTo), new CompareService.Side(b, bFrom, bTo), asOf, row);
    }

    @GetMapping("/api/compare/years")
    YearsView years(@RequestParam int classId, @RequestParam(required = false) @Nullable String area,
            @RequestParam(required = false) @Nullable String window, @RequestParam LocalDate asOf) {
        return years.view(new YearsService.Asked(classId, area, window, asOf));
    }
}
