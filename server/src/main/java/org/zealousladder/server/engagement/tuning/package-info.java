/** Setting the rules about engagement: shown before it is done, with a reason, and taken back. */
@NullMarked
package org.zealousladder.server.engagement.tuning;

import org.jspecify.annotations.NullMarked;
