/** The people of a school and who is in which class. */
@Area(rank = 1, about = "people, roster")
package org.zealousladder.server.school;

import org.zealousladder.server.Area;
