/** What every capability stands on and none owns; it knows nothing of the trade. */
@Area(rank = 0, about = "who asks, problems, pages, words")
package org.zealousladder.server.platform;

import org.zealousladder.server.Area;
