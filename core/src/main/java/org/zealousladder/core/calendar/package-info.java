/** School days: the days that count wherever days are counted. */
@NullMarked
package org.zealousladder.core.calendar;

import org.jspecify.annotations.NullMarked;
