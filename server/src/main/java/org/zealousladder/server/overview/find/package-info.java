/** Finding students by a criterion: reading it, asking it in one statement, and showing who it holds for, line by line. */
@NullMarked
package org.zealousladder.server.overview.find;

import org.jspecify.annotations.NullMarked;
