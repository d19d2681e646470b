/** Who looked at whose records, took them out or printed them, signed in, or changed a right: on record for as long as the settings say. */
@NullMarked
package org.zealousladder.server.platform.audit;

import org.jspecify.annotations.NullMarked;
