/** Ladders: how scores are read, by sets of cut scores per measure, grade and window. */
package org.zealousladder.server.measures.ladders;
