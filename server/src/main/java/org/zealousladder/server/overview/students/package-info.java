/** The student page: facts, and one lane per measure on a shared time axis; and finding a student by name. */
package org.zealousladder.server.overview.students;
