package org.zealousladder.server.school.sight;

import static java.util.Map.entry;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** Whole views of what a role does not see are refused with that word: empty, they would seem to say that there is nothing. */
@Configuration
class SightGuard implements WebMvcConfigurer, HandlerInterceptor {
    /** By the first steps of the address. */
    static final Map<String, Sight> VIEWS = Map.ofEntries(entry("/api/work", Sight.WORK), entry("/api/engagement/attendance", Sight.ATTENDANCE),
            entry("/api/engagement/weeks", Sight.TIME), entry("/api/engagement/habits", Sight.TIME), entry("/api/engagement/effort", Sight.TIME),
            entry("/api/engagement/done", Sight.TIME), entry("/api/skills", Sight.SKILLS), entry("/api/checks", Sight.SKILLS),
            entry("/api/bank", Sight.SKILLS), entry("/api/tiers", Sight.TIERS), entry("/api/plans", Sight.PLANS));

    private final ObjectProvider<SightService> sight;

    SightGuard(ObjectProvider<SightService> sight) {
        this.sight = sight;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        VIEWS.keySet().forEach(p -> registry.addInterceptor(this).addPathPatterns(p, p + "/**"));
    }

    /** @throws Refusal 403 for a view of what the viewer's role does not see */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Viewer viewer = Viewer.currentOrNull();
        String address = request.getRequestURI();
        if (viewer == null || viewer.role() == Viewer.Role.ADMINISTRATOR) {
            return true;
        }
        VIEWS.forEach((path, what) -> {
            if ((address.equals(path) || address.startsWith(path + "/")) && !sight.getObject().sees(what)) {
                throw Refusal.forbidden(what.words() + " are not shown to your role. An administrator can change that under Records, People.");
            }
        });
        return true;
    }
}
