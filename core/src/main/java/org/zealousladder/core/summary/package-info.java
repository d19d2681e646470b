/** Summaries of a group's scores: quantiles and percentile ranks. */
package org.zealousladder.core.summary;
