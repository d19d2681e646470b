/** PDFs made in the background, one after the other and by turns of who asks; how far each is stands in the database. */
@NullMarked
package org.zealousladder.server.overview.papers;

import org.jspecify.annotations.NullMarked;
