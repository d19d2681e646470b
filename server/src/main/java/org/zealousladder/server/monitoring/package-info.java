/** Progress monitoring: goals, plans, weekly scores, trends and decisions. */
@Area(rank = 5, about = "goals, plans, weekly scores, trends, decisions")
package org.zealousladder.server.monitoring;

import org.zealousladder.server.Area;
