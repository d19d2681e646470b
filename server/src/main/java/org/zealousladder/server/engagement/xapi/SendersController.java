package org.zealousladder.server.engagement.xapi;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.engagement.ActivityKind;

/** Programs that send, for who sets up. */
@RestController
@RequestMapping("/api/engagement/senders")
class SendersController {
    private final SendersService senders;

    SendersController(SendersService senders) {
        this.senders = senders;
    }

    @GetMapping
    SendersService.SendersView senders(@RequestParam int school) {
        return senders.view(school);
    }

    record NewSender(int school, @NotBlank(message = "say which program it is for") @Size(max = 80, message = "is too long") String name) {}

    @PostMapping
    SendersService.SenderMade make(@Valid @RequestBody NewSender form) {
        return senders.make(form.school(), form.name().strip());
    }

    @PostMapping("/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        senders.end(id);
    }

    /** @param kind null: it counts as nothing */
    record VerbForm(int school, @NotBlank @Size(max = 500) String verb, @Nullable @Size(max = 500) String activityType, @Nullable ActivityKind kind) {}

    /** @param statements that waited, and are done with */
    record Turned(int statements) {}

    @PostMapping("/verbs")
    Turned verb(@Valid @RequestBody VerbForm form) {
        return new Turned(senders.verb(form.school(), form.verb().strip(), form.activityType(), form.kind()));
    }

    record ActorForm(int school, @NotBlank @Size(max = 2000) String actor, int student) {}

    @PostMapping("/actors")
    Turned actor(@Valid @RequestBody ActorForm form) {
        return new Turned(senders.actor(form.school(), form.actor(), form.student()));
    }
}
