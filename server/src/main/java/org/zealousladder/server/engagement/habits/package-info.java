/** When students do what they do: the hours of the week, the days of the year. */
@NullMarked
package org.zealousladder.server.engagement.habits;

import org.jspecify.annotations.NullMarked;
