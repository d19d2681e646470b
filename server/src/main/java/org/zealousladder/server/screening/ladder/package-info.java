/** The Ladder view: where each student stands on a measure's rungs, season by season, and how sure that is. */
package org.zealousladder.server.screening.ladder;
