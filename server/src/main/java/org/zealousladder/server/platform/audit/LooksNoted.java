package org.zealousladder.server.platform.audit;

import static java.util.Map.entry;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.zealousladder.server.platform.who.Viewer;

/** Notes each look at students' records when it has been answered, and each file with them that went out. */
@Configuration
class LooksNoted implements WebMvcConfigurer, HandlerInterceptor {
    /** What people call it, by its address; another address stands for itself. */
    static final Map<String, String> VIEWS = Map.ofEntries(entry("/api/desk", "Desk"), entry("/api/ladder", "Ladder"), entry("/api/trends", "Trends"),
            entry("/api/trends/spans", "Trends over days"), entry("/api/trends/past", "How good percentages were"),
            entry("/api/trends/{student}/{measure}", "Chart"),
            entry("/api/trends/{student}/{measure}/goal-options", "Goal"), entry("/api/students/{id}", "Student page"),
            entry("/api/students/{id}/lanes/{lane}", "A lane of the student page"),
            entry("/api/students", "names found by Go to"),
            entry("/api/plans", "Plans and sessions"), entry("/api/strip", "Weekly scores"), entry("/api/meeting", "Meeting"),
            entry("/api/coverage", "Coverage"), entry("/api/entry", "Enter scores"), entry("/api/tiers", "Tiers"),
            entry("/api/tiers/closing", "Closing a window"), entry("/api/table", "Table"), entry("/api/report", "Report"),
            entry("/api/reading", "Reading aloud"), entry("/api/reading/{id}", "A reading"), entry("/api/records/scores.csv", "Scores"),
            entry("/api/records/roster.zip", "Roster and screening scores"),
            entry("/api/table/export", "Table"), entry("/api/changes/preview", "who would move by a change"), entry("/api/report/pdf", "Report"),
            entry("/api/find", "Find"), entry("/api/find/export", "Find"), entry("/api/compare", "Compare"), entry("/api/compare/behind", "Compare"),
            entry("/api/compare/years", "Year over year"), entry("/api/reports", "Reports"), entry("/api/reports/export", "Reports"),
            entry("/api/reports/pdf", "Reports"), entry("/api/prints", "Student page"),
            entry("/api/students/{id}/folder/files/{file}", "A file of the folder"));
    /** What goes on paper. */
    private static final Set<String> PRINTED = Set.of("/api/report/pdf", "/api/reports/pdf", "/api/prints");
    /** Posted, since what is asked for is long; nothing is changed by them. */
    private static final Set<String> POSTED = Set.of("/api/report/pdf", "/api/reports/pdf", "/api/prints", "/api/table/export", "/api/changes/preview",
            "/api/find", "/api/find/export", "/api/reports/export");

    /** A page that is asked for again within a minute, by itself or by somebody who types on, is the same look. */
    private final Cache<Look, Boolean> justNow = Caffeine.newBuilder().expireAfterWrite(Duration.ofMinutes(1)).maximumSize(100_000).build();

    private record Look(int by, String address, Audit.Note note) {}

    private final Audit audit;

    LooksNoted(Audit audit) {
        this.audit = audit;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public void afterCompletion(HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception e) {
        Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        Viewer viewer = Viewer.currentOrNull();
        if (pattern == null || viewer == null) {
            return;
        }
        String address = pattern.toString();
        if (response.getStatus() == HttpServletResponse.SC_FORBIDDEN) {
            noteOnce(viewer, request, Audit.Note.of(Audit.Kind.REFUSED, VIEWS.getOrDefault(address, request.getMethod() + " " + address)));
            return;
        }
        Integer student = Looked.student();
        Integer students = Looked.students();
        if (student == null && students == null || response.getStatus() >= 400 || !request.getMethod().equals("GET") && !POSTED.contains(address)) {
            return;
        }
        boolean file = response.getHeader(HttpHeaders.CONTENT_DISPOSITION) != null;
        Audit.Kind kind = PRINTED.contains(address) ? Audit.Kind.PRINT : file ? Audit.Kind.EXPORT : Audit.Kind.LOOK;
        // A page about one student may hold others beside, such as the middle of the class: it is about the one.
        boolean one = student != null && (students == null || address.contains("{"));
        String who = request.getParameter("who");
        Audit.Note note = new Audit.Note(kind, VIEWS.getOrDefault(address, address), who == null || who.length() > 200 ? null : who, one ? student : null,
                one ? null : students, null);
        if (kind == Audit.Kind.LOOK) {
            noteOnce(viewer, request, note);
        } else {
            audit.note(note);
        }
    }

    private void noteOnce(Viewer viewer, HttpServletRequest request, Audit.Note note) {
        if (justNow.asMap().putIfAbsent(new Look(viewer.id(), request.getRemoteAddr(), note), true) == null) {
            audit.note(note);
        }
    }
}
