package org.zealousladder.core.criteria;

import org.jspecify.annotations.Nullable;

/**
 * What is asked about: a term, what it is about, and when. By itself it is a column of a table of students.
 *
 * @param about name of what it is about; null where the term needs none or none was said
 * @param place of the whole
 * @param aboutPlace of the name
 * @param whenPlace of the time
 */
public record Subject(Term term, @Nullable String about, When when, Place place, Place aboutPlace, Place whenPlace) {
    public static Subject of(Term term, @Nullable String about, When when) {
        return new Subject(term, about, when, Place.NOWHERE, Place.NOWHERE, Place.NOWHERE);
    }
}
