/** Decisions that people took on what the program proposed: what, why, when to look again; and when plans changed. */
package org.zealousladder.server.monitoring.decisions;
