/** Answers of students to items, and what a school means by having a skill. */
@NullMarked
package org.zealousladder.server.learning.answers;

import org.jspecify.annotations.NullMarked;
