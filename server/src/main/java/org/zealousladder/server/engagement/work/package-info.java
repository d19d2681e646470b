/** Course work: pieces, what became of each, and how a school counts them. */
@NullMarked
package org.zealousladder.server.engagement.work;

import org.jspecify.annotations.NullMarked;
