package org.zealousladder.server.learning.taking;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.time.Duration;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.learning.checks.Feeding;
import org.zealousladder.server.learning.items.BankService;
import org.zealousladder.server.platform.who.Cookies;

/** The students' own side: everything is about whoever carries the card. */
@RestController
@RequestMapping("/api/taking")
@ConditionalOnWebApplication
class TakingController {
    private final TakingService taking;
    private final Feeding feeding;
    private final Cookies cookies;

    TakingController(TakingService taking, Feeding feeding, Cookies cookies) {
        this.taking = taking;
        this.feeding = feeding;
        this.cookies = cookies;
    }

    @PostMapping("/sign-in")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signIn(@Valid @RequestBody Taking.CardWords f, HttpServletRequest request, HttpServletResponse response) {
        String session = taking.signIn(f.words(), request.getRemoteAddr());
        response.addHeader(HttpHeaders.SET_COOKIE, cookies.line(TakingGate.COOKIE, session, TakingService.LASTS));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request, HttpServletResponse response) {
        TakingGate.session(request, cookies).ifPresent(taking::signOut);
        response.addHeader(HttpHeaders.SET_COOKIE, cookies.line(TakingGate.COOKIE, "", Duration.ZERO));
    }

    @GetMapping
    Taking view(@RequestAttribute(TakingGate.TAKER) Taker taker) {
        return taking.view(taker);
    }

    @PostMapping("/checks/{giving}")
    Taking.Sheet begin(@RequestAttribute(TakingGate.TAKER) Taker taker, @PathVariable int giving) {
        return taking.begin(taker, giving);
    }

    @PutMapping("/checks/{giving}/answers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(@RequestAttribute(TakingGate.TAKER) Taker taker, @PathVariable int giving, @Valid @RequestBody Taking.TakenAnswer f) {
        taking.answer(taker, giving, f).ifPresent(sitting -> feeding.feed(List.of(sitting)));
    }

    @PostMapping("/checks/{giving}/done")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void done(@RequestAttribute(TakingGate.TAKER) Taker taker, @PathVariable int giving, @RequestBody Taking.HandIn f) {
        taking.done(taker, giving, f.ranOut()).ifPresent(sitting -> feeding.feed(List.of(sitting)));
    }

    @GetMapping("/pictures/{id}")
    ResponseEntity<byte[]> picture(@RequestAttribute(TakingGate.TAKER) Taker taker, @PathVariable int id) {
        BankService.Picture p = taking.picture(taker, id);
        return BankService.served(p);
    }
}
