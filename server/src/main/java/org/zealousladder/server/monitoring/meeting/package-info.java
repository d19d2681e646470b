/** The meeting: monitored students in the order of the agenda, each with chart, plan, goal, sessions and decisions. */
package org.zealousladder.server.monitoring.meeting;
