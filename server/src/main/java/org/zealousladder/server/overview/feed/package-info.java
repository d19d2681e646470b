/** A private calendar of each person's own: days that want them, with counts and no names. */
@NullMarked
package org.zealousladder.server.overview.feed;

import org.jspecify.annotations.NullMarked;
