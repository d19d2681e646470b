/** Items that come in packages (QTI 3.0): what can be asked here, and what cannot, item by item. */
@NullMarked
package org.zealousladder.server.learning.packages;

import org.jspecify.annotations.NullMarked;
