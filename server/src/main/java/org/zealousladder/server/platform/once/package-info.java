/** What is sent twice is done once: answers kept by the key that the sender gave them. */
package org.zealousladder.server.platform.once;
