/** Who needs a look, by which rule and since when; set aside, watched. */
@NullMarked
package org.zealousladder.server.engagement.looks;

import org.jspecify.annotations.NullMarked;
