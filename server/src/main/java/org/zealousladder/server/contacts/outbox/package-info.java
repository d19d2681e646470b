/** Hands letters to the mail server, one by one, never twice. */
@NullMarked
package org.zealousladder.server.contacts.outbox;

import org.jspecify.annotations.NullMarked;
