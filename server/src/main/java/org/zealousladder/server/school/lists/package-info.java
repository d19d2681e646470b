/** Lists of students that were kept, and who was on them when. What a list's criterion says is asked elsewhere. */
@NullMarked
package org.zealousladder.server.school.lists;

import org.jspecify.annotations.NullMarked;
