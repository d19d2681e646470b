/** Screening: who was tested, where everyone stands, which tier follows. */
@Area(rank = 4, about = "standings, windows, tiers and what rests on them")
package org.zealousladder.server.screening;

import org.zealousladder.server.Area;
