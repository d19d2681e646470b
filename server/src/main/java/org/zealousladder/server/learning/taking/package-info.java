/** The students' own side of checks: signing in by a card, and answering. Whoever is signed in so reaches this alone, and in it only what is theirs. */
@NullMarked
package org.zealousladder.server.learning.taking;

import org.jspecify.annotations.NullMarked;
