/** How the rules about engagement are set: everywhere, in a school, a grade, a class. */
@NullMarked
package org.zealousladder.server.engagement.rules;

import org.jspecify.annotations.NullMarked;
