/** What students did between two days: scores, answers, work, days, time and sessions, read once for whoever tells of it. */
@NullMarked
package org.zealousladder.server.overview.periods;

import org.jspecify.annotations.NullMarked;
