package org.zealousladder.server.learning.items;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.once.OnceService;

/** The bank of items. */
@RestController
@RequestMapping("/api/bank")
class BankController {
    private static final int LARGEST = 1_000_001;
    private static final int MOST = 200;

    private final BankService bank;
    private final OnceService once;

    BankController(BankService bank, OnceService once) {
        this.bank = bank;
        this.once = once;
    }

    @GetMapping
    BankService.Bank bank(@RequestParam int school, @RequestParam(required = false) @Nullable List<Integer> skill,
            @RequestParam(required = false) @Nullable String words) {
        return bank.bank(school, skill, words, MOST);
    }

    /** An item that was made. */
    record MadeItem(int id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    MadeItem add(@Valid @RequestBody ItemForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, MadeItem.class, () -> new MadeItem(bank.add(f)));
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody ItemForm f) {
        bank.change(id, f);
    }

    /** @param ended or brought back */
    record ItemEnding(boolean ended) {}

    @PutMapping("/{id}/ended")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id, @RequestBody ItemEnding f) {
        bank.end(id, f.ended());
    }

    /** @param words what is on it, for whoever does not see it */
    @PostMapping(path = "/pictures", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @io.swagger.v3.oas.annotations.media.Content(mediaType = "application/octet-stream",
            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    MadeItem addPicture(@RequestParam(required = false) @Nullable Integer school, @RequestParam String words,
            @io.swagger.v3.oas.annotations.Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return new MadeItem(bank.addPicture(school, request.getInputStream().readNBytes(LARGEST), words));
    }

    @GetMapping("/pictures/{id}")
    ResponseEntity<byte[]> picture(@PathVariable int id) {
        return BankService.served(bank.picture(id));
    }
}
