/** The report of a screening window: one page for a class, grade or school, on screen, on paper and as PDF. */
package org.zealousladder.server.overview.report;
