/** Items and the checks they stand in, with what each answer is worth and shows. */
@NullMarked
package org.zealousladder.server.learning.items;

import org.jspecify.annotations.NullMarked;
