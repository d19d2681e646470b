package org.zealousladder.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Stands on the {@code package-info} of an area of the server: a package that holds one package per capability. A capability uses only
 * those of its own area and of areas of a lower rank; {@code ModulesTest} holds this for every package there is.
 */
@Target(ElementType.PACKAGE)
@Retention(RetentionPolicy.RUNTIME)
public @interface Area {
    /** Its place among the areas: a lower one knows nothing of a higher one. */
    int rank();

    /** What it is for, in a few words; the picture in docs/architecture.md shows them. */
    String about();
}
