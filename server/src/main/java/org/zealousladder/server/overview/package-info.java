/** Views over everything: the first one in the morning, a student's page, the report. */
@Area(rank = 8, about = "desk, students, reports, scope")
package org.zealousladder.server.overview;

import org.zealousladder.server.Area;
