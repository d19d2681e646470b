/** Small groups: proposed by need and by fresh company, moved by hand, kept for a day or for longer; and who worked with whom. */
@NullMarked
package org.zealousladder.server.learning.groups;

import org.jspecify.annotations.NullMarked;
