package org.zealousladder.server.platform.audit;

import java.util.Collection;
import org.jspecify.annotations.Nullable;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Whose records a request has come by so far: told at the one door through which students are asked for, noted when the request has been answered. */
public final class Looked {
    private static final String STUDENT = "ladder.looked.student";
    private static final String STUDENTS = "ladder.looked.students";

    private Looked() {}

    /** A request has shown one student. */
    public static void at(int student) {
        put(STUDENT, student);
    }

    /** A request has shown these; the most of several lists count. */
    public static void at(Collection<Integer> students) {
        if (students.size() == 1) {
            at(students.iterator().next());
        } else if (!students.isEmpty()) {
            Integer before = get(STUDENTS);
            put(STUDENTS, Math.max(before == null ? 0 : before, students.size()));
        }
    }

    static @Nullable Integer student() {
        return get(STUDENT);
    }

    static @Nullable Integer students() {
        return get(STUDENTS);
    }

    private static @Nullable Integer get(String name) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        return request == null ? null : (Integer) request.getAttribute(name, RequestAttributes.SCOPE_REQUEST);
    }

    private static void put(String name, int value) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request != null) {
            request.setAttribute(name, value, RequestAttributes.SCOPE_REQUEST);
        }
    }
}
