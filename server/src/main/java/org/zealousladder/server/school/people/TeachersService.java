package org.zealousladder.server.school.people;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who teaches which class. */
@Service
@Transactional(readOnly = true)
public class TeachersService {
    private final PeopleStore store;

    TeachersService(PeopleStore store) {
        this.store = store;
    }

    /** Names by class, on {@code asOf} or, where the class's year was over, at its end; a class that nobody teaches is missing. */
    public Map<Integer, List<String>> ofClasses(Collection<Integer> classes, LocalDate asOf) {
        return classes.isEmpty() ? Map.of() : store.teachers(classes, asOf).stream()
                .collect(Collectors.groupingBy(PeopleStore.ClassTeacher::classId, Collectors.mapping(PeopleStore.ClassTeacher::name, Collectors.toList())));
    }
}
