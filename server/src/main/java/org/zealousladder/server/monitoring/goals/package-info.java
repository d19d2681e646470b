/** Goals: from a baseline to a score by a date; set, changed with the old one kept, read as known on a day. */
package org.zealousladder.server.monitoring.goals;
