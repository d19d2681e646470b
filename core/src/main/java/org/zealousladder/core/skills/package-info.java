/** What students can do, from their answers: states of skills, of one student and of a class. */
@NullMarked
package org.zealousladder.core.skills;

import org.jspecify.annotations.NullMarked;
