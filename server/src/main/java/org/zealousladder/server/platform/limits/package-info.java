/** What one sender may take of the server: how much is read, how slowly, how often, how many at once. Nobody takes it away from the others. */
package org.zealousladder.server.platform.limits;
