/** Measures and how their scores are read: screening windows, and ladders of cut scores per measure, grade and window. */
package org.zealousladder.server.measures.measures;
