/** Which skills students have: a class, a student, profiles, items. */
@NullMarked
package org.zealousladder.server.learning.skills;

import org.jspecify.annotations.NullMarked;
