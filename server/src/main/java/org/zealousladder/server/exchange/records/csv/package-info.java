/** Reading CSV as people have it: RFC 4180, with or without BOM, comma, semicolon or tab, columns found by name. */
package org.zealousladder.server.exchange.records.csv;
