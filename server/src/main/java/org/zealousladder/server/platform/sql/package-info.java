/** Binding SQL to records. */
package org.zealousladder.server.platform.sql;
