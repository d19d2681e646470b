/** Two sides held against each other, figure by figure: which difference the counts settle, and which they cannot. */
@NullMarked
package org.zealousladder.core.comparing;

import org.jspecify.annotations.NullMarked;
