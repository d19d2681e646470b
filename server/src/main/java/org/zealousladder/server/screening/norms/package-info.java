/** Norms: percentile and growth tables, brought in or computed from a school's own scores. */
package org.zealousladder.server.screening.norms;
