/** Entering screening scores for a whole class in a grid: saved as typed, checked at once, never over somebody else's. */
package org.zealousladder.server.screening.entry;
