/** Reports of what was done between two days: taking part, results and skills, on the screen, as PDF and as a workbook; kept settings, and the one for Mondays. */
@NullMarked
package org.zealousladder.server.overview.reports;

import org.jspecify.annotations.NullMarked;
