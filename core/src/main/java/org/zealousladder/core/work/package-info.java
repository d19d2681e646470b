/** Course work: what a result is, which attempt counts, the three sums that are never mixed up, marks, and the rules about work. */
@NullMarked
package org.zealousladder.core.work;

import org.jspecify.annotations.NullMarked;
