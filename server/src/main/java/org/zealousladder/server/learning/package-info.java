/** What students do and how they do it, beyond a score. */
@Area(rank = 6, about = "skills, their answers, reading aloud")
package org.zealousladder.server.learning;

import org.zealousladder.server.Area;
