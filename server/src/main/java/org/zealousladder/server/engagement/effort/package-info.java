/** Effort beside a score: who does much or little and stands high or low. It says what goes together, never that one causes the other. */
@NullMarked
package org.zealousladder.server.engagement.effort;

import org.jspecify.annotations.NullMarked;
