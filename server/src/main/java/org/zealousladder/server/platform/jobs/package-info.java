/** Work that is done after the answer, or one after another: whose turn it is, so that nobody's work delays another's for long. */
package org.zealousladder.server.platform.jobs;
