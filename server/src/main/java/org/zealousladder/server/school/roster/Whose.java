package org.zealousladder.server.school.roster;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Whose records are told of: a scope, as {@link Who} has it, or some students by number. In addresses: {@code class-12} and the like, {@code students-4},
 * {@code students-4,9,17}; at most 200.
 *
 * @param who null: the students
 */
public record Whose(@Nullable Who who, List<Integer> students) {
    private static final Pattern STUDENTS = Pattern.compile("students?-(\\d{1,9}(?:,\\d{1,9}){0,199})");

    public static Whose parse(String text) {
        Matcher m = STUDENTS.matcher(text);
        return m.matches() ? of(Arrays.stream(m.group(1).split(",")).map(Integer::valueOf).distinct().toList()) : new Whose(Who.parse(text), List.of());
    }

    public static Whose of(List<Integer> students) {
        return new Whose(null, students);
    }

    @Override
    public String toString() {
        return who != null ? who.toString() : "students-" + students.stream().map(String::valueOf).collect(Collectors.joining(","));
    }
}
