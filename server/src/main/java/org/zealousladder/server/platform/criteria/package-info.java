/** How a capability says what the terms of the language of criteria stand for in its records. */
@NullMarked
package org.zealousladder.server.platform.criteria;

import org.jspecify.annotations.NullMarked;
