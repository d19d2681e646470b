/** What was done to many at once and can be undone as a whole. */
package org.zealousladder.server.platform.undoing;
