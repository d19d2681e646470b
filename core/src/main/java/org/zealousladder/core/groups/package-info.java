/** Small groups on a shared need, fresh as far as that goes. */
@NullMarked
package org.zealousladder.core.groups;

import org.jspecify.annotations.NullMarked;
