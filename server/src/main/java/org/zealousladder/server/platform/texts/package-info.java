/** What may stand in a text, wherever it comes in: by JSON, in an address, in a file. */
package org.zealousladder.server.platform.texts;
