/** Erasing a student, when the law or the family wants it: asked by one administrator, done with another's yes. */
@NullMarked
package org.zealousladder.server.school.erasing;

import org.jspecify.annotations.NullMarked;
