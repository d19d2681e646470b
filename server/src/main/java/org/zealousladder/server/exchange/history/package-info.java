/** What is on record of looks, files, sign-ins and changes of rights, for administrators to search. */
@NullMarked
package org.zealousladder.server.exchange.history;

import org.jspecify.annotations.NullMarked;
