/** Scores: append-only records with status and source, read as known on a day; entering and correcting them. */
package org.zealousladder.server.scores.scores;
