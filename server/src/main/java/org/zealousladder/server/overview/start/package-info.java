/** Start: what a school needs before its first Ladder, and what is missing of it. */
package org.zealousladder.server.overview.start;
