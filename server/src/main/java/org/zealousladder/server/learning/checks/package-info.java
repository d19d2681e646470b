/** Checks: built from the bank, given to students, watched as they come in, and what follows from them; cards by which students sign in. */
@NullMarked
package org.zealousladder.server.learning.checks;

import org.jspecify.annotations.NullMarked;
