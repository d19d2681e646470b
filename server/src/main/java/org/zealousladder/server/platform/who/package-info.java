/** Who is asking, on which day, and how the database is told. */
package org.zealousladder.server.platform.who;
