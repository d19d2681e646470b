/** Files that people take out: written row by row, sent without holding anything that others need. */
@NullMarked
package org.zealousladder.server.platform.downloads;

import org.jspecify.annotations.NullMarked;
