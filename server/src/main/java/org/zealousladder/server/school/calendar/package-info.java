/** The days on which a school is open. */
package org.zealousladder.server.school.calendar;
