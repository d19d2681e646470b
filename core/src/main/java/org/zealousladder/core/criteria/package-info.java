/**
 * The language in which students are found: what a criterion is, how it is read from a sentence and written as one, and what follows where nothing
 * is on record. Which students a condition holds for is asked elsewhere.
 */
@NullMarked
package org.zealousladder.core.criteria;

import org.jspecify.annotations.NullMarked;
