/** Days away and late, by week and year: who is often absent. Days are those on which the school was open. */
@NullMarked
package org.zealousladder.server.engagement.attendance;

import org.jspecify.annotations.NullMarked;
