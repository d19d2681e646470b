/** Files in and out. */
@Area(rank = 9, about = "files in and out")
package org.zealousladder.server.exchange;

import org.zealousladder.server.Area;
