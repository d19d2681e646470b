/** The roster: schools, years, classes, students and their enrolments over time; who is in scope on a day. */
package org.zealousladder.server.school.roster;
