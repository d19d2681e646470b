/** Scores as they were known on a day; nothing is ever overwritten. */
@Area(rank = 3, about = "scores, append-only")
package org.zealousladder.server.scores;

import org.zealousladder.server.Area;
