/** What is measured, when, and how its scores are read. */
@Area(rank = 2, about = "measures, windows, ladders of cut scores")
package org.zealousladder.server.measures;

import org.zealousladder.server.Area;
