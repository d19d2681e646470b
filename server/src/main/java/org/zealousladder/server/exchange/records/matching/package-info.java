/** Other people's tables: what their columns, their words and their names mean to us. */
package org.zealousladder.server.exchange.records.matching;
