/** What the database keeps and only the server reads. */
@NullMarked
package org.zealousladder.server.platform.sealing;

import org.jspecify.annotations.NullMarked;
