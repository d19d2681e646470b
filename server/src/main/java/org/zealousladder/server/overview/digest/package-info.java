/** A letter in the morning to whoever wants one: what waits, in counts, without a name. */
@NullMarked
package org.zealousladder.server.overview.digest;

import org.jspecify.annotations.NullMarked;
