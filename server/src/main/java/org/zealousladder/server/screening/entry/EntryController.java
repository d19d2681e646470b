package org.zealousladder.server.screening.entry;

import jakarta.validation.Valid;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;

/** The entry grid. */
@RestController
class EntryController {
    private final EntryService entry;
    private final OnceService once;

    EntryController(EntryService entry, OnceService once) {
        this.entry = entry;
        this.once = once;
    }

    @GetMapping("/api/entry")
    EntryView grid(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window, @RequestParam LocalDate asOf) {
        return entry.view(Who.parse(who), year, window, asOf);
    }

    @PostMapping("/api/entry")
    EntryView.Entry save(@Valid @RequestBody CellForm form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, form, EntryView.Entry.class, () -> entry.save(form));
    }
}
