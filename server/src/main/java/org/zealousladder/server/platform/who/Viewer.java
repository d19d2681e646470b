package org.zealousladder.server.platform.who;

import java.io.Serializable;
import java.security.Principal;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * The signed-in person, as every capability needs to know them. Kept in the session, so it stays small.
 *
 * @param role the one of their roles that lets them see most
 * @param schoolId of their first role
 * @param schools all at which they work today
 * @param led those of them which they coordinate
 */
public record Viewer(int id, String login, String name, Role role, @Nullable Integer schoolId, Set<Integer> schools, Set<Integer> led)
        implements
            Serializable,
            Principal {

    /** Somebody with one role. */
    public Viewer(int id, String login, String name, Role role, @Nullable Integer schoolId) {
        this(id, login, name, role, schoolId, schoolId == null ? Set.of() : Set.of(schoolId),
                schoolId == null || role != Role.COORDINATOR ? Set.of() : Set.of(schoolId));
    }

    /** Whether the school is this one's to coordinate, or everything is. */
    public boolean leads(int school) {
        return role == Role.ADMINISTRATOR || led.contains(school);
    }

    /** Whether this one works at the school, or everywhere. */
    public boolean worksAt(int school) {
        return role == Role.ADMINISTRATOR || schools.contains(school);
    }

    /** What a person may see: own classes, the school, everything. */
    public enum Role implements Coded {
        TEACHER,
        COORDINATOR,
        ADMINISTRATOR
    }

    /** The shell's commands act as this one; it has no row among the people. */
    public static final Viewer SYSTEM = new Viewer(0, "system", "Command line", Role.ADMINISTRATOR, null);

    /** Null when nobody is signed in. */
    public static @Nullable Viewer currentOrNull() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null && who.getPrincipal() instanceof Viewer viewer ? viewer : null;
    }

    public static Viewer current() {
        Viewer viewer = currentOrNull();
        if (viewer == null) {
            throw Refusal.unauthorized("You are not signed in.");
        }
        return viewer;
    }

    /**
     * The viewer, where it is an administrator.
     *
     * @param otherwise what anybody else is told
     * @throws Refusal 403 for anybody else
     */
    public static Viewer administrator(String otherwise) {
        Viewer viewer = current();
        if (viewer.role() != Role.ADMINISTRATOR) {
            throw Refusal.forbidden(otherwise);
        }
        return viewer;
    }

    /** Does something in this one's name, outside of any request. */
    public void run(Runnable work) {
        new DelegatingSecurityContextRunnable(work, new SecurityContextImpl(UsernamePasswordAuthenticationToken.authenticated(this, null, List.of()))).run();
    }

    /** The same, for what answers something. */
    public <T> T ask(Supplier<T> work) {
        AtomicReference<@Nullable T> answer = new AtomicReference<>();
        run(() -> answer.set(work.get()));
        return Objects.requireNonNull(answer.get());
    }

    @Override
    public String getName() {
        return login;
    }
}
