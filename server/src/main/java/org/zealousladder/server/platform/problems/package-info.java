/** Refusals and errors as problem details (RFC 9457). */
package org.zealousladder.server.platform.problems;
