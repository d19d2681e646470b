/** A student's folder: notes and files, each with who may read it. */
@NullMarked
package org.zealousladder.server.school.folder;

import org.jspecify.annotations.NullMarked;
