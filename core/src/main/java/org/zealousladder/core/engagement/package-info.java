/** Time that students spend, week by week, held against their class and their own weeks before: who needs a look, and why. */
@NullMarked
package org.zealousladder.core.engagement;

import org.jspecify.annotations.NullMarked;
