/** What each role sees of students: set by administrators, held by the database. */
@NullMarked
package org.zealousladder.server.school.sight;

import org.jspecify.annotations.NullMarked;
