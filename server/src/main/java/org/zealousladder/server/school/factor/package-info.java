/** The second step at sign-in: one-time codes by time, and codes for the day the device is lost. */
@NullMarked
package org.zealousladder.server.school.factor;

import org.jspecify.annotations.NullMarked;
