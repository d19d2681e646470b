package org.zealousladder.server.overview.feed;

import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import org.zealousladder.server.platform.problems.Refusal;

/** A person's own calendar: made and taken back by the person, read by whoever has its address. */
@RestController
class FeedController {
    private final FeedService feed;
    private final FeedReader reader;

    FeedController(FeedService feed, FeedReader reader) {
        this.feed = feed;
        this.reader = reader;
    }

    @GetMapping("/api/account/calendar")
    FeedService.FeedState state() {
        return feed.state();
    }

    /** @param address it is told this once */
    record FeedMade(String address) {}

    @PostMapping("/api/account/calendar")
    FeedMade make() {
        return new FeedMade(here() + "/calendar/" + feed.make() + ".ics");
    }

    @DeleteMapping("/api/account/calendar")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop() {
        feed.stop();
    }

    @GetMapping("/calendar/{secret}.ics")
    ResponseEntity<String> read(@PathVariable String secret) {
        Optional<String> text = reader.read(secret, here());
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=utf-8"))
                .cacheControl(CacheControl.empty().cachePrivate().mustRevalidate())
                .body(text.orElseThrow(() -> Refusal.notFound("There is no such calendar. It may have been renewed or stopped.")));
    }

    private static String here() {
        return ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString();
    }
}
