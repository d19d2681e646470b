/** A student's course on paper: for home in plain words, without any other student; for the meeting with what the team needs. For one, for some, or for a class. */
@NullMarked
package org.zealousladder.server.overview.prints;

import org.jspecify.annotations.NullMarked;
