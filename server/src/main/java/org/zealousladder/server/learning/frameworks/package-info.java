/** What is taught: frameworks of skills, and what each rests on. */
@NullMarked
package org.zealousladder.server.learning.frameworks;

import org.jspecify.annotations.NullMarked;
