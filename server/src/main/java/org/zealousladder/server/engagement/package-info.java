/** What students do between scores: the time they spend, the days they come, and the rules about these. */
@Area(rank = 6, about = "time, days at school, rules about them")
package org.zealousladder.server.engagement;

import org.zealousladder.server.Area;
