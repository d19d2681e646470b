/** The school's own texts, for worry and for praise. */
@NullMarked
package org.zealousladder.server.contacts.texts;

import org.jspecify.annotations.NullMarked;
