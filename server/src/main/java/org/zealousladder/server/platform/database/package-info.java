/** The databases' roles, their pools, and the schema they are to find. */
@NullMarked
package org.zealousladder.server.platform.database;

import org.jspecify.annotations.NullMarked;
