package org.zealousladder.server.measures.measures;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.server.platform.criteria.AnswersTerms;

/** Names of measures and areas. */
@Component
public class MeasureTerms implements AnswersTerms {
    private final MeasuresService measures;

    MeasureTerms(MeasuresService measures) {
        this.measures = measures;
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.MEASURE, Noun.AREA, Noun.AREA_OR_MEASURE);
    }

    @Override
    public List<String> names(Noun noun, @Nullable String about) {
        List<Measure> all = measures.measures();
        Stream<String> areas = all.stream().map(Measure::area);
        Stream<String> names = all.stream().map(Measure::name);
        return (noun == Noun.AREA ? areas : noun == Noun.MEASURE ? names : Stream.concat(areas, names)).distinct().toList();
    }

    /** The measure that a subject is about. An area has the name before a measure that is called the same. */
    public Measure measure(Subject s) {
        return measures.measures().stream().filter(m -> m.name().equals(s.about())).findFirst().orElseThrow();
    }

    public boolean isArea(Subject s) {
        return measures.measures().stream().anyMatch(m -> m.area().equals(s.about()));
    }

    /** Numbers of the measures that a subject is about: all of an area, or one; all there are where nothing is said. Sub-scores stand with their whole. */
    public Short[] ids(Subject s) {
        boolean area = isArea(s);
        return measures.measures().stream().filter(m -> s.about() == null || (area ? m.area() : m.name()).equals(s.about())).map(m -> (short) m.id())
                .toArray(Short[]::new);
    }
}
