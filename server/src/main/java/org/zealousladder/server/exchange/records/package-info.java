/** Records: one way in for every kind of file (preview, then all accepted rows or none), and the way out. */
package org.zealousladder.server.exchange.records;
