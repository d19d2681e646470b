package org.zealousladder.core.criteria;

/**
 * Where something stands in a text, from {@code start} up to {@code end}. Two of them are always equal: what is meant does not depend on where it stands,
 * so that trees can be compared.
 */
public record Place(int start, int end) {
    public static final Place NOWHERE = new Place(0, 0);

    /** From the beginning of this to the end of {@code last}. */
    Place to(Place last) {
        return new Place(start, last.end);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Place;
    }

    @Override
    public int hashCode() {
        return 0;
    }
}
