/** Two sides held against each other: two spans of time, two students, two classes or groups; and a class year over year. */
@NullMarked
package org.zealousladder.server.overview.compare;

import org.jspecify.annotations.NullMarked;
