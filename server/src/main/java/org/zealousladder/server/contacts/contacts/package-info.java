/** Calls and talks that were noted, letters that were written, and when to look again. */
@NullMarked
package org.zealousladder.server.contacts.contacts;

import org.jspecify.annotations.NullMarked;
