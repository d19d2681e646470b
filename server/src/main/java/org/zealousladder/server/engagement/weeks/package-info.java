/** The page of weeks: who needs a look first, beside the class. */
@NullMarked
package org.zealousladder.server.engagement.weeks;

import org.jspecify.annotations.NullMarked;
