/** Trends: each monitored student's scores, trend, goal line and proposed decision on one measure. */
package org.zealousladder.server.monitoring.trends;
